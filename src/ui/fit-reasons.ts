import type { Fit } from '@/core/swap/fit';

/** Below this, words in common say nothing. */
const SAYS_SOMETHING = 0.15;

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
        return [{ text: part.keeps > 0.98 ? 'the same shape' : `keeps ${Math.round(100 * part.keeps)} % of it`, isAgainst: part.keeps < 0.6 }]; // oxfmt-ignore
      case 'size':
        return part.lacks > 1.02
          ? [{ text: `${part.lacks.toFixed(1)} times too small`, isAgainst: true }]
          : [];
      case 'date':
        return [{ text: part.score === 1 ? `also of ${part.year}` : `taken in ${part.year}`, isAgainst: part.score === 0 }]; // oxfmt-ignore
    }
  });
  return told.toSorted((a, b) => Number(a.isAgainst) - Number(b.isAgainst));
}
