import { describe, expect, it } from 'vitest';
import { inGrey, mirrorOf, pictureOf, shaped, type Drawn } from './drawn-pictures.fixture';
import { FamilyBuilder, type Family } from './families';
import { placedAnew, type Correction, type FamilyFile, type FamilyState } from './family-state';
import type { Fingerprint } from './fingerprint';

interface File extends FamilyFile {
  readonly print: Fingerprint;
}

const file = (id: string, drawn: Drawn, widthPx = drawn.width * 4): File => ({
  id,
  widthPx,
  heightPx: Math.round((widthPx * drawn.height) / drawn.width),
  print: inGrey(drawn),
});

function familiesOf(files: readonly File[], corrections: readonly Correction[] = []): Family[] {
  const prints = new Map(files.map(({ id, print }) => [id, print]));
  const builder = new FamilyBuilder((id) => prints.get(id) as Fingerprint, corrections);
  for (const one of files) builder.add(one);
  return builder.families();
}

const together = (families: readonly Family[]) =>
  families.map(({ members }) => members.map(({ id }) => id).sort()).sort();

const hall = pictureOf(1);
const river = pictureOf(2);

const drawn = (shade: (x: number, y: number) => number): Drawn => ({
  ...{ width: 240, height: 160 },
  data: Uint8Array.from({ length: 240 * 160 }, (_, i) => shade(i % 240, Math.floor(i / 240))),
});
/** Soft hills of light, without an edge. */
const smooth = (across: number, down: number): Drawn =>
  drawn((x, y) => 120 + 50 * Math.sin(across * x + 1) + 40 * Math.cos(down * y + across * x));
/** Boards side by side, under a lamp. */
const pattern = (): Drawn =>
  drawn((x, y) => (x % 12 < 4 ? 30 : 100) + 90 * Math.exp(-((x - 130) ** 2 + (y - 40) ** 2) / 4000));

describe('families', () => {
  it.each([
    ['smaller', shaped(hall, { scale: 0.55 })],
    ['darker and paler', shaped(hall, { gain: 0.6, lift: 20 })],
    ['noisy', shaped(hall, { noise: 7 })],
    ['a square from its middle', shaped(hall, { cut: [0.17, 0, 0.66, 1] })],
    ['cut at all sides', shaped(hall, { cut: [0.08, 0.1, 0.8, 0.75] })],
    ['bordered', shaped(hall, { border: 12 })],
  ])('takes along one that is %s', (_, drawn) => {
    const families = familiesOf([file('hall', hall), file('river', river), file('other', drawn, 500)]);
    expect(together(families)).toEqual([['hall', 'other'], ['river']]);
  });

  it('names a mirrored copy as mirrored', () => {
    const [family] = familiesOf([file('hall', hall), file('mirrored', mirrorOf(hall), 600)]);
    const member = family?.members.find(({ id }) => id === 'mirrored');
    expect(member?.link).toMatchObject({ kind: 'same', isMirrored: true });
  });

  it('tells where a cutting was cut from, to a hundredth', () => {
    const cut = shaped(hall, { cut: [0.2, 0.1, 0.6, 0.7] });
    const [family] = familiesOf([file('hall', hall), file('cut', cut, 400)]);
    const link = family?.members.find(({ id }) => id === 'cut')?.link;
    expect(link?.kind).toBe('part');
    for (const [side, share] of Object.entries({ left: 0.2, top: 0.1, width: 0.6, height: 0.7 }))
      expect(link?.other[side as 'left']).toBeCloseTo(share, 1.7);
  });

  it('takes along a cutting that its picture knows only by way of the one with a border', () => {
    const bordered = file('bordered', shaped(hall, { border: 12 }), 1800);
    const files = [bordered, file('hall', hall, 1600), file('copy', shaped(hall, { scale: 0.8 }), 1000)];
    const prints = new Map([...files, file('river', river)].map(({ id, print }) => [id, print]));
    const builder = new FamilyBuilder((id) => prints.get(id) as Fingerprint);
    for (const one of [...files, file('river', river)]) builder.add(one);
    for (const id of builder.lonely()) builder.lookAgain(id);
    expect(together(builder.families())).toEqual([['bordered', 'copy', 'hall'], ['river']]);
  });

  it('looks again only at what stands alone', () => {
    const files = [
      file('hall', hall, 1600),
      file('copy', shaped(hall, { scale: 0.8 }), 1000),
      file('river', river),
    ];
    const prints = new Map(files.map(({ id, print }) => [id, print]));
    const builder = new FamilyBuilder((id) => prints.get(id) as Fingerprint);
    for (const one of files) builder.add(one);
    expect(builder.lonely()).toEqual(['river']);
    builder.lookAgain('river');
    builder.lookAgain('nothing of that name');
    expect(together(builder.families())).toEqual([['copy', 'hall'], ['river']]);
  });

  it('makes the largest the master, in whatever order they come', () => {
    const small = file('small', shaped(hall, { scale: 0.5 }), 300);
    const large = file('large', hall, 1600);
    expect(familiesOf([small, large])[0]?.master).toBe('large');
  });

  it('keeps apart what shares its frame and differs in what matters', () => {
    // The same wall with other words on it, as two notices or two screens have.
    const first = shaped(hall, { writing: 5 });
    const second = shaped(hall, { writing: 9 });
    const families = familiesOf([
      file('first', first),
      file('second', second),
      file('first small', shaped(first, { scale: 0.6 }), 400),
      file('second small', shaped(second, { scale: 0.6 }), 400),
    ]);
    expect(together(families)).toEqual([
      ['first', 'first small'],
      ['second', 'second small'],
    ]);
  });

  it('takes along a smooth picture with words over it, and no other smooth one', () => {
    const dunes = smooth(0.02, 0.03);
    const marked = drawn((x, y) =>
      x > 60 && x < 180 && y > 110 && y < 132 && x % 6 < 3 ? 250 : (dunes.data[y * 240 + x] ?? 0),
    );
    const families = familiesOf([
      file('dunes', dunes),
      file('dunes marked', marked, 800),
      file('mist', smooth(0.05, 0.01)),
      file('mist small', shaped(smooth(0.05, 0.01), { scale: 0.5 }), 400),
    ]);
    expect(together(families)).toEqual([
      ['dunes', 'dunes marked'],
      ['mist', 'mist small'],
    ]);
  });

  it('puts even tones together where they are the same, and keeps words on an even ground apart from it', () => {
    const tone = (value: number): Drawn => ({
      width: 90,
      height: 60,
      data: new Uint8Array(5400).fill(value),
    });
    const families = familiesOf([
      file('grey', tone(120)),
      file('grey small', shaped(tone(121), { scale: 0.5 }), 100),
      file('dark', tone(40)),
      file('words', shaped(tone(120), { writing: 5 }), 300),
    ]);
    expect(together(families)).toEqual([['dark'], ['grey', 'grey small'], ['words']]);
  });

  it.each([3, 4, 6])(
    'gives cuttings and bordered files of a drawing by day and by night to their own (%i)',
    (seed) => {
      const day = pictureOf(seed);
      const fades = (x: number, y: number) =>
        Math.max(0, Math.min(1, 6 * ((x / 240 - 0.5) ** 2 + (y / 160 - 0.5) ** 2) - 0.3));
      // Other light at the edges, and a little grain: cut or framed in white, both look much alike.
      const night = drawn((x, y) =>
        Math.max(0, (day.data[y * 240 + x] ?? 0) * (1 - 0.8 * fades(x, y)) - ((x + y) % 9 < 2 ? 14 : 0)),
      );
      const ways = (name: string, of: Drawn, larger: number) => [
        file(name, of, 1000 + larger),
        file(`${name} bordered`, shaped(of, { border: 8 }), 1100 + larger),
        file(`${name} small`, shaped(of, { scale: 0.8 }), 800 + larger),
        file(`${name} cut`, shaped(of, { cut: [0.15, 0.15, 0.7, 0.7] }), 700 + larger),
      ];
      const files = [...ways('day', day, 10), ...ways('night', night, 0)];
      files.sort((a, b) => b.widthPx - a.widthPx);
      expect(together(familiesOf(files))).toEqual([
        ['day', 'day bordered', 'day cut', 'day small'],
        ['night', 'night bordered', 'night cut', 'night small'],
      ]);
    },
  );

  it('finds its way in a pattern that repeats', () => {
    const boards = pattern();
    const cut = shaped(boards, { cut: [0.05, 0.05, 0.9, 0.9] });
    const families = familiesOf([file('boards', boards), file('cut', cut, 800)]);
    expect(together(families)).toEqual([['boards', 'cut']]);
    const link = families[0]?.members.find(({ id }) => id === 'cut')?.link;
    expect(link?.other.left).toBeCloseTo(0.05, 1.5);
    expect(link?.other.width).toBeCloseTo(0.9, 1.5);
  });

  it('takes icons for the same only as a whole: not mirrored, and not with another sign on them', () => {
    const icon = (side: number, isInked: (x: number, y: number) => boolean): Drawn => ({
      ...{ width: side, height: side },
      data: Uint8Array.from({ length: side ** 2 }, (_, i) =>
        isInked((i % side) / side, Math.floor(i / side) / side) ? 20 : 240,
      ),
    });
    const arrow = (x: number, y: number) => x > 0.2 && x < 0.8 && Math.abs(y - 0.5) < (x - 0.2) * 0.6;
    const frame = (x: number, y: number) => Math.max(Math.abs(x - 0.5), Math.abs(y - 0.5)) > 0.35;
    const plus = (x: number, y: number) =>
      frame(x, y) || (Math.min(Math.abs(x - 0.7), Math.abs(y - 0.7)) < 0.05 && x > 0.55 && y > 0.55);
    const families = familiesOf([
      file('back', icon(24, arrow), 24),
      file('back, large', icon(36, arrow), 36),
      file('on', mirrorOf(icon(24, arrow)), 24),
      file('frame', icon(24, frame), 24),
      file('frame with plus', icon(24, plus), 24),
    ]);
    expect(together(families)).toEqual([['back', 'back, large'], ['frame'], ['frame with plus'], ['on']]);
  });

  it('places one more as if it had come with the others', () => {
    const files = [file('hall', hall), file('river', river)];
    const cut = file('cut', shaped(river, { cut: [0.1, 0.1, 0.75, 0.8] }), 400);
    const prints = new Map([...files, cut].map(({ id, print }) => [id, print]));
    const builder = new FamilyBuilder((id) => prints.get(id) as Fingerprint);
    for (const one of files) builder.add(one);
    builder.families();
    builder.add(cut);
    expect(together(builder.families())).toEqual(together(familiesOf([...files, cut])));
  });

  it('goes on from what it knew, without what is gone, and obeys what was said since', () => {
    const small = file('small', shaped(hall, { scale: 0.5 }), 300);
    const cut = file('cut', shaped(river, { cut: [0.1, 0.1, 0.75, 0.8] }), 400);
    const files = [file('hall', hall), file('river', river), small, file('gone', pictureOf(9)), cut];
    const prints = new Map(files.map(({ id, print }) => [id, print]));
    const load = (id: string) => prints.get(id) as Fingerprint;
    const builder = new FamilyBuilder(load);
    for (const one of files) builder.add(one);
    const state = JSON.parse(JSON.stringify(builder.state())) as ReturnType<FamilyBuilder['state']>;
    const restored = (corrections: readonly Correction[]) => {
      const next = new FamilyBuilder(load, corrections);
      next.restore(state, (id) => id !== 'gone', load);
      for (const one of files) if (one.id !== 'gone') next.add(one);
      return together(next.families());
    };
    expect(restored([])).toEqual([
      ['cut', 'river'],
      ['hall', 'small'],
    ]);
    expect(restored([{ kind: 'apart', a: 'hall', b: 'small' }])).toEqual([
      ['cut', 'river'],
      ['hall'],
      ['small'],
    ]);
    expect(restored([{ kind: 'apart', a: 'cut', b: 'river' }])).toEqual([
      ['cut'],
      ['hall', 'small'],
      ['river'],
    ]);
  });

  it('goes on without looking at what it knows, but for what may have met its own since', () => {
    const bordered = file('bordered', shaped(hall, { border: 12 }), 1800);
    const known = [bordered, file('river', river), file('hall', hall, 1600)];
    const copy = file('copy', shaped(hall, { scale: 0.8 }), 1000);
    const prints = new Map([...known, copy].map(({ id, print }) => [id, print]));
    const asked: string[] = [];
    const load = (id: string) => {
      asked.push(id);
      return prints.get(id) as Fingerprint;
    };
    const placed = (files: readonly File[], state?: FamilyState) => {
      const builder = new FamilyBuilder(load);
      if (state) builder.restore(state, () => true, load);
      for (const one of files) builder.add(one);
      for (const id of builder.lonely()) builder.lookAgain(id);
      for (const pair of builder.doubtful()) builder.compareAcross(pair);
      return builder;
    };
    const { groups } = placed(known).state();
    // As if the bordered one, among very many, had not met the other.
    const unmet = { groups: groups.map((group) => ({ ...group, links: [] })) };
    asked.length = 0;
    expect(together(placed(known, unmet).families())).toEqual([['bordered'], ['hall'], ['river']]);
    expect(asked).toEqual([]);
    const later = placed([...known, copy], unmet);
    expect(together(later.families())).toEqual([['bordered', 'copy', 'hall'], ['river']]);
    asked.length = 0;
    expect(placed([...known, copy], later.state()).families()).toEqual(later.families());
    expect(asked).toEqual([]);
  });

  it('puts files together again once nobody says any more that they are apart', () => {
    const small = file('small', shaped(hall, { scale: 0.5 }), 300);
    const cut = file('cut', shaped(hall, { cut: [0.1, 0.1, 0.75, 0.8] }), 400);
    const files = [file('hall', hall), file('river', river), cut, small];
    const prints = new Map(files.map(({ id, print }) => [id, print]));
    const load = (id: string) => prints.get(id) as Fingerprint;
    const asBefore = together(familiesOf(files));
    const builder = new FamilyBuilder(load, [{ kind: 'apart', a: 'hall', b: 'small' }]);
    for (const one of files) builder.add(one);
    expect(together(builder.families())).toEqual([['cut', 'hall'], ['river'], ['small']]);
    const goOn = (state: FamilyState, corrections: readonly Correction[] = []) => {
      const next = new FamilyBuilder(load, corrections);
      next.restore(state, () => true, load);
      for (const one of files) next.add(one);
      return together(next.families());
    };
    expect(goOn(builder.state(), [{ kind: 'apart', a: 'small', b: 'hall' }])).toHaveLength(3);
    expect(goOn(builder.state())).toEqual(asBefore);
    expect(placedAnew(builder.state(), { a: 'hall', b: 'hall' })).toEqual(builder.state());
    expect(placedAnew(builder.state(), { a: 'none', b: 'hall' })).toEqual(builder.state());
  });

  it('does what a person says: apart, and together', () => {
    const small = file('small', shaped(hall, { scale: 0.5 }), 300);
    const files = [file('hall', hall), file('river', river), small];
    expect(together(familiesOf(files, [{ kind: 'apart', a: 'small', b: 'hall' }]))).toHaveLength(3);
    const joined = familiesOf(files, [{ kind: 'together', a: 'river', b: 'hall' }]);
    expect(joined).toHaveLength(1);
    expect(joined[0]?.members.find(({ id }) => id === 'river')?.link).toBeNull();
  });

  it('leaves flat pictures alone', () => {
    const flat = { width: 100, height: 80, data: new Uint8Array(8000).fill(200) };
    const paler = { width: 100, height: 80, data: new Uint8Array(8000).fill(220) };
    expect(familiesOf([file('flat', flat), file('paler', paler), file('hall', hall)])).toHaveLength(3);
  });
});
