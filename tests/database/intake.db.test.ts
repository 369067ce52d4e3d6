/** Pictures that arrive: by pieces over a line that is cut, once each, in ZIPs, and what is told of them at once. */
import { readdir, readFile } from 'node:fs/promises';
import { createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { ZipFile } from 'yazl';
import { facade, river, room, stage } from '@demo/site/scenes';
import { reviveWork } from '@/server/jobs/revive-work';
import { problemOf } from '@/server/problem-error';
import { changeLines } from '@/server/work/intake/change-lines';
import { closeDelivery, needDelivery, openDelivery } from '@/server/work/intake/deliveries';
import { fetchPicture } from '@/server/work/intake/fetch-picture';
import { forgetUpload } from '@/server/work/intake/uploads';
import { takeIn } from '@/server/work/intake/take-in';
import { uploadsFolder } from '@/server/work/intake/uploads-folder';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { sender } from '../fixtures/send-by-pieces';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId = 0;
let choir: Buffer;

const scene = (svg: string, width: number, height: number) => sharp(Buffer.from(svg)).resize(width, height).jpeg(); // oxfmt-ignore

beforeAll(async () => {
  const root = join(held.folder, 'intake');
  choir = await scene(stage(11), 900, 600).toBuffer();
  await writeFiles(root, {
    'index.html': '<img src="img/choir.jpg" alt="" width=450 height=300><img src="img/hall.jpg" alt="" width=450>',
    'news.html': '<img src="img/choir.jpg" alt="">',
    'img/choir.jpg': choir,
    'img/hall.jpg': await scene(facade(3, 'red'), 900, 600).toBuffer(),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Intake', root);
  await runJobs(held.db);
});

const { send, begin, piece, sendWhole } = sender(() => ({ db: held.db, siteId, goal: 'delivery' }));
const rows = async <R extends object>(text: string, ...values: readonly unknown[]) =>
  (await held.db.pool.query<R>(text, [siteId, ...values])).rows;
const lines = () => rows<{ id: number; file_name: string; entry: string; findings: { kind: string }[]; title: string; focal_because: string[]; struck_at: Date | null }>('select * from intake where site_id = $1 and delivery_id = (select max(id) from deliveries where site_id = $1) order by id'); // oxfmt-ignore

describe('an upload', () => {
  it('goes on where the line was cut, and is taken in once', async () => {
    const bytes = await scene(river(2), 1600, 1067).toBuffer();
    const half = bytes.length >> 1;
    const begun = await begin(MAINTAINER, 'river walk.jpg', bytes.length);
    expect(begun.status).toBe(201);
    const at = begun.headers.get('location') ?? '';
    expect((await piece(MAINTAINER, at, bytes.subarray(0, half), 0)).status).toBe(204);
    // Sent a second time, a piece is refused; where it stands is told.
    expect((await piece(MAINTAINER, at, bytes.subarray(0, half), 0)).status).toBe(409);
    const head = await send(MAINTAINER, 'HEAD', at);
    expect(head.headers.get('upload-offset')).toBe(String(half));
    expect((await piece(MAINTAINER, at, bytes.subarray(half), half)).status).toBe(204);
    // Chosen again from the same folder it is known, before a byte is sent.
    expect((await begin(MAINTAINER, 'river walk.jpg', bytes.length)).status).toBe(409);
    await runJobs(held.db);
    expect(await lines()).toMatchObject([{ file_name: 'river walk.jpg', title: 'River walk', findings: [] }]);
    expect(await readdir(uploadsFolder())).toEqual([]);
    expect(await rows('select state, problem from uploads where site_id = $1')).toEqual([{ state: 'taken in', problem: null }]); // oxfmt-ignore
  });

  it('is known to nobody but who sends it, and viewers send none', async () => {
    const at = (await begin(MAINTAINER, 'a.jpg', 100)).headers.get('location') ?? '';
    expect((await send(OWNER, 'HEAD', at)).status).toBe(404);
    expect((await piece(OWNER, at, new Uint8Array(100), 0)).status).toBe(404);
    await expect(begin(VIEWER, 'b.jpg', 100)).rejects.toThrow();
    expect(await rows("select 1 from uploads where site_id = $1 and file_name = 'b.jpg'")).toEqual([]);
  });

  it.each([
    ['photo.jpg', 61 * 1024 ** 2],
    ['photos.zip', 3 * 1024 ** 3],
    ['', 10],
  ])('of %s with %i bytes is refused before a byte is sent', async (name, size) => {
    expect((await begin(MAINTAINER, name, size)).status).toBe(413);
  });

  it('that is no picture is refused, and says why', async () => {
    await sendWhole(MAINTAINER, 'notes.jpg', new TextEncoder().encode('no picture at all'));
    await runJobs(held.db);
    const [row] = await rows<{ state: string; problem: { why: string } }>("select state, problem from uploads where site_id = $1 and file_name = 'notes.jpg'"); // oxfmt-ignore
    expect(row?.state).toBe('refused');
    expect(row?.problem.why).toMatch(/not JPEG, PNG/);
  });

  it('whose pixels are cut off is refused, and says so; it is not tried for ever', async () => {
    const whole = await scene(stage(3), 900, 600).toBuffer();
    const id = await sendWhole(MAINTAINER, 'cut.jpg', whole.subarray(0, whole.length >> 1));
    await runJobs(held.db);
    const [row] = await rows<{ state: string; problem: { what: string } }>('select state, problem from uploads where site_id = $1 and id = $2', id); // oxfmt-ignore
    expect(row).toMatchObject({ state: 'refused', problem: { what: '“cut.jpg” is damaged.' } });
    expect(await readdir(uploadsFolder())).not.toContain(id);
  });

  it('that is given up leaves no bytes behind, and neither does a delivery that is put aside', async () => {
    for (const end of [
      (id: string) => forgetUpload(held.db, OWNER, siteId, id),
      () => closeDelivery(held.db, OWNER, siteId),
    ]) {
      // oxfmt-ignore
      const at = (await begin(OWNER, 'half.jpg', 2000)).headers.get('location') ?? '';
      await piece(OWNER, at, new Uint8Array(1000), 0);
      const id = at.split('/').at(-1) ?? '';
      expect(await readdir(uploadsFolder())).toContain(id);
      await end(id);
      expect((await readdir(uploadsFolder())).filter((name) => name.startsWith(id))).toEqual([]);
      expect((await send(OWNER, 'HEAD', at)).status).toBe(404);
    }
  });

  it('whose job died is taken in when the next worker starts', async () => {
    const id = await sendWhole(OWNER, 'revived.jpg', await scene(room(6), 400, 300).toBuffer());
    await held.db.pool.query('select graphile_worker.complete_jobs(array(select id from graphile_worker.jobs where key = $1))', [`take-in-${id}`]); // oxfmt-ignore
    expect(await reviveWork(held.db)).toBeGreaterThan(0);
    await runJobs(held.db);
    expect(await rows('select state from uploads where site_id = $1 and id = $2', id)).toEqual([{ state: 'taken in' }]); // oxfmt-ignore
  });

  it('is noted as arrived together with its job, or not at all', async () => {
    const bytes = await scene(room(5), 400, 300).toBuffer();
    const at = (await begin(MAINTAINER, 'room.jpg', bytes.length)).headers.get('location') ?? '';
    const dying = sender(() => ({ db: dyingAt(held.db, 'add_job'), siteId, goal: 'delivery' })).piece(MAINTAINER, at, bytes, 0); // oxfmt-ignore
    expect((await dying).status).toBe(500);
    expect(await rows("select state from uploads where site_id = $1 and file_name = 'room.jpg'")).toEqual([{ state: 'arriving' }]); // oxfmt-ignore
    // Whoever asks where it stands is told that it is whole and sends no more: it is noted now.
    expect((await send(MAINTAINER, 'HEAD', at)).headers.get('upload-offset')).toBe(String(bytes.length));
    expect(await rows("select state from uploads where site_id = $1 and file_name = 'room.jpg'")).toEqual([{ state: 'arrived' }]); // oxfmt-ignore
  });
});

describe('a ZIP', () => {
  it('is unpacked picture by picture; what dies in the middle goes on, and nothing comes twice', async () => {
    const zip = new ZipFile();
    for (const n of [1, 2, 3]) zip.addBuffer(await scene(room(n), 640, 480).toBuffer(), `summer 2024/room ${n}.jpg`); // oxfmt-ignore
    zip.addBuffer(Buffer.from('broken'), 'summer 2024/broken.jpg');
    zip.addBuffer(Buffer.from('hello'), 'read me.txt');
    zip.end();
    const file = join(held.folder, 'rooms.zip');
    await pipeline(zip.outputStream, createWriteStream(file));
    const id = await sendWhole(OWNER, 'rooms.zip', await readFile(file)); // oxfmt-ignore
    await expect(takeIn(dyingAt(held.db, 'update "uploads"'), id)).rejects.toThrow();
    expect(await rows('select entry from intake where site_id = $1 and upload_id = $2', id)).toHaveLength(3);
    expect(await readdir(uploadsFolder())).toContain(id);
    await takeIn(held.db, id);
    await runJobs(held.db);
    expect((await rows<{ entry: string }>('select entry from intake where site_id = $1 and upload_id = $2 order by entry', id)).map(({ entry }) => entry)).toEqual(['summer 2024/room 1.jpg', 'summer 2024/room 2.jpg', 'summer 2024/room 3.jpg']); // oxfmt-ignore
    const [row] = await rows<{ state: string; problem: { what: string; why: string } }>('select state, problem from uploads where site_id = $1 and id = $2', id); // oxfmt-ignore
    expect(row).toMatchObject({ state: 'taken in', problem: { what: '1 of the 4 pictures in “rooms.zip” were not taken in.' } }); // oxfmt-ignore
  });
});

it('what arrives is told at once: here already, larger, twice, blurred, small, of another year', async () => {
  await closeDelivery(held.db, MAINTAINER, siteId);
  const large = await scene(stage(11), 2400, 1600).toBuffer();
  const taken = await scene(facade(9, 'green'), 2400, 1600).withExif({ IFD2: { DateTimeOriginal: '2019:05:04 10:00:00' } }).toBuffer(); // oxfmt-ignore
  const sent = {
    'same.jpg': choir,
    'larger.jpg': large,
    'again.jpg': large,
    'soft.jpg': await sharp(await scene(river(5), 1600, 1067).png().toBuffer())
      .blur(6)
      .jpeg()
      .toBuffer(),
    'tiny.jpg': await scene(river(8), 320, 213).toBuffer(),
    'gala-2023.jpg': taken,
  };
  for (const [name, bytes] of Object.entries(sent)) await sendWhole(MAINTAINER, name, bytes);
  await runJobs(held.db);
  const told = (await lines()).map(({ file_name, findings }) => [file_name, findings.map(({ kind }) => kind).join()]); // oxfmt-ignore
  expect(told).toEqual([
    ['same.jpg', 'same bytes'],
    ['larger.jpg', 'same picture'],
    ['again.jpg', 'same picture,twice'],
    ['soft.jpg', 'blurred'],
    ['tiny.jpg', 'small'],
    ['gala-2023.jpg', 'date'],
  ]);
  const found = (await lines()).flatMap(({ findings }) => findings);
  expect(found[0]).toEqual({ kind: 'same bytes', path: 'img/choir.jpg', pages: 2 });
  expect(found[1]).toMatchObject({ relation: 'larger', path: 'img/choir.jpg', scale: expect.closeTo(2400 / 900, 1) as number }); // oxfmt-ignore
});

describe('lines', () => {
  it('are written on in bulk, and what was there before comes back', async () => {
    const before = (await lines()).map(({ id, title }) => ({ id, title }));
    const undo = await changeLines(held.db, OWNER, siteId, before.map(({ id }) => ({ id, title: 'Gala', tags: ['gala'], isStruck: true }))); // oxfmt-ignore
    expect((await lines()).every(({ title, struck_at }) => title === 'Gala' && struck_at !== null)).toBe(
      true,
    );
    await changeLines(held.db, OWNER, siteId, undo);
    expect((await lines()).map(({ id, title }) => ({ id, title }))).toEqual(before);
    expect((await lines()).every(({ struck_at }) => struck_at === null)).toBe(true);
  });

  it('refuse what can’t be, and leave lines of other sites alone', async () => {
    const code = (deed: Promise<unknown>) => deed.then(() => 'none', (error: unknown) => problemOf(error).code); // oxfmt-ignore
    const [line] = await lines();
    const id = line?.id ?? 0;
    expect(await code(changeLines(held.db, MAINTAINER, siteId, [{ id, title: ' ' }]))).toBe('LINES_INPUT');
    expect(await code(changeLines(held.db, VIEWER, siteId, [{ id, title: 'x' }]))).not.toBe('none');
    expect(await changeLines(held.db, MAINTAINER, siteId + 99, [{ id, title: 'x' }])).toEqual([]);
    expect(await code(fetchPicture(held.db, MAINTAINER, { siteId, address: 'http://127.0.0.1/a.jpg' }))).toMatch(/^ADDRESS/); // oxfmt-ignore
    expect(await code(fetchPicture(held.db, MAINTAINER, { siteId, address: 'file:///etc/passwd' }))).toBe('ADDRESS_UNUSABLE'); // oxfmt-ignore
  });

  it('belong to one delivery until it is put aside', async () => {
    const [one, other] = await Promise.all([needDelivery(held.db, OWNER, siteId), needDelivery(held.db, OWNER, siteId)]); // oxfmt-ignore
    expect(one.id).toBe(other.id);
    await closeDelivery(held.db, OWNER, siteId);
    expect(await openDelivery(held.db, OWNER, siteId)).toBeNull();
    expect((await needDelivery(held.db, OWNER, siteId)).number).toBeGreaterThan(one.number);
  });
});
