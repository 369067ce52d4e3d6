/** Files are taken off a site by an edition: only what nothing uses or names, and back to the byte. */
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { problemOf } from '@/server/problem-error';
import { dropRemoval, gatherRemovals } from '@/server/work/editions/gather-removal';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { startSurvey } from '@/server/work/surveys/start-survey';
import { fileCounts, heavyPages, missingFiles, sameFiles, unusedFiles } from '@/app/_data/pages/files';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { flatPicture, snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let root = '';
let siteId = 0;
const ids = new Map<string, number>();

beforeAll(async () => {
  root = join(held.folder, 'site');
  const picture = await flatPicture(40, 30);
  await writeFiles(root, {
    'index.html':
      '<title>Home</title><img src="a.jpg" alt="x"><img src="Lost.jpg" alt="y"><link rel=stylesheet href=s.css>',
    's.css': '.nobody{background:url(dormant.jpg)}',
    'js/show.js': 'show("scripted.jpg")',
    'a.jpg': picture,
    'copy.jpg': picture,
    'dormant.jpg': await flatPicture(20, 20),
    'scripted.jpg': await flatPicture(21, 20),
    'spare.jpg': await flatPicture(22, 20),
    'other.jpg': await flatPicture(23, 20),
    'lost.jpg': await flatPicture(24, 20),
  });
  siteId = await connected(held.db, 'Files', root);
  const { rows } = await held.db.pool.query<{ id: number; path: string }>('select id, path from files');
  for (const { id, path } of rows) ids.set(path, id);
});

const gather = (...paths: string[]) =>
  gatherRemovals(
    held.db,
    MAINTAINER,
    siteId,
    paths.map((path) => ids.get(path) ?? 0),
  );
const refusal = (deed: Promise<unknown>) =>
  deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );

async function editionId(): Promise<number> {
  const { rows } = await held.db.pool.query<{ id: number }>(
    'select id from editions order by number desc limit 1',
  );
  return rows[0]?.id ?? 0;
}

describe('the lists of files', () => {
  it('tell missing, unused, doubled and heavy ones', async () => {
    expect(await fileCounts(siteId)).toMatchObject({
      missing: 1,
      unused: 5,
      twice: 1,
      searched: { pages: 1 },
    });
    const [missing] = await missingFiles(siteId, 1);
    expect(missing).toMatchObject({ path: 'Lost.jpg', near_path: 'lost.jpg', near_kind: 'case', places: 1 });
    expect((await unusedFiles(siteId, 1)).map(({ path }) => path).sort()).toEqual([
      'copy.jpg',
      'lost.jpg',
      'other.jpg',
      'scripted.jpg',
      'spare.jpg',
    ]);
    expect(
      (await sameFiles(siteId, 1)).map(({ files }) => files.map(({ path, places }) => `${path} ${places}`)),
    ).toEqual([['a.jpg 1', 'copy.jpg 0']]);
    expect((await heavyPages(siteId, 1)).map(({ path, files, heaviest }) => [path, files, heaviest])).toEqual(
      [['index.html', 1, 'a.jpg']],
    );
  });
});

describe('taking files off', () => {
  it('is refused for what a place or a dormant rule shows, and to those who may only look', async () => {
    expect(await refusal(gather('spare.jpg', 'a.jpg'))).toBe('FILE_USED');
    expect(await refusal(gather('dormant.jpg'))).toBe('FILE_USED');
    expect(await refusal(gather('Lost.jpg'))).toBe('FILES_NONE');
    expect(await refusal(gatherRemovals(held.db, VIEWER, siteId, [ids.get('spare.jpg') ?? 0]))).toBe(
      'NOT_ALLOWED',
    );
    const { rows } = await held.db.pool.query('select 1 from removals');
    expect(rows).toEqual([]);
  });

  it('stops at a file that a script names, and the edition waits', async () => {
    await gather('scripted.jpg', 'spare.jpg', 'copy.jpg');
    await runJobs(held.db);
    const { rows } = await held.db.pool.query(
      "select id, path, state, problem->>'why' as why, searched from removals order by path",
    );
    expect(rows).toMatchObject([
      { path: 'copy.jpg', state: 'ready', searched: { pages: 1, sheets: 1, texts: 1 } },
      { path: 'scripted.jpg', state: 'failed', why: expect.stringContaining('js/show.js') as string },
      { path: 'spare.jpg', state: 'ready' },
    ]);
    expect(await refusal(publishEdition(held.db, MAINTAINER, await editionId()))).toBe('EDITION_UNREADY');
    await dropRemoval(held.db, MAINTAINER, (rows[1] as { id: number }).id);
  });

  it('takes them off when the edition is published, leaves one that has come into use, and puts them back', async () => {
    const before = await snapshot(root);
    await writeFile(join(root, 'new.html'), '<img src="spare.jpg">');
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    const edition = await editionId();
    await publishEdition(held.db, MAINTAINER, edition);
    await runJobs(held.db);
    const after = await snapshot(root);
    expect(Object.keys(before).filter((path) => !(path in after))).toEqual(['copy.jpg']);
    const { rows } = await held.db.pool.query('select path, state from steps order by ordinal');
    expect(rows).toEqual([
      { path: 'copy.jpg', state: 'done' },
      { path: 'spare.jpg', state: 'left alone' },
    ]);
    await withdrawEdition(held.db, MAINTAINER, edition);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual({
      ...before,
      'new.html': (await readFile(join(root, 'new.html'))).toString('latin1'),
    });
  });
});
