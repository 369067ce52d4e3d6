/** The examples of every rule, as they stand in its documentation. */
import { describe, expect, it } from 'vitest';
import { ALL_RULES, FILE_RULES, RULES } from './all-rules';
import { checkFile, checkPage } from './check-page';
import { examplePage } from './example-page';

describe.each(RULES.map((rule) => [rule.id, rule] as const))('%s', (_, rule) => {
  it.each(rule.examples.map((example) => [example.html, example] as const))('%s', (__, example) => {
    const found = checkPage(examplePage(example), new Map(), [rule]);
    expect(found[0]?.evidence ?? null).toBe(example.evidence);
  });
});

describe.each(FILE_RULES.map((rule) => [rule.id, rule] as const))('%s', (_, rule) => {
  it.each(rule.examples.map(({ file, evidence }) => [file.path, file, evidence] as const))(
    '%s',
    (__, file, evidence) => {
      const found = checkFile(file, new Map(), [rule]);
      expect(found[0]?.evidence ?? null).toBe(evidence);
    },
  );
});

it.each(ALL_RULES.map((rule) => [rule.id, rule] as const))(
  '%s has examples of both, and says what, why and what to do',
  (_, rule) => {
    const evidence: readonly (string | null)[] = rule.examples.map((example) => example.evidence);
    expect(evidence.some((one) => one !== null)).toBe(true);
    expect(evidence.includes(null)).toBe(true);
    for (const text of [rule.title, rule.why, rule.remedy]) expect(text).toMatch(/^[A-Z].{15,}/u);
  },
);

it('lists every rule once', () => {
  expect(new Set(ALL_RULES.map(({ id }) => id)).size).toBe(ALL_RULES.length);
});
