/** Puts work into the queue. What each job does stands in `handlers.ts`; the names and their payloads stand here. */
import type { ClientBase } from 'pg';
import type { Settings } from '../settings';

export interface Jobs {
  'survey-site': { readonly surveyId: number };
  'prepare-change': { readonly changeId: number };
  'prepare-removal': { readonly removalId: number };
  'run-publication': { readonly publicationId: number };
  'know-pictures': { readonly siteId: number };
  'read-texts': { readonly siteId: number };
  'answer-rights': { readonly siteId: number };
  'take-in': { readonly uploadId: string };
  'know-delivery': { readonly deliveryId: number };
}

export type JobName = keyof Jobs;

/** How often a job that fails is tried again before it stays in the queue with its error. */
const ATTEMPTS: Readonly<Record<JobName, number>> = {
  'survey-site': 2,
  'prepare-change': 2,
  'prepare-removal': 2,
  'run-publication': 5,
  'know-pictures': 2,
  'read-texts': 2,
  'answer-rights': 2,
  'take-in': 3,
  'know-delivery': 2,
};

/**
 * Jobs that nobody waits for: they are at a processor for minutes. Where they have a worker of their own, none that a
 * person waits for is held up between two of its steps.
 */
const BACKGROUND: ReadonlySet<JobName> = new Set(['know-pictures', 'read-texts', 'answer-rights']);

/** Whether a worker that takes some jobs takes this one. */
export const takes = (jobs: Settings['jobs'], name: JobName): boolean =>
  jobs === 'all' || BACKGROUND.has(name) === (jobs === 'background');

/** What can wait lets all else go first. */
const PRIORITY: Partial<Readonly<Record<JobName, number>>> = { 'read-texts': 10 };

/**
 * Jobs that read all of a site, work it out, and write it down: of two side by side the one that read first could write last.
 * Those of one kind and site run one after the other.
 */
const ONE_AT_A_TIME: ReadonlySet<JobName> = new Set(['know-pictures', 'read-texts', 'answer-rights']);

function queueOf<N extends JobName>(name: N, payload: Jobs[N]): string | null {
  if (ONE_AT_A_TIME.has(name) && 'siteId' in payload) return `${name} ${payload.siteId}`;
  return 'deliveryId' in payload ? `${name} ${payload.deliveryId}` : null;
}

/**
 * Adds a job, in the caller's transaction where there is one.
 *
 * @param key jobs of one key wait as one. While one of them runs another can wait: it was asked for since
 */
export async function addJob<N extends JobName>(
  client: Pick<ClientBase, 'query'>,
  name: N,
  payload: Jobs[N],
  key: string,
): Promise<void> {
  const queue = queueOf(name, payload);
  await client.query(
    'select graphile_worker.add_job($1, payload := $2::json, job_key := $3, max_attempts := $4, priority := $5, queue_name := $6)',
    [name, JSON.stringify(payload), key, ATTEMPTS[name], PRIORITY[name] ?? 0, queue],
  );
}
