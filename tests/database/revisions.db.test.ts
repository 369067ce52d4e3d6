/** Pictures made anew: kept over their line, beside it, or in all places of the old one, with the way back to the original. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeEach, describe, expect, it } from 'vitest';
import { facade, room, stage } from '@demo/site/scenes';
import { AS_IT_IS, type Revision } from '@/core/revision/steps';
import type { Actor } from '@/server/accounts/actor';
import { problemOf } from '@/server/problem-error';
import { storedBytes } from '@/server/store/store';
import { gatherSwap } from '@/server/work/editions/gather-swap';
import { prepareChange } from '@/server/work/editions/prepare-change';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { keepRevision, type KeptRevision } from '@/server/work/revisions/keep-revision';
import { openRevision } from '@/server/work/revisions/open-revision';
import { weighRevision } from '@/server/work/revisions/weigh-revision';
import { connected } from '../fixtures/connected';
import { dyingAt, heldBack } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';
import { drawnScene } from '../fixtures/drawn-scene';

const held = useDatabase();
let root = '';
let siteId = 0;
let number = 0;
let line = 0;
let arrived: Buffer;

const HALF: Revision = { ...AS_IT_IS, crop: { x: 0, y: 0, width: 0.5, height: 1 } };
const LEFT_QUARTER: Revision = { ...HALF, turn: 1 };

beforeEach(async () => {
  number++;
  root = join(held.folder, `revisions${number}`);
  const choir = await drawnScene(stage(11), 900, 600); // oxfmt-ignore
  await writeFiles(root, {
    'index.html': '<img src="img/choir.jpg" alt="The choir" width=450 height=300><img src="img/choir-small.jpg" alt="small" width=150 height=100>',
    'news.html': '<img src="img/choir.jpg" alt="Again"><img src="img/sign.svg" alt="">',
    'img/choir.jpg': choir,
    'img/choir-small.jpg': await sharp(choir).resize(300).jpeg().toBuffer(),
    'img/sign.svg': facade(3, 'red'),
  }); // oxfmt-ignore
  siteId = await connected(held.db, `Revisions ${number}`, root);
  await runJobs(held.db);
  arrived = await sharp(Buffer.from(room(20))).resize(1600, 1200).jpeg().withMetadata({ orientation: 6 }).toBuffer(); // oxfmt-ignore
  line = await receiveIntake(held.db, OWNER, { siteId, fileName: 'new room.jpg', bytes: arrived });
});

const query = async <R extends object>(text: string, ...values: readonly unknown[]) =>
  (await held.db.pool.query<R>(text, [siteId, ...values])).rows;
const fileId = async (path: string) =>
  (await query<{ id: number }>('select id from files where site_id = $1 and path = $2', path))[0]?.id ?? 0;
const keep = (request: Partial<KeptRevision>, { actor = OWNER, db = held.db }: { actor?: Actor; db?: typeof held.db } = {}) =>
  keepRevision(db, actor, { siteId, subject: { line }, revision: HALF, focal: null, as: 'line', ...request }); // oxfmt-ignore
const refusal = (deed: Promise<unknown>) => deed.then(() => 'nothing refused', (error: unknown) => problemOf(error).code); // oxfmt-ignore
const rowOf = async (id: number) =>
  (await query<{ sha256: string; original_sha: string | null; width_px: number; height_px: number; focal_x: number; focal_because: unknown; alt: string; delivery_id: number | null }>('select * from intake where site_id = $1 and id = $2', id))[0]; // oxfmt-ignore
const draft = async () =>
  (await query<{ id: number }>("select id from editions where site_id = $1 and state = 'draft'"))[0]?.id ?? 0;
const swapIn = async () => {
  const places = await query<{ id: string }>("select id from placements where site_id = $1 and until_survey is null and file_path = 'img/choir.jpg'"); // oxfmt-ignore
  await gatherSwap(held.db, OWNER, { siteId, fromPath: 'img/choir.jpg', intakeId: line, placementIds: places.map(({ id }) => Number(id)), alt: null, caption: null, focal: { x: 0.5, y: 0.5 } }); // oxfmt-ignore
};
const changeIds = async () => (await query<{ id: number }>('select c.id from changes c join editions e on e.id = c.edition_id where e.site_id = $1')).map(({ id }) => id); // oxfmt-ignore

describe('a picture of the intake', () => {
  it('shows what was made of it, opens again with its steps, and is the original when all are struck out', async () => {
    expect((await rowOf(line))?.width_px).toBe(1200);
    await keep({ focal: { x: 0.25, y: 0.5 } });
    expect(await rowOf(line)).toMatchObject({ width_px: 600, height_px: 1600, focal_x: 0.5, focal_because: null }); // oxfmt-ignore
    const opened = await openRevision(held.db, siteId, { line });
    expect(opened.revision).toEqual(HALF);
    expect(opened.focal.x).toBeCloseTo(0.25);
    expect(Buffer.from(opened.original.bytes).equals(arrived)).toBe(true);
    const weight = await weighRevision(held.db, OWNER, { siteId, subject: { line }, revision: LEFT_QUARTER });
    expect(weight).toMatchObject({ widthPx: 800, heightPx: 1200, format: 'jpeg' });
    await keep({ revision: { ...HALF, struck: ['crop'] } });
    const back = await rowOf(line);
    expect(Buffer.from(await storedBytes(back?.sha256 ?? '')).equals(arrived)).toBe(true);
    // The step is kept, though it is not taken.
    expect((await openRevision(held.db, siteId, { line })).revision.crop).toEqual(HALF.crop);
    await keep({ revision: AS_IT_IS });
    expect(await rowOf(line)).toMatchObject({ original_sha: null, width_px: 1200 });
  });

  it('is kept beside itself with its words, looked at in a delivery; all or nothing', async () => {
    await held.db.pool.query("update intake set alt = 'A room' where id = $1", [line]);
    await expect(keep({ as: 'another' }, { db: dyingAt(held.db, 'add_job') })).rejects.toThrow();
    expect(await query('select 1 from intake where site_id = $1')).toHaveLength(1);
    const { id } = await keep({ as: 'another' });
    await runJobs(held.db);
    expect(await rowOf(id)).toMatchObject({ alt: 'A room', width_px: 600 });
    expect((await rowOf(line))?.width_px).toBe(1200);
    expect(await query('select findings is not null as seen from intake where site_id = $1 and id = $2', id)).toEqual([{ seen: true }]); // oxfmt-ignore
  });

  it('is prepared anew in a draft, and stays what it was once it is live', async () => {
    await swapIn();
    await runJobs(held.db);
    const sizes = () => query("select n.rendition ->> 'widthPx' as w, n.rendition ->> 'heightPx' as h from new_files n join changes c on c.id = n.change_id join editions e on e.id = c.edition_id where e.site_id = $1 order by n.id"); // oxfmt-ignore
    expect((await sizes())[0]).toEqual({ w: '1200', h: '1600' });
    await keep({});
    await runJobs(held.db);
    expect((await sizes())[0]).toEqual({ w: '600', h: '1600' });
    await publishEdition(held.db, MAINTAINER, await draft());
    await runJobs(held.db);
    const before = await rowOf(line);
    expect(await refusal(keep({ revision: LEFT_QUARTER }))).toBe('REVISION_LIVE');
    expect(await rowOf(line)).toEqual(before);
  });

  it('that is made anew while a change with it is being prepared: the change has the new one', async () => {
    await swapIn();
    const [change = 0] = await changeIds();
    const { db, reached, goOn } = heldBack(held.db, 'select id from placements where id = any');
    const preparing = prepareChange(db, change);
    await reached;
    await keep({});
    goOn();
    await preparing;
    const [place] = await query<{ sha: string }>('select n.sha256 as sha from new_files n where n.change_id = $2 and $1 > 0 order by n.id', change); // oxfmt-ignore
    expect(place?.sha).toBe((await rowOf(line))?.sha256);
  });

  it('is refused to viewers, where it is gone, drawn in lines, or where nothing changes', async () => {
    expect(await refusal(keep({}, { actor: VIEWER }))).not.toBe('nothing refused');
    expect(await refusal(weighRevision(held.db, VIEWER, { siteId, subject: { line }, revision: HALF }))).not.toBe('nothing refused'); // oxfmt-ignore
    expect(await refusal(keep({ subject: { line: 999_999 } }))).toBe('REVISION_GONE');
    expect(await refusal(keep({ subject: { file: await fileId('img/sign.svg') }, as: 'another' }))).toBe('REVISION_DRAWN'); // oxfmt-ignore
    expect(await refusal(keep({ revision: AS_IT_IS, as: 'another' }))).toBe('REVISION_INPUT');
    expect(await refusal(keep({ revision: { ...HALF, straighten: 80 } }))).toBe('REVISION_INPUT');
    expect(await refusal(keep({ subject: { file: await fileId('img/choir.jpg') }, as: 'line' }))).toBe('REVISION_INPUT'); // oxfmt-ignore
  });
});

describe('a picture of the site', () => {
  it('is followed by its new version into all its places, proven, opened again with its steps, and taken back', async () => {
    const before = await snapshot(root);
    const file = await fileId('img/choir.jpg');
    const mirrored: Revision = { ...AS_IT_IS, mirror: 'sideways', light: { ...AS_IT_IS.light, warmth: 20 } };
    await expect(keep({ subject: { file }, revision: mirrored, as: 'places' }, { db: dyingAt(held.db, 'add_job') })).rejects.toThrow(); // oxfmt-ignore
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
    const { edition } = await keep({ subject: { file }, revision: mirrored, as: 'places' });
    expect(edition).toBe(1);
    await runJobs(held.db);
    const draftId = await draft();
    await publishEdition(held.db, MAINTAINER, draftId);
    await runJobs(held.db);
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]); // oxfmt-ignore
    const after = await snapshot(root);
    expect(after['index.html']).toBe('<img src="img/choir-2.jpg" alt="The choir" width=450 height=300><img src="img/choir-300x200.jpg" alt="small" width=150 height=100>'); // oxfmt-ignore
    expect(after['news.html']).toBe('<img src="img/choir-2.jpg" alt="Again"><img src="img/sign.svg" alt="">');
    const [was, is] = await Promise.all([readFile(join(root, 'img/choir.jpg')), readFile(join(root, 'img/choir-2.jpg'))]); // oxfmt-ignore
    const grey = (bytes: Buffer) => sharp(bytes).greyscale().resize(30, 20).raw().toBuffer();
    const [wanted, made] = [await grey(await sharp(was).flop().toBuffer()), await grey(is)];
    expect(Math.max(...wanted.map((level, n) => Math.abs(level - (made[n] ?? 0))))).toBeLessThan(12);
    const again = await openRevision(held.db, siteId, { file: await fileId('img/choir-2.jpg') });
    expect(again.revision).toEqual(mirrored);
    expect(Buffer.from(again.original.bytes).equals(was)).toBe(true);
    await withdrawEdition(held.db, MAINTAINER, draftId);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });
});
