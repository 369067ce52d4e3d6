/** The edits that a plan for a page comes to. */
import type { SourceEdit } from '../edit/source-edit';
import { elementText } from '../edit/write-value';
import type { Element } from '../markup/attribute-value';
import type { Span } from '../source/span';
import { withBlanks } from './blanks';
import type { PagePlan } from './plan-page';
import type { Cut } from './targets';
import { parentOf, rangeOf, type WrittenTree } from './written-tree';

/** Edits by position; what is changed within something that goes is left out. */
export function editsOfPlan({ tree, gone, spoken, cuts }: PagePlan): SourceEdit[] {
  const whole: Span[] = [];
  const said: Cut[] = [];
  for (const element of gone) {
    if (isInWrittenGone(element, gone)) continue;
    const range = rangeOf(tree.text, element);
    if (!range) continue;
    const words = spoken.get(element);
    if (words === undefined) whole.push(range);
    else said.push({ ...range, becomes: elementText(words, tree.encoding) });
  }
  const out: Cut[] = withBlanks(tree.text, whole, keepsBlanks(tree)).map((span) => ({
    ...span,
    becomes: '',
  }));
  const others = [...said, ...cuts].filter(
    ({ start, end }) => !out.some((span) => span.start <= start && end <= span.end),
  );
  return [...out, ...others]
    .sort((a, b) => a.start - b.start || a.end - b.end)
    .map(({ start, end, becomes }) => ({ start, end, was: tree.text.slice(start, end), becomes }));
}

/** Whether an element goes with one around it that has tags of its own. */
function isInWrittenGone(element: Element, gone: ReadonlySet<Element>): boolean {
  for (let at = parentOf(element); at; at = parentOf(at))
    if (gone.has(at) && at.sourceCodeLocation) return true;
  return false;
}

const PREFORMATTED = new Set(['pre', 'textarea', 'listing']);

function keepsBlanks({ elements }: WrittenTree): (offset: number) => boolean {
  const kept = elements.flatMap(({ tagName, sourceCodeLocation: at }) =>
    PREFORMATTED.has(tagName) && at ? [at] : [],
  );
  return (offset) => kept.some(({ startOffset, endOffset }) => startOffset < offset && offset < endOffset);
}
