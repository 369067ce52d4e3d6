import { describe, expect, it } from 'vitest';
import type { ImageObject } from './image-object';
import { statementEdit, STATEMENT_ID } from './page-statement';

const OBJECT: ImageObject = {
  '@type': 'ImageObject',
  contentUrl: 'https://www.site.example/img/a.jpg?x=1&y=</script>',
  creator: [{ '@type': 'Person', name: 'Zoë Łuka 𝄞' }],
};
const applied = (text: string, objects: readonly ImageObject[]) => {
  const edit = statementEdit(text, objects);
  if (!edit) return text;
  expect(text.slice(edit.start, edit.end)).toBe(edit.was);
  return text.slice(0, edit.start) + edit.becomes + text.slice(edit.end);
};
const PAGE = '<html>\r\n<head>\r\n  <title>t</title>\r\n</head>\r\n<body>x</body></html>';

describe('statementEdit', () => {
  it('puts the statement on a line of its own at the end of the head, in signs that every encoding has', () => {
    const page = applied(PAGE, [OBJECT]);
    const [, json = ''] =
      /<script type="application\/ld\+json" id="picture-rights-data">(.*)<\/script>\r\n<\/head>/u.exec(
        page,
      ) ?? [];
    expect(json).toMatch(/^[\x20-\x7e]+$/u);
    expect(json).not.toMatch(/[<>&]/u);
    expect(JSON.parse(json)).toEqual({ '@context': 'https://schema.org', '@graph': [OBJECT] });
  });

  it('says nothing twice, puts a new one in place of the old, and takes it away to the byte', () => {
    const once = applied(PAGE, [OBJECT]);
    expect(statementEdit(once, [OBJECT])).toBeNull();
    const other = { ...OBJECT, creditText: 'Anna' };
    expect(applied(once, [other])).toBe(applied(PAGE, [other]));
    expect(applied(once, [])).toBe(PAGE);
    expect(statementEdit(PAGE, [])).toBeNull();
  });

  it('leaves what else is called so', () => {
    const page = '<head></head><h2 id="picture-rights-data">Rights</h2>';
    expect(applied(page, [OBJECT])).toMatch(
      /<\/script>\n<\/head><h2 id="picture-rights-data">Rights<\/h2>$/u,
    );
    expect(statementEdit(page, [])).toBeNull();
  });

  it.each(['<title>t</title><p>x', '<p>x</p>', '', '<html><body>a</body></html>'])(
    'finds a place in “%s”',
    (text) => {
      expect(applied(text, [OBJECT])).toContain(`id="${STATEMENT_ID}"`);
      expect(applied(text, [OBJECT]).replace(/<script.*<\/script>\n/u, '')).toBe(text);
    },
  );
});
