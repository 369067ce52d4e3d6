/** Every erratum of rights on the site, from what is recorded of it: what a person who knows both would say. */
import type { RuleId } from '@/core/errata/rule';

/** Folders of which nobody has recorded anything. */
export const UNRECORDED: readonly string[] = [
  ...['choirs/gallery', 'projects/img', 'recordings/img', 'news/pics'],
  ...[2018, 2019, 2020, 2021, 2022, 2023].map((year) => `news/${year}/img`),
];

/** The one file in them of which something is recorded. */
export const RECORDED_AMONG = 'recordings/img/2019.jpg';

/** The file whose permission ends within sixty days of the day the key was written for, wherever it stands. */
export const ENDS_SOON = 'img/river-door.jpg';

/** The others, by rule: a page with its references as they are written there. */
export const RIGHTS_ERRATA: Readonly<
  Record<RuleId, readonly (readonly [page: string, ...raws: string[]])[]>
> = {
  'rights/licence-unknown': [['recordings/2019.html', 'img/2019.jpg']],
  'rights/licence-ended': [
    ['choirs/index.html', '../img/choir-winter-960.jpg'],
    ['choirs/winter.html', '../img/choir-winter-960.jpg'],
  ],
  'rights/purpose': [['index.html', 'img/engine-room.jpg']],
  'rights/non-commercial': [['cafe/index.html', '../img/cafe-cup.jpg']],
  'rights/no-derivatives': [['lessons/cello.html', '../img/cello-lesson_thumb.jpg']],
  'rights/other-server': [['library/index.html', 'https://paper.archive.example/grain.png']],
  'rights/other-site': [
    ['lessons/drums.html', '../img/drums.jpg'],
    ['news/2017-tower.html', '../img/drums.jpg'],
  ],
  'rights/credit-missing': [
    ['cafe/index.html', '../img/cafe-cup.jpg'],
    ['index.html', 'img/cafe-cup.jpg'],
    ['choirs/index.html', '../img/choir-winter-960.jpg'],
    ['choirs/winter.html', '../img/choir-winter-960.jpg'],
    ['courses/index.html', '../img/violin-bench.jpg'],
    ['join/bench.html', 'img/bench-cross.jpg'],
    ['lessons/cello.html', '../img/cello-lesson.jpg', '../img/cello-lesson_thumb.jpg'],
  ],
  'rights/credit-incomplete': [['join/bench.html', 'img/bench-ring.jpg']],
  'rights/web-unsaid': [['join/bench.html', 'img/bench-dial.jpg']],
  'rights/release-none': [
    ['lessons/recorder.html', 'img/recorder-term1.jpg', 'img/recorder-term1_thumb.jpg'],
  ],
  'rights/release-withdrawn': [
    ['choirs/index.html', '../img/young-choir.jpg'],
    ['choirs/young.html', '../img/young-choir.jpg'],
  ],
  'rights/release-ended': [['lessons/viola.html', 'img/viola-term1.jpg', 'img/viola-term1_thumb.jpg']],
  'rights/release-purpose': [
    ['choirs/index.html', '../img/hall-choir.jpg'],
    ['index.html', 'img/hall-choir.jpg'],
  ],
  'rights/people-unasked': [['lessons/guitar.html', '../img/guitar-group.jpg']],
};
