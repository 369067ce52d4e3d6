import { parseUrl } from '@/core/address/parse-url';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { openFetcher } from '../../connections/http/fetch-address';
import type { PrivateHosts } from '../../connections/http/guard-address';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';
import { needDelivery } from './deliveries';
import { MAX_INTAKE_BYTES } from './intake-limits';
import { keepIntake } from './receive-intake';

/**
 * Fetches a picture from an address into the open delivery, under the same rules as a crawl; address and day are kept as
 * its source.
 *
 * @param allowed hosts of this machine or its network that may be asked
 * @throws ProblemError `ADDRESS_…`, or as `receiveIntake`
 */
export async function fetchPicture(
  db: Database,
  actor: Actor,
  { siteId, address }: { readonly siteId: number; readonly address: string },
  allowed: PrivateHosts = [],
): Promise<void> {
  requireRole(actor, EDITORS, 'bring in pictures');
  if (!parseUrl(address) || !/^https?:/i.test(address)) {
    throw new ProblemError({
      code: 'ADDRESS_UNUSABLE',
      what: 'No picture was fetched.',
      why: `“${address.slice(0, 200)}” is no address of the web.`,
      remedy: 'Give one that begins with https:// and leads to the picture itself.',
    });
  }
  const fetcher = openFetcher(allowed, { maxBytes: MAX_INTAKE_BYTES });
  try {
    const { url, bytes } = await fetcher.get(address);
    const fileName = nameIn(url);
    const delivery = await needDelivery(db, actor, siteId);
    const source = { address: url, on: new Date().toISOString().slice(0, 10) };
    await asOne(db, async (tx) => {
      await keepIntake(tx, {
        siteId,
        fileName,
        bytes,
        receivedBy: actor.name,
        deliveryId: delivery.id,
        source,
      });
      await addJob(tx.pool, 'know-delivery', { deliveryId: delivery.id }, `know-delivery-${delivery.id}`);
      await logEvent(tx, actor, { siteId, verb: 'fetch picture', details: url });
    });
  } finally {
    await fetcher.close();
  }
}

/** The last part of an address's path; as it is written where its escapes are broken. */
function nameIn(url: string): string {
  const last = new URL(url).pathname.split('/').at(-1) ?? '';
  try {
    return decodeURIComponent(last).slice(0, 255) || 'picture';
  } catch {
    return last.slice(0, 255);
  }
}
