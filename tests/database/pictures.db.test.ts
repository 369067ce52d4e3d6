import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeEach, describe, expect, it } from 'vitest';
import { portrait, river, sample, stage } from '@demo/site/scenes';
import type { ShelfLife } from '@/core/dating/shelf-life';
import { problemOf } from '@/server/problem-error';
import { correctFamily, type FamilyCorrection } from '@/server/work/pictures/correct-family';
import { settleKind, teachPlaceholder } from '@/server/work/pictures/teach-picture';
import { removeSubject, saveSubject, showSubject } from '@/server/work/pictures/name-subjects';
import { saveSchoolYear, saveShelfLife } from '@/server/work/pictures/keep-shelf-lives';
import { titlePictures } from '@/server/work/pictures/title-pictures';
import { queueSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let n = 0;

const draw = (svg: string, width = 900, height = 600) => sharp(Buffer.from(svg)).resize(width, height);

interface Row {
  readonly id: number;
  readonly paths: readonly string[];
  readonly master: string;
  readonly is_placeholder: boolean;
  readonly kind: string | null;
  readonly kind_reason: string;
  readonly taken_from: number | null;
  readonly overdue: number;
  readonly current_until: number | null;
  readonly clues: readonly { text: string }[];
  readonly title: string | null;
  readonly changed: { readonly name: string; readonly certainty: string } | null;
}

async function pictures(siteId: number): Promise<Row[]> {
  const { rows } = await held.db.pool.query<Row>(
    `select p.*, (select array_agg(f.path order by f.path) from files f where f.picture_id = p.id) as paths,
       (select f.path from files f where f.picture_id = p.id and f.is_master order by f.path limit 1) as master
     from pictures p where p.site_id = $1 order by (select min(f.path) from files f where f.picture_id = p.id)`,
    [siteId],
  );
  return rows;
}
const showing = async (siteId: number, path: string) => {
  const found = (await pictures(siteId)).find(({ paths }) => paths.includes(path));
  if (!found) throw new Error(`no picture has ${path}`);
  return found;
};
const shaOf = async (siteId: number, path: string) => {
  const { rows } = await held.db.pool.query<{ sha256: string }>(
    'select sha256 from files where site_id = $1 and path = $2',
    [siteId, path],
  );
  return (rows[0] as { sha256: string }).sha256;
};
const again = async (siteId: number) => {
  await queueSurvey(held.db, siteId, 'asked');
  await runJobs(held.db);
};

let siteId: number;
let site: string;

beforeEach(async () => {
  site = join(held.folder, `site-${++n}`);
  const hall = await draw(stage(11))
    .withExif({ IFD2: { DateTimeOriginal: '2016:12:14 19:05:00' } })
    .jpeg()
    .toBuffer();
  await writeFiles(site, {
    'index.html':
      '<title>School</title><h1>Choirs</h1><img src="img/hall.jpg" alt="Both choirs on the stage"><img src="img/hall-300.webp" alt=""><img src="img/broken.jpg" alt="x">',
    'lessons/violin.html':
      '<title>Violin</title><figure><img src="../img/sample_600x400.png" alt="placeholder image"><figcaption>Caption goes here</figcaption></figure>',
    'tutors/index.html':
      '<title>Tutors</title><h2>Tutors</h2><img src="../img/marrable.jpg" alt="Ilse Marrable">',
    'img/hall.jpg': hall,
    'img/hall-300.webp': await sharp(hall).resize(300, 200).webp().toBuffer(),
    'img/thumb_17.png': await sharp(hall).resize(150, 150).png().toBuffer(),
    'img/river.jpg': await draw(river(2)).jpeg().toBuffer(),
    'img/sample_600x400.png': await draw(sample(600, 400), 600, 400).png().toBuffer(),
    'img/marrable.jpg': await draw(portrait(5), 400, 500)
      .withExif({ IFD2: { DateTimeOriginal: '2018:09:03 09:00:00' } })
      .jpeg()
      .toBuffer(),
    'img/broken.jpg': hall.subarray(0, 2000),
  });
  siteId = await connected(held.db, `Pictures ${n}`, site);
});

describe('knowing the pictures of a site', () => {
  it('puts files together, dates them, guesses what they show and finds the leftovers', async () => {
    const all = await pictures(siteId);
    expect(all.map(({ paths, master }) => [paths, master])).toEqual([
      [['img/hall-300.webp', 'img/hall.jpg', 'img/thumb_17.png'], 'img/hall.jpg'],
      [['img/marrable.jpg'], 'img/marrable.jpg'],
      [['img/river.jpg'], 'img/river.jpg'],
      [['img/sample_600x400.png'], 'img/sample_600x400.png'],
    ]);
    const [hall, marrable, , leftover] = all as [Row, Row, Row, Row];
    expect(hall).toMatchObject({ kind: 'class group', is_placeholder: false });
    expect(marrable.kind).toBe('portrait');
    expect(marrable.overdue).toBeGreaterThan(1.5);
    expect(leftover.is_placeholder).toBe(true);
    expect(leftover.clues.map(({ text }) => text)).toContain(
      'Its caption is a template’s: “Caption goes here”.',
    );
    const { rows } = await held.db.pool.query(
      "select problem from files where site_id = $1 and path = 'img/broken.jpg'",
      [siteId],
    );
    expect((rows[0] as { problem: string }).problem).toContain('broken.jpg');
  });

  it('keeps the numbers of pictures when files come and go, and looks at new files only', async () => {
    const before = await showing(siteId, 'img/hall.jpg');
    await writeFiles(site, { 'img/hall-more.jpg': await draw(stage(11), 1200, 800).jpeg().toBuffer() });
    await rm(join(site, 'img/thumb_17.png'));
    await again(siteId);
    const after = await showing(siteId, 'img/hall.jpg');
    expect(after.id).toBe(before.id);
    expect(after.paths).toEqual(['img/hall-300.webp', 'img/hall-more.jpg', 'img/hall.jpg']);
    expect(after.master).toBe('img/hall-more.jpg');
    await rm(join(site, 'img/river.jpg'));
    await again(siteId);
    expect((await pictures(siteId)).flatMap(({ paths }) => paths)).not.toContain('img/river.jpg');
  });
});

describe('pictures that were read by an older way', () => {
  it('are read again, and their families made anew', async () => {
    const before = await showing(siteId, 'img/hall.jpg');
    const mine = 'sha256 in (select sha256 from files where site_id = $1 and problem is null)';
    await held.db.pool.query(
      `update looks set version = 0, quality = 1, problem = 'It was not known then' where ${mine}`,
      [siteId],
    );
    await held.db.pool.query('update family_states set version = 0, state = \'{"groups": []}\'');
    await again(siteId);
    const { rows } = await held.db.pool.query<{ old: number }>(
      `select count(*)::int as old from looks where (quality = 1 or problem is not null) and ${mine}`,
      [siteId],
    );
    expect(rows[0]?.old).toBe(0);
    expect(await showing(siteId, 'img/hall.jpg')).toMatchObject({ id: before.id, paths: before.paths });
  });
});

describe('pictures that were judged otherwise', () => {
  it('have their families made anew, without being read again', async () => {
    const before = await showing(siteId, 'img/hall.jpg');
    const { rows } = await held.db.pool.query<{ state: { groups: { files: unknown[] }[] } }>(
      'select state from family_states where site_id = $1',
      [siteId],
    );
    // As if all of them had been one picture.
    const files = rows[0]?.state.groups.flatMap((group) => group.files) ?? [];
    const state = JSON.stringify({ groups: [{ files, links: [] }] });
    const took = (version: string) =>
      held.db.pool.query(`update family_states set state = $2, version = ${version} where site_id = $1`, [
        siteId,
        state,
      ]);
    // The transaction that wrote each row last.
    const written = async () =>
      (await held.db.pool.query('select sha256, xmin::text from looks order by 1')).rows;
    const looks = await written();
    await took('version');
    await again(siteId);
    expect((await showing(siteId, 'img/hall.jpg')).paths.length).toBeGreaterThan(before.paths.length);
    await took('version - 1');
    await again(siteId);
    expect((await showing(siteId, 'img/hall.jpg')).paths).toEqual(before.paths);
    expect(await written()).toEqual(looks);
  });
});

describe('a copy that lies on its side', () => {
  const twinOf = async (path: string) => {
    const { id } = await showing(siteId, path);
    const { rows } = await held.db.pool.query<{ twin: { quarters: number; upright: string | null } | null }>(
      'select twin from pictures where id = $1',
      [id],
    );
    return rows[0]?.twin ?? null;
  };
  const told = async () => {
    const { rows } = await held.db.pool.query<{ raw: string; degree: string; evidence: string }>(
      "select x.raw, e.degree, e.evidence from errata e join placements x on x.id = e.placement_id where e.site_id = $1 and e.rule = 'file/sideways' order by 1",
      [siteId],
    );
    return rows.map(({ raw, degree, evidence }) => `${degree} ${raw}: ${evidence}`);
  };

  it('is told beside the one whose camera noted which way is up, as long as that is there', async () => {
    // The drawing is turned in a step of its own: sharp turns before it scales.
    const lying = await sharp(await draw(stage(44)).jpeg().toBuffer())
      .rotate(270)
      .jpeg()
      .toBuffer();
    await writeFiles(site, {
      'index.html': '<title>Home</title><img src="img/up.jpg" alt="Up"><img src="img/side.jpg" alt="Side">',
      'img/up.jpg': await sharp(lying).withMetadata({ orientation: 6 }).toBuffer(),
      'img/side.jpg': await sharp(lying).resize(200).jpeg().toBuffer(),
    });
    await again(siteId);
    expect(await twinOf('img/side.jpg')).toMatchObject({ quarters: 1, upright: 'other' });
    expect(await twinOf('img/up.jpg')).toMatchObject({ quarters: 3, upright: 'own' });
    expect(await told()).toEqual([
      'should img/side.jpg: “img/up.jpg” shows the same turned by a quarter to the right, and its camera noted that this is upright.',
    ]);
    // Saved without the note by a program that turned it: nothing tells any more which one is right.
    await writeFiles(site, { 'img/up.jpg': await draw(stage(44)).jpeg().toBuffer() });
    await again(siteId);
    expect((await told()).map((one) => one.split(':')[0])).toEqual(['note img/side.jpg', 'note img/up.jpg']);
    await rm(join(site, 'img/up.jpg'));
    await again(siteId);
    expect(await twinOf('img/side.jpg')).toBeNull();
    expect(await told()).toEqual([]);
  });
});

describe('what people say of pictures', () => {
  it('remembers what is a placeholder and what is none, through later surveys', async () => {
    const river = await showing(siteId, 'img/river.jpg');
    const leftover = await showing(siteId, 'img/sample_600x400.png');
    await teachPlaceholder(held.db, MAINTAINER, siteId, { ids: [river.id], teaching: 'placeholder' });
    await teachPlaceholder(held.db, MAINTAINER, siteId, {
      ids: [leftover.id],
      teaching: 'not a placeholder',
    });
    await again(siteId);
    expect((await showing(siteId, 'img/river.jpg')).is_placeholder).toBe(true);
    expect((await showing(siteId, 'img/sample_600x400.png')).is_placeholder).toBe(false);
    await teachPlaceholder(held.db, MAINTAINER, siteId, { ids: [river.id, leftover.id], teaching: null });
    expect((await showing(siteId, 'img/river.jpg')).is_placeholder).toBe(false);
    expect((await showing(siteId, 'img/sample_600x400.png')).is_placeholder).toBe(true);
  });

  it('settles kinds in bulk, and judges the age by them', async () => {
    const hall = await showing(siteId, 'img/hall.jpg');
    expect(hall.overdue).toBeGreaterThan(1);
    await settleKind(held.db, MAINTAINER, siteId, { ids: [hall.id], kind: 'evergreen' });
    await again(siteId);
    const settled = await showing(siteId, 'img/hall.jpg');
    expect(settled).toMatchObject({
      kind: 'evergreen',
      overdue: 0,
      kind_reason: `settled by ${MAINTAINER.name}`,
    });
    await settleKind(held.db, MAINTAINER, siteId, { ids: [hall.id], kind: null });
    expect((await showing(siteId, 'img/hall.jpg')).kind).toBe('class group');
  });

  it('puts files apart and together, later surveys respect it, and it can be taken back', async () => {
    const [hall, small, river] = (await Promise.all(
      ['img/hall.jpg', 'img/hall-300.webp', 'img/river.jpg'].map((path) => shaOf(siteId, path)),
    )) as [string, string, string];
    const say = (kind: FamilyCorrection['kind'], a: string, b: string) =>
      correctFamily(held.db, MAINTAINER, siteId, { kind, a, b });
    const ofHall = async () => (await showing(siteId, 'img/hall.jpg')).paths;
    const asBefore = await ofHall();
    const apart = await say('apart', hall, small);
    expect(apart.kind).toBeNull();
    await runJobs(held.db);
    expect((await showing(siteId, 'img/hall-300.webp')).paths).not.toContain('img/hall.jpg');
    const together = await say('together', hall, river);
    await again(siteId);
    expect(await ofHall()).toEqual(['img/hall.jpg', 'img/river.jpg', 'img/thumb_17.png']);
    await correctFamily(held.db, MAINTAINER, siteId, apart);
    await runJobs(held.db);
    expect(await ofHall()).toEqual([...asBefore, 'img/river.jpg'].sort());
    await correctFamily(held.db, MAINTAINER, siteId, together);
    await again(siteId);
    expect(await ofHall()).toEqual(asBefore);
    await say('apart', hall, small);
    expect((await say('together', small, hall)).kind).toBe('apart');
    await runJobs(held.db);
    expect(await ofHall()).toEqual(asBefore);
    await say(null, hall, small);
    await runJobs(held.db);
    expect(await ofHall()).toEqual(asBefore);
  });

  it('marks every picture of a subject that was taken before it changed', async () => {
    const ids = await Promise.all(
      ['img/hall.jpg', 'img/marrable.jpg', 'img/river.jpg'].map(
        async (path) => (await showing(siteId, path)).id,
      ),
    );
    const stage = { id: null, name: 'The stage', kind: 'place', changedOn: '', changedHow: '' } as const;
    const subjectId = await saveSubject(held.db, MAINTAINER, siteId, stage);
    await showSubject(held.db, MAINTAINER, siteId, { ids, subjectId, isShown: true });
    expect((await pictures(siteId)).map(({ changed }) => changed)).toEqual([null, null, null, null]);
    const change = { ...stage, id: subjectId, changedOn: '2017-05-14', changedHow: 'repainted' };
    await saveSubject(held.db, MAINTAINER, siteId, change);
    await again(siteId);
    // The hall is of 2016, the portrait of 2018; of the river nothing is known but that its file is older than today.
    expect((await showing(siteId, 'img/hall.jpg')).changed).toMatchObject({
      ...{ name: 'The stage', changedHow: 'repainted', certainty: 'certain' },
    });
    expect((await showing(siteId, 'img/marrable.jpg')).changed).toBeNull();
    expect((await showing(siteId, 'img/river.jpg')).changed).toBeNull();
    await showSubject(held.db, MAINTAINER, siteId, { ids: [ids[0] as number], subjectId, isShown: false });
    expect((await showing(siteId, 'img/hall.jpg')).changed).toBeNull();
    await showSubject(held.db, MAINTAINER, siteId, { ids: [ids[0] as number], subjectId, isShown: true });
    await removeSubject(held.db, MAINTAINER, siteId, subjectId);
    expect((await showing(siteId, 'img/hall.jpg')).changed).toBeNull();
  });

  it('ages pictures by the shelf lives that are set, the strictest of the sections that show them', async () => {
    const overdue = async () => (await showing(siteId, 'img/marrable.jpg')).overdue;
    const set = (section: string, life: ShelfLife | null) =>
      saveShelfLife(held.db, MAINTAINER, siteId, { section, kind: 'portrait', life });
    const usual = await overdue();
    await set('', { unit: 'years', count: 40 });
    expect(await overdue()).toBeLessThan(1);
    await set('tutors', { unit: 'years', count: 1 });
    expect(await overdue()).toBeGreaterThan(usual);
    await set('choirs', { unit: 'forever' });
    expect(await overdue()).toBeGreaterThan(usual);
    await set('tutors', null);
    await set('', null);
    expect(await overdue()).toBeCloseTo(usual, 5);
    // A class of December 2016 ends with August 2017, or with November 2017 where years begin in December.
    const ends = async () => (await showing(siteId, 'img/hall.jpg')).current_until as number;
    const before = await ends();
    await saveSchoolYear(held.db, MAINTAINER, siteId, 12);
    expect((await ends()) - before).toBe(91);
  });

  it('keeps titles with the picture, whichever of its files stands for it', async () => {
    const hall = await showing(siteId, 'img/hall.jpg');
    const title = (text: string) =>
      titlePictures(held.db, MAINTAINER, siteId, [{ id: hall.id, title: text }]);
    expect(await title(' Both choirs ')).toEqual([{ id: hall.id, title: '' }]);
    await writeFiles(site, { 'img/hall-more.jpg': await draw(stage(11), 1200, 800).jpeg().toBuffer() });
    await again(siteId);
    expect(await showing(siteId, 'img/hall.jpg')).toMatchObject({
      title: 'Both choirs',
      master: 'img/hall-more.jpg',
    });
    expect(await title('')).toEqual([{ id: hall.id, title: 'Both choirs' }]);
    expect((await showing(siteId, 'img/hall.jpg')).title).toBeNull();
  });

  it.each<[string, () => Promise<unknown>]>([
    [
      'SUBJECT_INPUT',
      () =>
        saveSubject(held.db, MAINTAINER, siteId, {
          id: null,
          name: 'Front',
          kind: 'place',
          changedOn: 'May',
          changedHow: '',
        }),
    ],
    [
      'SUBJECT_GONE',
      () => showSubject(held.db, MAINTAINER, siteId, { ids: [1], subjectId: 999, isShown: true }),
    ],
    [
      'SHELF_LIFE_INPUT',
      () =>
        saveShelfLife(held.db, MAINTAINER, siteId, {
          section: '',
          kind: 'event',
          life: { unit: 'years', count: 0 },
        }),
    ],
    ['SHELF_LIFE_INPUT', () => saveSchoolYear(held.db, MAINTAINER, siteId, 13)],
    ['TITLE_INPUT', () => titlePictures(held.db, MAINTAINER, siteId, [{ id: 1, title: 'x'.repeat(201) }])],
    [
      'PICTURE_GONE',
      () => teachPlaceholder(held.db, MAINTAINER, siteId, { ids: [999_999], teaching: 'placeholder' }),
    ],
    ['PICTURE_INPUT', () => settleKind(held.db, MAINTAINER, siteId, { ids: [], kind: 'portrait' })],
    [
      'PICTURE_INPUT',
      () => settleKind(held.db, MAINTAINER, siteId, { ids: [1], kind: 'selfie' as 'portrait' }),
    ],
    [
      'CORRECTION_INPUT',
      () =>
        correctFamily(held.db, MAINTAINER, siteId, { kind: 'apart', a: '0'.repeat(64), b: '1'.repeat(64) }),
    ],
  ])('refuses with %s', async (code, run) => {
    const problem = await run().then(() => null, problemOf);
    expect(problem?.code).toBe(code);
  });
});
