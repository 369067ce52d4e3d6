import 'server-only';
import { database } from '@/server/db/database';
import type { sites } from '@/server/db/schema/sites';
import { problemOf } from '@/server/problem-error';
import { openConnection } from '@/server/work/sites/site-connection';

/** Something that files would lose by being written anew. */
export interface Loss {
  /** The rest of the sentence “once written, it …”. */
  readonly loss: string;
  readonly paths: readonly string[];
}

/**
 * What the files that an edition writes would lose by it, asked of the system as it is now: owners that Ibidem may not
 * give, hard links. Usually nothing. A site that can't be asked is told by publishing itself.
 */
export async function lossesOfWriting(
  site: Pick<typeof sites.$inferSelect, 'id' | 'connection'>,
  paths: Iterable<string>,
): Promise<Loss[]> {
  const byLoss = new Map<string, string[]>();
  try {
    const connection = await openConnection(database(), site);
    for (const path of paths)
      for (const loss of (await connection.losesByWriting?.(path)) ?? [])
        byLoss.set(loss, [...(byLoss.get(loss) ?? []), path]);
    await connection.close();
  } catch (error) {
    process.stderr.write(`losses of writing: ${problemOf(error).what}\n`);
  }
  return [...byLoss].map(([loss, lost]) => ({ loss, paths: lost }));
}
