/** A page that carries the faults that none of the others has, so that every rule has something to find. */
import { responsivePage } from './layouts';
import type { SitePage } from './pages';
import type { Picture } from './picture';
import { hands, instrument, room } from './scenes';

const photo = (name: string, scene: string, more: Partial<Picture> = {}): Picture => ({
  ...{ path: `join/img/${name}`, scene, width: 600, height: 400 },
  ...more,
});

export const FAULT_PICTURES: readonly Picture[] = [
  photo('corner.jpg', room(1101)),
  photo('kitchen.jpg', room(1102)),
  photo('purse.jpg', hands(1103)),
  photo('first-week.jpg', hands(1104)),
  photo('window.jpg', room(1105)),
  photo('waiting.jpg', instrument(1106), { description: 'A cello waits in the hall for its player' }),
  photo('bow.jpg', hands(1107), { width: 900, height: 600 }),
  // Made from the large one before that was put right.
  photo('bow-300.jpg', hands(1107), { width: 300, height: 200, written: '2024-03-05' }),
  photo('notes.jpg', hands(1108), { width: 200, height: 133 }),
  photo('stand.png', instrument(1109), { format: 'jpeg' }),
  // A telephone noted which way was up; the program that made the small one did not mind.
  photo('hands.jpg', hands(1110), { width: 900, height: 600, onItsSide: 'noted' }),
  photo('hands-300.jpg', hands(1110), { width: 300, height: 200, onItsSide: 'not noted' }),
  photo('stool.jpg', room(1111)),
];

const LONG =
  'In the first week you only listen, in the second you hold the instrument, in the third you play one string, and after that nobody can say how it goes on, because it is another way with everybody';

export const FAULT_PAGES: readonly SitePage[] = [
  {
    path: 'join/at-home.html',
    encoding: 'utf-8',
    source: responsivePage('join/at-home.html', { title: 'At home', body: `    <p>Ten minutes a day are better than an hour on Sunday. What breaks is mended at <a href="bench.html">the bench</a>.</p>
    <p><svg role="img" viewBox="0 0 60 60" width="60" height="60"><path d="M30 2a28 28 0 1 0 .1 0M30 30V8M30 30l12 8" fill="none" stroke="#5b3a1e" stroke-width="3"/></svg>
    <svg role="img" aria-label="Seven days, six of them marked" viewBox="0 0 140 20" width="140" height="20"><path d="M2 10h96" stroke="#5b3a1e" stroke-width="8" stroke-dasharray="12 4"/></svg></p>
    <p><img src="img/corner.jpg" alt="Practising at home" title="A corner by the window, with a lamp" width="600" height="400"></p>
    <p><img src="img/kitchen.jpg" alt="Practising at home" width="600" height="400"></p>
    <p><img src="img/kitchen-copy.jpg" alt="The table by the window" width="600" height="400"></p>
    <p><a href="fees.html"><img src="img/purse.jpg" alt="What it costs" width="300" height="200"> What it costs</a></p>
    <p><img src="img/first-week.jpg" alt="${LONG}" width="600" height="400"></p>
    <figure><img src="img/window.jpg" alt="{{ picture.title }}" width="600" height="400"><figcaption>IMG_2041.jpg</figcaption></figure>
    <p><img src="img/waiting.jpg" alt="Cello against a wall" width="600" height="400"></p>
    <p><a href="img/bow.jpg"><img src="img/bow-300.jpg" alt="How the bow is held" width="300" height="200"></a></p>
    <div><figure><img src="img/notes.jpg" alt="Notes on the table" width="600" height="400"><figcaption>A stand is lent with it</figcaption></figure>
    <figure><img src="img/stand.png" alt="A stand is lent with it" width="600" height="400"><figcaption>Ours for a year. Photo:</figcaption></figure></div>
    <p><a href="img/hands.jpg"><img src="img/hands-300.jpg" alt="Where the fingers go" width="200" height="300"></a></p>
    <p><button type="button" onclick="print()"><img src="../img/logo.png" alt="" width="24" height="24"></button></p>
    <figure><img src="img/stool.jpg" alt="A chair before a piano" title="Stool 2" data-caption="Any seat will do on which both feet reach the floor" width="600" height="400"><figcaption>Stool 2</figcaption></figure>` }),
  },
]; // oxfmt-ignore
