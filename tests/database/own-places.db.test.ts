/** Swaps in which single places have a point and words of their own, the old file goes, or the new one is the site's. */
import { join } from 'node:path';
import sharp, { type Sharp } from 'sharp';
import { beforeEach, describe, expect, it } from 'vitest';
import { river, room, stage } from '@demo/site/scenes';
import { problemOf } from '@/server/problem-error';
import { gatherSwap, type SwapRequest } from '@/server/work/editions/gather-swap';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { takeFromSite } from '@/server/work/intake/keep-own';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { startSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';
import { drawnScene } from '../fixtures/drawn-scene';

const held = useDatabase();
let root = '';
let siteId = 0;
let number = 0;

beforeEach(async () => {
  number++;
  root = join(held.folder, `own${number}`);
  const choir = await drawnScene(stage(11), 900, 600);
  await writeFiles(root, {
    'index.html': '<img src="img/small.jpg" alt="old" width=150 height=150><a href="img/small.jpg">more</a>',
    'news.html': '<figure><img src="img/small.jpg" alt="old" width=150 height=150><figcaption>Old</figcaption></figure>',
    'other.html': '<p>img/kept.jpg</p><img src="img/kept.jpg" alt="">',
    'notes.txt': 'kept.jpg is what the printer uses',
    'img/small.jpg': await sharp(choir).resize(300).jpeg().toBuffer(),
    'img/choir-large.jpg': choir,
    'img/kept.jpg': await drawnScene(river(4), 600, 400),
  }); // oxfmt-ignore
  siteId = await connected(held.db, `Own ${number}`, root);
  await runJobs(held.db);
});

const query = async <R extends object>(text: string, ...values: readonly unknown[]) =>
  (await held.db.pool.query<R>(text, [siteId, ...values])).rows;
const placesOf = async (path: string) =>
  (await query<{ id: string; page_path: string }>('select id, page_path from placements where site_id = $1 and until_survey is null and file_path = $2 order by page_path, ordinal', path)).map(({ id }) => Number(id)); // oxfmt-ignore
const bring = async () => receiveIntake(held.db, OWNER, { siteId, fileName: 'new room.jpg', bytes: await drawnScene(room(20), 1600, 800) }); // oxfmt-ignore
const gather = async (more: Partial<SwapRequest>, actor = MAINTAINER, db = held.db) =>
  gatherSwap(db, actor, { siteId, fromPath: 'img/small.jpg', intakeId: 0, placementIds: await placesOf('img/small.jpg'), alt: 'A room', caption: 'New', focal: { x: 0.5, y: 0.5 }, ...more }); // oxfmt-ignore
const publish = async () => {
  await runJobs(held.db);
  const [edition] = await query<{ id: number }>("select id from editions where site_id = $1 and state = 'draft'"); // oxfmt-ignore
  await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
  await runJobs(held.db);
  return edition?.id ?? 0;
};
const proven = () => query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1 order by b.id'); // oxfmt-ignore

describe('a place of its own', () => {
  it('is cropped by its own point and says its own words; the old file goes, and all of it comes back', async () => {
    const before = await snapshot(root);
    const [home = 0, , news = 0] = await placesOf('img/small.jpg');
    const own = {
      [news]: { focal: { x: 1, y: 0.5 }, alt: 'The window of the room', caption: '' },
      [home]: {},
    };
    await gather({ intakeId: await bring(), own, isOldTakenOff: true });
    await publish();
    const after = await snapshot(root);
    expect(await proven()).toEqual([{ proven: true }]);
    expect(after['index.html']).toBe('<img src="img/new-room-300x300.jpg" alt="A room" width=150 height=150><a href="img/new-room.jpg">more</a>'); // oxfmt-ignore
    expect(after['news.html']).toBe('<figure><img src="img/new-room-300x300-2.jpg" alt="The window of the room" width=150 height=150><figcaption>New</figcaption></figure>'); // oxfmt-ignore
    expect(after['img/small.jpg']).toBeUndefined();
    const small = (picture: Sharp) => picture.resize(8, 8).greyscale().raw().toBuffer();
    const half = (left: number) => small(sharp(join(root, 'img/new-room.jpg')).extract({ left, top: 0, width: 800, height: 800 })); // oxfmt-ignore
    const drawn = await small(sharp(join(root, 'img/new-room-300x300-2.jpg')));
    const apart = (other: Buffer) => drawn.reduce((sum, level, n) => sum + Math.abs(level - (other[n] ?? 0)), 0) / drawn.length; // oxfmt-ignore
    expect(apart(await half(800))).toBeLessThan(6);
    expect(apart(await half(400))).toBeGreaterThan(8);
    const [edition] = await query<{ id: number }>('select id from editions where site_id = $1');
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });

  it('keeps the old file where something else names it, and where an owner asks it is refused, with nothing gathered', async () => {
    const wanted = { fromPath: 'img/kept.jpg', placementIds: await placesOf('img/kept.jpg'), intakeId: await bring(), isOldTakenOff: true }; // oxfmt-ignore
    await expect(gather(wanted, OWNER)).rejects.toThrow();
    await expect(gather(wanted, MAINTAINER, dyingAt(held.db, 'insert into "removals"'))).rejects.toThrow();
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
    await gather(wanted);
    await runJobs(held.db);
    const [removal] = await query<{ state: string; problem: { code: string } }>('select r.state, r.problem from removals r join editions e on e.id = r.edition_id where e.site_id = $1'); // oxfmt-ignore
    expect([removal?.state, removal?.problem.code]).toEqual(['failed', 'FILE_NAMED']);
  });
});

describe('a page that lists widths at its pictures', () => {
  it('gets both sizes at a place that had one file, proven, and to the byte taken back', async () => {
    const listed =
      '<img src="img/kept.jpg" srcset="img/kept.jpg 600w, img/choir-large.jpg 900w" sizes="50vw" alt="">';
    // The place goes on under the name of its first spot, at which another stands after that.
    await writeFiles(root, { 'news.html': '<img src="img/small.jpg" alt="old" width=150 height=150>' });
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    await writeFiles(root, {
      // A sheet that is not looked at here shows it wider than its markup says.
      'stretched.html': `${listed}<img src="img/small.jpg" alt="old" width=150 height=150>`,
      'news.html': `${listed}<img src="img/small.jpg" alt="old" width=150 height=150><img src="img/small.jpg" alt="">`,
    });
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    await held.db.pool.query(
      `insert into slots (site_id, page_path, sha256, source_path, start, width, x, y, width_px, height_px, fit)
       select p.site_id, p.path, p.sha256, x.source_path, x.start, 'desktop', 0, 0, 300, 300, 'fill'
       from placements x join pages p on p.site_id = x.site_id and p.path = x.page_path
       where x.site_id = $1 and x.page_path = 'stretched.html' and x.file_path = 'img/small.jpg' and x.until_survey is null`,
      [siteId],
    );
    const before = await snapshot(root);
    await gather({ intakeId: await bring(), caption: null, alt: null });
    const edition = await publish();
    const after = await snapshot(root);
    expect(after['news.html']).toBe(`${listed}<img src="img/new-room-300x300.jpg" srcset="img/new-room-150x150.jpg 150w, img/new-room-300x300.jpg 300w" sizes="(max-width: 150px) 100vw, 150px" alt="old" width=150 height=150><img src="img/new-room-300x200.jpg" alt="">`); // oxfmt-ignore
    expect(after['stretched.html']).toBe(`${listed}<img src="img/new-room-300x300.jpg" alt="old" width=150 height=150>`); // oxfmt-ignore
    // Other pages list none, and get none.
    expect(after['index.html']).not.toContain('srcset');
    const narrow = await sharp(join(root, 'img/new-room-150x150.jpg')).metadata();
    expect([narrow.width, narrow.height]).toEqual([150, 150]);
    expect(await proven()).toEqual([{ proven: true }]);
    await withdrawEdition(held.db, MAINTAINER, edition);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });
});

describe('a picture that the site has already', () => {
  it('is put in without being added a second time, and stays when the edition is taken back', async () => {
    const before = await snapshot(root);
    const [large] = await query<{ id: number }>("select id from files where site_id = $1 and path = 'img/choir-large.jpg'"); // oxfmt-ignore
    const refused = (deed: Promise<unknown>) => deed.then(() => 'none', (error: unknown) => problemOf(error).code); // oxfmt-ignore
    expect(await refused(takeFromSite(held.db, VIEWER, siteId, large?.id ?? 0))).not.toBe('none');
    expect(await refused(takeFromSite(held.db, OWNER, siteId, 999_999))).toBe('OWN_GONE');
    const intakeId = await takeFromSite(held.db, OWNER, siteId, large?.id ?? 0);
    expect(await takeFromSite(held.db, OWNER, siteId, large?.id ?? 0)).toBe(intakeId);
    await gather({ intakeId, alt: null, caption: null });
    const edition = await publish();
    const after = await snapshot(root);
    expect(after['index.html']).toBe('<img src="img/choir-large-300x300.jpg" alt="old" width=150 height=150><a href="img/choir-large.jpg">more</a>'); // oxfmt-ignore
    expect(Object.keys(after).filter((path) => !(path in before))).toEqual(['img/choir-large-300x300.jpg']);
    await withdrawEdition(held.db, MAINTAINER, edition);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
    expect(await proven()).toEqual([{ proven: true }, { proven: true }]);
  });
});

describe('a site that wants a newer format besides', () => {
  it('gets it where its style sheets mean the same, proven, and to the byte taken back', async () => {
    await writeFiles(root, {
      'a/style.css': '.row > img { width: 100% } p img { border: 0 }',
      'a/index.html': `<link rel="stylesheet" href="style.css"><p><img src="../img/small.jpg" alt="" width=150 height=150></p>`,
      'a/row.html': `<link rel="stylesheet" href="style.css"><div class="row"><img src="../img/small.jpg" alt=""></div>`,
    });
    await query("update sites set formats = 'webp' where id = $1 returning id");
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    const before = await snapshot(root);
    const threads = () => query<{ thread: string; page_path: string; kind: string }>("select page_path, thread from placements where site_id = $1 and until_survey is null and kind = 'img' order by page_path, ordinal"); // oxfmt-ignore
    const known = await threads();
    await gather({ intakeId: await bring() });
    await publish();
    const after = await snapshot(root);
    expect(await proven()).toEqual([{ proven: true }]);
    expect(after['a/index.html']).toBe('<link rel="stylesheet" href="style.css"><p><picture style="display:contents"><source type="image/webp" srcset="../img/new-room-300x300.webp"><img src="../img/new-room-300x300.jpg" alt="A room" width=150 height=150></picture></p>'); // oxfmt-ignore
    expect(after['a/row.html']).toMatch(
      /<div class="row"><img src="\.\.\/img\/new-room-[\dx]+\.jpg" alt="A room"><\/div>/u,
    );
    expect(after['index.html']).toContain(
      '<source type="image/webp" srcset="img/new-room-300x300.webp"><img',
    );
    const written = await sharp(join(root, 'img/new-room-300x300.webp')).metadata();
    expect([written.format, written.width, written.height]).toEqual(['webp', 300, 300]);
    const [change] = await query<{ why: string[] }>(
      `select array(select p -> 'place' ->> 'page' || ' ' || (p -> 'place' -> 'newer' ->> 'because') from jsonb_array_elements(c.places) p
         where p -> 'place' -> 'newer' ? 'because' order by 1) as why from changes c join editions e on e.id = c.edition_id where e.site_id = $1`,
    );
    expect(change?.why).toEqual(['a/row.html rules', 'index.html markup']);
    // What is known of a place goes on with it, wrapped or not.
    expect(await threads()).toEqual(known);
    const [edition] = await query<{ id: number }>('select id from editions where site_id = $1');
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
    expect(await threads()).toEqual(known);
  });
});
