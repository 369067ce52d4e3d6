/** A page whose alt texts and captions are at fault in all the ways that none of the other pages shows. */
import { responsivePage } from './layouts';
import type { SitePage } from './pages';
import type { Picture } from './picture';
import { hands, instrument, room } from './scenes';

const NAMES = [
  ...['clamps', 'vice', 'plane', 'strips', 'pot', 'peg', 'small-plane', 'jar', 'plan', 'lend', 'portrait'],
  ...['week', 'harp', 'cello', 'later', 'dial', 'ring', 'cross', 'night', 'bridge-a', 'bridge-b', 'drill'],
  ...['pegs', 'nut', 'overnight'],
] as const;
const SCENES = [hands, instrument, room] as const;

export const WORD_FAULT_PICTURES: readonly Picture[] = [
  ...NAMES.map((name, n) => ({
    path: `join/img/bench-${name}.jpg`,
    scene: (SCENES[n % SCENES.length] as (seed: number) => string)(1200 + n),
    width: 600,
    height: 400,
  })),
  { path: 'join/img/bench-line.png', scene: room(1290), width: 600, height: 14 },
];

/** A picture of the page, by its name. */
const img = (name: (typeof NAMES)[number], alt: string) =>
  `<img src="img/bench-${name}.jpg" alt="${alt}" width="300" height="200">`;
const figure = (name: (typeof NAMES)[number], alt: string, caption: string) =>
  `<figure>${img(name, alt)}<figcaption>${caption}</figcaption></figure>`;

export const WORD_FAULT_PAGES: readonly SitePage[] = [
  {
    path: 'join/bench.html',
    encoding: 'utf-8',
    source: responsivePage('join/bench.html', { title: 'The mending bench', body: `    <p>What comes to us broken is mended on Thursdays.</p>
    <h2>Wood and glue</h2>
    ${figure('clamps', 'Six clamps along the edge of a table', 'Wood and glue')}
    <p>${img('vice', 'Bench')}</p>
    <p>Planes are sharpened on Mondays. ${img('plane', 'A plane lies on the edge of the')}</p>
    <p>Linings are bent over steam. ${img('strips', 'Große Zwinge auf einem kleinen Tisch')}</p>
    <p>Glue is warmed slowly. ${img('pot', 'TODO describe glue pot')}</p>
    <p>Pegs are turned here. ${img('peg', 'violin, repair, bench, glue, strings, workshop, school')}</p>
    <ul><li>${img('small-plane', 'The small plane')} The small plane, for the edges</li></ul>
    <p><img src="img/bench-line.png" alt="decorative wooden line" width="600" height="14"></p>
    <p>What is mended when? See the diagram.</p>
    <p>${img('plan', '')}</p>
    <p><a href="lend.html">${img('lend', 'Owl')}</a></p>
    <table><tr><td>${img('portrait', 'Hesper Quill at the bench')}</td><td>Corin Ashby, double bass</td></tr></table>
    <h2>Bench week 2025</h2>
    ${figure('week', 'Bench week 2017: sawing in the yard', 'We glued until ten')}
    <h2>Lent and mended</h2>
    <div>${figure('harp', 'Harp with a carved pillar', 'The old cello')}
    ${figure('cello', 'Cello on its side', 'A harp from Ostrey')}</div>
    <h2>Visitors</h2>
    ${figure('later', 'Guests around the steam pipe', 'Guests on the open evening, August 2052')}
    ${figure('overnight', 'A lamp over the drying boards', 'Der Leim muss über Nacht trocknen')}
    ${figure('night', 'A row of boards under weights', 'The boards must dry for a night and the')}
    ${figure('drill', 'A drill on its stand', 'In the picture on the right: the drill')}
    <h2>Marks</h2>
    <div>${figure('dial', 'A brass dial in a drawer', 'Dial of a metronome. Photo: Enid Farrow')}
    ${figure('ring', 'A ring of steel on cloth', 'Ring of a drum. Photo: Enid Farrow, CC BY 4.0')}
    ${figure('cross', 'Two sticks tied as a cross', 'Cross of a lyre')}</div>
    <h2>New parts</h2>
    <div>${figure('bridge-a', 'Maple with two feet', 'A new part')}
    ${figure('bridge-b', 'Ebony with four grooves', 'A new part')}</div>
    <h2>How it is done</h2>
    ${figure('pegs', 'Four tapered pins', 'Figure 1. Pegs')}
    ${figure('jar', 'Brushes in water', 'Figure 2. Brushes')}
    ${figure('nut', 'A strip with four notches', 'Figure 2. Nut')}` }),
  },
]; // oxfmt-ignore
