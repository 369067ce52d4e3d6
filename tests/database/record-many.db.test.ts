/** One record for many pictures: of whom it is about, what stays as it was, and the way back. */
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeEach, describe, expect, it } from 'vitest';
import { facade, river, stage } from '@demo/site/scenes';
import { unknownLots } from '@/app/_data/rights/many';
import { problemOf } from '@/server/problem-error';
import { importRecords, recordPicture } from '@/server/work/rights/keep-records';
import { picturesMeant, type PicturesMeant } from '@/server/work/rights/pictures-meant';
import { saveSection } from '@/server/work/sections/keep-sections';
import { putRecordsBack, recordMany } from '@/server/work/rights/record-many';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
const NOTHING = { creator: [], holder: '', licence: '', source: '', until: '', people: '' } as const;
let siteId: number;
let round = 0;

const picture = async (svg: string, artist?: string) => {
  const made = sharp(Buffer.from(svg)).resize(600, 400).jpeg();
  return (artist ? made.withExif({ IFD0: { Artist: artist } }) : made).toBuffer();
};

beforeEach(async () => {
  const folder = join(held.folder, `many-${++round}`);
  const hall = await picture(facade(3, 'red'), 'Ann Lee');
  await writeFiles(folder, {
    'old/hall.jpg': hall,
    'small/hall.jpg': await sharp(hall).resize(240).jpeg().toBuffer(),
    'old/river.jpg': await picture(river(4), 'Ann Lee'),
    'new/choir.jpg': await picture(stage(11)),
    'index.html':
      '<title>Home</title><img src="old/hall.jpg" alt="Hall"><img src="old/river.jpg" alt="River">',
    'choirs/index.html':
      '<title>Choirs</title><img src="../new/choir.jpg" alt="Choir"><img src="../small/hall.jpg" alt="Hall">',
  });
  siteId = await connected(held.db, `Many ${round}`, folder);
});

const query = async <T extends object>(text: string): Promise<T[]> =>
  (await held.db.pool.query<T>(text, [siteId])).rows;
const bodies = () => query<{ for_file: string | null; body: Record<string, unknown> }>('select for_file, body from rights_records where site_id = $1 order by for_file'); // oxfmt-ignore
const sourceUnknown = async () => (await query<{ file_path: string }>(`select distinct file_path from rights_answers where site_id = $1 and because ? 'source-unknown' order by 1`)).map((row) => row.file_path); // oxfmt-ignore
const meantPaths = async (meant: PicturesMeant) => (await picturesMeant(held.db, siteId, meant)).map(({ path }) => path).sort(); // oxfmt-ignore
const ALL = ['new/choir.jpg', 'old/hall.jpg', 'old/river.jpg', 'small/hall.jpg'];
const refusal = async (deed: Promise<unknown>) =>
  deed.then(
    () => 'done',
    (error: unknown) => problemOf(error).code,
  );

describe('who is meant', () => {
  it('is what was chosen, a folder, a maker, or the pages of an owner', async () => {
    const [choir] = await query<{ id: number }>(`select picture_id as id from files where site_id = $1 and path = 'new/choir.jpg'`); // oxfmt-ignore
    expect(await meantPaths({ pictures: [choir?.id ?? 0, 999_999] })).toEqual(['new/choir.jpg']);
    expect(await meantPaths({ folder: '/old/' })).toEqual(['old/hall.jpg', 'old/river.jpg']);
    expect(await meantPaths({ folder: 'ol' })).toEqual([]);
    expect(await meantPaths({ maker: 'Ann Lee' })).toEqual(['old/hall.jpg', 'old/river.jpg']);
    await held.db.pool.query(`insert into "user" (id, name, email) values ('o', 'Orla Finch', 'o@example.org') on conflict do nothing`); // oxfmt-ignore
    const section = { name: 'All that sings', pattern: 'choirs', ownerId: 'o' };
    await saveSection(held.db, MAINTAINER, siteId, section);
    // The small copy of the hall on that page is told by the file that stands for it.
    expect(await meantPaths({ owner: 'o' })).toEqual(['new/choir.jpg', 'old/hall.jpg']);
  });
});

describe('one record for many', () => {
  it('answers all of a folder, what comes later too, and is taken back', async () => {
    // Any record: without one nothing is asked.
    const bytes = new TextEncoder().encode('{"record":"site","host":"ferndrake.example"}');
    await importRecords(held.db, MAINTAINER, siteId, { name: 'r.jsonl', bytes, isInstead: false });
    await runJobs(held.db);
    expect(await sourceUnknown()).toEqual(ALL);
    expect((await unknownLots(siteId)).folders).toEqual([{ name: 'old', pictures: 2 }]);
    expect((await unknownLots(siteId)).makers).toEqual([{ name: 'Ann Lee', pictures: 2 }]);
    const { pictures, before } = await recordMany(held.db, OWNER, siteId, { ...NOTHING, meant: { folder: 'old' }, source: 'the attic', licence: 'own-work' }); // oxfmt-ignore
    await runJobs(held.db);
    expect(pictures).toBe(2);
    expect(await sourceUnknown()).toEqual(['new/choir.jpg']);
    expect((await bodies()).map((row) => row.for_file)).toEqual(['old/**', null]);
    await putRecordsBack(held.db, OWNER, siteId, before);
    await runJobs(held.db);
    expect((await bodies()).map((row) => row.for_file)).toEqual([null]);
    expect(await sourceUnknown()).toEqual(ALL);
  });

  it('leaves what was said of each where a field is empty, and puts exactly that back', async () => {
    const said = { ...NOTHING, file: 'old/river.jpg', holder: 'The mill', licence: 'CC-BY-4.0' };
    await recordPicture(held.db, MAINTAINER, siteId, said);
    const first = await bodies();
    const meant = { maker: 'Ann Lee' };
    const { before } = await recordMany(held.db, MAINTAINER, siteId, { ...NOTHING, meant, creator: ['Ann Lee'], licence: 'own-work' }); // oxfmt-ignore
    expect((await bodies()).map(({ body }) => body)).toEqual([
      { record: 'picture', files: ['old/hall.jpg'], creator: ['Ann Lee'], licence: 'own-work' },
      { record: 'picture', files: ['old/river.jpg'], holder: 'The mill', creator: ['Ann Lee'], licence: 'own-work' }, // oxfmt-ignore
    ]);
    await putRecordsBack(held.db, MAINTAINER, siteId, before);
    expect(await bodies()).toEqual(first);
  });

  it('is written with its questions or not at all, and refused where it says nothing or means nobody', async () => {
    const meant = { folder: 'old' };
    for (const text of ['insert into "rights_records"', 'rights_states', 'add_job', 'insert into "events"'])
      expect(await refusal(recordMany(dyingAt(held.db, text), MAINTAINER, siteId, { ...NOTHING, meant, holder: 'X' }))).not.toBe('done'); // oxfmt-ignore
    expect(await bodies()).toEqual([]);
    const many = (more: object, actor = MAINTAINER) => refusal(recordMany(held.db, actor, siteId, { ...NOTHING, meant, ...more })); // oxfmt-ignore
    expect(await many({})).toBe('RIGHTS_INPUT');
    expect(await many({ until: 'soon' })).toBe('RIGHTS_INPUT');
    expect(await many({ meant: { folder: 'a*' }, holder: 'X' })).toBe('RIGHTS_INPUT');
    expect(await many({ meant: { folder: 'nowhere' }, holder: 'X' })).toBe('RIGHTS_NOBODY');
    expect(await many({ holder: 'X' }, VIEWER)).toBe('NOT_ALLOWED');
    expect(await refusal(putRecordsBack(held.db, VIEWER, siteId, []))).toBe('NOT_ALLOWED');
    expect(await bodies()).toEqual([]);
  });

  it('puts back records of those pictures, and of nothing else', async () => {
    const back = (of: string, body: object) => refusal(putRecordsBack(held.db, OWNER, siteId, [{ of, body: body as never }])); // oxfmt-ignore
    expect(await back('old/hall.jpg', { record: 'person', id: 'p1', files: ['old/hall.jpg'] })).toBe('RIGHTS_INPUT'); // oxfmt-ignore
    expect(await back('old/hall.jpg', { record: 'licence', id: 'own:all', files: ['old/hall.jpg'] })).toBe('RIGHTS_INPUT'); // oxfmt-ignore
    expect(await back('old/hall.jpg', { record: 'picture', files: ['**'] })).toBe('RIGHTS_INPUT');
    expect(await back('old/hall.jpg', { record: 'picture', files: ['old/hall.jpg', '**'] })).toBe('RIGHTS_INPUT'); // oxfmt-ignore
    expect(await bodies()).toEqual([]);
    expect(await back('old/hall.jpg', { record: 'picture', files: ['old/hall.jpg'], holder: 'X' })).toBe('done'); // oxfmt-ignore
  });
});
