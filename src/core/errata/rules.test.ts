/** The examples of every rule, as they stand in its documentation. */
import { describe, expect, it } from 'vitest';
import { RULES } from './all-rules';
import { checkPage } from './check-page';
import { examplePage } from './example-page';

describe.each(RULES.map((rule) => [rule.id, rule] as const))('%s', (_, rule) => {
  it.each(rule.examples.map((example) => [example.html, example] as const))('%s', (__, example) => {
    const found = checkPage(examplePage(example), new Map(), [rule]);
    expect(found[0]?.evidence ?? null).toBe(example.evidence);
  });

  it('has examples of both, and says what, why and what to do', () => {
    expect(rule.examples.some(({ evidence }) => evidence !== null)).toBe(true);
    expect(rule.examples.some(({ evidence }) => evidence === null)).toBe(true);
    for (const text of [rule.title, rule.why, rule.remedy]) expect(text).toMatch(/^[A-Z].{15,}/u);
  });
});
