/** Every erratum of the site, by rule, page and reference: what a person who knows it would say. */
import type { RuleId } from '@/core/errata/rule';
import { ANSWERS } from './answers';

/** A rule's errata on one page: the references as they are written there. */
type OnPage = readonly [page: string, ...raws: string[]];

const NEWS_OF: Readonly<Record<number, readonly string[]>> = {
  2018: ['snow', 'bridge', 'cellos'],
  2019: ['strings', 'river-day', 'new-year', 'candles'],
  2020: ['closed', 'garden', 'windows'],
  2021: ['reopened', 'engine-room', 'bench-week'],
  2022: ['frost', 'night', 'harp', 'voices'],
  2023: ['stairs', 'green-doors', 'boat', 'lent'],
  2024: ['quartet', 'open-house', 'summer-concert', 'storm'],
  2025: ['bench-lamp', 'chairs', 'nine'],
  2026: ['piano', 'ten-years'],
};
const TUTORS = ['quill', 'ashby', 'lorn', 'tarrow', 'frayne', 'vane', 'sallow'];
/** Their portraits are older than four years. */
const OLD_TUTORS = TUTORS.filter((name) => name !== 'sallow');
const PROJECTS = ['bell', 'map', 'tower-organ', 'letters', 'street'];
const COURSES = ['autumn', 'spring', 'summer-week', 'for-adults', 'for-families'];
const FRONT = 'img/facade-2016-480.jpg';

/** What is wrong with the words of the page of the bench. */
const AT_THE_BENCH: Readonly<Record<RuleId, readonly string[]>> = {
  'alt/too-general': ['vice.jpg'],
  'alt/cut-off': ['plane.jpg'],
  'alt/other-language': ['strips.jpg'],
  'alt/work-note': ['pot.jpg'],
  'alt/search-words': ['peg.jpg'],
  'alt/repeats': ['small-plane.jpg'],
  'alt/ornament': ['line.png'],
  'alt/content-nowhere': ['plan.jpg'],
  'alt/says-not-where': ['lend.jpg'],
  'alt/names-another': ['portrait.jpg'],
  'caption/slipped': ['harp.jpg', 'cello.jpg'],
  'caption/in-future': ['later.jpg'],
  'caption/other-language': ['overnight.jpg'],
  'caption/cut-off': ['night.jpg'],
  'caption/place-on-page': ['drill.jpg'],
  'caption/credit-missing': ['cross.jpg'],
  'caption/same-words': ['bridge-a.jpg', 'bridge-b.jpg'],
  'caption/figure-number': ['nut.jpg'],
};

/** By rule. What the hand-made key names is added below. */
const MORE: Readonly<Record<RuleId, readonly OnPage[]>> = {
  // The list of each year’s news shows a picture alone in its link, besides the link with the title.
  'alt/empty-link': [
    ...Object.entries(NEWS_OF).map(([year, names]): OnPage => [
      `news/${year}/index.html`,
      ...names.map((name) => `img/${name}${Number(year) < 2021 ? '' : '-480'}.jpg`),
    ]),
    ['news/2018/snow.html', 'img/snow-2.jpg'],
    ['news/2019/river-day.html', 'img/river-day-2.jpg'],
    ['news/2020/garden.html', 'img/garden-2.jpg'],
  ],
  'alt/empty-button': [['join/at-home.html', '../img/logo.png']],
  'alt/empty-caption': [
    ['lessons/clarinet.html', 'img/clarinet.jpg'],
    ['lessons/flute.html', '../img/sample_600x400.png'],
  ],
  'alt/file-name': [
    ['courses/summer.html', '../img/DSC_0417.jpg'],
    ['news/2021/reopened.html', 'img/reopened-960.jpg'],
    ['news/2023/stairs.html', 'img/stairs-960.jpg'],
    ['news/2024/storm.html', 'img/storm-960.jpg'],
  ],
  'alt/generic': [
    ['news/2021/bench-week.html', 'img/bench-week-more.jpg'],
    ['news/2023/stairs.html', 'img/stairs-more.jpg'],
    ['news/2024/open-house.html', 'img/open-house-more.jpg'],
    ['news/2025/nine.html', 'img/nine-more.jpg'],
    ['concerts/index.html', 'img/poster-summer24.png'],
    ...[2015, 2016, 2017, 2018, 2019, 2020].map((year): OnPage => [
      `concerts/${year}.html`,
      `img/poster-${year}.png`,
    ]),
  ],
  // On the older pages the place stands in the page’s own foot, and only the day is missing.
  'alt/picture-of-text': [
    ['concerts/index.html', 'img/poster-summer24.png'],
    ...[2017, 2018, 2019, 2020].map((year): OnPage => [`concerts/${year}.html`, `img/poster-${year}.png`]),
  ],
  'alt/template-words': ['choirs/winter.html', 'lessons/cello.html', 'lessons/violin.html'].map(
    (page): OnPage => [page, '../img/sample_600x400.png'],
  ),
  'alt/picture-of': [['lessons/guitar.html', '../img/guitar-group.jpg']],
  'alt/equals-caption': [
    ...COURSES.map((name): OnPage => [`courses/${name}.html`, `img/${name}.jpg`]),
    ...TUTORS.map((name): OnPage => [`tutors/${name}.html`, `img/${name}.jpg`]),
    ['tutors/marrable.html', 'img/marrable.jpg'],
  ],
  'alt/equals-link-text': [['join/at-home.html', 'img/purse.jpg']],
  'alt/same-words': [['join/at-home.html', 'img/corner.jpg', 'img/kitchen.jpg']],
  'alt/other-words-elsewhere': [
    ['join/at-home.html', 'img/kitchen.jpg', 'img/kitchen-copy.jpg'],
    ['about.html', 'img/river-door.jpg'],
    ['news/2016-doors.html', `../${FRONT}`],
    ['cafe/index.html', '../img/cafe-cup.jpg'],
    ['choirs/young.html', '../img/young-choir.jpg'],
    ['lessons/drums.html', '../img/drums.jpg'],
    ['news/index.html', 'pics/open-day.jpg'],
    ['tutors/oake.html', 'img/oake.jpg'],
    ...PROJECTS.map((name): OnPage => [`projects/${name}.html`, `img/${name}-1.jpg`]),
    ...['index', 'fees', 'lend', 'friends'].map((name): OnPage => [`join/${name}.html`, '../img/logo.png']),
  ],
  ...Object.fromEntries(
    Object.entries(AT_THE_BENCH).map(([rule, names]) => [
      rule,
      [['join/bench.html', ...names.map((name) => `img/bench-${name}`)]],
    ]),
  ),
  'alt/too-long': [['join/at-home.html', 'img/first-week.jpg']],
  'alt/code': [['join/at-home.html', 'img/window.jpg']],
  'alt/year': [2016, 2020, 2024].map((year): OnPage => [`concerts/${year}.html`, `img/${year}-3.jpg`]),
  'caption/template-words': [
    ['choirs/gallery.html', 'img/breath.jpg', ...[1, 2, 3, 4].map((n) => `gallery/slide-${n}.png`)],
    ['choirs/winter.html', '../img/sample_600x400.png'],
    ['lessons/flute.html', '../img/sample_600x400.png'],
    ['lessons/violin.html', '../img/sample_600x400.png'],
  ],
  'caption/missing': PROJECTS.map((name): OnPage => [`projects/${name}.html`, `img/${name}-4.jpg`]),
  'caption/stored-only': [['join/at-home.html', 'img/waiting.jpg', 'img/corner.jpg']],
  'caption/wrong-field': [['join/at-home.html', 'img/stool.jpg']],
  'caption/file-name': [['join/at-home.html', 'img/window.jpg']],
  'caption/names-another': [['join/at-home.html', 'img/notes.jpg']],
  'caption/credit-form': [['join/at-home.html', 'img/stand.png']],
  'alt/other-time': [
    ['join/bench.html', 'img/bench-week.jpg'],
    ...[2016, 2020, 2024].map((year): OnPage => [`concerts/${year}.html`, `img/${year}-3.jpg`]),
  ],
  'caption/contradicts': [['lessons/guitar.html', '../img/guitar-group.jpg']],
  'caption/heading-again': [
    ['join/bench.html', 'img/bench-clamps.jpg'],
    ...TUTORS.map((name): OnPage => [`tutors/${name}.html`, `img/${name}.jpg`]),
    ['tutors/marrable.html', 'img/marrable.jpg'],
  ],
  'file/sideways': [['join/at-home.html', 'img/hands-300.jpg']],
  'file/duplicate': [['join/at-home.html', 'img/kitchen-copy.jpg']],
  'fresh/placeholder': [
    ['choirs/gallery.html', ...[1, 2, 3, 4].map((n) => `gallery/slide-${n}.png`)],
    ['tutors/visiting.html', 'img/no-photo.png'],
    ['recordings/live.html', 'img/video-placeholder.png'],
    ['join/supporters.html', 'img/your-logo-here.png'],
    ['projects/next.html', 'img/image-3.png'],
  ],
  'fresh/past-its-time': [
    ['index.html', 'img/hall-choir.jpg'],
    ['choirs/index.html', '../img/choir-winter-960.jpg', '../img/hall-choir.jpg', '../img/young-choir.jpg'],
    ['choirs/winter.html', '../img/choir-winter-960.jpg'],
    ['choirs/young.html', '../img/young-choir.jpg'],
    ['choirs/on-the-boat.html', 'img/boat-choir.jpg'],
    ['choirs/gallery.html', 'img/breath.jpg'],
    ['lessons/guitar.html', '../img/guitar-group.jpg'],
    ['concerts/index.html', 'img/poster-summer24.png', 'img/poster-winter22.png'],
    ['news/index.html', 'pics/open-day.jpg', 'pics/first-choir.jpg'],
    ['tutors/index.html', 'img/marrable.jpg', 'img/oake.jpg'],
    ['tutors/marrable.html', 'img/marrable.jpg'],
    ['tutors/oake.html', 'img/oake.jpg'],
    ['tutors/all.html', ...OLD_TUTORS.map((name) => `img/${name}_thumb.jpg`)],
    ...OLD_TUTORS.map((name): OnPage => [`tutors/${name}.html`, `img/${name}.jpg`]),
  ],
  'fresh/changed-since': [['index.html', FRONT]],
  'fresh/older-rendition': [['join/at-home.html', 'img/bow-300.jpg']],
  'file/stretched': [['lessons/cello.html', '../img/sample_600x400.png']],
  'file/too-small': [['join/at-home.html', 'img/notes.jpg']],
  'file/wrong-type': [['join/at-home.html', 'img/stand.png']],
  'file/camera-name': [
    ['courses/summer.html', '../img/DSC_0417.jpg'],
    ['house/index.html', 'img/IMG_20190704_101500.jpg'],
  ],
};

/** Files that nothing shows. */
const UNUSED: readonly string[] = [
  'img/hall-choir copy.jpg',
  'img/sample_300x300.png',
  ...Array.from({ length: 38 }, (_, n) => `img/old/IMG_${3371 + n}.jpg`),
];

/** Files in which another owner is written than in their record. */
const AGAINST_RECORD: readonly string[] = ['img/river-door.jpg'];

/** Subjects that a maintainer has named and marked as changed, with the pictures of each. */
export const CHANGED = [
  {
    name: 'The front',
    how: 'repainted',
    on: '2023-05-14',
    kind: 'place',
    picture: 'img/facade-2016-1600.jpg',
  },
  { name: 'Wat Thorne', how: 'left', on: '2023-07-20', kind: 'person', picture: 'tutors/img/thorne.jpg' },
] as const;

/** `rule page raw`, or `rule file`, of every erratum there is, each once though a page may show it in several places. */
export function allErrata(): Set<string> {
  const named = ANSWERS.map(({ rule, page, raw }) => `${rule} ${page} ${raw}`);
  const more = Object.entries(MORE).flatMap(([rule, pages]) =>
    pages.flatMap(([page, ...raws]) => raws.map((raw) => `${rule} ${page} ${raw}`)),
  );
  const unused = UNUSED.map((path) => `file/unused ${path}`);
  const against = AGAINST_RECORD.map((path) => `rights/file-says-otherwise ${path}`);
  return new Set([...named, ...more, ...unused, ...against]);
}
