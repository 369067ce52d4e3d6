import { describe, expect, it } from 'vitest';
import { inGrey, mirrorOf, pictureOf, shaped, type Drawn } from './drawn-pictures.fixture';
import { FamilyBuilder, type Correction, type Family, type FamilyFile } from './families';
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
