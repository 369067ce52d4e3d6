/**
 * What the school's site has gathered between its hand-made pages since 2014: an archive of news, the tutors and their
 * instruments, concerts and courses year by year, projects, recordings. Written from lists, so that the site has the
 * size and the sameness of a real one.
 */
import { plainPage, responsivePage, tablePage } from './layouts';
import type { SitePage } from './pages';
import { facade, hands, instrument, portrait, poster, river, room, stage } from './scenes';
import type { Picture } from './picture';

type Size = readonly [number, number];

const pages: SitePage[] = [];
const pictures: Picture[] = [];

function photo(path: string, scene: string, [width, height]: Size, taken?: string): string {
  pictures.push(taken ? { path, scene, width, height, taken } : { path, scene, width, height });
  return path;
}

function add(path: string, encoding: SitePage['encoding'], source: string): void {
  pages.push({ path, encoding, source });
}

const SCENES = [stage, room, instrument, river, hands, (seed: number) => facade(seed, 'red')] as const;
const sceneOf = (n: number) => (SCENES[n % SCENES.length] as (seed: number) => string)(100 + n * 7);

/** What happened: year, month, name, title, a sentence. */
const NEWS: readonly (readonly [number, number, string, string, string])[] = [
  [2018, 2, 'snow', 'Lessons in the snow', 'Seven came on foot and were given soup before their scales.'],
  [2018, 6, 'bridge', 'Music on the bridge', 'Both choirs sang from the railing while the boats waited.'],
  [2018, 10, 'cellos', 'Six new cellos', 'They are half size and already lent out until Easter.'],
  [2019, 3, 'strings', 'A night of open strings', 'Nobody tuned before nine, and it was as loud as it sounds.'],
  [2019, 5, 'river-day', 'River day', 'The back door stood open and the piano was rolled to the water.'],
  [2019, 9, 'new-year', 'A new school year', 'Sixty-two have begun, eleven of them on an instrument they had never held.'],
  [2019, 12, 'candles', 'By candlelight', 'The lamps failed at eight; the concert did not.'],
  [2020, 3, 'closed', 'The doors are closed', 'Lessons go on by telephone, which is better than it sounds.'],
  [2020, 7, 'garden', 'Concerts in gardens', 'Four players, four gardens, one wheelbarrow for the double bass.'],
  [2020, 11, 'windows', 'Singing at the windows', 'Each at a window of the tower, the street below listening.'],
  [2021, 5, 'reopened', 'Open again', 'The first chord was wrong and nobody minded.'],
  [2021, 9, 'engine-room', 'The engine room is painted', 'It is the colour of oats now, and rings less.'],
  [2021, 11, 'bench-week', 'A week at the bench', 'Thirteen bridges were set and two fingers glued.'],
  [2022, 2, 'frost', 'Frost in the tower', 'The drums moved into the office until March.'],
  [2022, 6, 'night', 'The long night', 'Twelve hours of music, and breakfast for those who stayed.'],
  [2022, 9, 'harp', 'A harp on loan', 'It has forty-seven strings and its own blanket.'],
  [2022, 12, 'voices', 'Winter voices', 'The hall was full to the stairs.'],
  [2023, 3, 'stairs', 'The stairs are mended', 'They no longer play a minor third.'],
  [2023, 5, 'green-doors', 'Green doors', 'The front has been repainted: oat-coloured walls and green doors.'],
  [2023, 7, 'boat', 'A choir on a boat', 'It leaked a little. So did the tenors.'],
  [2023, 10, 'lent', 'Everything is lent', 'For the first time not one instrument is left on the shelves.'],
  [2024, 1, 'quartet', 'Our first quartet', 'Four players who could not sit still three years ago.'],
  [2024, 4, 'open-house', 'Open house', 'Three hundred came, and the café sold its last crumb by noon.'],
  [2024, 6, 'summer-concert', 'The summer concert', 'It rained on the second half, and they played on.'],
  [2024, 11, 'storm', 'After the storm', 'The vane is bent and points to the café.'],
  [2025, 2, 'bench-lamp', 'Light for the bench', 'Three lamps, given by those whose violins were mended.'],
  [2025, 5, 'chairs', 'Forty chairs', 'They do not squeak, which took some getting used to.'],
  [2025, 9, 'nine', 'Nine tutors again', 'The guitar has a teacher once more.'],
  [2026, 3, 'piano', 'The grand is tuned', 'It took two days and most of a cake.'],
  [2026, 6, 'ten-years', 'Ten years of choirs', 'Everyone who ever sang was asked, and most of them came.'],
]; // oxfmt-ignore

function growNews(): void {
  NEWS.forEach(([year, month, name, title, text], n) => {
    const when = `${year}:${String(month).padStart(2, '0')}:12 15:00:00`;
    const scene =
      name === 'green-doors' || (year > 2023 && n % 6 === 5) ? facade(40 + n, 'green') : sceneOf(n);
    const stem = `news/${year}/img/${name}`;
    const path = `news/${year}/${name}.html`;
    if (year < 2021) {
      photo(`${stem}.jpg`, scene, [480, 320], when);
      photo(`${stem}_big.jpg`, scene, [1200, 800], when);
      photo(`${stem}-2.jpg`, sceneOf(n + 50), [240, 160], when);
      // Nobody changed the name of the enlarge window's picture on the second one: it leads nowhere larger.
      const second = `<a href="img/${name}-2.jpg"><img src="img/${name}-2.jpg" width="240" height="160" alt="${n % 4 === 0 ? '' : title}"></a>`;
      add(path, 'utf-8', plainPage(path, { title, body: `<figure class="right"><a href="img/${name}_big.jpg"><img src="img/${name}.jpg" width="300" height="200" alt="${title}, ${year}"></a><figcaption>${title}, as our album has it</figcaption></figure>\n<p>${text}</p>\n<p>${second}</p>` })); // oxfmt-ignore
      return;
    }
    for (const width of [480, 960])
      photo(`${stem}-${width}.jpg`, scene, [width, Math.round((width * 2) / 3)], when);
    photo(`${stem}-more.jpg`, sceneOf(n + 60), [800, 533], when);
    const alt = n % 7 === 3 ? `${name}-960.jpg` : `${title}: ${text.split(/[,.]/)[0]}`;
    const share = `<meta property="og:image" content="https://www.ferndrake.example/${stem}-960.jpg">
  <script type="application/ld+json">{"@context":"https://schema.org","@type":"NewsArticle","headline":"${title}","image":["https:\\/\\/www.ferndrake.example\\/${stem.replaceAll('/', '\\/')}-960.jpg"]}</script>`;
    add(path, 'utf-8', responsivePage(path, { title, head: share, body: `    <figure>
      <img src="img/${name}-960.jpg" srcset="img/${name}-480.jpg 480w, img/${name}-960.jpg 960w" sizes="(max-width: 600px) 100vw, 600px" alt="${alt}">
      <figcaption>${title}, as our album has it</figcaption>
    </figure>
    <p>${text}</p>
    <p><img data-src="img/${name}-more.jpg" alt="${n % 5 === 2 ? 'image' : `More of ${title.toLowerCase()}`}" width="400" height="267" class="later"><noscript><img src="img/${name}-more.jpg" alt="" width="400" height="267"></noscript></p>` })); // oxfmt-ignore
  });
  for (const year of [...new Set(NEWS.map(([year]) => year))]) {
    const path = `news/${year}/index.html`;
    const rows = NEWS.filter(([of]) => of === year).map(([, , name, title]) => {
      const small = year < 2021 ? `img/${name}.jpg` : `img/${name}-480.jpg`;
      return `<tr><td><a href="${name}.html"><img src="${small}" width="120" height="80" alt=""></a></td><td><a href="${name}.html">${title}</a></td></tr>`;
    });
    add(path, 'utf-8', plainPage(path, { title: `News of ${year}`, body: `<table class="thumbs">\n${rows.join('\n')}\n</table>` })); // oxfmt-ignore
  }
}

const INSTRUMENTS: readonly (readonly [string, string])[] = [
  ['viola', 'It is the voice in the middle, and there is always a place for one.'],
  ['double-bass', 'Ours is lent with a stool and a strong friend.'],
  ['harp', 'One pupil at a time: there is one harp.'],
  ['clarinet', 'Reeds are in the drawer by the door.'],
  ['trumpet', 'Taught in the tower, for the neighbours’ sake.'],
  ['accordion', 'For those who like to carry their orchestra.'],
  ['recorder', 'Everybody’s first, and some people’s last and best.'],
  ['singing', 'Alone or in pairs, from twelve years on.'],
]; // oxfmt-ignore

function growLessons(): void {
  INSTRUMENTS.forEach(([name, text], n) => {
    const path = `lessons/${name}.html`;
    const title = name.replace('-', ' ').replace(/^./, (c) => c.toUpperCase());
    const scene = n % 2 === 0 ? instrument(200 + n) : hands(200 + n);
    photo(`lessons/img/${name}.jpg`, scene, [600, 400], `${2016 + n}:10:04 16:00:00`);
    const rows = [1, 2, 3].map((term) => {
      photo(`lessons/img/${name}-term${term}.jpg`, sceneOf(300 + n * 3 + term), [900, 600]);
      photo(`lessons/img/${name}-term${term}_thumb.jpg`, sceneOf(300 + n * 3 + term), [160, 160]);
      return `<td><a href="img/${name}-term${term}.jpg"><img src="img/${name}-term${term}_thumb.jpg" width="160" height="160" alt="${title}, term ${term}"></a><br>Term ${term}</td>`;
    });
    add(path, 'utf-8', plainPage(path, { title, body: `<figure class="right"><img src="img/${name}.jpg" width="300" height="200" alt="${n === 3 ? '' : `${title} in the practice room`}"><figcaption>${title} lessons are given all week</figcaption></figure>\n<h2>Lessons</h2>\n<p>${text}</p>\n<table class="thumbs"><tr>\n${rows.join('\n')}\n</tr></table>` })); // oxfmt-ignore
  });
}

const TUTORS: readonly (readonly [string, string])[] = [
  ['Hesper Quill', 'violin and viola'],
  ['Corin Ashby', 'double bass'],
  ['Perpetua Lorn', 'harp'],
  ['Abel Tarrow', 'trumpet and drums'],
  ['Nella Frayne', 'flute and recorder'],
  ['Osric Vane', 'accordion'],
  ['Jem Sallow', 'guitar'],
]; // oxfmt-ignore

function growTutors(): void {
  TUTORS.forEach(([name, teaches], n) => {
    const short = name.split(' ')[1]?.toLowerCase() ?? name;
    photo(`tutors/img/${short}.jpg`, portrait(60 + n), [400, 500], `${2017 + n}:09:04 09:00:00`);
    photo(`tutors/img/${short}_thumb.jpg`, portrait(60 + n), [160, 200], `${2017 + n}:09:04 09:00:00`);
    const path = `tutors/${short}.html`;
    add(path, 'utf-8', plainPage(path, { title: name, body: `<figure class="right"><img src="img/${short}.jpg" width="240" height="300" alt="${name}"><figcaption>${name}</figcaption></figure>\n<p>Teaches ${teaches}.</p>` })); // oxfmt-ignore
  });
  const path = 'tutors/all.html';
  const row = TUTORS.map(([name, teaches]) => {
    const short = name.split(' ')[1]?.toLowerCase() ?? name;
    return `<figure><a href="${short}.html"><img src="img/${short}_thumb.jpg" width="160" height="200" alt="${name}"></a><figcaption>${name}, ${teaches}</figcaption></figure>`;
  });
  add(path, 'utf-8', plainPage(path, { title: 'All tutors', body: row.join('\n') }));
}

const PARTS = ['the first half', 'the second half', 'the last piece'];

function growConcerts(): void {
  for (let year = 2015; year <= 2025; year++) {
    const path = `concerts/${year}.html`;
    const slides = [1, 2, 3].map((n) => {
      photo(
        `concerts/img/${year}-${n}.jpg`,
        n === 2 ? room(year + n) : stage(year * 3 + n),
        [900, 600],
        `${year}:12:1${n} 19:30:00`,
      );
      return `<!-- slide ${n} -->\n<div class="slide"><img src="img/${year}-${n}.jpg" width="600" height="400" alt="${year % 4 === 0 && n === 3 ? `Concert ${year - 1}` : `The concert of ${year}, picture ${n}`}"><p class="caption">Concert ${year}: ${PARTS[n - 1]}</p></div>\n<!-- end -->`;
    });
    const print = poster(year, ['CONCERT', String(year), `12 December ${year}, 7 pm`, 'Old Fire Station']);
    photo(`concerts/img/poster-${year}.png`, print, [310, 438]);
    const body = `<figure class="right"><img src="img/poster-${year}.png" width="155" height="219" alt="${year > 2020 ? `Concert, 12 December ${year}, 7 pm, Old Fire Station` : 'poster'}"></figure>\n${slides.join('\n')}`;
    if (year < 2017) {
      add(path, 'windows-1252', tablePage(path, { title: `Concert ${year}`, body }));
    } else add(path, 'utf-8', plainPage(path, { title: `Concert ${year}`, body }));
  }
}

const PROJECTS: readonly (readonly [string, string, string])[] = [
  ['bell', 'Casting a bell', 'It weighs as much as a cat and sounds like a larger one.'],
  ['map', 'A map of sounds', 'Where the town hums, drips and rings, drawn by forty children.'],
  ['tower-organ', 'Pipes in the tower', 'Drain pipes, tuned with a saw.'],
  ['letters', 'Letters set to music', 'Found in a cello case, and sung in June.'],
  ['street', 'The street plays', 'Every house, one instrument, one evening.'],
]; // oxfmt-ignore

const STAGES = ['the beginning', 'half way', 'nearly done'];

function growProjects(): void {
  const cards = PROJECTS.map(([name, title, text], n) => {
    const path = `projects/${name}.html`;
    const shots = [1, 2, 3, 4].map((k) => {
      photo(
        `projects/img/${name}-${k}.jpg`,
        sceneOf(500 + n * 4 + k),
        [1200, 800],
        `${2021 + n}:04:0${k} 10:00:00`,
      );
      return `      <figure><img src="img/${name}-${k}.jpg" alt="${title}, ${k} of 4" width="600" height="400" loading="lazy"><figcaption>${k === 4 ? '' : `${title}: ${STAGES[k - 1]}`}</figcaption></figure>`;
    });
    add(path, 'utf-8', responsivePage(path, { title, body: `    <p>${text}</p>\n    <div class="grid">\n${shots.join('\n')}\n    </div>`, head: `<style>:root { --project: url("img/${name}-1.jpg") } .head { background-image: var(--project) }</style>` })); // oxfmt-ignore
    return `      <a href="${name}.html"><img src="img/${name}-1.jpg" alt="${title}" width="320" height="213"></a>`;
  });
  add('projects/index.html', 'utf-8', responsivePage('projects/index.html', { title: 'Projects', body: `    <div class="grid">\n${cards.join('\n')}\n    </div>\n    <p><a href="next.html">What comes next</a></p>` })); // oxfmt-ignore
}

function growRest(): void {
  const terms = ['autumn', 'spring', 'summer-week', 'for-adults', 'for-families'];
  terms.forEach((term, n) => {
    const path = `courses/${term}.html`;
    const title = term.replaceAll('-', ' ').replace(/^./, (c) => c.toUpperCase());
    photo(`courses/img/${term}.jpg`, sceneOf(700 + n), [960, 640], `${2020 + n}:08:20 10:00:00`);
    add(path, 'utf-8', responsivePage(path, { title: `Course: ${title}`, body: `    <figure><img src="img/${term}.jpg" alt="Ten places, ${title.toLowerCase()}" width="600" height="400"><figcaption>Ten places, ${title.toLowerCase()}</figcaption></figure>\n    <p>Bring a pencil.</p>` })); // oxfmt-ignore
  });
  for (const [n, [name, title]] of (
    [
      ['index', 'Recordings'],
      ['2019', 'Recordings of 2019'],
      ['2022', 'Recordings of 2022'],
      ['2025', 'Recordings of 2025'],
    ] as const
  ).entries()) {
    const path = `recordings/${name}.html`;
    photo(`recordings/img/${name}.jpg`, stage(800 + n), [640, 360]);
    add(path, 'utf-8', responsivePage(path, { title, body: `    <video controls poster="img/${name}.jpg" width="640" height="360"></video>\n    <p>The scale that every recording begins with:</p>\n    <audio controls src="sound/scale.wav"></audio>\n    <p>Recorded in the engine room on a quiet evening.${name === 'index' ? ' <a href="live.html">Live</a>' : ''}</p>` })); // oxfmt-ignore
  }
  for (const [n, [name, title, text]] of (
    [
      ['index', 'Join us', 'Come on a Saturday and try an instrument.'],
      ['fees', 'What it costs', 'Nobody is turned away for money.'],
      ['lend', 'Lend or give an instrument', 'It will be mended at our bench and played.'],
      ['friends', 'Friends of the school', 'Forty people who bring cake.'],
    ] as const
  ).entries()) {
    const path = `join/${name}.html`;
    photo(`join/img/${name}.jpg`, hands(900 + n), [640, 427]);
    add(path, 'utf-8', responsivePage(path, { title, body: `    <iframe title="Where we are" srcdoc="&lt;img src='../img/logo.png' alt='Our sign' width='60' height='60'&gt;" width="90" height="90"></iframe>\n    <figure><img src="img/${name}.jpg" alt="" width="640" height="427"></figure>\n    <p>${text}${name === 'index' ? ' <a href="try.html">Try it</a>, read <a href="at-home.html">what helps at home</a>, or see <a href="supporters.html">who helps</a>.' : ''}</p>` })); // oxfmt-ignore
  }
  // What was once somewhere, and what was copied twice: nothing shows the first, two pages show the others.
  for (let n = 1; n <= 38; n++)
    photo(`img/old/IMG_${3370 + n}.jpg`, sceneOf(950 + n), [640, 427], `2016:0${1 + (n % 9)}:11 12:00:00`);
}

growNews();
growLessons();
growTutors();
growConcerts();
growProjects();
growRest();

/** Pages that came with the years. */
export const GROWN_PAGES: readonly SitePage[] = pages;
/** Their pictures. */
export const GROWN_PICTURES: readonly Picture[] = pictures;
