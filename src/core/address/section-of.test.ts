import { expect, it } from 'vitest';
import { sectionOf } from './section-of';

it.each([
  ['news/2019/a.html', [], 'news'],
  ['index.html', ['news'], ''],
  ['news/2019/a.html', ['news', 'news/2019'], 'news/2019'],
  ['newsletter/a.html', ['news'], 'newsletter'],
  ['news/2019/a.html', ['news/20*', 'news'], 'news/20*'],
  ['news/old/a.html', ['news/20*'], 'news'],
  ['people/jo-portrait.html', ['people/*portrait*'], 'people/*portrait*'],
])('%s with %j is in %s', (path, patterns, expected) => {
  expect(sectionOf(path, patterns)).toBe(expected);
});
