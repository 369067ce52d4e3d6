import 'server-only';
import { cache } from 'react';
import { database } from '@/server/db/database';

/**
 * Whether a survey of the site has come to its end. Before that nobody can say of a picture that it stands on no page, or of a
 * place that its file is missing: it may only not have been read yet.
 */
export const wasReadWhole = cache(async (siteId: number): Promise<boolean> => {
  const { rows } = await database().pool.query<{ done: boolean }>(
    `select exists (select 1 from surveys where site_id = $1 and state = 'done') as done`,
    [siteId],
  );
  return rows[0]?.done ?? false;
});
