/**
 * The key to a site's files as a proof shows them. A proof has no origin of its own, so that no cookie goes with what
 * it asks for; the key stands in its addresses instead, is signed, holds for one site and ends by itself.
 */
import { createHmac, timingSafeEqual } from 'node:crypto';
import { settings } from '../../settings';

export type ProofState = 'live' | 'draft';

export interface ProofKey {
  readonly siteId: number;
  readonly state: ProofState;
}

const HOLDS_MS = 12 * 3_600_000;

function signature(text: string): string {
  return createHmac('sha256', settings().secret).update(`proof ${text}`).digest('base64url').slice(0, 32);
}

export function proofToken({ siteId, state }: ProofKey, now: number): string {
  // Whole hours, so that browsers may keep what they fetched while a person goes from page to page.
  const ends = Math.ceil((now + HOLDS_MS) / 3_600_000);
  const text = `${siteId}-${state}-${ends}`;
  return `${text}-${signature(text)}`;
}

/** What a key opens, or `null` for one that is wrong or has ended. */
export function readProofToken(token: string, now: number): ProofKey | null {
  const match = /^((\d{1,9})-(live|draft)-(\d{1,9}))-([\w-]{32})$/.exec(token);
  if (!match) return null;
  const [, text = '', siteId, state, ends, given = ''] = match;
  const isSigned = timingSafeEqual(Buffer.from(signature(text)), Buffer.from(given));
  if (!isSigned || Number(ends) * 3_600_000 < now) return null;
  return { siteId: Number(siteId), state: state as ProofState };
}

/** Where a page's proof is served from now on, until its key ends. */
export function proofAddress(key: ProofKey, path: string): string {
  return `/proof/${proofToken(key, Date.now())}/${path.split('/').map(encodeURIComponent).join('/')}`;
}
