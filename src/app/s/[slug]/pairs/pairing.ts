import type { PairSheet } from '@/app/_data/pairs/pairs';
import type { Fit } from '@/core/swap/fit';
import type { Pair } from '@/server/work/editions/gather-pairs';

/** What becomes of a picture that goes: the index of the one that comes, off its pages, or left for now. */
export type Choice = number | 'off' | 'left';

/** Fits below this rest on shape and size alone. */
const SAYS_SOMETHING = 0.15;

/** The first choices: what is proposed where words or dates speak for it, or where nothing else is left to do. */
export function firstChoices({ proposed }: PairSheet): Choice[] {
  return proposed.map((candidate) => candidate ?? 'left');
}

/**
 * Gives a row another picture. Where another row has it, the two change places, so that nothing is in two pairs and
 * nothing is lost.
 */
export function given(choices: readonly Choice[], row: number, choice: Choice): Choice[] {
  const before = choices[row];
  return choices.map((one, n) => {
    if (n === row) return choice;
    if (typeof choice === 'number' && one === choice) return typeof before === 'number' ? before : 'left';
    return one;
  });
}

/** The next choice for a row, by how well it fits: through all that come, then off the page, then left. */
export function stepped(fits: readonly Fit[], choice: Choice, by: 1 | -1): Choice {
  const ranked: Choice[] = [...ranking(fits), 'off', 'left'];
  const at = ranked.indexOf(choice);
  return ranked[(at + by + ranked.length) % ranked.length] ?? 'left';
}

/** Indexes of those that come, the best fit first. */
export function ranking(fits: readonly Fit[]): number[] {
  return fits
    .map((fit, n) => ({ n, score: fit.score }))
    .toSorted((a, b) => b.score - a.score || a.n - b.n)
    .map(({ n }) => n);
}

/** What speaks for a pair, and what speaks against it, in words. */
export function reasonsOf(fit: Fit | undefined): { readonly text: string; readonly isAgainst: boolean }[] {
  if (!fit) return [];
  const told = fit.parts.flatMap((part) => {
    switch (part.part) {
      case 'same':
        return [{ text: 'the same picture, larger', isAgainst: false }];
      case 'words':
        return part.score > SAYS_SOMETHING
          ? [{ text: `both: ${part.shared.slice(0, 3).join(', ')}`, isAgainst: false }]
          : [{ text: 'no words in common', isAgainst: true }];
      case 'shape':
        return [{ text: part.keeps > 0.98 ? 'the same shape' : `keeps ${Math.round(100 * part.keeps)} % of it`, isAgainst: part.keeps < 0.6 }]; // prettier-ignore
      case 'size':
        return part.lacks > 1.02
          ? [{ text: `${part.lacks.toFixed(1)} times too small`, isAgainst: true }]
          : [];
      case 'date':
        return [{ text: part.score === 1 ? `also of ${part.year}` : `taken in ${part.year}`, isAgainst: part.score === 0 }]; // prettier-ignore
    }
  });
  return told.toSorted((a, b) => Number(a.isAgainst) - Number(b.isAgainst));
}

/** What is put into the edition: rows that are left are not. */
export function pairsOf({ going, coming }: PairSheet, choices: readonly Choice[]): Pair[] {
  return going.flatMap(({ id }, row) => {
    const choice = choices[row] ?? 'left';
    if (choice === 'left') return [];
    return [{ pictureId: id, intakeId: choice === 'off' ? null : (coming[choice]?.id ?? null) }];
  });
}
