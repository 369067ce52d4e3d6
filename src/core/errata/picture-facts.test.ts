import { describe, expect, it } from 'vitest';
import { dayOf, SCHOOL_YEAR_MONTH } from '../dating/day';
import { knowPicture } from '../picture/know-picture';
import { examplePage } from './example-page';
import { altTextsOf, pictureFacts } from './picture-facts';

const FILE = {
  ...{ path: 'img/sample.png', widthPx: 600, heightPx: 400, sizeBytes: 9000, format: 'png' },
  ...{ modifiedMs: null, embedded: null, embeddedTitle: null, readText: null, credit: null, sameBytes: null },
};
const AROUND = {
  ...{ pictureId: 7, masterPath: 'img/sample.png', masterModifiedMs: null },
  ...{ altTexts: { x: 1 }, twin: null },
};
const RULES = {
  ...{ today: dayOf(2026, 11, 25) as number, thisYear: 2026 },
  ...{ lives: [], firstMonth: SCHOOL_YEAR_MONTH },
};
const known = (path: string, taken?: string) =>
  knowPicture(
    {
      files: [{ path, widthPx: 600, heightPx: 400, modifiedMs: null, emptiness: 0.96, taken }],
      places: [],
      subjects: [],
      ...{ teaching: null, looksTaught: false, settledKind: 'portrait' },
    },
    RULES,
  );

describe('pictureFacts', () => {
  it('tells only what speaks for a leftover, and that only of one', () => {
    const leftover = pictureFacts(FILE, known('img/sample.png'), AROUND);
    expect(leftover.leftoverClues[0]).toBe('Its name says so: “sample.png”.');
    const photograph = pictureFacts(FILE, known('img/choir.png', '2016:01:01 10:00:00'), AROUND);
    expect(photograph.leftoverClues).toEqual([]);
    expect(photograph).toMatchObject({ kind: 'portrait', currentUntil: dayOf(2020, 1, 1), pictureId: 7 });
    expect(photograph.dating?.because[0]?.origin).toBe('camera');
  });

  it('tells nothing of a picture that can’t be read but its file', () =>
    expect(pictureFacts(FILE, null, AROUND)).toMatchObject({
      ...{ path: 'img/sample.png', isThere: true, sizeBytes: 9000 },
      ...{ kind: null, dating: null, currentUntil: null, changed: null, leftoverClues: [] },
    }));
});

describe('altTextsOf', () => {
  const textsIn = (html: string) =>
    altTextsOf(
      examplePage({ html, evidence: null })
        .placements.filter(({ dormant }) => !dormant)
        .map((placement) => ({ ...placement, page: 'index.html' })),
    );

  it.each([
    [
      'each element once, also the empty text, and none that is not there',
      '<img src="a.jpg" srcset="b.jpg 2x" alt="Hall"><img src="a.jpg" alt="Hall"><img src="a.jpg" alt=""><img src="a.jpg"><a href="a.jpg">Larger</a>',
      { Hall: 2, '': 1 },
    ],
    ['those that wait to be loaded', '<img data-src="a.jpg" alt="Hall">', { Hall: 1 }],
    [
      'those of a page within the page',
      '<img src="a.jpg" alt="Hall"><iframe srcdoc="&lt;img src=a.jpg alt=Stage&gt;"></iframe>',
      { Hall: 1, Stage: 1 },
    ],
  ])('counts %s', (_, html, expected) => expect(textsIn(html)).toEqual(expected));

  it('counts the same element of two pages twice', () => {
    const [image] = examplePage({ html: '<img src="a.jpg" alt="Hall">', evidence: null }).placements;
    expect(image && altTextsOf(['a.html', 'b.html'].map((page) => ({ ...image, page })))).toEqual({
      Hall: 2,
    });
  });
});
