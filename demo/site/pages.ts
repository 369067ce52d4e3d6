/** The pages of the school's site that were made by hand, by three hands in three designs. */
import { plainPage, responsivePage, tablePage } from './layouts';

export interface SitePage {
  readonly path: string;
  readonly encoding: 'utf-8' | 'windows-1252';
  readonly source: string;
}

const old = (path: string, title: string, body: string): SitePage => ({
  path,
  encoding: 'windows-1252',
  source: tablePage(path, { title, body }),
});
const plain = (path: string, title: string, body: string): SitePage => ({
  path,
  encoding: 'utf-8',
  source: plainPage(path, { title, body }),
});
const wide = (
  path: string,
  title: string,
  body: string,
  more: { head?: string; header?: string } = {},
): SitePage => ({
  path,
  encoding: 'utf-8',
  source: responsivePage(path, { title, body, ...more }),
});

const figure = (src: string, alt: string, caption: string, [width, height] = [300, 200]) =>
  `<figure class="right"><img src="${src}" width="${width}" height="${height}" alt="${alt}"><figcaption>${caption}</figcaption></figure>`;

const responsive = (stem: string, alt: string, caption: string) => `    <figure>
      <img src="${stem}-960.jpg" srcset="${stem}-480.jpg 480w, ${stem}-960.jpg 960w" sizes="(max-width: 600px) 100vw, 600px" alt="${alt}" loading="lazy">
      <figcaption>${caption}</figcaption>
    </figure>`;

const front = (root: string) => `    <figure>
      <picture>
        <source media="(min-width: 900px)" srcset="${root}img/facade-2016-1600.jpg 1600w, ${root}img/facade-2016-960.jpg 960w" sizes="1040px">
        <img src="${root}img/facade-2016-480.jpg" alt="The old fire station with its three doors" width="480" height="320">
      </picture>
      <figcaption>The old fire station, our house since 2014</figcaption>
    </figure>`;

const lesson = (path: string, name: string, picture: string, text: string) =>
  plain(
    path,
    name,
    `${picture}\n<h2>Lessons in ${name.toLowerCase()}</h2>\n<p>${text}</p>\n<p>Instruments can be borrowed from the instrument library for a term at a time.</p>`,
  );

export const PAGES: readonly SitePage[] = [
  wide('index.html', 'Music in the old fire station',
    `${front('')}
    <h2>This term</h2>
    <p>Two choirs, nine tutors, an <a href="library/index.html">instrument library</a> and a repair bench by the river. More <a href="about.html">about us</a>, and how to <a href="find-us.html">find us</a>.</p>
    <div class="grid">
      <a href="choirs/index.html"><img src="img/hall-choir.jpg" alt="" width="320" height="213"></a>
      <a href="lessons/index.html"><img src="img/engine-room.jpg" alt="image" width="320" height="213"></a>
      <a href="cafe/index.html"><img src="img/cafe-cup.jpg" alt="Caf\u00e9" width="320" height="213"></a>
    </div>
    <p><img src="img/banner-summer.jpg" alt="Summer by the river" width="1040" height="420"></p>`,
    { head: '<meta property="og:image" content="https://www.ferndrake.example/img/facade-2016-960.jpg">' }), // oxfmt-ignore
  wide('about.html', 'About us', `${front('')}
    <p>The fire brigade moved out in 2011. Three years later the first lessons were given in the engine room. <a href="house/index.html">More about the house</a>.</p>
    <figure><img src="img/river-door.jpg" alt="The river seen from the back door at dusk" width="800" height="533"><figcaption>The back door opens on the river</figcaption></figure>`),
  wide('find-us.html', 'Find us', `${front('')}
    <p>Five minutes on foot from the bridge. The red doors are hard to miss.</p>`),

  plain('lessons/index.html', 'Lessons', `<p>Nine tutors teach in the old fire station from Monday to Saturday.</p>
${figure('../img/engine-room.jpg', 'Piano beside the tall window of the engine room', 'The engine room, where groups meet', [300, 200])}
<ul><li><a href="violin.html">Violin</a></li><li><a href="cello.html">Cello</a></li><li><a href="flute.html">Flute</a></li><li><a href="piano.html">Piano</a></li><li><a href="guitar.html">Guitar</a></li><li><a href="drums.html">Drums</a></li><li><a href="viola.html">Viola</a></li><li><a href="double-bass.html">Double bass</a></li><li><a href="harp.html">Harp</a></li><li><a href="clarinet.html">Clarinet</a></li><li><a href="trumpet.html">Trumpet</a></li><li><a href="accordion.html">Accordion</a></li><li><a href="recorder.html">Recorder</a></li><li><a href="singing.html">Singing</a></li></ul>`),
  lesson('lessons/violin.html', 'Violin', figure('../img/sample_600x400.png', 'placeholder image', 'Caption goes here'), 'Lessons for ages six and up, in our practice rooms on the river side.'),
  lesson('lessons/cello.html', 'Cello', `<table class="thumbs"><tr>
<td><a href="../img/cello-lesson.jpg"><img src="../img/cello-lesson_thumb.jpg" width="160" height="160" alt="A cello on the bench before its lesson"></a><br>First term</td>
<td><a href="../img/sample_600x400.png"><img src="../img/sample_600x400.png" width="160" height="160" alt="placeholder image"></a><br>Caption goes here</td>
<td><a href="../img/cello-case.jpg"><img src="../img/cello-case_thumb.jpg" width="160" height="160" alt="cello-case_thumb.jpg"></a><br>The small sizes</td>
</tr></table>`, 'The half-size instruments suit players from seven. Group lessons are on Thursdays.'),
  lesson('lessons/flute.html', 'Flute', figure('../img/sample_600x400.png', '', 'Caption goes here', [240, 160]) + figure('../img/flute.jpg', 'Hands around a cup before the lesson', 'A warm start', [240, 160]), 'Beginners start on the curved head joint. Bring a music stand.'),
  lesson('lessons/piano.html', 'Piano', figure('../img/piano-room.jpg', 'Upright piano under a window', 'Room 2'), 'Two uprights and a small grand stand in the house.'),
  lesson('lessons/guitar.html', 'Guitar', figure('../img/guitar-group.jpg', 'picture of the guitar group 2018', 'The guitar group, 2024'), 'Groups of four meet on Wednesdays.'),
  lesson('lessons/drums.html', 'Drums', figure('../img/drums.jpg', 'IMG_3381', 'The drum room'), 'The drum room is the old hose tower, with walls a metre thick.'),

  wide('choirs/index.html', 'Choirs', `${responsive('../img/choir-winter', 'Both choirs on the stage under coloured lamps', 'Last rehearsal before the 2024 concert')}
    <ul class="slides">
      <li><a href="../img/hall-choir.jpg"><img src="../img/hall-choir.jpg" alt="The Hall Choir in two rows" width="320" height="213"></a></li>
      <li><a href="../img/young-choir.jpg"><img src="../img/young-choir.jpg" alt="The Young Choir in two rows" width="320" height="213"></a></li>
    </ul>
    <p><a href="winter.html">Winter term</a>, <a href="young.html">the Young Choir</a>, <a href="gallery.html">gallery</a>, <a href="on-the-boat.html">on the boat</a></p>`),
  wide('choirs/winter.html', 'Winter term', `    <p>The Hall Choir meets on Tuesdays at half past six in the engine room, the Young Choir on Saturday mornings.</p>
    <figure>
      <picture>
        <source media="(min-width: 700px)" srcset="../img/sample_600x400.png 1x">
        <img src="../img/sample_600x400.png" alt="placeholder image" width="360" height="240" loading="lazy">
      </picture>
      <figcaption>Caption goes here</figcaption>
    </figure>
    <p>New singers are welcome at any time.</p>
${responsive('../img/choir-winter', 'Both choirs on the stage under coloured lamps', 'The winter concert')}`, { header: 'head-winter' }),
  wide('choirs/young.html', 'The Young Choir', `    <figure><img src="../img/young-choir.jpg" alt="Eighteen children in two rows on the small stage" width="600" height="400"><figcaption>Summer rehearsal</figcaption></figure>
    <p>From eight to fourteen. Nobody is asked to audition.</p>`),

  plain('tutors/index.html', 'Tutors', `<div class="row">
${figure('img/marrable.jpg', 'Ilse Marrable', 'Ilse Marrable, cello', [160, 200])}
${figure('img/oake.jpg', 'Dorrin Oake', 'Dorrin Oake, choirs', [160, 200])}
${figure('img/thorne.jpg', 'Wat Thorne', 'Wat Thorne, guitar (until 2023)', [160, 200])}
</div><p>All tutors teach in small groups and alone. <a href="all.html">Everybody who teaches here</a>, and <a href="visiting.html">who visits</a>; <a href="marrable.html">Ilse Marrable</a> and <a href="oake.html">Dorrin Oake</a> founded the school.</p>`),
  plain('tutors/marrable.html', 'Ilse Marrable', `${figure('img/marrable.jpg', 'Ilse Marrable', 'Ilse Marrable', [240, 300])}<p>Cello, all ages. Mondays and Thursdays.</p>`),
  plain('tutors/oake.html', 'Dorrin Oake', `${figure('img/oake.jpg', 'photo', 'Dorrin Oake leads both choirs', [240, 300])}<p>Choirs and theory. Owner of the choir pages.</p>`),

  wide('courses/index.html', 'Courses', `    <div class="grid">
      <a href="summer.html"><img src="../img/river-door.jpg" alt="Summer courses" width="320" height="213"></a>
      <a href="bench.html"><img src="../img/violin-bench.jpg" alt="The repair bench" width="320" height="213"></a>
    </div>
    <p><a href="autumn.html">Autumn</a>, <a href="spring.html">spring</a>, <a href="summer-week.html">a week in summer</a>, <a href="for-adults.html">for adults</a>, <a href="for-families.html">for families</a></p>`),
  wide('courses/summer.html', 'Summer courses', `    <p>A week by the river in July. Bring your instrument and something to swim in.</p>
    <figure><img src="../img/DSC_0417.jpg" alt="DSC_0417.jpg" width="200" height="133"><figcaption>Breaks are long</figcaption></figure>`,
    { header: 'head-summer', head: '<meta property="og:image" content="https://www.ferndrake.example/img/sample_600x400.png">' }),
  wide('courses/bench.html', 'At the repair bench', `    <figure><a href="../img/violin-bench.jpg"><img src="../img/violin-bench_thumb.jpg" alt="A violin without strings on the bench" width="160" height="160"></a><figcaption>Photo: M. Kestle</figcaption></figure>
    <p>Learn to set a bridge and to glue a seam. Two Saturdays in March.</p>`),

  wide('concerts/index.html', 'Concerts', `    <div class="grid">
      <figure><img src="img/poster-summer24.png" alt="poster" width="310" height="438"><figcaption>Come and hear us</figcaption></figure>
      <figure><img src="img/poster-winter22.png" alt="Winter Voices, 14 December 2022, 7 pm, Old Fire Station" width="310" height="438"><figcaption>Winter voices</figcaption></figure>
    </div>
    <p>${Array.from({ length: 11 }, (_, n) => `<a href="${2015 + n}.html">${2015 + n}</a>`).join(' ')}</p>`),
  plain('cafe/index.html', 'Caf\u00e9 at the river door', `${figure('../img/cafe-cup.jpg', 'Two hands around a cup of coffee', 'Open while lessons are on', [400, 267])}
<p>Soup at noon, cake at four. The tables by the window are kept for waiting parents.</p>
<p style="background-image: url('../img/river-door.jpg'); min-height: 80px">With a view of the river.</p>`),
  plain('library/index.html', 'Instrument library', `${figure('../img/cello-case.jpg', 'An instrument lying on the bench', 'Ready to be lent', [300, 200])}
<p style="background:url(https://paper.archive.example/grain.png)">Forty instruments wait to be played. A term costs less than a pizza a month. See <a href="rules.html">the rules</a>, and <a href="plan.html">where it is</a>.</p>
<!-- <img src="../img/never-shown.jpg" alt="left out in 2019"> -->`),
  plain('library/rules.html', 'Rules of the library', `<p>Bring it back dry. Tell us what broke.</p>
<p><img src="../img/Flute.jpg" width="200" height="133" alt="Hands at a table"></p>`),

  old('news/index.html', 'News', `<UL><LI><A HREF="2014-open-day.html">Open day 2014</A><LI><A HREF="2014-choir.html">Our first choir</A><LI><A HREF="2015-flood.html">High water</A><LI><A HREF="2015-bench.html">The bench is here</A><LI><A HREF="2016-doors.html">Red doors</A><LI><A HREF="2017-tower.html">The tower</A>
<LI><A HREF="2018/index.html">2018</A><LI><A HREF="2019/index.html">2019</A><LI><A HREF="2020/index.html">2020</A><LI><A HREF="2021/index.html">2021</A><LI><A HREF="2022/index.html">2022</A><LI><A HREF="2023/index.html">2023</A><LI><A HREF="2024/index.html">2024</A><LI><A HREF="2025/index.html">2025</A><LI><A HREF="2026/index.html">2026</A></UL>
<P><IMG SRC=pics/open-day.jpg WIDTH=160 HEIGHT=107 ALT="Open day"> <IMG SRC=pics/first-choir.jpg WIDTH=160 HEIGHT=107>`),
  old('news/2014-open-day.html', 'Open day', `<TABLE ALIGN=right><TR><TD><A HREF="pics/open-day_big.jpg"><IMG SRC="pics/open-day.jpg" WIDTH=320 HEIGHT=213 BORDER=0 ALT="The house on the open day"></A></TD></TR><TR><TD><FONT SIZE=2>Doors open at ten \u2013 \u201ccome early\u201d</FONT></TD></TR></TABLE>
<P>More than two hundred people came. The caf\u00e9 ran out of cake by three.`),
  old('news/2014-choir.html', 'Our first choir', `<P><A HREF="pics/first-choir_big.jpg"><IMG SRC="pics/first-choir.jpg" WIDTH=320 HEIGHT=213 BORDER=0></A>
<P>Eighteen singers, one concert, and a full engine room.`),
  old('news/2015-flood.html', 'High water', `<P><IMG SRC="pics/flood.jpg" WIDTH=320 HEIGHT=213 ALT="The river over its banks">
<P>The river stood at the back door for two days. Nothing was lost \u2013 thank you to all who carried cellos upstairs.`),
  old('news/2015-bench.html', 'The bench is here', `<P><IMG SRC="pics/workbench.jpg" WIDTH=320 HEIGHT=213 ALT="The new bench"> <IMG SRC="pics/missing-tools.jpg" WIDTH=100 HEIGHT=67 ALT="Tools">
<P>A gift of the joiner\u2019s shop across the bridge.`),
  old('news/2016-doors.html', 'Red doors', `<P><IMG SRC="../img/facade-2016-480.jpg" WIDTH=320 HEIGHT=213 ALT="The front with its red doors">
<P>Three coats of paint, and the front looks as it did in 1931.`),
  old('news/2017-tower.html', 'The tower', `<P><IMG SRC="../img/drums.jpg" WIDTH=240 HEIGHT=160 ALT="Drums in the tower">
<P>The hose tower is a drum room now.`),
]; // oxfmt-ignore
