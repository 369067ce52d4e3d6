import { describe, expect, it } from 'vitest';
import { dayOf } from '../dating/day';
import { knowPicture, texts, type KnowingRules, type PictureSources } from './know-picture';

const RULES: KnowingRules = {
  ...{ today: dayOf(2026, 11, 25) as number, thisYear: 2026 },
  ...{ lives: [], firstMonth: 9 },
};
const FILE = { path: 'tutors/img/oake.jpg', widthPx: 400, heightPx: 500, modifiedMs: null, emptiness: 0.3 };
const PLACE = {
  ...{ alt: 'Dorrin Oake', caption: null, headings: ['Tutors'], near: '' },
  ...{ page: 'tutors/index.html', title: 'Tutors', section: 'tutors' },
};
const know = (more: Partial<PictureSources> = {}, rules = RULES) =>
  knowPicture(
    {
      ...{ files: [{ ...FILE, taken: '2016:09:05 09:00:00' }], places: [PLACE], subjects: [] },
      ...{ teaching: null, looksTaught: false, settledKind: null },
      ...more,
    },
    rules,
  );

describe('knowPicture', () => {
  it('dates it, guesses its kind and says that it is past its time', () => {
    const { dating, kind, guessedFrom, ageing, placeholder, pages } = know();
    expect(dating).toMatchObject({ from: dayOf(2016, 9, 5), until: dayOf(2016, 9, 5) });
    expect(kind).toBe('portrait');
    expect(guessedFrom).toContain('tutors');
    expect(ageing?.overdue).toBeGreaterThan(2);
    expect(placeholder.isPlaceholder).toBe(false);
    expect(pages).toEqual([{ path: 'tutors/index.html', title: 'Tutors' }]);
  });

  it('holds to the kind that a person settled, and to the shelf life that the site has set', () => {
    expect(know({ settledKind: 'evergreen' })).toMatchObject({ kind: 'evergreen', guessedFrom: '' });
    const lives = [{ section: 'tutors', kind: 'portrait', life: { unit: 'years', count: 30 } }] as const;
    expect(know({}, { ...RULES, lives }).ageing?.overdue).toBeLessThan(1);
  });

  it('does not age what stands in its own time, nor what is shown for its age', () => {
    const news = { ...PLACE, page: 'news/2016/tutors.html', title: 'News of 2016', section: 'news' };
    expect(know({ places: [news] }).ageing).toBeNull();
    const old = { ...FILE, taken: '1931:05:01 00:00:00' };
    expect(know({ files: [old] }).ageing).toBeNull();
  });

  it.each([
    [['Groups of 2002', 'Fees', 'Find us', 'Lessons'], 'class group', 1],
    [['Groups of 2002', 'Fees', 'Find us', 'Lessons', 'Library'], null, 0],
  ])('takes a picture under the headings %j for %s', (headings, kind, dates) => {
    const places = headings.map((heading, n) => ({
      ...{ alt: 'Groups', caption: null, headings: [heading], near: '', section: '' },
      ...{ page: `page-${n}.html`, title: 'School' },
    }));
    const plain = places.map((place) => ({ ...place, alt: null }));
    const files = [{ ...FILE, path: 'img/mark.png' }] as const;
    expect(know({ files, places }).dating.because).toHaveLength(dates);
    const title = { title: 'Groups', page: 'groups.html' };
    expect(know({ files, places: plain.map((place) => ({ ...place, ...title })) }).kind).toBe(kind);
  });

  it.each([
    [12, 'building', 1],
    [13, null, 0],
  ])('of %d captions takes a picture for %s', (count, kind, dates) => {
    const places = Array.from({ length: count }, (_, n) => ({
      ...{ alt: null, headings: [], near: '', page: `page-${n}.html`, title: 'School', section: '' },
      caption: n === 0 ? 'The new building, 2002' : `Lesson ${String.fromCharCode(97 + n)}`,
    }));
    const known = know({ files: [{ ...FILE, path: 'img/mark.png' }], places });
    expect(known.kind).toBe(kind);
    expect(known.dating.because).toHaveLength(dates);
  });

  it('takes dates from all its files, the words of its places once', () => {
    const large = { ...FILE, path: 'tutors/img/oake-large.jpg' };
    const small = { ...FILE, path: 'tutors/img/2016/oake.jpg' };
    const { dating } = know({ files: [large, small], places: [{ ...PLACE, caption: 'In 2016' }] });
    expect(dating.because.map(({ origin }) => origin).sort()).toEqual(['caption', 'folder']);
  });

  it('says what has changed since, and believes a person on leftovers', () => {
    const subject = {
      id: 1,
      name: 'Dorrin Oake',
      kind: 'person',
      changedOn: dayOf(2020, 1, 1),
      changedHow: 'left',
    };
    expect(know({ subjects: [{ ...subject, kind: 'person' }] }).changed).toMatchObject({
      name: 'Dorrin Oake',
    });
    expect(know({ teaching: 'placeholder' }).placeholder.isPlaceholder).toBe(true);
  });
});

describe('texts', () => {
  it('gives each text once, and none that is not there', () =>
    expect(texts(['a', null, '', 'b', 'a', undefined])).toEqual(['a', 'b']));
});
