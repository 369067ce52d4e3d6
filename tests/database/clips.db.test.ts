/** Clips and sounds: another in the places of one, published, proven and taken back; what can't be played is refused. */
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { beforeEach, describe, expect, it } from 'vitest';
import { scaleAsWave } from '@demo/site/sounds';
import { sites } from '@/server/db/schema/sites';
import { problemOf } from '@/server/problem-error';
import { gatherClip, type ClipRequest } from '@/server/work/editions/gather-clip';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { clipBytes } from '@/server/work/sites/clip-bytes';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
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
  (await query<{ id: string }>('select id from placements where site_id = $1 and until_survey is null and file_path = $2 order by page_path', path)).map(({ id }) => Number(id)); // prettier-ignore
const gather = async (more: Partial<ClipRequest> = {}, actor = OWNER, db = held.db) => {
  const fromPath = more.fromPath ?? 'media/open (1).mp4';
  return gatherClip(db, actor, { siteId, fromPath, placementIds: await placesOf(fromPath), fileName: 'Open day 2026.mp4', bytes: film(2026), ...more }); // prettier-ignore
};
const refusal = (deed: Promise<unknown>) => deed.then(() => null, (error: unknown) => problemOf(error)); // prettier-ignore

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
    expect(after['index.html']).toBe(`<video controls src='media/open-day-2026.mp4'></video><audio src="media/bell.wav"></audio>`); // prettier-ignore
    expect(after['news.html']).toBe('<video><source src="media/open%20(1).webm" type="video/webm"><source src="media/open-day-2026.mp4" type=\'video/mp4; codecs="avc1"\'></video>'); // prettier-ignore
    expect(after['media/open-day-2026.mp4']).toBe(film(2026).toString('latin1'));
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]); // prettier-ignore
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });

  it('may be a sound, and is played from the site and from the edition', async () => {
    await gather({ fromPath: 'media/bell.wav', fileName: 'bell.wav', bytes: scaleAsWave(1) });
    await runJobs(held.db);
    const [file] = await query<{ sha256: string; path: string }>('select n.sha256, n.path from new_files n join changes c on c.id = n.change_id join editions e on e.id = c.edition_id where e.site_id = $1'); // prettier-ignore
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
    [
      'another type than the page names',
      { bytes: webm },
      'CLIP_PLACE',
      /news\.html is written for video\/mp4/,
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
