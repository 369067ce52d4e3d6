/** The faults that were put into the site on purpose: where, which rule they are for, and why. */
export interface Answer {
  readonly page: string;
  /** The reference as it is written on the page or in its style sheet. */
  readonly raw: string;
  /** `group/name` of the rule. */
  readonly rule: string;
  readonly why: string;
}

const leftover = (page: string, raw: string): Answer => ({
  page,
  raw,
  rule: 'fresh/placeholder',
  why: 'A picture of the template that was never replaced.',
});

export const ANSWERS: readonly Answer[] = [
  leftover('lessons/violin.html', '../img/sample_600x400.png'),
  leftover('lessons/cello.html', '../img/sample_600x400.png'),
  leftover('lessons/flute.html', '../img/sample_600x400.png'),
  leftover('choirs/winter.html', '../img/sample_600x400.png'),
  leftover('courses/summer.html', '../img/sample_600x400.png'),
  { page: 'index.html', raw: 'img/hall-choir.jpg', rule: 'alt/empty-link', why: 'The only content of a link has an empty alt text.' },
  { page: 'index.html', raw: 'img/engine-room.jpg', rule: 'alt/generic', why: 'The alt text is “image”.' },
  { page: 'index.html', raw: 'img/banner-summer.jpg', rule: 'file/stretched', why: '1200 × 380 shown at 1040 × 420.' },
  { page: 'lessons/cello.html', raw: '../img/cello-case_thumb.jpg', rule: 'alt/file-name', why: 'The alt text is the file’s name.' },
  { page: 'lessons/drums.html', raw: '../img/drums.jpg', rule: 'alt/file-name', why: 'The alt text is a camera’s number.' },
  { page: 'lessons/guitar.html', raw: '../img/guitar-group.jpg', rule: 'caption/date', why: 'The caption says 2024; taken in 2018.' },
  { page: 'choirs/index.html', raw: '../img/choir-winter-960.jpg', rule: 'caption/date', why: 'The caption says 2024; taken in December 2022.' },
  { page: 'tutors/oake.html', raw: 'img/oake.jpg', rule: 'alt/generic', why: 'The alt text is “photo”.' },
  { page: 'tutors/index.html', raw: 'img/thorne.jpg', rule: 'fresh/changed-since', why: 'The tutor left in 2023.' },
  { page: 'courses/summer.html', raw: '../img/DSC_0417.jpg', rule: 'file/too-heavy', why: '3000 × 2000 in a box of 200 × 133.' },
  { page: 'concerts/index.html', raw: 'img/poster-summer24.png', rule: 'alt/picture-of-text', why: 'The poster’s words stand nowhere else.' },
  { page: 'library/rules.html', raw: '../img/Flute.jpg', rule: 'file/wrong-case', why: 'The file is called flute.jpg.' },
  { page: 'news/2015-bench.html', raw: 'pics/missing-tools.jpg', rule: 'file/missing', why: 'There is no such file.' },
  { page: 'news/2014-choir.html', raw: 'pics/first-choir.jpg', rule: 'alt/absent', why: 'No alt text on the only content of a link.' },
  { page: 'news/index.html', raw: 'pics/first-choir.jpg', rule: 'alt/absent', why: 'No alt text.' },
  { page: 'library/plan.html', raw: '../cafe/index.html', rule: 'alt/absent', why: 'An area of a plan that leads on, and no alt text.' },
  { page: 'library/plan.html', raw: '../find-us.html', rule: 'alt/absent', why: 'An area of a plan that leads on, and its alt text is empty.' },
  { page: 'join/at-home.html', raw: 'svg', rule: 'alt/absent', why: 'A drawing that says that it is a picture, and has no label.' },
  { page: 'find-us.html', raw: 'img/facade-2016-480.jpg', rule: 'fresh/changed-since', why: 'The front was repainted in May 2023.' },
  { page: 'about.html', raw: 'img/facade-2016-480.jpg', rule: 'fresh/changed-since', why: 'The front was repainted in May 2023.' },
]; // oxfmt-ignore
