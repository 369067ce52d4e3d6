/** The motifs of the made-up school, drawn as SVG at 1200 × 800 unless a motif has its own shape. */
import { seeded } from './random';
import { lit, strewn } from './things';

const svg = (width: number, height: number, body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}">${body}</svg>`;

const rect = (x: number, y: number, w: number, h: number, fill: string, more = '') =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}" ${more}/>`;
const circle = (x: number, y: number, r: number, fill: string) =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="${fill}"/>`;
const words = (x: number, y: number, size: number, text: string, fill = '#fff') =>
  `<text x="${x}" y="${y}" font-family="DejaVu Sans" font-size="${size}" text-anchor="middle" fill="${fill}">${text}</text>`;

const pick = <T>(random: () => number, list: readonly T[]): T =>
  list[Math.floor(random() * list.length)] as T;
const SKIN = ['#e7c19d', '#c98f63', '#8d5a3a', '#f0d3b6', '#a8714b'] as const;
const CLOTH = ['#6c3049', '#2f5d73', '#37513c', '#7a4a1f', '#444b6e', '#8a3030'] as const;
const HAIR = ['#2b2019', '#5b3a1e', '#8a6a3c', '#777', '#3a2a3c'] as const;

/** The fire station that is now a school; its doors were red until May 2023, and are green since. */
export function facade(seed: number, doors: 'red' | 'green'): string {
  const random = seeded(seed);
  const front = doors === 'red' ? '#b3412d' : '#c9b48a';
  const door = doors === 'red' ? '#7f1f18' : '#2f6b52';
  const arches = [0, 1, 2]
    .map((i) => rect(310 + i * 210, 460, 150, 220, door) + rect(318 + i * 210, 480, 134, 60, '#25303a'))
    .join('');
  const windows = [0, 1, 2, 3, 4]
    .map((i) => rect(290 + i * 130, 290, 76, 100, pick(random, ['#f4e6c8', '#cfe0e8', '#f7edd6'])))
    .join('');
  return svg(1200, 800, rect(0, 0, 1200, 800, '#b9d3e3') + circle(200 + random() * 700, 120, 50, '#fbeecb') +
    `<polygon points="230,240 600,90 970,240" fill="#5d4a45"/>` + rect(250, 240, 700, 440, front) + windows + arches + rect(0, 680, 1200, 120, '#87908b') +
    strewn(random, [1200, 800], 14, { x: 0.5, y: 0.52, r: 0.16, isOutside: true }) + lit(random, [1200, 800], 9)); // oxfmt-ignore
}

/** A choir under the lamps of the small stage. */
export function stage(seed: number): string {
  const random = seeded(seed);
  const singers = 6 + Math.floor(random() * 4);
  const wide = 860 / (singers - 1);
  const rows = [0, 1].flatMap((row) =>
    Array.from({ length: singers }, (_, i) => {
      const x = 150 + i * wide + row * wide * 0.45 + (random() - 0.5) * 44;
      const y = 470 + row * 90 + (random() - 0.5) * 56;
      return rect(x - 36, y, 72, 170, pick(random, CLOTH), 'rx="26"') + circle(x, y - 26, 34, pick(random, SKIN)) +
        `<path d="M${x - 34},${y - 30} a34,34 0 0 1 68,0 z" fill="${pick(random, HAIR)}"/>`; // oxfmt-ignore
    }),
  );
  const beams = Array.from({ length: 2 + Math.floor(random() * 3) }, () => {
    const top = 100 + random() * 1000;
    const foot = top + (random() - 0.5) * 700;
    return `<polygon points="${top},0 ${foot - 240},800 ${foot + 240},800" fill="${pick(random, ['#c9b37b', '#7b9bc9', '#c98a7b', '#6f83b8'])}" opacity=".3"/>`;
  }).join('');
  return svg(1200, 800, rect(0, 0, 1200, 800, '#1c141f') + beams + strewn(random, [1200, 420], 9, { x: 0.5, y: 0.5, r: 0.12 }) +
    rows.join('') + rect(0, 700, 1200, 100, '#3f2718') + lit(random, [1200, 800], 8)); // oxfmt-ignore
}

/** A portrait, 800 × 1000. */
export function portrait(seed: number): string {
  const random = seeded(seed);
  const skin = pick(random, SKIN);
  const hair = pick(random, HAIR);
  const wall = pick(random, ['#c6cfcb', '#d8cfc0', '#b9c4cf']);
  const behind = strewn(random, [800, 1000], 9, { x: 0.5, y: 0.55, r: 0.3 });
  return svg(800, 1000, rect(0, 0, 800, 1000, wall) + behind + `<path d="M150,1000 q0,-330 250,-330 q250,0 250,330 z" fill="${pick(random, CLOTH)}"/>` +
    rect(350, 560, 100, 140, skin) + `<ellipse cx="400" cy="430" rx="145" ry="185" fill="${skin}"/>` +
    `<path d="M240,430 q-20,-240 160,-240 q190,0 165,250 q-40,-130 -165,-140 q-120,10 -160,130 z" fill="${hair}"/>` +
    circle(345, 430, 12, '#2a2320') + circle(455, 430, 12, '#2a2320') + `<path d="M350,520 q50,${30 + random() * 30} 100,0" stroke="#7b4038" stroke-width="9" fill="none"/>` + worn(random) + lit(random, [800, 1000], 6)); // oxfmt-ignore
}

/** What people wear: glasses, scarves, buttons, beards. */
function worn(random: () => number): string {
  const all = [
    `<g fill="none" stroke="#2b2a2a" stroke-width="8"><circle cx="345" cy="430" r="42"/><circle cx="455" cy="430" r="42"/><path d="M387,425 h26"/></g>`,
    `<path d="M240,690 q160,90 320,0 l30,80 q-190,90 -380,0 z" fill="${pick(random, CLOTH)}"/>`,
    [0, 1, 2].map((i) => circle(400, 760 + i * 80, 14, '#e9dfc9')).join(''),
    `<path d="M300,510 q100,170 200,0 q-10,120 -100,126 q-90,-6 -100,-126 z" fill="${pick(random, HAIR)}"/>`,
    `<path d="M250,400 q-60,260 30,330 q-10,-180 20,-330 z M550,400 q60,260 -30,330 q10,-180 -20,-330 z" fill="${pick(random, HAIR)}"/>`,
    `<path d="M215,370 q185,-90 370,0 l10,-50 q-190,-210 -390,0 z" fill="${pick(random, CLOTH)}"/>`,
  ];
  return all.filter(() => random() < 0.5).join('');
}

/** A practice room with a piano. */
export function room(seed: number): string {
  const random = seeded(seed);
  const wall = pick(random, ['#d9cfba', '#cdd5cf', '#e0d3c8']);
  const x = 520 + random() * 220;
  return svg(1200, 800, rect(0, 0, 1200, 800, wall) + rect(90, 110, 330, 280, '#cfe5f2') + rect(245, 110, 18, 280, '#f6f6f2') + rect(90, 240, 330, 16, '#f6f6f2') +
    rect(0, 610, 1200, 190, '#9c7248') + rect(x, 380, 400, 230, '#1d222b') + rect(x - 20, 450, 440, 34, '#f3efe4') + circle(x + 140, 660, 60, '#3d2c22') + strewn(random, [1200, 800], 12, { x: (x + 200) / 1200, y: 0.55, r: 0.16 }) + lit(random, [1200, 800], 8)); // oxfmt-ignore
}

/** A string instrument lying on the repair bench. */
export function instrument(seed: number): string {
  const random = seeded(seed);
  const wood = pick(random, ['#b4622c', '#8f4a22', '#c97f3f']);
  const tilt = -20 + random() * 40;
  return svg(1200, 800, rect(0, 0, 1200, 520, '#5f4a3c') + rect(0, 520, 1200, 280, '#a5804f') + strewn(random, [1200, 800], 13, { x: 0.5, y: 0.5, r: 0.2 }) +
    `<g transform="rotate(${tilt} 600 400)"><path d="M600,180 q120,10 110,120 q-40,60 0,110 q50,190 -110,200 q-160,-10 -110,-200 q40,-50 0,-110 q-10,-110 110,-120" fill="${wood}"/>` +
    rect(588, 40, 24, 330, '#2b1a12') + rect(560, 470, 80, 14, '#2b1a12') + `</g>` + lit(random, [1200, 800], 8)); // oxfmt-ignore
}

/** The river behind the house. */
export function river(seed: number): string {
  const random = seeded(seed);
  const sky = pick(random, ['#eec99a', '#a9cbe0', '#d9b7c0']);
  const hills = [0, 1, 2]
    .map(
      (i) =>
        `<path d="M0,${420 + i * 40} q${200 + random() * 200},${-220 + i * 60} 600,-40 t600,0 V800 H0 z" fill="${['#6f8580', '#5b766f', '#4a655c'][i]}"/>`,
    )
    .join('');
  return svg(1200, 800, rect(0, 0, 1200, 800, sky) + circle(300 + random() * 600, 170, 70, '#fbe7b8') + hills + rect(0, 600, 1200, 200, '#4f83a0') +
    [0, 1, 2, 3, 4].map((i) => rect(80 + random() * 900, 630 + i * 32, 180, 6, '#a9cbdc')).join('') +
    strewn(random, [1200, 800], 14, { x: 0.5, y: 0.3, r: 0.14, isOutside: true }) + lit(random, [1200, 800], 9)); // oxfmt-ignore
}

/** A concert poster with its words in the picture, 900 × 1270. */
export function poster(seed: number, lines: readonly string[]): string {
  const random = seeded(seed);
  const ground = pick(random, ['#21404f', '#40213f', '#1f4a33']);
  return svg(900, 1270, rect(0, 0, 900, 1270, ground) + circle(300 + random() * 300, 560 + random() * 160, 120 + random() * 110, pick(random, ['#d2603f', '#e0b24a', '#7fb2a8'])) +
    strewn(random, [900, 1270], 5, { x: 0.5, y: 0.2, r: 0.3 }) +
    lines.map((line, i) => words(450, 210 + i * (i < 2 ? 110 : 320) + (i > 2 ? -230 : 0), i < 2 ? 96 : 48, line, '#f6e9c8')).join('')); // oxfmt-ignore
}

/** Hands at work on a table of the café or the bench. */
export function hands(seed: number): string {
  const random = seeded(seed);
  const skin = pick(random, SKIN);
  return svg(1200, 800, rect(0, 0, 1200, 800, pick(random, ['#d8c7a8', '#b8c4b6', '#c7b3a6'])) + circle(600, 420, 190, '#f4efe6') + circle(600, 420, 140, pick(random, ['#6b4226', '#8a5a33'])) +
    `<path d="M80,800 q120,-300 330,-330 q70,10 40,70 q-160,80 -170,260 z" fill="${skin}"/><path d="M1120,800 q-120,-300 -330,-330 q-70,10 -40,70 q160,80 170,260 z" fill="${skin}"/>` + strewn(random, [1200, 800], 10, { x: 0.5, y: 0.55, r: 0.3 }) + lit(random, [1200, 800], 8)); // oxfmt-ignore
}

/** What a template leaves where a picture should be: its size on grey. */
export function sample(width: number, height: number): string {
  return svg(width, height, rect(0, 0, width, height, '#d9dcdb') + `<path d="M0,0 L${width},${height} M${width},0 L0,${height}" stroke="#c4c9c7" stroke-width="2"/>` +
    words(width / 2, height / 2 + height * 0.04, height * 0.11, `${width} × ${height}`, '#8b9491')); // oxfmt-ignore
}

/** The school's sign: a bell and a wave, as a drawing that stays a drawing. */
export function logo(): string {
  return svg(240, 240, `<path d="M120,30 q60,10 60,100 l20,40 H40 l20,-40 q0,-90 60,-100" fill="#1f4a5a"/><path d="M40,205 q40,-24 80,0 t80,0" stroke="#c96f3f" stroke-width="14" fill="none"/>`); // oxfmt-ignore
}

/** A slide that a template's gallery brings with it: a tint, its number, nothing else. */
export function cardSlide(n: number): string {
  const tint = ['#8fa7b3', '#b39a8f', '#9bb38f', '#a88fb3'][n % 4] as string;
  return svg(800, 450, rect(0, 0, 800, 450, tint) + words(400, 245, 64, `SLIDE ${n}`, '#ffffff'));
}

/** Stands where a person's portrait is missing. */
export function noPerson(): string {
  return svg(400, 500, rect(0, 0, 400, 500, '#dcdcdc') + circle(200, 190, 80, '#b4b4b4') + `<path d="M60,500 q0,-190 140,-190 q140,0 140,190 z" fill="#b4b4b4"/>`); // oxfmt-ignore
}

/** Stands where a picture or a film is missing: a sun and two hills. */
export function sunAndHills(ground: string, figure: string): string {
  return svg(600, 400, rect(0, 0, 600, 400, ground) + circle(400, 130, 34, figure) + `<path d="M120,310 L250,150 L340,260 L390,205 L480,310 z" fill="${figure}"/>`); // oxfmt-ignore
}

/** A word in a frame. */
export function badge(text: string, ground: string, ink: string): string {
  return svg(300, 150, rect(0, 0, 300, 150, ground) + rect(10, 10, 280, 130, 'none', `stroke="${ink}" stroke-width="5"`) + words(150, 90, 38, text, ink)); // oxfmt-ignore
}

/** The ground floor as lines on white. */
export function floorPlan(): string {
  const walls =
    '<path d="M60,60 H840 V540 H60 z M340,60 V380 M340,300 H60 M600,540 V220 H840 M460,540 v-120" fill="none" stroke="#22303a" stroke-width="8"/>';
  return svg(900, 600, rect(0, 0, 900, 600, '#ffffff') + walls + words(200, 190, 34, 'Office', '#22303a') + words(200, 430, 34, 'Library', '#22303a') + words(720, 390, 34, 'Bench', '#22303a')); // oxfmt-ignore
}
