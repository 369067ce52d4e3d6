/** Many swaps in one step: all of them or none, each with its words, published and proven together. */
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeEach, describe, expect, it } from 'vitest';
import { facade, river, room, stage } from '@demo/site/scenes';
import type { Actor } from '@/server/accounts/actor';
import { problemOf } from '@/server/problem-error';
import { gatherPairs, type Pair } from '@/server/work/editions/gather-pairs';
import { prepareChange } from '@/server/work/editions/prepare-change';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { changeLines } from '@/server/work/intake/change-lines';
import { receiveIntake } from '@/server/work/intake/receive-intake';
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
let intake: number[] = [];

beforeEach(async () => {
  number++;
  root = join(held.folder, `pairs${number}`);
  const choir = await drawnScene(stage(11), 900, 600);
  await writeFiles(root, {
    'index.html': '<figure><img src="img/choir.jpg" alt="old" width=450 height=300><figcaption>Old</figcaption></figure><img src="img/choir-small.jpg" alt="old" width=150>',
    'news.html': '<ul><li><img src="img/hall.jpg" alt="" width=300 height=300></li><li>Words</li></ul><img src="img/river.jpg" alt="river" width=300>',
    'img/choir.jpg': choir,
    'img/choir-small.jpg': await sharp(choir).resize(300).jpeg().toBuffer(),
    'img/hall.jpg': await drawnScene(facade(3, 'red'), 600, 600),
    'img/river.jpg': await drawnScene(river(4), 600, 400),
  }); // oxfmt-ignore
  siteId = await connected(held.db, `Pairs ${number}`, root);
  await runJobs(held.db);
  intake = [];
  for (const [n, name] of ['summer choir.jpg', 'new room.jpg'].entries())
    intake.push(await receiveIntake(held.db, OWNER, { siteId, fileName: name, bytes: await drawnScene(room(20 + n), 1600, 1200) })); // oxfmt-ignore
  await changeLines(held.db, OWNER, siteId, [
    { id: intake[0] ?? 0, alt: 'The choir in summer', caption: 'Summer' },
  ]);
});

const query = async <R extends object>(text: string, ...values: readonly unknown[]) =>
  (await held.db.pool.query<R>(text, [siteId, ...values])).rows;
const pictureOf = async (path: string) =>
  (await query<{ id: number }>('select picture_id as id from files where site_id = $1 and path = $2 and gone_in is null', path))[0]?.id ?? 0; // oxfmt-ignore
const pairsOf = async (...pairs: readonly (readonly [string, number | null])[]): Promise<Pair[]> =>
  Promise.all(pairs.map(async ([path, n]) => ({ pictureId: await pictureOf(path), intakeId: n === null ? null : (intake[n] ?? 0) }))); // oxfmt-ignore
const gather = (pairs: readonly Pair[], actor: Actor = OWNER) => gatherPairs(held.db, actor, siteId, pairs);
const refusal = (deed: Promise<unknown>) =>
  deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );

describe('pairs', () => {
  it('go into one edition, are proven, and are taken back to the byte', async () => {
    const before = await snapshot(root);
    await gather(await pairsOf(['img/choir.jpg', 0], ['img/river.jpg', 1], ['img/hall.jpg', null]));
    await runJobs(held.db);
    const [edition] = await query<{ id: number }>(
      "select id from editions where site_id = $1 and state = 'draft'",
    );
    expect(await query('select state from changes where edition_id = $2 and $1 > 0', edition?.id)).toEqual(Array(4).fill({ state: 'ready' })); // oxfmt-ignore
    await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    const after = await snapshot(root);
    // Both files of the choir follow, each in its own size; words come where the intake has some.
    expect(after['index.html']).toBe('<figure><img src="img/summer-choir-900x600.jpg" alt="The choir in summer" width=450 height=300><figcaption>Summer</figcaption></figure><img src="img/summer-choir-300x200.jpg" alt="The choir in summer" width=150>'); // oxfmt-ignore
    expect(after['news.html']).toBe('<ul><li>Words</li></ul><img src="img/new-room-600x400.jpg" alt="river" width=300>'); // oxfmt-ignore
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]); // oxfmt-ignore
    await withdrawEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await snapshot(root)).toEqual(before);
  });

  it('of pictures with one title never choose one name for two files, though they are prepared side by side', async () => {
    await changeLines(held.db, OWNER, siteId, intake.map((id) => ({ id, title: 'Same' }))); // oxfmt-ignore
    await gather(await pairsOf(['img/choir.jpg', 0], ['img/river.jpg', 1]));
    const made = await query<{ id: number }>('select c.id from changes c join editions e on e.id = c.edition_id where e.site_id = $1 order by c.id'); // oxfmt-ignore
    await Promise.all(made.map(({ id }) => prepareChange(held.db, id)));
    const files = await query<{ path: string }>('select n.path from new_files n join changes c on c.id = n.change_id join editions e on e.id = c.edition_id where e.site_id = $1'); // oxfmt-ignore
    expect(files.length).toBeGreaterThan(4);
    expect(new Set(files.map(({ path }) => path)).size).toBe(files.length);
    await runJobs(held.db);
    const [edition] = await query<{ id: number }>(
      "select id from editions where site_id = $1 and state = 'draft'",
    );
    await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]); // oxfmt-ignore
  });

  it('are gathered all or none, wherever it ends', async () => {
    const pairs = await pairsOf(['img/choir.jpg', 0], ['img/hall.jpg', null]);
    for (const text of ['insert into "changes"', 'add_job', 'insert into "events"']) {
      await expect(gatherPairs(dyingAt(held.db, text), OWNER, siteId, pairs)).rejects.toThrow();
      expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
    }
    expect(await refusal(gather([...pairs, { pictureId: await pictureOf('img/river.jpg'), intakeId: 999_999 }]))).toBe('INTAKE_MISSING'); // oxfmt-ignore
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
  });

  it('are refused for viewers, for a picture in two of them, and for none that stands anywhere', async () => {
    const [pair] = await pairsOf(['img/choir.jpg', 0]);
    expect(await refusal(gather(pair ? [pair] : [], VIEWER))).not.toBe('nothing refused');
    expect(await refusal(gather(pair ? [pair, pair] : []))).toBe('PAIRS_INPUT');
    expect(await refusal(gather([{ pictureId: 999_999, intakeId: intake[0] ?? 0 }]))).toBe('PAIRS_INPUT');
    expect(await refusal(gather([]))).toBe('PAIRS_INPUT');
  });
});
