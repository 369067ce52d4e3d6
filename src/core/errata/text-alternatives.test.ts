/**
 * Which pictures have a text alternative, and which links a name, in all mixtures of attributes; the answers are those
 * that an accessibility engine gives in a browser.
 */
import { describe, expect, it } from 'vitest';
import { checkPage } from './check-page';
import { examplePage } from './example-page';

const WATCHED = new Set(['alt/absent', 'alt/empty-link']);
const found = (html: string) =>
  checkPage(examplePage({ html: `<h1 id="h1">Head</h1>${html}`, evidence: null }))
    .map(({ rule }) => rule)
    .filter((rule) => WATCHED.has(rule));

describe('text alternatives of pictures', () => {
  it.each([
    '<img src="a.png">',
    '<img src="a.png" title="">',
    '<img src="a.png" aria-label="">',
    '<img src="a.png" aria-labelledby="nowhere">',
    '<img src="a.png" role="img">',
    '<img src="a.png" alt=" ">',
    '<img src="a.png" alt=" " title="Hall">',
    '<img src="a.png" alt=" " aria-label="Hall">',
    '<img src="a.png" width="20" height="20">',
    '<img data-src="a.png">',
    '<img srcset="a.png 1x">',
    '<a href="x.html"><img src="a.png"></a>',
    '<a href="x.html"><img src="a.png"> Lessons</a>',
    '<button><img src="a.png"></button>',
    '<picture><source srcset="b.png"><img src="a.png"></picture>',
    '<figure><img src="a.png"><figcaption>Hall</figcaption></figure>',
    '<input type="image" src="a.png">',
    '<input type="image" src="a.png" alt="">',
    '<input type="image" src="a.png" alt=" ">',
    '<input type="image" src="a.png" title="">',
    '<object data="a.png" type="image/png"></object>',
    '<object data="a.png" type="image/png" alt="Hall"></object>',
  ])('are missing in %s', (html) => expect(found(html)).toContain('alt/absent'));

  it.each([
    '<img src="a.png" alt="">',
    '<img src="a.png" alt>',
    '<img src="a.png" alt="Hall">',
    '<img src="a.png" title="Hall">',
    '<img src="a.png" aria-label="Hall">',
    '<img src="a.png" aria-labelledby="h1">',
    '<img src="a.png" role="presentation">',
    '<img src="a.png" role="none">',
    '<img src="a.png" alt=" " role="none">',
    '<img src="a.png" aria-hidden="true">',
    '<img src="a.png" hidden>',
    '<img src="a.png" style="display:none">',
    '<img src="a.png" style="visibility: hidden">',
    '<div hidden><img src="a.png"></div>',
    '<div aria-hidden="true"><img src="a.png"></div>',
    '<div style="display: none"><img src="a.png"></div>',
    '<input type="image" src="a.png" alt="Go">',
    '<input type="image" src="a.png" alt="" title="Go">',
    '<input type="image" src="a.png" aria-label="Go">',
    '<object data="a.png" type="image/png" title="Hall"></object>',
    '<object data="a.png" type="image/png" aria-label="Hall"></object>',
  ])('are there in %s', (html) => expect(found(html)).not.toContain('alt/absent'));
});

describe('names of links', () => {
  it.each([
    '<a href="x.html"><img src="a.png" alt=""></a>',
    '<a href="x.html"><img src="a.png" alt="Hall" role="presentation"></a>',
    '<a href="x.html"><span hidden>Lessons</span><img src="a.png" alt=""></a>',
    '<a href="x.html"><span style="display:none">Lessons</span><img src="a.png" alt=""></a>',
    '<a href="x.html"><img src="a.png" alt=""><img src="b.png" alt=""></a>',
    '<a href="x.html"><img srcset="a.png 1x" alt=""></a>',
  ])('are missing in %s', (html) => expect(found(html)).toContain('alt/empty-link'));

  it.each([
    '<a href="x.html"><img src="a.png" alt="Hall"></a>',
    '<a href="x.html"><img src="a.png" alt=""> Lessons</a>',
    '<a href="x.html" title="Lessons"><img src="a.png" alt=""></a>',
    '<a href="x.html" aria-label="Lessons"><img src="a.png" alt=""></a>',
    '<a href="x.html" aria-labelledby="h1"><img src="a.png" alt=""></a>',
    '<a href="x.html"><img src="a.png" alt=""><img src="b.png" alt="Lessons"></a>',
    '<a><img src="a.png" alt=""></a>',
    '<img src="a.png" alt="">',
  ])('are there in %s', (html) => expect(found(html)).not.toContain('alt/empty-link'));
});
