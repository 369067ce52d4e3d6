/** Checking a site of 60,000 placements with all rules, beside the time that is allowed for it. */
import { RULES } from '@/core/errata/all-rules';
import { checkPage } from '@/core/errata/check-page';
import { examplePage } from '@/core/errata/example-page';
import type { Example } from '@/core/errata/rule';
import { byTurns, report } from './measure';

const PLACEMENTS = 60_000;
const A_PAGE = 24;
const ALLOWED_MS = 10_000;

/** A page with as many pictures as a long list has, each with the words and faults of the rules' own examples. */
function page(n: number, examples: readonly Example[]) {
  const chosen = Array.from({ length: A_PAGE }, (_, k) => examples[(n * 7 + k * 5) % examples.length]);
  const html = chosen.map((example) => example?.html ?? '').join('\n');
  const files = Object.assign({}, ...chosen.map((example) => example?.files ?? {})) as Example['files'];
  return examplePage({ html, evidence: null, ...(files ? { files } : {}) });
}

/** The time for so many placements, in ms. Page by page, as a survey does it: no more than one is held. */
function checkAll(examples: readonly Example[]): number {
  let [placements, found, ms] = [0, 0, 0];
  for (let n = 0; n < PLACEMENTS / A_PAGE; n++) {
    const one = page(n, examples);
    placements += one.placements.length;
    const start = performance.now();
    found += checkPage(one).length;
    ms += performance.now() - start;
  }
  if (found === 0) throw new Error('nothing was found');
  return (ms * PLACEMENTS) / placements;
}

/** The quicker of two turns. */
export async function benchErrata(): Promise<void> {
  const examples = RULES.flatMap((rule) => rule.examples);
  const ours = Math.min(checkAll(examples), checkAll(examples));
  report(
    `check 60,000 placements with ${RULES.length} rules, of what is allowed`,
    {
      ...{ ours, bare: ALLOWED_MS },
      unit: 'ms',
    },
    { atMost: 1 },
  );
  await measureDoubling();
}

/** Pages with very many pictures that have their words in common, given how many. */
const ALIKE: readonly (readonly [string, (n: number) => string])[] = [
  ['with one alt text', (n) => `<p><img src="${n}.jpg" alt="Choir">`],
  ['of one file', () => '<p><img src="a.jpg" alt="Choir">'],
  [
    'with one caption',
    (n) => `<figure><img src="${n}.jpg" alt="Choir ${n}"><figcaption>Rehearsal</figcaption></figure>`,
  ],
];

/** Twice the page may take twice the time. */
async function measureDoubling(): Promise<void> {
  for (const [name, one] of ALIKE) {
    const pageOf = (count: number) =>
      examplePage({ html: Array.from({ length: count }, (_, n) => one(n)).join(''), evidence: null });
    const [whole, half] = [pageOf(16_000), pageOf(8000)];
    // What is found once for a page is found anew for each time.
    const measured = await byTurns(
      () => void checkPage({ ...whole }),
      () => void checkPage({ ...half }),
      3,
    );
    report(`check 16,000 pictures ${name}, beside half of them (2 is linear)`, measured, { atMost: 2.4 });
  }
}
