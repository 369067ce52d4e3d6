/** Pictures leave their pages: with what would be left empty, with their files, proven, and back to the byte. */
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { beforeEach, describe, expect, it } from 'vitest';
import { problemOf } from '@/server/problem-error';
import { dropChange } from '@/server/work/editions/gather-swap';
import { gatherTakeOff, leavePlaces } from '@/server/work/editions/gather-take-off';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { gatherWords } from '@/server/work/words/gather-words';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { flatPicture, snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let root = '';
let siteId = 0;
let number = 0;

const HOME = `<title>Home</title>
<h1>School</h1>
<figure>
  <a href="img/hall-large.jpg"><img src="img/hall.jpg" alt="Hall"></a>
  <figcaption>The hall in May.</figcaption>
</figure>
<p>Words.</p>
<link rel=stylesheet href=s.css>
`;
const LIST = `<title>List</title><link rel=stylesheet href=s.css>\r
<ul>\r
<li><img src="img/hall.jpg" alt="Hall"></li>\r
<li><img src="img/tom.jpg" alt="Tom"> Tom</li>\r
</ul>\r
<div class=hero>Hi</div>`;

beforeEach(async () => {
  number++;
  root = join(held.folder, `site${number}`);
  await writeFiles(root, {
    'index.html': HOME,
    'list.html': LIST,
    's.css': 'h1,.hero{background:#fff url(img/hall.jpg) no-repeat}',
    'js/show.js': 'preload("tom.jpg")',
    'img/hall.jpg': await flatPicture(400, 300),
    'img/hall-large.jpg': await flatPicture(401, 301),
    'img/tom.jpg': await flatPicture(90, 120),
  });
  siteId = await connected(held.db, `Off ${number}`, root);
});

async function placesOf(...files: readonly string[]): Promise<number[]> {
  const { rows } = await held.db.pool.query<{ id: string }>(
    'select id from placements where site_id = $1 and file_path = any($2) and until_survey is null',
    [siteId, files],
  );
  return rows.map(({ id }) => Number(id));
}

const HALL = ['img/hall.jpg', 'img/hall-large.jpg'];
const gather = async (files: readonly string[], withFiles: readonly string[] = [], mustGo = false) => {
  const placementIds = await placesOf(...files);
  await gatherTakeOff(held.db, MAINTAINER, { siteId, placementIds, files: withFiles, mustGo });
  await runJobs(held.db);
};

interface Draft {
  readonly id: number;
  readonly change_id: number;
  readonly state: string;
  readonly offs: readonly { source: string; start: number; refused: string | null; words: string }[];
}

async function draft(): Promise<Draft> {
  const { rows } = await held.db.pool.query<Draft>(
    `select e.id, c.id as change_id, c.state, c.offs from editions e left join changes c on c.edition_id = e.id
     where e.site_id = $1 order by e.number desc, c.id limit 1`,
    [siteId],
  );
  return rows[0] as Draft;
}

const removals = async () =>
  (
    await held.db.pool.query<{ path: string; state: string; code: string | null; named: string[] | null }>(
      `select r.path, r.state, r.problem ->> 'code' as code, r.searched -> 'namedIn' as named from removals r
       join editions e on e.id = r.edition_id where e.site_id = $1 order by r.path`,
      [siteId],
    )
  ).rows;

const refusal = (deed: Promise<unknown>) =>
  deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );

describe('a picture that leaves all its pages', () => {
  it('goes with its files, is proven gone, and comes back to the byte', async () => {
    const before = await snapshot(root);
    await gather(HALL, HALL);
    expect(await draft()).toMatchObject({ state: 'ready' });
    expect(await removals()).toEqual(
      HALL.toSorted().map((path) => ({ path, state: 'ready', code: null, named: null })),
    );
    const { id } = await draft();
    await publishEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    const after = await snapshot(root);
    expect(Object.keys(before).filter((path) => !(path in after))).toEqual(HALL.toSorted());
    expect(after['index.html']).toBe(
      '<title>Home</title>\n<h1>School</h1>\n<p>Words.</p>\n<link rel=stylesheet href=s.css>\n',
    );
    expect(after['list.html']).toBe(LIST.replace('<li><img src="img/hall.jpg" alt="Hall"></li>\r\n', ''));
    expect(after['s.css']).toBe('h1,.hero{background:#fff none no-repeat}');
    const proven = 'select proven from publications where edition_id = $1 order by id desc limit 1';
    expect((await held.db.pool.query(proven, [id])).rows).toEqual([{ proven: true }]);
    expect(await placesOf(...HALL)).toEqual([]);
    await withdrawEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
    expect((await held.db.pool.query(proven, [id])).rows).toEqual([{ proven: true }]);
  });

  it('keeps its file while a place is left to it, and says which', async () => {
    await gather(['img/hall-large.jpg'], ['img/hall-large.jpg']);
    const { offs } = await draft();
    await gather(['img/hall.jpg'], ['img/hall.jpg']);
    expect((await removals()).map(({ state }) => state)).toEqual(['ready', 'ready']);
    const listPlace = (await draft()).offs.find(({ source }) => source === 'list.html');
    await leavePlaces(held.db, OWNER, siteId, [{ source: 'list.html', start: listPlace?.start ?? -1 }]);
    await runJobs(held.db);
    expect(await removals()).toMatchObject([{ path: 'img/hall-large.jpg', state: 'ready' }, { path: 'img/hall.jpg', state: 'failed', code: 'FILE_USED' }]); // oxfmt-ignore
    expect(offs).toHaveLength(1);
  });

  it('goes from the site though a script names it only where it must', async () => {
    await gather(['img/tom.jpg'], ['img/tom.jpg']);
    expect(await removals()).toMatchObject([{ state: 'failed', code: 'FILE_NAMED' }]);
    await gather(['img/tom.jpg'], ['img/tom.jpg'], true);
    expect(await removals()).toEqual([
      { path: 'img/tom.jpg', state: 'ready', code: null, named: ['js/show.js'] },
    ]);
  });
});

describe('an edition', () => {
  it('works out all that it takes off together: a list of which nothing is left goes as a whole', async () => {
    await gather(HALL);
    await gather(['img/tom.jpg']);
    const { id, offs } = await draft();
    expect(new Set(offs.map(({ source }) => source))).toEqual(new Set(['index.html', 'list.html', 's.css']));
    await publishEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect(await readFile(join(root, 'list.html'), 'utf8')).toContain('<ul>\r\n<li> Tom</li>\r\n</ul>');
  });

  it('has one thing in mind for a place: words for it keep it there, taking it off drops its words', async () => {
    const [place = 0] = await placesOf('img/tom.jpg');
    const words = () =>
      gatherWords(held.db, MAINTAINER, siteId, [{ ids: [place], alt: 'Tom Lee', caption: null }]);
    await words();
    await gather(['img/tom.jpg']);
    expect(await draft()).toMatchObject({ offs: [{ source: 'list.html' }] });
    const changes =
      'select takes_off from changes c join editions e on e.id = c.edition_id where e.site_id = $1';
    expect((await held.db.pool.query(changes, [siteId])).rows).toEqual([{ takes_off: true }]);
    await words();
    await runJobs(held.db);
    expect((await held.db.pool.query(changes, [siteId])).rows).toEqual([{ takes_off: false }]);
  });

  it('asks of its files anew once a change is taken out of it', async () => {
    await gather(HALL, HALL);
    await dropChange(held.db, MAINTAINER, (await draft()).change_id);
    await runJobs(held.db);
    expect((await removals()).map(({ code }) => code)).toEqual(['FILE_USED', 'FILE_USED']);
  });

  it('leaves a page alone that somebody has changed there, and is not called proven', async () => {
    await gather(['img/tom.jpg']);
    const { id } = await draft();
    await writeFile(join(root, 'list.html'), LIST.replace('alt="Tom"', 'alt="Tim"'));
    await publishEdition(held.db, MAINTAINER, id);
    await runJobs(held.db);
    expect(await readFile(join(root, 'list.html'), 'utf8')).toContain('img/tom.jpg');
    const { rows } = await held.db.pool.query('select proven from publications where edition_id = $1', [id]);
    expect(rows).toEqual([{ proven: false }]);
  });
});

it('is refused to those who may only look, and files to owners', async () => {
  const placementIds = await placesOf(...HALL);
  const ask = (actor: typeof MAINTAINER, files: readonly string[], ids = placementIds) =>
    refusal(gatherTakeOff(held.db, actor, { siteId, placementIds: ids, files, mustGo: false }));
  expect(await ask(VIEWER, [])).toBe('NOT_ALLOWED');
  expect(await ask(OWNER, HALL)).toBe('NOT_ALLOWED');
  expect(await ask(OWNER, [], [])).toBe('TAKE_OFF_INPUT');
  expect(await ask(OWNER, [], [placementIds[0] ?? 0, 999_999])).toBe('PLACES_GONE');
  expect(await ask(OWNER, [])).toBe('nothing refused');
});
