/** Clips and sounds: another in the places of one, published, proven and taken back; what can't be played is refused. */
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { beforeEach, describe, expect, it } from 'vitest';
import { scaleAsWave } from '@demo/site/sounds';
import { sites } from '@/server/db/schema/sites';
import { reviveWork } from '@/server/jobs/revive-work';
import { problemOf } from '@/server/problem-error';
import { gatherClip, type ClipRequest } from '@/server/work/editions/gather-clip';
import { gatherSentClip } from '@/server/work/editions/gather-sent-clip';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { uploadsFolder } from '@/server/work/intake/uploads-folder';
import { clipBytes } from '@/server/work/sites/clip-bytes';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { sender } from '../fixtures/send-by-pieces';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let root = '';
let siteId = 0;
let number = 0;

/** The head of an MP4 file is all that anything here looks at. */
const film = (year: number) =>
  Buffer.concat([Buffer.from([0, 0, 0, 32]), Buffer.from(`ftypisom…film of ${year}`)]);
const webm = Buffer.from('\x1aE\xdf\xa3\x9f\x42\x86\x81\x01\x42\x82\x84webm', 'latin1');

beforeEach(async () => {
  number++;
  root = join(held.folder, `clips${number}`);
  await writeFiles(root, {
    'index.html': `<video controls src='media/open (1).mp4'></video><audio src="media/bell.wav"></audio>`,
    'news.html':
      '<video><source src="media/open%20(1).webm" type="video/webm"><source src="media/open%20(1).mp4" type=\'video/mp4; codecs="avc1"\'></video>',
    'media/open (1).mp4': film(2019),
    'media/open (1).webm': webm,
    'media/bell.wav': Buffer.from(scaleAsWave()),
  });
  siteId = await connected(held.db, `Clips ${number}`, root);
});

const query = async <R extends object>(text: string, ...values: readonly unknown[]) =>
  (await held.db.pool.query<R>(text, [siteId, ...values])).rows;
const placesOf = async (path: string) =>
  (await query<{ id: string }>('select id from placements where site_id = $1 and until_survey is null and file_path = $2 order by page_path', path)).map(({ id }) => Number(id)); // oxfmt-ignore
const gather = async (more: Partial<ClipRequest> = {}, actor = OWNER, db = held.db) => {
  const fromPath = more.fromPath ?? 'media/open (1).mp4';
  return gatherClip(db, actor, { siteId, fromPath, placementIds: await placesOf(fromPath), fileName: 'Open day 2026.mp4', bytes: film(2026), ...more }); // oxfmt-ignore
};
const refusal = (deed: Promise<unknown>) => deed.then(() => null, (error: unknown) => problemOf(error)); // oxfmt-ignore

describe('another clip in its place', () => {
  it('is written where the old one stood, proven, and taken back to the byte', async () => {
    const before = await snapshot(root);
    await gather();
    await runJobs(held.db);
    const [edition] = await query<{ id: number }>(
      "select id from editions where site_id = $1 and state = 'draft'",
    );
    await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    const after = await snapshot(root);
    expect(after['index.html']).toBe(`<video controls src='media/open-day-2026.mp4'></video><audio src="media/bell.wav"></audio>`); // oxfmt-ignore
    expect(after['news.html']).toBe('<video><source src="media/open%20(1).webm" type="video/webm"><source src="media/open-day-2026.mp4" type=\'video/mp4\'></video>'); // oxfmt-ignore
    expect(after['media/open-day-2026.mp4']).toBe(film(2026).toString('latin1'));
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]); // oxfmt-ignore
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });

  it('of another type is named by its own, the old one and its codecs being written no more', async () => {
    const before = await snapshot(root);
    await gather({ bytes: webm, fileName: 'open day.webm' });
    await runJobs(held.db);
    const [edition] = await query<{ id: number }>("select id from editions where site_id = $1 and state = 'draft'"); // oxfmt-ignore
    await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect((await snapshot(root))['news.html']).toBe('<video><source src="media/open%20(1).webm" type="video/webm"><source src="media/open-day.webm" type=\'video/webm\'></video>'); // oxfmt-ignore
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]); // oxfmt-ignore
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });

  it('takes the old file off the site where nothing plays it any more, and puts it back', async () => {
    const before = await snapshot(root);
    expect((await refusal(gather({ isOldTakenOff: true })))?.code).toBe('NOT_ALLOWED');
    await gather({ isOldTakenOff: true }, MAINTAINER);
    await runJobs(held.db);
    const [edition] = await query<{ id: number }>("select id from editions where site_id = $1 and state = 'draft'"); // oxfmt-ignore
    expect(await query('select r.path, r.state, r.problem from removals r join editions e on e.id = r.edition_id where e.site_id = $1')).toEqual([{ path: 'media/open (1).mp4', state: 'ready', problem: null }]); // oxfmt-ignore
    await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    const live = Object.keys(await snapshot(root));
    expect(live).toContain('media/open-day-2026.mp4');
    expect(live).not.toContain('media/open (1).mp4');
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]); // oxfmt-ignore
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });

  it('leaves the old file where a place still plays it', async () => {
    const [first] = await placesOf('media/open (1).mp4');
    await gather({ isOldTakenOff: true, placementIds: [first ?? 0] }, MAINTAINER);
    await runJobs(held.db);
    const [removal] = await query<{ state: string; problem: { code: string } }>('select r.state, r.problem from removals r join editions e on e.id = r.edition_id where e.site_id = $1'); // oxfmt-ignore
    expect(removal).toMatchObject({ state: 'failed', problem: { code: 'FILE_USED' } });
  });

  it('may be a sound, and is played from the site and from the edition', async () => {
    await gather({ fromPath: 'media/bell.wav', fileName: 'bell.wav', bytes: scaleAsWave(1) });
    await runJobs(held.db);
    const [file] = await query<{ sha256: string; path: string }>('select n.sha256, n.path from new_files n join changes c on c.id = n.change_id join editions e on e.id = c.edition_id where e.site_id = $1'); // oxfmt-ignore
    expect(file?.path).toBe('media/bell-2.wav');
    const [site] = await held.db.orm.select().from(sites).where(eq(sites.id, siteId));
    if (!site) throw new Error('the site is gone');
    const played = await clipBytes(held.db, site, { sha: file?.sha256 ?? '' });
    expect(played?.ending).toBe('wav');
    expect(Buffer.from(played?.bytes ?? []).equals(Buffer.from(scaleAsWave(1)))).toBe(true);
    const old = await clipBytes(held.db, site, { path: 'media/bell.wav' });
    expect(Buffer.from(old?.bytes ?? []).equals(Buffer.from(scaleAsWave()))).toBe(true);
    // No file is given out that no page plays.
    expect(await clipBytes(held.db, site, { path: 'index.html' })).toBeNull();
  });
});

describe('a clip that is sent by pieces', () => {
  const by = sender(() => ({ db: held.db, siteId, goal: 'clip' }));
  const put = async (uploadId: string, actor = OWNER, fromPath = 'media/open (1).mp4') =>
    gatherSentClip(held.db, actor, { siteId, fromPath, placementIds: await placesOf(fromPath), uploadId });
  const left = () => query<{ state: string; file_name: string }>('select state, file_name from uploads where site_id = $1'); // oxfmt-ignore

  it('goes on where the line was cut, is put in once, and leaves no bytes behind', async () => {
    const bytes = Buffer.concat([film(2026), Buffer.alloc(5000, 7)]);
    const at = (await by.begin(OWNER, 'Open day 2026.mp4', bytes.length)).headers.get('location') ?? '';
    const id = at.split('/').at(-1) ?? '';
    expect((await by.piece(OWNER, at, bytes.subarray(0, 3000), 0)).status).toBe(204);
    expect((await refusal(put(id)))?.code).toBe('CLIP_NOT_SENT');
    expect((await by.send(OWNER, 'HEAD', at)).headers.get('upload-offset')).toBe('3000');
    expect((await by.piece(OWNER, at, bytes.subarray(3000), 3000)).status).toBe(204);
    // No job is made for it: it goes nowhere by itself, and opens no delivery.
    expect(await reviveWork(held.db)).toBe(0);
    expect(await query('select 1 from deliveries where site_id = $1')).toEqual([]);
    expect((await refusal(put(id, MAINTAINER)))?.code).toBe('CLIP_NOT_SENT');
    await put(id);
    const [kept] = await query<{ size_bytes: number; title: string }>('select size_bytes, title from intake where site_id = $1'); // oxfmt-ignore
    expect(kept).toEqual({ size_bytes: bytes.length, title: 'Open day 2026' });
    expect(await left()).toEqual([]);
    expect((await readdir(uploadsFolder())).filter((name) => name.startsWith(id))).toEqual([]);
    expect((await refusal(put(id)))?.code).toBe('CLIP_NOT_SENT');
  });

  it('waits where it can’t go into a place, and begins anew when it is sent again', async () => {
    const first = await by.sendWhole(OWNER, 'bell.wav', scaleAsWave());
    expect((await refusal(put(first)))?.code).toBe('CLIP_PLACE');
    expect(await left()).toEqual([{ state: 'arrived', file_name: 'bell.wav' }]);
    const again = await by.sendWhole(OWNER, 'bell.wav', scaleAsWave());
    expect(await left()).toEqual([{ state: 'arrived', file_name: 'bell.wav' }]);
    await put(again, OWNER, 'media/bell.wav');
    expect(await left()).toEqual([]);
  });

  it('that nobody puts in goes after a day, with the next that is sent', async () => {
    const old = await by.sendWhole(OWNER, 'forgotten.mp4', film(2020));
    await held.db.pool.query(`update uploads set started_at = now() - interval '25 hours' where id = $1`, [old]); // oxfmt-ignore
    await by.sendWhole(MAINTAINER, 'new.mp4', film(2026));
    expect((await left()).map((row) => row.file_name)).toEqual(['new.mp4']);
    expect(await readdir(uploadsFolder())).not.toContain(old);
  });

  it('is refused before a byte of it is sent where it is too large, and from a viewer', async () => {
    const answer = await by.begin(OWNER, 'whole evening.mp4', 61 * 1024 ** 2);
    expect(answer.status).toBe(413);
    expect(await answer.text()).toMatch(/61 MB; up to 60 MB are taken\. Export it shorter or smaller/);
    expect((await refusal(by.begin(VIEWER, 'a.mp4', 100)))?.code).toBeTruthy();
    expect(await left()).toEqual([]);
  });
});

describe('what is refused, with nothing gathered', () => {
  it.each([
    [
      'what is no clip',
      { bytes: Buffer.from('\xff\xd8\xff\xe0', 'latin1') },
      'CLIP_UNKNOWN',
      /Its content is not MP4/,
    ],
    ['an empty file', { bytes: Buffer.alloc(0) }, 'CLIP_UNKNOWN', /0 bytes/],
    [
      'a sound for a film',
      { bytes: scaleAsWave() },
      'CLIP_PLACE',
      /index\.html shows a film, and WAV holds a sound/,
    ],
    ['no place', { placementIds: [] }, 'CLIP_INPUT', /at least one place/],
    ['no file', { fileName: '' }, 'CLIP_INPUT', /Choose the file/],
    [
      'places of another file',
      { fromPath: 'media/bell.wav', placementIds: [1e9] },
      'PLACES_GONE',
      /do not show/,
    ],
  ])('%s', async (_what, more, code, why) => {
    const problem = await refusal(gather(more));
    expect(problem?.code).toBe(code);
    expect(problem?.why).toMatch(why);
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
    expect(await query('select 1 from intake where site_id = $1')).toEqual([]);
  });

  it('a viewer; and where it dies in the middle nothing is left', async () => {
    expect((await refusal(gather({}, VIEWER)))?.code).toBeTruthy();
    await expect(gather({}, OWNER, dyingAt(held.db, 'insert into "changes"'))).rejects.toThrow();
    expect(await query('select 1 from intake where site_id = $1')).toEqual([]);
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
  });
});
