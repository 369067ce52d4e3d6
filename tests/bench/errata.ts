/** Checking a site of 60,000 placements with all rules, beside the time that is allowed for it. */
import { RULES } from '@/core/errata/all-rules';
import { checkPage } from '@/core/errata/check-page';
import { examplePage } from '@/core/errata/example-page';
import type { Example } from '@/core/errata/rule';
import { report } from './measure';

const PLACEMENTS = 60_000;
const A_PAGE = 24;
const ALLOWED_MS = 10_000;

/** Pages with as many pictures as a long list has, each with the words and faults of the rules' own examples. */
function pages() {
  const examples = RULES.flatMap((rule) => rule.examples);
  return Array.from({ length: Math.ceil(PLACEMENTS / A_PAGE) }, (_, n) => {
    const chosen = Array.from({ length: A_PAGE }, (__, k) => examples[(n * 7 + k * 5) % examples.length]);
    const html = chosen.map((example) => example?.html ?? '').join('\n');
    const files = Object.assign({}, ...chosen.map((example) => example?.files ?? {})) as Example['files'];
    return examplePage({ html, evidence: null, ...(files ? { files } : {}) });
  });
}

export function benchErrata(): void {
  const all = pages();
  const placements = all.reduce((sum, { placements: found }) => sum + found.length, 0);
  const start = performance.now();
  const found = all.reduce((sum, page) => sum + checkPage(page).length, 0);
  const ours = ((performance.now() - start) * PLACEMENTS) / placements;
  if (found === 0) throw new Error('nothing was found');
  report(
    `check 60,000 placements with ${RULES.length} rules, of what is allowed`,
    {
      ...{ ours, bare: ALLOWED_MS },
      unit: 'ms',
    },
    { atMost: 1 },
  );
}
