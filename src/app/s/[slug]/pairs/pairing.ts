import type { PairSheet } from '@/app/_data/pairs/pairs';
import type { Pair } from '@/server/work/editions/gather-pairs';

/** What becomes of a picture that goes: the index of the one that comes, off its pages, or left for now. */
export type Choice = number | 'off' | 'left';

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
export function stepped(ranked: readonly number[], choice: Choice, by: 1 | -1): Choice {
  const choices: Choice[] = [...ranked, 'off', 'left'];
  const at = choices.indexOf(choice);
  return choices[(at + by + choices.length) % choices.length] ?? 'left';
}

/** What is put into the edition: rows that are left are not. */
export function pairsOf({ going, coming }: PairSheet, choices: readonly Choice[]): Pair[] {
  return going.flatMap(({ id }, row) => {
    const choice = choices[row] ?? 'left';
    if (choice === 'left') return [];
    return [{ pictureId: id, intakeId: choice === 'off' ? null : (coming[choice]?.id ?? null) }];
  });
}
