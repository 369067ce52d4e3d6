/** Fingerprints as they lie in the store. */
import type { Searchable } from '@/core/picture/candidate-index';
import type { Fingerprint } from '@/core/picture/fingerprint';
import { unpackLandmarks, unpackPlanes } from '../../imaging/stored-print';
import { derivedBytesNow } from '../../store/store';

/** What of a fingerprint is looked up. */
export function storedLandmarks(sha256: string): Searchable {
  return unpackLandmarks(derivedBytesNow(sha256, 'landmarks'));
}

export function storedPrint(sha256: string): Fingerprint {
  return { ...storedLandmarks(sha256), ...unpackPlanes(derivedBytesNow(sha256, 'planes')) };
}
