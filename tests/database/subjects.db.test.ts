import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { portrait, river, stage } from '@demo/site/scenes';
import { historyOf } from '@/app/_data/pictures/picture-history';
import { listPictures } from '@/app/_data/pictures/pictures';
import { NOT_NARROWED } from '@/app/_data/pictures/picture-narrowing';
import { shelfLivesOf } from '@/app/_data/pictures/shelf-lives';
import { listSubjects, subjectsOf, untitledPictures } from '@/app/_data/pictures/subjects';
import { saveShelfLife } from '@/server/work/pictures/keep-shelf-lives';
import { saveSubject, showSubject } from '@/server/work/pictures/name-subjects';
import { correctFamily } from '@/server/work/pictures/correct-family';
import { settleKind, teachPlaceholder } from '@/server/work/pictures/teach-picture';
import { titlePictures } from '@/server/work/pictures/title-pictures';
import { connected } from '../fixtures/connected';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;

const draw = (svg: string, taken?: string) => {
  const image = sharp(Buffer.from(svg)).resize(600, 400);
  return (taken ? image.withExif({ IFD2: { DateTimeOriginal: taken } }) : image).jpeg().toBuffer();
};
const picture = async (path: string) => {
  const { rows } = await held.db.pool.query<{ id: number; sha: string }>(
    'select picture_id as id, sha256 as sha from files where site_id = $1 and path = $2',
    [siteId, path],
  );
  return rows[0] as { id: number; sha: string };
};

beforeAll(async () => {
  const site = join(held.folder, 'site');
  await writeFiles(site, {
    'index.html': '<title>Home</title><img src="img/choir-summer_03.jpg" alt="The choir"><img src="img/IMG_2041.jpg" alt="Dorrin Oake at the river">',
    'tutors.html': '<title>Tutors</title><figure><img src="img/p1.jpg" alt="Portrait"><figcaption>Dorrin Oake</figcaption></figure>',
    'img/choir-summer_03.jpg': await draw(stage(3), '2019:06:01 10:00:00'),
    'img/IMG_2041.jpg': await draw(river(4), '2024:06:01 10:00:00'),
    'img/p1.jpg': await draw(portrait(5), '2016:06:01 10:00:00'),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Subjects', site);
});

describe('people, places and things', () => {
  it('are listed with their pictures, with those that may show them, and with those from before a change', async () => {
    const subject = { id: null, name: 'Dorrin Oake', kind: 'person', changedOn: '2020-05-01', changedHow: 'left' } as const;
    const id = await saveSubject(held.db, MAINTAINER, siteId, subject);
    const [before] = await listSubjects(siteId);
    const named = [(await picture('img/IMG_2041.jpg')).id, (await picture('img/p1.jpg')).id];
    expect(before).toMatchObject({ id, name: 'Dorrin Oake', pictures: 0, first: [] });
    expect([...(before?.named ?? [])].sort()).toEqual([...named].sort());
    expect(await showSubject(held.db, MAINTAINER, siteId, { ids: named, subjectId: id, isShown: true })).toHaveLength(2);
    // Said again, nothing is new, so that taking it back takes back nothing else.
    expect(await showSubject(held.db, MAINTAINER, siteId, { ids: named, subjectId: id, isShown: true })).toEqual([]);
    const [after] = await listSubjects(siteId);
    expect(after).toMatchObject({ pictures: 2, before: 1, perhaps: 0, named: [] });
    const { rows } = await listPictures(siteId, {
      ...{ filter: 'all', order: 'name', query: '', section: null, sheet: 1 },
      narrowing: { ...NOT_NARROWED, subject: id },
    });
    expect(rows.map(({ path }) => path)).toEqual(['img/IMG_2041.jpg', 'img/p1.jpg']);
    expect((await subjectsOf(siteId, named[0] as number)).map(({ name, isShown }) => [name, isShown])).toEqual([['Dorrin Oake', true]]);
  }); // oxfmt-ignore

  it('have names of their own', async () => {
    const again = { id: null, name: 'dorrin oake', kind: 'person', changedOn: '', changedHow: '' } as const;
    await expect(saveSubject(held.db, MAINTAINER, siteId, again)).rejects.toMatchObject({
      problem: { code: 'SUBJECT_INPUT', why: 'There is another one called “dorrin oake”.' },
    });
  });
});

describe('titles', () => {
  it('are proposed for pictures without one, from the name or the words', async () => {
    const { rows, total } = await untitledPictures(siteId, [], 1);
    expect(total).toBe(3);
    expect(Object.fromEntries(rows.map(({ path, proposed }) => [path, proposed]))).toEqual({
      'img/choir-summer_03.jpg': { title: 'Choir summer', from: 'file name' },
      'img/IMG_2041.jpg': { title: 'Dorrin Oake at the river', from: 'alt text' },
      'img/p1.jpg': { title: 'Dorrin Oake', from: 'caption' },
    });
    const { id } = await picture('img/p1.jpg');
    await titlePictures(held.db, MAINTAINER, siteId, [{ id, title: 'Dorrin Oake, 2016' }]);
    expect((await untitledPictures(siteId, [], 1)).total).toBe(2);
    expect((await untitledPictures(siteId, [id], 1)).rows[0]?.title).toBe('Dorrin Oake, 2016');
  });
});

describe('what was done', () => {
  it('gives back what held before, so that it can be taken back', async () => {
    const ids = [(await picture('img/p1.jpg')).id, (await picture('img/IMG_2041.jpg')).id];
    const [one, other] = ids as [number, number];
    await settleKind(held.db, MAINTAINER, siteId, { ids: [one], kind: 'portrait' });
    const kinds = await settleKind(held.db, MAINTAINER, siteId, { ids, kind: 'event' });
    expect(new Map(kinds.map(({ id, was }) => [id, was]))).toEqual(new Map([[one, 'portrait'], [other, null]])); // oxfmt-ignore
    await teachPlaceholder(held.db, MAINTAINER, siteId, { ids: [other], teaching: 'not a placeholder' });
    const taught = await teachPlaceholder(held.db, MAINTAINER, siteId, { ids, teaching: 'placeholder' });
    expect(new Map(taught.map(({ id, was }) => [id, was]))).toEqual(new Map([[one, null], [other, 'not a placeholder']])); // oxfmt-ignore
  });

  it('stands in the history of the picture, the latest first', async () => {
    const [portraitOf, riverOf] = [await picture('img/p1.jpg'), await picture('img/IMG_2041.jpg')];
    const [a, b] = [portraitOf.sha, riverOf.sha];
    await correctFamily(held.db, MAINTAINER, siteId, { kind: 'apart', a, b });
    const lines = await historyOf(siteId, ['img/p1.jpg'], [a]);
    expect(lines.map(({ what }) => what)).toEqual(['apart', 'leftover', 'titled', 'shown', 'places won']);
    expect(lines.at(-1)).toMatchObject({ who: null, number: 1, count: 1 });
    expect(lines[0]).toMatchObject({ who: MAINTAINER.name, text: 'img/IMG_2041.jpg' });
  });

  it('is listed of shelf lives, for the site and for sections', async () => {
    const life = { unit: 'years', count: 2 } as const;
    await saveShelfLife(held.db, MAINTAINER, siteId, { section: 'img', kind: 'portrait', life });
    await saveShelfLife(held.db, MAINTAINER, siteId, {
      section: '',
      kind: 'event',
      life: { unit: 'forever' },
    });
    expect(await shelfLivesOf(siteId)).toEqual([
      { section: '', kind: 'event', life: { unit: 'forever' } },
      { section: 'img', kind: 'portrait', life },
    ]);
  });
});
