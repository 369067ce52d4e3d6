import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ALL_RULES } from '@/core/errata/all-rules';
import { fileOf, rulePage, rulesIndex } from '@/core/errata/rule-page';

const FOLDER = join(import.meta.dirname, '../../docs/rules');

describe('docs/rules', () => {
  it.each(ALL_RULES.map((rule) => [rule.id, rule] as const))('is up to date for %s', async (id, rule) =>
    expect(await readFile(join(FOLDER, fileOf(id)), 'utf8')).toBe(rulePage(rule)),
  );

  it('lists all rules, and has no page of one that is gone', async () => {
    expect(await readFile(join(FOLDER, 'README.md'), 'utf8')).toBe(rulesIndex(ALL_RULES));
    const pages = [...ALL_RULES.map(({ id }) => fileOf(id)), 'README.md', 'measured.md'];
    expect((await readdir(FOLDER)).sort()).toEqual(pages.sort());
  });
});
