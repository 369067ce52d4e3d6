import { createHash } from 'node:crypto';

/** SHA-256 of bytes as 64 lower-case hex digits. */
export function sha256(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex');
}
