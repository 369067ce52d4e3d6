import { describe, expect, it } from 'vitest';
import {
  creditsList,
  creditsPageAfter,
  creditsTitle,
  linkEdit,
  listEdit,
  listOf,
  type CreditEntry,
} from './credits-page';
import { isCreditsTitle } from './for-all';

const HALL: CreditEntry = {
  file: 'hall.jpg',
  words: '“The hall” by Ann Lee, CC BY-SA 4.0',
  links: [
    { words: 'The hall', href: 'https://pictures.example/7?a=1&b=2' },
    { words: 'CC BY-SA 4.0', href: 'https://creativecommons.org/licenses/by-sa/4.0/' },
    { words: 'Nobody', href: 'https://x.example' },
  ],
};

describe('the page of picture credits', () => {
  it.each(['en', 'de-CH', 'fr', 'es', 'cy', null])('is called what it is known by, in %s', (language) => {
    expect(isCreditsTitle(creditsTitle(language))).toBe(true);
  });

  it('names each picture by its file, with what leads to source and licence', () => {
    expect(creditsList([HALL], true)).toBe(
      '<ul id="picture-credits">\n<li>hall.jpg: “<a href="https://pictures.example/7?a=1&amp;b=2">The hall</a>” by Ann Lee, <a href="https://creativecommons.org/licenses/by-sa/4.0/">CC BY-SA 4.0</a></li>\n</ul>',
    );
    expect(creditsList([{ file: 'a&b.jpg', words: 'Ł <x>', links: [] }], false)).toContain(
      'a&amp;b.jpg: &#321; &lt;x&gt;',
    );
  });

  it('is made after another page: its head, menu and foot, and nothing that is told of that page alone', () => {
    const model =
      '<html lang="de"><head><title>Start – Chor</title><meta name="description" content="d"><link rel="stylesheet" href="a.css"></head><body><nav>N</nav><main><h1>Start</h1><script type="application/ld+json">{}</script></main><footer>F</footer></body></html>';
    const page = creditsPageAfter(model, [HALL], true) ?? '';
    expect(page).toContain('<title>Bildnachweise – Chor</title><link rel="stylesheet" href="a.css">');
    expect(page).toContain('<nav>N</nav><main>\n<h1>Bildnachweise</h1>\n<ul id="picture-credits">');
    expect(page).toMatch(/<\/ul>\n<\/main><footer>F<\/footer><\/body><\/html>$/u);
    expect(page).not.toMatch(/description|ld\+json|Start/u);
    expect(creditsPageAfter('<body><p>x</p></body>', [HALL], true)).toBeNull();
  });

  it('keeps its list, and leaves everything else on it', () => {
    const page = `<main><h1>Picture credits</h1><p>Ours.</p>\r\n${creditsList([], true)}\r\n<p>More.</p></main>`;
    const there = listOf(page);
    const edit = there && listEdit(page, there, [HALL], true);
    expect(edit?.was).toBe('<ul id="picture-credits">\n</ul>');
    expect(edit?.becomes).toContain('\r\n<li>hall.jpg');
    const after = page.slice(0, edit?.start) + (edit?.becomes ?? '') + page.slice(edit?.end);
    const kept = listOf(after);
    expect(kept && listEdit(after, kept, [HALL], true)).toBeNull();
    expect(kept).not.toBeNull();
    expect(listOf('<h1 id="picture-credits">x</h1>')).toBeNull();
  });

  it('is linked from the foot of a page, once', () => {
    const to = {
      href: '../picture-credits.html',
      isThere: (href: string) => href.endsWith('picture-credits.html'),
    };
    const page = '<html lang="fr"><body>\n  <footer>\n    <p>©</p>\n  </footer></body></html>';
    const edit = linkEdit(page, to, true);
    expect(edit).toMatchObject({
      start: page.indexOf('</footer>'),
      was: '',
      becomes: '<a href="../picture-credits.html">Crédits photographiques</a>\n  ',
    });
    const after = page.slice(0, edit?.start) + edit?.becomes + page.slice(edit?.end);
    expect(linkEdit(after, to, true)).toBeNull();
  });
});
