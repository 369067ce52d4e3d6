/**
 * Taking photographs of four megabytes in beside a bare decode and thumbnail of the same, both with as many hands; and
 * the memory that 200 uploads of 6 MB in pieces take beside the 300 MB that they may.
 */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { facade, river, room, stage } from '@demo/site/scenes';
import { connect, type Database } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { headFinder } from '@/server/imaging/head-finder';
import { settings } from '@/server/settings';
import { UNENDING } from '@/server/jobs/turn';
import { answerUpload } from '@/server/uploads/upload-server';
import { CHUNK_BYTES } from '@/server/work/intake/intake-limits';
import { needDelivery } from '@/server/work/intake/deliveries';
import { knowDelivery } from '@/server/work/intake/know-delivery';
import { keepIntake } from '@/server/work/intake/receive-intake';
import { connected } from '../fixtures/connected';
import { writeFiles } from '../fixtures/write-site';
import { byTurns, report } from './measure';

const PICTURES = 24;
const HANDS = 4;
const ACTOR = { id: 'm', name: 'Maud Kestle', role: 'maintainer' } as const;

/** Photographs as a phone makes them: 12 megapixels, about 4 MB, with grain. */
async function photographs(): Promise<Buffer[]> {
  const scenes = [stage, room, river, (seed: number) => facade(seed, 'red')];
  const made: Buffer[] = [];
  for (let n = 0; n < PICTURES; n++) {
    const grain = await sharp({ create: { width: 4000, height: 3000, channels: 3, background: '#808080', noise: { type: 'gaussian', mean: 128, sigma: 14 } } }).png({ compressionLevel: 1 }).toBuffer(); // oxfmt-ignore
    const drawn = sharp(Buffer.from((scenes[n % scenes.length] as (seed: number) => string)(n))).resize(
      4000,
      3000,
    );
    made.push(
      await drawn
        .composite([{ input: grain, blend: 'overlay' }])
        .jpeg({ quality: 88 })
        .toBuffer(),
    );
  }
  return made;
}

async function withHands(count: number, run: (n: number) => Promise<unknown>): Promise<void> {
  let next = 0;
  await Promise.all(
    Array.from({ length: HANDS }, async () => {
      for (let n = next++; n < count; n = next++) await run(n);
    }),
  );
}

export async function benchIntake(): Promise<void> {
  const root = await mkdtemp(join(tmpdir(), 'ibidem-bench-intake-'));
  const db = connect(settings().databaseUrl);
  try {
    await migrateDatabase(db);
    await writeFiles(root, { 'index.html': '<title>One page</title><img src="a.png" alt="">' });
    const siteId = await connected(db, `Intake ${Date.now()}`, root);
    await benchTaking(db, siteId);
    await benchMemory(db, siteId);
  } finally {
    await db.pool.end();
    await rm(root, { recursive: true, force: true });
  }
}

async function benchTaking(db: Database, siteId: number): Promise<void> {
  const pictures = await photographs();
  const { id: deliveryId } = await needDelivery(db, ACTOR, siteId);
  const heads = await headFinder();
  let turn = 0;
  const { ours, bare } = await byTurns(
    async () => {
      turn++;
      await withHands(PICTURES, async (n) => {
        // Other bytes each turn, behind the picture's end: nothing is in the store already.
        const bytes = Buffer.concat([pictures[n] ?? Buffer.alloc(0), Buffer.from(`turn ${turn}`)]);
        await keepIntake(db, { siteId, fileName: `photo ${n}.jpg`, bytes, receivedBy: ACTOR.name, heads, deliveryId, entry: `${turn}/${n}` }); // oxfmt-ignore
      });
      await knowDelivery(db, deliveryId, UNENDING);
    },
    () =>
      withHands(PICTURES, async (n) => {
        await sharp(pictures[n]).raw().toBuffer();
        await sharp(pictures[n]).resize(480, 480, { fit: 'inside' }).webp({ quality: 80 }).toBuffer();
      }),
  );
  report(`${PICTURES} photographs of 4 MB taken in ÷ bare decode and thumbnail`, { ours, bare, unit: 'ms' }, { atMost: 1.25 }); // oxfmt-ignore
}

async function benchMemory(db: Database, siteId: number): Promise<void> {
  const [files, size] = [200, 6 * 1024 ** 2];
  const path = '/s/x/intake/upload';
  const base64 = (text: string) => Buffer.from(text).toString('base64');
  globalThis.gc?.();
  const before = process.memoryUsage().rss;
  let most = before;
  for (let n = 0; n < files; n++) {
    const ask = (method: string, at: string, headers: Record<string, string>, body?: BodyInit) =>
      answerUpload(db, ACTOR, { siteId, goal: 'delivery', path }, new Request(`http://127.0.0.1${at}`, { method, headers: { 'tus-resumable': '1.0.0', ...headers }, body: body ?? null })); // oxfmt-ignore
    const begun = await ask('POST', path, { 'upload-length': String(size), 'upload-metadata': `filename ${base64(`${n}.jpg`)},path ${base64(' ')},fingerprint ${base64(`memory ${n}`)}` }); // oxfmt-ignore
    const at = begun.headers.get('location') ?? '';
    for (let offset = 0; offset < size; offset += CHUNK_BYTES) {
      const length = Math.min(CHUNK_BYTES, size - offset);
      const headers = { 'upload-offset': String(offset), 'content-type': 'application/offset+octet-stream' };
      const { status } = await ask('PATCH', at, headers, new Uint8Array(length).fill(n));
      if (status !== 204) throw new Error(`a piece was answered with ${status}`);
      most = Math.max(most, process.memoryUsage().rss);
    }
  }
  const MB = 1024 ** 2;
  report('memory that 200 uploads of 6 MB take ÷ 300 MB', { ours: (most - before) / MB, bare: 300, unit: 'MB' }, { atMost: 1 }); // oxfmt-ignore
}
