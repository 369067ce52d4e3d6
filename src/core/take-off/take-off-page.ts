/** Takes places off a page: plans what goes, writes that as edits, and looks at what they leave. */
import type { SourceEdit } from '../edit/source-edit';
import { spliceText } from '../edit/splice-text';
import type { SourceText } from '../source/decode-source';
import type { Span } from '../source/span';
import type { Refusal, TakenOff } from './outcome';
import { planPage, type PagePlan } from './plan-page';
import { isRestTheSame } from './same-rest';
import { tellOutcomes } from './tell-outcomes';
import { editsOfPlan } from './write-plan';
import { readWritten, type WrittenTree } from './written-tree';

/** @param nesting how many pages this one is within */
export function takeOffPage(source: SourceText, spots: readonly Span[], nesting = 0): TakenOff {
  const tree = readWritten(source);
  for (const isNarrow of [false, true]) {
    const plan = planPage(tree, spots, { isNarrow, takeOffInner: (inner, at) => takeOffPage(inner, at, nesting + 1), nesting }); // oxfmt-ignore
    const edits = editsOfPlan(plan);
    if (isSound(tree, plan, edits)) return { edits, outcomes: tellOutcomes(plan, spots) };
  }
  return {
    edits: [],
    outcomes: spots.map(({ start }) => ({ ...NOTHING, start, refused: 'tangled' as Refusal })),
  };
}

const NOTHING = { wentAlong: [], remarks: [], link: null, words: '' };

/** Whether edits can be made, and leave the rest of the page as it was read. */
function isSound(
  tree: WrittenTree,
  { gone, unwrapped, spoken }: PagePlan,
  edits: readonly SourceEdit[],
): boolean {
  const text = spliceText(tree.text, edits);
  if (text === null) return false;
  const after = readWritten({ text, encoding: tree.encoding, ...(tree.isXml ? { isXml: true } : {}) });
  return isRestTheSame(tree, { gone, unwrapped, spoken }, after);
}
