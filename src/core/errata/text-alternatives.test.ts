import { describe, expect, it } from 'vitest';
import { checkPage } from './check-page';
import { examplePage } from './example-page';
import {
  HIDDEN,
  MISSING,
  NAMED_BUTTONS,
  NAMED_LINKS,
  NAMELESS_BUTTONS,
  NAMELESS_LINKS,
  THERE,
} from './text-alternatives.cases';

const found = (html: string) =>
  checkPage(examplePage({ html: `<h1 id="h1">Head</h1>${html}`, evidence: null }));
const rules = (html: string) => found(html).map(({ rule }) => rule);

describe('text alternatives of pictures', () => {
  it.each(MISSING)('are missing in %s', (html) => {
    const absent = found(html).filter(({ rule }) => rule === 'alt/absent');
    expect(absent.map(({ degree }) => degree)).toEqual(['must']);
  });

  it.each(THERE)('are there in %s', (html) => expect(rules(html)).not.toContain('alt/absent'));

  it.each(HIDDEN)('are missing in %s, and hinder nobody as long as no script shows it', (html) => {
    expect(found(html)[0]).toMatchObject({ rule: 'alt/absent', degree: 'note' });
  });
});

describe('names of links', () => {
  it.each(NAMELESS_LINKS)('are missing in %s', (html) => expect(rules(html)).toContain('alt/empty-link'));

  it.each(NAMED_LINKS)('are there in %s', (html) => expect(rules(html)).not.toContain('alt/empty-link'));
});

describe('names of buttons', () => {
  it.each(NAMELESS_BUTTONS)('are missing in %s', (html) => expect(rules(html)).toContain('alt/empty-button'));

  it.each(NAMED_BUTTONS)('are there in %s', (html) => expect(rules(html)).not.toContain('alt/empty-button'));
});
