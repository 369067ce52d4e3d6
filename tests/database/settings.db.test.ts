/** What a site's settings say, and what follows from it. */
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { problemOf } from '@/server/problem-error';
import { changeSite } from '@/server/work/sites/change-site';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();

describe('the settings of a site', () => {
  it('bear on what is read: own hosts, and where pictures wait', async () => {
    const { db, folder } = held;
    await writeFiles(join(folder, 'set'), {
      'index.html': '<img src="https://pics.example/a.jpg" alt="x"><b data-slide-image="/b.jpg"></b>',
    });
    const id = await connected(db, 'Set', join(folder, 'set'));
    const shown = async () => {
      const { rows } = await db.pool.query<{ shows: string }>(
        'select coalesce(file_path, url) as shows from placements where site_id = $1 and until_survey is null order by ordinal',
        [id],
      );
      return rows.map(({ shows }) => shows);
    };
    expect(await shown()).toEqual(['https://pics.example/a.jpg']);
    const settings = {
      ...{ name: 'Set', liveUrl: 'https://set.example/', cacheBusters: ['v'], indexNames: [] },
      formats: 'keep' as const,
    };
    await changeSite(db, MAINTAINER, id, {
      ...settings,
      hosts: ['Pics.example'],
      lazyAttributes: ['data-slide-image'],
    });
    await runJobs(db);
    expect(await shown()).toEqual(['a.jpg', 'b.jpg']);
    const refused = (change: object) =>
      changeSite(db, MAINTAINER, id, { ...settings, hosts: [], lazyAttributes: [], ...change }).catch(
        (error: unknown) => problemOf(error).code,
      );
    expect(await refused({ hosts: ['https://x.example'] })).toBe('SITE_INPUT');
    expect(await refused({ lazyAttributes: ['src'] })).toBe('SITE_INPUT');
    expect(await refused({ name: '' })).toBe('SITE_INPUT');
    expect(await refused({ indexNames: ['a/b'] })).toBe('SITE_INPUT');
    expect(await refused({ formats: 'gif' })).toBe('SITE_INPUT');
    const queued = async () => (await db.pool.query('select 1 from graphile_worker.jobs')).rowCount;
    const before = await queued();
    const dying = dyingAt(db, 'insert into surveys');
    await expect(
      changeSite(dying, MAINTAINER, id, { ...settings, hosts: [], lazyAttributes: [], name: 'Half' }),
    ).rejects.toThrow('died at');
    const { rows } = await db.pool.query('select name from sites where id = $1', [id]);
    expect([rows, await queued()]).toEqual([[{ name: 'Set' }], before]);
  });
});
