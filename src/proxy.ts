import { randomBytes } from 'node:crypto';
import { NextResponse, type NextRequest } from 'next/server';

/**
 * Gives every screen a Content-Security-Policy (W3C CSP Level 3) of its own: only scripts that this very answer names by
 * its nonce run, and nothing is loaded from elsewhere. A proof, which shows the site's markup, says its own.
 */
export function proxy(request: NextRequest): NextResponse {
  const nonce = randomBytes(16).toString('base64');
  const policy = policyFor(nonce, process.env.NODE_ENV === 'development');
  const headers = new Headers(request.headers);
  // The renderer takes the nonce for its own scripts from here.
  headers.set('Content-Security-Policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', policy);
  return response;
}

/** @param isDeveloping whether scripts are compiled in the browser as they change */
function policyFor(nonce: string, isDeveloping: boolean): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDeveloping ? " 'unsafe-eval'" : ''}`,
    // Interface primitives place what they open by style attributes; those run nothing.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "frame-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

// A piece of an upload is no screen, and is not to be read twice.
export const config = { matcher: ['/((?!_next/static|_next/image|proof/|s/[^/]+/intake/upload).*)'] };
