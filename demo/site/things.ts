/** Things that stand about in every picture, so that no two photographs of one place are alike. */
type Random = () => number;

const shade = (random: Random, colours: readonly string[]) =>
  colours[Math.floor(random() * colours.length)] as string;

const CHAIR = ['#5b3a1e', '#2f3b46', '#8a5a33', '#b9a27c'];
const LEAF = ['#3f6b43', '#5d8250', '#2f5440', '#7d9460'];
const POT = ['#a4512f', '#d8d2c4', '#46545f'];
const PAPER = ['#f3ead2', '#dfe7e4', '#e6c9a8', '#c7d3dd', '#f0f0ea'];
const BRIGHT = ['#c8553d', '#e0a63a', '#3d7f8c', '#5c4a7d', '#7b9a4a', '#b2486b'];

type Thing = (random: Random) => string;

/** Each is drawn about its own middle, some 200 units high. */
const THINGS: readonly Thing[] = [
  (random) => {
    const wood = shade(random, CHAIR);
    return `<path d="M-50,-100 v190 M50,0 v90 M-50,0 h100 M-50,-100 h${20 + random() * 30}" stroke="${wood}" stroke-width="${10 + random() * 8}" fill="none"/><rect x="-56" y="-8" width="112" height="16" fill="${wood}"/>`;
  },
  (random) => {
    const leaves = Array.from({ length: 5 + Math.floor(random() * 5) }, () => {
      const turn = -80 + random() * 160;
      return `<ellipse cx="0" cy="${-60 - random() * 40}" rx="${12 + random() * 12}" ry="${40 + random() * 30}" fill="${shade(random, LEAF)}" transform="rotate(${turn})"/>`;
    });
    return `${leaves.join('')}<path d="M-40,10 h80 l-12,80 h-56 z" fill="${shade(random, POT)}"/>`;
  },
  (random) => {
    const w = 90 + random() * 110;
    const h = 90 + random() * 130;
    return `<rect x="${-w / 2}" y="${-h / 2}" width="${w}" height="${h}" fill="${shade(random, PAPER)}" stroke="#4a3a2c" stroke-width="7"/><circle cx="${(random() - 0.5) * w * 0.5}" cy="${(random() - 0.5) * h * 0.5}" r="${15 + random() * 25}" fill="${shade(random, BRIGHT)}"/><path d="M${-w / 2 + 12},${h * (0.1 + random() * 0.3)} l${w - 24},${(random() - 0.5) * 50}" stroke="${shade(random, BRIGHT)}" stroke-width="9"/>`;
  },
  (random) => {
    const glow = shade(random, ['#f7e3a6', '#f2d0c0', '#dfeaf2']);
    return `<path d="M0,-100 v170" stroke="#2c3138" stroke-width="9"/><path d="M-45,-60 L-22,-110 H22 L45,-60 z" fill="${glow}"/><rect x="-34" y="66" width="68" height="14" fill="#2c3138"/>`;
  },
  (random) =>
    Array.from({ length: 3 + Math.floor(random() * 5) }, (_, i) => {
      const w = 90 + random() * 60;
      return `<rect x="${-w / 2 + (random() - 0.5) * 20}" y="${80 - i * 26}" width="${w}" height="24" fill="${shade(random, BRIGHT)}"/>`;
    }).join(''),
  (random) => {
    const w = 130 + random() * 80;
    const slats = [0, 1, 2].map(
      (i) =>
        `<rect x="${-w / 2}" y="${-30 + i * 36}" width="${w}" height="26" fill="${shade(random, CHAIR)}"/>`,
    );
    return slats.join('');
  },
  (random) => {
    const coat = shade(random, BRIGHT);
    const r = 24 + random() * 8;
    return `<path d="M-46,100 q0,-150 46,-150 q46,0 46,150 z" fill="${coat}"/><circle cx="0" cy="-72" r="${r}" fill="${shade(random, ['#e7c19d', '#c98f63', '#8d5a3a'])}"/><path d="M${-r},-76 a${r},${r} 0 0 1 ${2 * r},0 z" fill="${shade(random, CHAIR)}"/>`;
  },
  (random) => {
    const r = 34 + random() * 30;
    return `<circle cx="0" cy="0" r="${r}" fill="${shade(random, PAPER)}" stroke="#33383d" stroke-width="9"/><path d="M0,0 L${(random() - 0.5) * r},${-r * 0.7} M0,0 L${r * 0.5},${(random() - 0.5) * r}" stroke="#33383d" stroke-width="6"/>`;
  },
  (random) =>
    `<path d="M-60,90 L${-20 + random() * 20},-100 L${30 + random() * 30},90 M-34,20 H44" stroke="${shade(random, CHAIR)}" stroke-width="11" fill="none"/><rect x="-52" y="-70" width="104" height="66" fill="${shade(random, PAPER)}" transform="rotate(${(random() - 0.5) * 16})"/>`,
];

/** Chairs, plants, benches, people and easels stand outside as well. */
const OUTSIDE = [0, 1, 5, 6, 8].map((n) => THINGS[n] as Thing);

/**
 * Things strewn over a scene of so many units, larger towards the front.
 *
 * @param keep a disc in shares of the scene that stays free: what the picture is about
 */
export function strewn(
  random: Random,
  [width, height]: readonly [number, number],
  count: number,
  keep: { readonly x: number; readonly y: number; readonly r: number; readonly isOutside?: boolean },
): string {
  const things = keep.isOutside ? OUTSIDE : THINGS;
  const highest = keep.isOutside ? 0.55 : 0.12;
  const all: { y: number; text: string }[] = [];
  for (let tries = 0; all.length < count && tries < count * 12; tries++) {
    const x = random();
    const y = highest + random() * (0.96 - highest);
    if (Math.hypot(x - keep.x, (y - keep.y) * (height / width)) < keep.r) continue;
    const size = (0.55 + y * 0.75) * (0.8 + random() * 0.5);
    const thing = things[Math.floor(random() * things.length)] as Thing;
    const side = random() < 0.5 ? -size : size;
    all.push({
      y,
      text: `<g transform="translate(${x * width} ${y * height}) scale(${side} ${size})">${thing(random)}</g>`,
    });
  }
  return all
    .sort((a, b) => a.y - b.y)
    .map(({ text }) => text)
    .join('');
}

/** Patches of light and shadow as lamps, windows and leaves throw them. */
export function lit(random: Random, [width, height]: readonly [number, number], count: number): string {
  const soft = ['#fff6dc', '#1d1a26'].map(
    (colour, n) =>
      `<radialGradient id="lit${n}"><stop offset="0.2" stop-color="${colour}"/><stop offset="1" stop-color="${colour}" stop-opacity="0"/></radialGradient>`,
  );
  const patches = Array.from({ length: count }, () => {
    const kind = random() < 0.5 ? 0 : 1;
    const rx = width * (0.1 + random() * 0.28);
    return `<ellipse cx="${random() * width}" cy="${random() * height}" rx="${rx}" ry="${rx * (0.3 + random() * 0.8)}" fill="url(#lit${kind})" opacity="${0.2 + random() * 0.3}" transform="rotate(${random() * 60 - 30})"/>`;
  });
  return `<defs>${soft.join('')}</defs>${patches.join('')}`;
}
