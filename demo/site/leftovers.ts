/**
 * What the template left behind and nobody filled, beside pictures that look as if they were leftovers and are none;
 * and pictures whose age must be read from something else than a camera's clock.
 */
import { plainPage, responsivePage } from './layouts';
import type { SitePage } from './pages';
import type { Picture } from './picture';
import { badge, cardSlide, facade, floorPlan, hands, noPerson, portrait, poster, river, room, stage, sunAndHills } from './scenes'; // oxfmt-ignore

const utf8 = (path: string, source: string): SitePage => ({ path, encoding: 'utf-8', source });
const drawn = (path: string, scene: string, [width, height]: readonly [number, number]): Picture => ({
  ...{ path, scene, width, height },
  isDrawn: true,
});

const SLIDES = [1, 2, 3, 4];

/** Pictures of the template, by their files; the drawn size that many pages show is among the hand-made ones. */
const TEMPLATE_PICTURES: readonly Picture[] = [
  ...SLIDES.map((n) => drawn(`choirs/gallery/slide-${n}.png`, cardSlide(n), [800, 450])),
  drawn('tutors/img/no-photo.png', noPerson(), [400, 500]),
  drawn('recordings/img/video-placeholder.png', sunAndHills('#2b3138', '#596470'), [640, 360]),
  drawn('join/img/your-logo-here.png', badge('YOUR LOGO', '#e4e4e4', '#9a9a9a'), [300, 150]),
  drawn('projects/img/image-3.png', sunAndHills('#dfe3e2', '#b6bfbd'), [600, 400]),
];

/** Flat, or called a sample, and right where they are. */
const RIGHT_PICTURES: readonly Picture[] = [
  drawn('join/img/joiners.png', badge('JOINERS', '#f4efe2', '#5b3a1e'), [300, 150]),
  drawn('library/img/floor-plan.png', floorPlan(), [900, 600]),
  {
    ...{ path: 'join/img/sample-lesson.jpg', scene: hands(610), width: 800, height: 533 },
    taken: '2025:10:04 10:30:00',
  },
  drawn('join/img/sample-programme.png', poster(41, ['THREE', 'PIECES', 'and one song', '']), [620, 877]),
  {
    ...{ path: 'choirs/img/breath.jpg', scene: stage(631), width: 960, height: 640 },
    taken: '2026:05:09 18:20:00',
  },
];

/** When they were really taken stands in `shot` where no camera says it, or a camera says it wrong. */
const DATED_PICTURES: readonly Picture[] = [
  {
    ...{ path: 'house/img/brigade.jpg', scene: facade(71, 'red'), width: 900, height: 600 },
    scanned: '2019:11:02 11:00:00',
    shot: ['1931-01-01', '1931-12-31'],
  },
  {
    ...{ path: 'house/img/IMG_20190704_101500.jpg', scene: river(72), width: 900, height: 600 },
    shot: ['2019-07-04', '2019-07-04'],
  },
  {
    ...{ path: 'house/img/2021-22/tower.jpg', scene: room(73), width: 900, height: 600 },
    shot: ['2021-09-01', '2022-08-31'],
  },
  {
    // The camera's clock was never set.
    ...{ path: 'tutors/img/brindle.jpg', scene: portrait(74), width: 400, height: 500 },
    taken: '2000:01:01 00:03:11',
    shot: ['2024-09-01', '2024-09-30'],
  },
  {
    ...{ path: 'choirs/img/boat-choir.jpg', scene: stage(75), width: 900, height: 600 },
    shot: ['2018-09-01', '2019-08-31'],
  },
];

const figure = (src: string, alt: string, caption: string, [width, height] = [300, 200]) =>
  `<figure><img src="${src}" alt="${alt}" width="${width}" height="${height}"><figcaption>${caption}</figcaption></figure>`;

/** A plan whose rooms lead on; nobody said where to for two of them. */
const GROUND_FLOOR = `<figure><img src="img/floor-plan.png" usemap="#ground" alt="Plan of the ground floor: the library lies behind the second door" width="450" height="300"><figcaption>The ground floor</figcaption></figure>
<map name="ground">
<area shape="rect" coords="10,10,140,140" href="index.html" alt="The library">
<area shape="rect" coords="150,10,290,140" href="../cafe/index.html">
<area shape="rect" coords="300,10,440,140" href="../find-us.html" alt="">
</map>`;

export const LEFTOVER_PICTURES: readonly Picture[] = [
  ...TEMPLATE_PICTURES,
  ...RIGHT_PICTURES,
  ...DATED_PICTURES,
];

export const LEFTOVER_PAGES: readonly SitePage[] = [
  utf8('choirs/gallery.html', responsivePage('choirs/gallery.html', { title: 'Gallery of the choirs', body: `    <ul class="slides">
${SLIDES.map((n) => `      <li><img src="gallery/slide-${n}.png" alt="" width="400" height="225"><p class="caption">Title of image</p><p>Click to edit</p></li>`).join('\n')}
    </ul>
    <figure><img src="img/breath.jpg" alt="A choir of eighteen before the first note" width="600" height="400"><figcaption>Your caption here</figcaption></figure>` })),
  utf8('choirs/on-the-boat.html', responsivePage('choirs/on-the-boat.html', { title: 'The choir on the boat', body: `    ${figure('img/boat-choir.jpg', 'The Hall Choir on deck', 'The Hall Choir, school year 2018–19', [600, 400])}
    <p>It was so good that it was done again four years later.</p>` })),
  utf8('tutors/visiting.html', plainPage('tutors/visiting.html', { title: 'Visiting tutors', body: `${figure('img/no-photo.png', 'Hanne Brook', 'Hanne Brook, drums', [160, 200])}
${figure('img/no-photo.png', 'Tobin Marsh', 'Tobin Marsh, oboe', [160, 200])}
${figure('img/brindle.jpg', 'Sela Brindle', 'Sela Brindle, bassoon, in September 2024', [160, 200])}` })),
  utf8('recordings/live.html', responsivePage('recordings/live.html', { title: 'Live', body: `    <video controls poster="img/video-placeholder.png" width="640" height="360"></video>
    <p>From the engine room, as soon as the line is laid.</p>` })),
  utf8('join/supporters.html', responsivePage('join/supporters.html', { title: 'Supporters', body: `    <p><img src="img/joiners.png" alt="The joiner’s shop across the bridge" width="150" height="75"> <img src="img/your-logo-here.png" alt="" width="150" height="75"></p>
    <p>They gave us the bench and the lamps above it.</p>` })),
  utf8('join/try.html', responsivePage('join/try.html', { title: 'Try it', body: `    ${figure('img/sample-lesson.jpg', 'A sample lesson at the café table', 'Half an hour, and it costs nothing', [400, 267])}
    ${figure('img/sample-programme.png', 'A sample programme: three pieces and one song', 'What a first concert holds', [310, 438])}` })),
  utf8('library/plan.html', plainPage('library/plan.html', { title: 'Where things are', body: GROUND_FLOOR })),
  utf8('projects/next.html', responsivePage('projects/next.html', { title: 'What comes next', body: `    <p>Lorem ipsum dolor sit amet, consectetur adipiscing elit.</p>
    <p><img src="img/image-3.png" alt="" width="600" height="400"></p>` })),
  utf8('house/index.html', plainPage('house/index.html', { title: 'The house', body: `${figure('img/brigade.jpg', 'The brigade before its three doors', 'The brigade in 1931', [450, 300])}
${figure('img/IMG_20190704_101500.jpg', 'The river from the landing', 'The river in flood time is another matter', [450, 300])}
${figure('img/2021-22/tower.jpg', 'The tower room', 'The tower room with its new floor', [450, 300])}` })),
]; // oxfmt-ignore
