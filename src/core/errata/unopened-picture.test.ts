import { describe, expect, it } from 'vitest';
import { RULES } from './all-rules';
import { checkPage } from './check-page';
import { examplePage } from './example-page';
import type { Example, Rule, RuleId } from './rule';
import { AsksForBytes, unopenedPicture } from './unopened-picture';

/** What a rule says of an example whose pictures that are there nobody has opened, or that it wants them opened. */
function saidUnopened(rule: Rule, example: Example): string | null | typeof AsksForBytes {
  const page = examplePage(example);
  const pictures = new Map(
    [...page.pictures].map(([path, facts]) => [
      path,
      facts.isThere ? unopenedPicture({ path, sizeBytes: facts.sizeBytes }) : facts,
    ]),
  );
  try {
    return checkPage({ ...page, pictures }, new Map(), [rule])[0]?.evidence ?? null;
  } catch (error) {
    if (error instanceof AsksForBytes) return AsksForBytes;
    throw error;
  }
}

describe.each(RULES.map((rule) => [rule.id, rule] as const))('%s', (_, rule) => {
  it('finds the same of pictures that nobody has opened, or asks for them', () => {
    for (const example of rule.examples)
      expect([example.evidence, AsksForBytes]).toContain(saidUnopened(rule, example));
  });
});

describe('rules about the page alone', () => {
  const ALONE: readonly RuleId[] = [
    'alt/absent',
    'alt/empty-link',
    'alt/generic',
    'alt/file-name',
    'caption/template-words',
    'file/missing',
  ];
  it.each(ALONE)('%s never ask for a picture', (id) => {
    const rule = RULES.find((one) => one.id === id) as Rule;
    expect(rule.examples.map((example) => saidUnopened(rule, example))).not.toContain(AsksForBytes);
  });
});

it.each([
  'alt/picture-of-text',
  'fresh/placeholder',
  'fresh/past-its-time',
  'alt/other-words-elsewhere',
] as const)('%s asks for what it speaks of', (id) => {
  const rule = RULES.find((one) => one.id === id) as Rule;
  const wrong = rule.examples.filter(({ evidence }) => evidence !== null);
  expect(wrong.map((example) => saidUnopened(rule, example))).toEqual(wrong.map(() => AsksForBytes));
});

it('is asked for when all of it is copied', () => {
  const picture = unopenedPicture({ path: 'a.jpg', sizeBytes: 3 });
  expect(picture).toMatchObject({ path: 'a.jpg', sizeBytes: 3, isThere: true, near: null });
  expect(() => ({ ...picture })).toThrow(AsksForBytes);
});
