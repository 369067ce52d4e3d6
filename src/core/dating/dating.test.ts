import { describe, expect, it } from 'vitest';
import { bestInterval, contradictions, UNDATED } from './best-interval';
import { gatherEvidence, type DateSources } from './date-evidence';
import { mentionsInName, mentionsInWords } from './date-mentions';
import { dayOf, isoDay, schoolYearEnd, yearsAfter, type Day, type DaySpan } from './day';
import { isHistoric, standsInItsTime } from './own-time';
import { relativeTimes } from './relative-times';
import { ageingOf, livesOf, SHELF_LIVES, sinceChange, spanText, strictestAgeing } from './shelf-life';

const day = (iso: string): Day => {
  const [year, month, date] = iso.split('-').map(Number) as [number, number, number];
  return dayOf(year, month, date) as Day;
};
const iso = ({ from, until }: DaySpan) => [from, until].map((one) => (one === null ? null : isoDay(one)));
const RULES = { thisYear: 2026, today: day('2026-06-01') };

describe('mentionsInWords', () => {
  it.each([
    ['The guitar group, 2024', '2024-01-01', '2024-12-31'],
    ['14 June 2024, 7 pm', '2024-06-14', '2024-06-14'],
    ['June 14th, 2024', '2024-06-14', '2024-06-14'],
    ['Winter concert, December 2022', '2022-12-01', '2022-12-31'],
    ['Sommerfest am 3. Juli 2019', '2019-07-03', '2019-07-03'],
    // No “est.” and no “ab” in it.
    ['Das Sommerfest 2019', '2019-01-01', '2019-12-31'],
    ['Am Grab 2021', '2021-01-01', '2021-12-31'],
    ['la chorale le 1er mai 2018', '2018-05-01', '2018-05-01'],
    ['concierto del 5 de marzo de 2017', '2017-03-05', '2017-03-05'],
    ['11.06.2016', '2016-06-11', '2016-06-11'],
    ['2016-06-11', '2016-06-11', '2016-06-11'],
    ['Class 4b, 2018–19', '2018-09-01', '2019-08-31'],
    ['Schuljahr 2018/2019', '2018-09-01', '2019-08-31'],
    ['summer 2020 by the river', '2020-06-01', '2020-08-31'],
    ['Winter 2022', '2022-12-01', '2023-02-28'],
    ['as it looked in 1931', '1931-01-01', '1931-12-31'],
    ['Reise an die See, 9. bis 12. Mai 2024', '2024-05-09', '2024-05-12'],
    ['from 9th to 12th May 2024', '2024-05-09', '2024-05-12'],
    ['les 8 et 9 juillet 2023', '2023-07-08', '2023-07-09'],
    ['del 30 de abril al 2 de mayo de 2024', '2024-04-30', '2024-05-02'],
    ['Remise des prix, 09/07/23', '2023-07-09', '2023-09-07'],
    ['Publié le 12/10/2025', '2025-10-12', '2025-10-12'],
    ['Posted on 17/01/2025', '2025-01-17', '2025-01-17'],
    ['Chorfest 14.6.25', '2025-06-14', '2025-06-14'],
    ['in the 1990s', '1990-01-01', '1999-12-31'],
    ['Las maestras en los años 50', '1950-01-01', '1959-12-31'],
    ['in den sechziger Jahren', '1960-01-01', '1969-12-31'],
    ['dans les années 1960', '1960-01-01', '1969-12-31'],
    ['The 1920 concert', '1920-01-01', '1920-12-31'],
  ])('reads “%s”', (text, from, until) => {
    expect(mentionsInWords(text, RULES).map(iso)).toEqual([[from, until]]);
  });

  it.each([
    'Wat Thorne, guitar (until 2023)',
    'since 1931',
    'seit 2014',
    'founded in 1987',
    '© 2019',
    'a gift of 2000 €'.replace('2000 €', '2,000 coins'),
    'shown at 1920 × 1080',
    '1080 pixels wide',
    'call 0044 1932 5555'.replace('1932 5555', '19325555'),
    '31 February 2020'.replace('2020', '20200'),
    'Version 2.10.24',
    'XYZ 3.1.22',
    'in 2031',
    'no date at all',
  ])('finds no time in “%s”', (text) => expect(mentionsInWords(text, RULES)).toEqual([]));

  it('keeps the order of the text', () => {
    const found = mentionsInWords('Before: 2016. After: May 2023.', RULES);
    expect(found.map(({ text }) => text)).toEqual(['2016', 'May 2023']);
  });
});

describe('relativeTimes', () => {
  const told = day('2026-03-03');
  it.each([
    ['Last night forty of us puzzled.', '2026-03-02', '2026-03-02'],
    ['Hier, six bateaux ont passé la pointe.', '2026-03-02', '2026-03-02'],
    ['Children at last summer’s camp', '2025-06-01', '2025-08-31'],
    ['La balise posée au printemps dernier', '2025-03-01', '2025-05-31'],
    ['Das Fest im letzten Jahr', '2025-01-01', '2025-12-31'],
    ['The foal born last Easter', '2025-03-20', '2025-04-30'],
    ['Le mois dernier', '2026-02-01', '2026-02-28'],
  ])('reads “%s”', (text, from, until) => {
    expect(relativeTimes(text, told).map(iso)).toEqual([[from, until]]);
  });

  it.each(['Wir sind hier, im Saal.', 'Easter 2024', 'Fröhliche Ostern'])('reads none in “%s”', (text) => {
    expect(relativeTimes(text, told)).toEqual([]);
  });
});

describe('mentionsInName', () => {
  it.each([
    ['facade-2016.jpg', '2016-01-01', '2016-12-31'],
    ['IMG_20160611_102000.jpg', '2016-06-11', '2016-06-11'],
    ['IMG-20190518-WA0003.jpg', '2019-05-18', '2019-05-18'],
    ['2016-06-11 open day.jpg', '2016-06-11', '2016-06-11'],
    ['choir_11-06-2016.jpg', '2016-06-11', '2016-06-11'],
    ['news/2019/05/river.jpg', '2019-05-01', '2019-05-31'],
    ['poster-summer24.png', '2024-06-01', '2024-08-31'],
    ['class-2018-19.jpg', '2018-09-01', '2019-08-31'],
    ['june2021.jpg', '2021-06-01', '2021-06-30'],
  ])('reads “%s”', (name, from, until) => {
    expect(mentionsInName(name, RULES).map(iso)).toEqual([[from, until]]);
  });

  it.each([
    'DSC_0417.jpg',
    'hall-1920x1080.jpg',
    'photo_2000x1333.jpg',
    'IMG_3381.jpg',
    'front-1931.jpg',
    'a-2048w.jpg',
    'p_120180611.jpg',
  ])('finds no time in “%s”', (name) => expect(mentionsInName(name, RULES)).toEqual([]));

  it('leaves out the picture’s own width', () => {
    expect(mentionsInName('choir-2000.jpg', RULES, [2000, 1333])).toEqual([]);
    expect(mentionsInName('choir-2000.jpg', RULES, [1600, 1067])).toHaveLength(1);
  });
});

const dated = (sources: Partial<DateSources>) =>
  bestInterval(gatherEvidence({ path: 'img/a.jpg', ...sources }, RULES));

describe('bestInterval', () => {
  it.each<[string, Partial<DateSources>, [string | null, string | null]]>([
    ['the camera’s day', { taken: '2016:06:11 10:20:00' }, ['2016-06-11', '2016-06-11']],
    [
      'the camera against a caption',
      { taken: '2018:04:19 10:00:00', captions: ['The guitar group, 2024'] },
      ['2018-04-19', '2018-04-19'],
    ],
    [
      'a clock that was never set loses',
      { taken: '2000:01:01 00:00:12', captions: ['Concert, 2019'] },
      ['2019-01-01', '2019-12-31'],
    ],
    [
      'a year narrowed by the file’s date',
      { path: 'img/hall-2019.jpg', modifiedMs: Date.UTC(2019, 4, 20) },
      ['2019-01-01', '2019-05-20'],
    ],
    ['only an upper bound', { modifiedMs: Date.UTC(2014, 2, 1) }, [null, '2014-03-01']],
    [
      'school year and season',
      { captions: ['Class 4b, 2018–19', 'summer 2019'] },
      ['2019-06-01', '2019-08-31'],
    ],
    [
      'XMP of a scan',
      { fields: [{ field: 'XMP DateCreated', value: '1987' }] },
      ['1987-01-01', '1987-12-31'],
    ],
    [
      'what all its pages say',
      {
        pages: [
          { path: 'news/2019/a.html', title: 'A' },
          { path: 'news/2019/b.html', title: 'B' },
        ],
      },
      ['2019-01-01', '2019-12-31'],
    ],
    [
      'not what one of its pages says',
      {
        pages: [
          { path: 'news/2019/a.html', title: 'A' },
          { path: 'about.html', title: 'B' },
        ],
      },
      [null, null],
    ],
  ])('takes %s', (_, sources, expected) => expect(iso(dated(sources))).toEqual(expected));

  it('says what it rests on and what speaks against it', () => {
    const dating = dated({ taken: '2018:04:19 10:00:00', captions: ['The guitar group, 2024'] });
    expect(dating.because.map(({ origin }) => origin)).toEqual(['camera']);
    expect(dating.against.map(({ origin, text }) => [origin, text])).toEqual([['caption', '2024']]);
    expect(dating.belief).toBeGreaterThan(2);
  });

  it('knows nothing of nothing', () => expect(dated({})).toBe(UNDATED));

  it.each([
    '',
    'not a date',
    '9999:99:99',
    '2031:01:01 00:00:00',
    '0000:00:00 00:00:00',
    '2016:02:31',
    '1700:01:01',
  ])('does not take “%s” for a camera’s date', (taken) =>
    expect(gatherEvidence({ path: 'a.jpg', taken }, RULES)).toEqual([]),
  );
});

describe('contradictions', () => {
  const found = (sources: Partial<DateSources>) =>
    contradictions(gatherEvidence({ path: 'a.jpg', ...sources }, RULES)).map(({ said, known }) => [
      said.origin,
      known.origin,
    ]);
  it.each<[string, Partial<DateSources>, string[][]]>([
    [
      'a caption years off',
      { taken: '2018:04:19 10:00:00', captions: ['The guitar group, 2024'] },
      [['caption', 'camera']],
    ],
    ['the same year', { taken: '2018:04:19 10:00:00', captions: ['2018'] }, []],
    [
      'a caption of January of a concert in December',
      { taken: '2022:12:20 19:00:00', captions: ['Concert 2023'] },
      [],
    ],
    [
      'a name years off',
      { taken: '2018:04:19 10:00:00', path: 'img/party-2015.jpg' },
      [['file name', 'camera']],
    ],
    ['no camera', { captions: ['2018'], altTexts: ['2024'] }, []],
    ['a clock that was never set', { taken: '2000:01:01 00:00:12', captions: ['2019'] }, []],
  ])('finds in %s', (_, sources, expected) => expect(found(sources)).toEqual(expected));
});

describe('ageing', () => {
  const taken = (iso: string): DaySpan => ({ from: day(iso), until: day(iso) });
  it.each([
    ['portrait', '2021-06-01', '2025-06-01', 1.25],
    ['class group', '2024-10-01', '2025-08-31', 1.82],
    ['event', '2025-03-01', '2026-08-31', 0.83],
    ['building', '2022-06-01', '2030-06-01', 0.5],
  ] as const)('of a %s of %s ends on %s', (kind, of, until, overdue) => {
    const ageing = ageingOf(taken(of), SHELF_LIVES[kind], RULES.today);
    expect(ageing.currentUntil && isoDay(ageing.currentUntil)).toBe(until);
    expect(ageing.overdue).toBeCloseTo(overdue, 1);
    expect(ageing.certainty).toBe('certain');
  });

  it('does not end for what does not age, or has no known age', () => {
    expect(ageingOf(taken('1990-01-01'), SHELF_LIVES.evergreen, RULES.today).overdue).toBe(0);
    expect(ageingOf({ from: null, until: null }, SHELF_LIVES.portrait, RULES.today).currentUntil).toBeNull();
  });

  it('judges by the latest day it may have been taken, and says where only the earliest is known', () => {
    const span = { from: day('2015-01-01'), until: day('2024-12-31') };
    expect(ageingOf(span, SHELF_LIVES.portrait, RULES.today).overdue).toBeLessThan(1);
    expect(
      ageingOf({ from: day('2015-01-01'), until: null }, SHELF_LIVES.portrait, RULES.today).certainty,
    ).toBe('possible');
  });

  it.each([
    ['2016-06-11', '2016-06-11', 'before'],
    ['2024-01-01', '2024-12-31', 'after'],
    ['2023-01-01', '2023-12-31', 'perhaps before'],
  ] as const)('%s to %s stands %s a change of May 2023', (from, until, expected) => {
    expect(sinceChange({ from: day(from), until: day(until) }, day('2023-05-02'))).toBe(expected);
  });

  it('ends school years where they end, leap days and all', () => {
    expect(isoDay(schoolYearEnd(day('2024-09-01')))).toBe('2025-08-31');
    expect(isoDay(schoolYearEnd(day('2024-08-31')))).toBe('2024-08-31');
    expect(isoDay(schoolYearEnd(day('2024-02-10'), 2))).toBe('2025-01-31');
    expect(isoDay(yearsAfter(day('2024-02-29'), 1))).toBe('2025-03-01');
    expect(yearsAfter(day('2024-01-01'), 0.5) - day('2024-01-01')).toBe(183);
  });

  it.each([
    ['2016-06-11', '2016-06-11', '11 June 2016'],
    ['2016-06-01', '2016-06-30', 'June 2016'],
    ['2016-01-01', '2016-12-31', '2016'],
    ['2018-01-01', '2019-12-31', '2018–2019'],
    ['2019-06-01', '2019-08-31', 'June–August 2019'],
    ['2018-09-01', '2019-08-31', 'September 2018 – August 2019'],
    [null, '2014-03-01', 'by March 2014'],
    ['2014-03-01', null, 'since March 2014'],
    [null, null, 'unknown'],
  ])('writes %s to %s as “%s”', (from, until, expected) => {
    expect(spanText({ from: from && day(from), until: until && day(until) } as DaySpan)).toBe(expected);
  });
});

describe('livesOf', () => {
  const two = { unit: 'years', count: 2 } as const;
  const ten = { unit: 'years', count: 10 } as const;
  const set = [
    { section: '', kind: 'portrait', life: ten },
    { section: 'team', kind: 'portrait', life: two },
  ] as const;
  it.each([
    ['portrait', ['team'], [two]],
    ['portrait', ['news', 'team'], [ten, two]],
    ['portrait', [], [ten]],
    ['event', ['team'], [SHELF_LIVES.event]],
  ] as const)('of a %s in %j', (kind, sections, lives) =>
    expect(livesOf(kind, sections, set)).toEqual(lives),
  );

  it('ages by the strictest of them', () => {
    const taken = { from: dayOf(2020, 1, 1), until: dayOf(2020, 1, 1) };
    const today = dayOf(2023, 1, 1) as number;
    expect(strictestAgeing(taken, [ten, two], today)).toEqual(ageingOf(taken, two, today));
    expect(strictestAgeing(taken, [ten, { unit: 'forever' }], today).overdue).toBeCloseTo(0.3, 2);
  });
});

describe('isHistoric', () => {
  const span = (year: number) => ({ from: dayOf(year, 1, 1), until: dayOf(year, 12, 31) });
  it.each([
    [1931, true],
    [1984, true],
    [1988, false],
  ])('of %i: %s', (year, expected) =>
    expect(isHistoric(span(year), dayOf(2026, 11, 25) as number)).toBe(expected),
  );
});

describe('standsInItsTime', () => {
  const taken = { from: day('2015-02-21'), until: day('2015-02-21') };
  it.each([
    ['the news of its year', [{ path: 'news/2015-flood.html', title: 'High water' }], true],
    ['the year after', [{ path: 'news/2016/index.html', title: 'News of 2016' }], true],
    ['a title with its year', [{ path: 'about.html', title: 'The flood of 2015' }], true],
    [
      'one page of its year and one of none',
      [
        { path: 'news/2015/a.html', title: '' },
        { path: 'about.html', title: 'About' },
      ],
      false,
    ],
    ['news of another year', [{ path: 'news/2024/a.html', title: '' }], false],
    ['no page', [], false],
  ] as [string, { path: string; title: string }[], boolean][])('%s', (_, pages, expected) => {
    expect(standsInItsTime(taken, pages, RULES)).toBe(expected);
  });
});
