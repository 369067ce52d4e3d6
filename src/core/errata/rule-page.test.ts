import { describe, expect, it } from 'vitest';
import type { Rule } from './rule';
import { fileOf, rulePage, rulesIndex } from './rule-page';

const RULE: Rule = {
  id: 'alt/example',
  degree: 'should',
  level: 'measured',
  title: 'It is an example',
  why: 'Nobody reads it but this test.',
  remedy: 'Leave it as it is.',
  applies: () => true,
  check: () => null,
  examples: [
    { html: '<img src="a.jpg">', evidence: 'It is there.', language: 'de', title: 'Seite', today: '2026-01-01', files: { 'a.jpg': { widthPx: 3 } } },
    { html: '<p>x</p>', evidence: null },
  ],
}; // oxfmt-ignore

describe('the page of a rule', () => {
  const lines = rulePage(RULE).split('\n');

  it('says what, why and what to do, the degree and how sure it is', () => {
    expect(lines[0]).toBe('# alt/example');
    expect(lines).toContain('**It is an example.** Nobody reads it but this test.');
    expect(lines).toContain('What to do: Leave it as it is.');
    expect(lines).toContain('- Degree: should');
    expect(lines).toContain('- Evidence: measured or computed');
    expect(lines.some((line) => line.startsWith('- Standard'))).toBe(false);
    expect(rulePage({ ...RULE, standard: 'WCAG 2.2' })).toContain('- Standard: WCAG 2.2');
  });

  it('shows where it speaks, with what it says and on what condition, and where it is silent', () => {
    const [speaks, silent] = [lines.indexOf('## It speaks'), lines.indexOf('## It is silent')];
    expect(lines.indexOf('<img src="a.jpg">')).toBeGreaterThan(speaks);
    expect(lines.indexOf('<img src="a.jpg">')).toBeLessThan(silent);
    expect(lines.indexOf('<p>x</p>')).toBeGreaterThan(silent);
    expect(lines).toContain('> It is there.');
    expect(lines).toContain(
      'Where the page’s title is “Seite”, and the page’s language is `de`, and today is 2026-01-01, and known of the files: `a.jpg`: {"widthPx":3}.',
    );
  });

  it('has a name of its own, by which the index leads to it', () => {
    expect(fileOf('alt/example')).toBe('alt-example.md');
    expect(rulesIndex([RULE])).toContain('| [alt/example](alt-example.md) | should | It is an example |');
  });
});
