import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeBytes, decodeCss, decodeHtml } from '../source/decode-source';
import { encodeText } from '../source/encode-text';
import { applyEdits } from './apply-edits';
import { composeEdits } from './compose-edits';
import { rebaseEdits } from './rebase-edits';
import type { SourceEdit } from './source-edit';
import { unifiedDiff } from './unified-diff';
import { attributeValue, elementText, siblingReference } from './write-value';

const utf8 = (text: string) => new TextEncoder().encode(text);

/** An edit that replaces the only occurrence of a text. */
function replace(text: string, was: string, becomes: string): SourceEdit {
  const start = text.indexOf(was);
  expect(start).toBeGreaterThanOrEqual(0);
  return { start, end: start + was.length, was, becomes };
}

function apply(text: string, edits: readonly SourceEdit[]): string {
  const result = applyEdits({ bytes: utf8(text), source: { text, encoding: 'utf-8' } }, edits);
  if (!result.ok) throw new Error(result.problem.code);
  return new TextDecoder('utf-8', { ignoreBOM: true }).decode(result.bytes);
}

/** Well-formed texts with random edits of them that do not overlap. */
const textWithEdits = fc
  .tuple(
    fc.string({ unit: 'grapheme', maxLength: 40 }),
    fc.array(fc.tuple(fc.nat(40), fc.nat(6), fc.string({ maxLength: 5 })), { maxLength: 5 }),
  )
  .map(([text, wanted]) => {
    const whole = [...text];
    const edits: SourceEdit[] = [];
    let free = 0;
    for (const [at, length, becomes] of wanted.toSorted((a, b) => a[0] - b[0])) {
      if (at < free || at > whole.length) continue;
      const start = whole.slice(0, at).join('').length;
      const was = whole.slice(at, at + length).join('');
      edits.push({ start, end: start + was.length, was, becomes: becomes.toWellFormed() });
      free = at + Math.max(1, length);
    }
    return { text, edits };
  });

describe('applyEdits', () => {
  it('without edits gives any bytes back', () => {
    fc.assert(
      fc.property(
        fc.uint8Array(),
        fc.constantFrom('utf-8', 'windows-1252', 'utf-16le', 'shift_jis'),
        (bytes, encoding) => {
          const result = applyEdits({ bytes, source: decodeBytes(bytes, encoding) }, []);
          expect(result.ok && result.bytes).toEqual(bytes);
        },
      ),
    );
  });

  it('and its inverse give the same bytes', () => {
    fc.assert(
      fc.property(
        textWithEdits,
        fc.constantFrom('utf-8', 'utf-16le', 'utf-16be'),
        ({ text, edits }, encoding) => {
          const bytes = encodeText(text.toWellFormed(), encoding) as Uint8Array;
          const source = decodeBytes(bytes, encoding);
          const there = applyEdits({ bytes, source }, edits);
          if (!there.ok) throw new Error(there.problem.code);
          const back = applyEdits(
            { bytes: there.bytes, source: decodeBytes(there.bytes, encoding) },
            there.inverse,
          );
          expect(back.ok && back.bytes).toEqual(bytes);
        },
      ),
    );
  });

  it('and its inverse give the same bytes where a style sheet loses its only letters beyond ASCII', () => {
    const bytes = Uint8Array.from([
      ...new TextEncoder().encode('p{background:url(gr'),
      0xfc,
      0x6e,
      0x29,
      0x7d,
    ]);
    const there = applyEdits({ bytes, source: decodeCss(bytes) }, [
      { start: 17, end: 21, was: 'grün', becomes: 'green' },
    ]);
    if (!there.ok) throw new Error(there.problem.what);
    const back = applyEdits({ bytes: there.bytes, source: decodeCss(there.bytes) }, there.inverse);
    expect(back.ok && back.bytes).toEqual(bytes);
  });

  it('and its inverse give the same bytes where neighbours are taken out', () => {
    const bytes = utf8('abcdef');
    const source = decodeBytes(bytes, 'utf-8');
    const out = (start: number, was: string) => ({ start, end: start + was.length, was, becomes: '' });
    const there = applyEdits({ bytes, source }, [out(1, 'b'), out(2, 'cd')]);
    if (!there.ok) throw new Error(there.problem.code);
    const back = applyEdits({ bytes: there.bytes, source: decodeBytes(there.bytes, 'utf-8') }, there.inverse);
    expect(back.ok && back.bytes).toEqual(bytes);
  });

  it('leaves everything else alone: line ends, invalid bytes, windows-1252', () => {
    const bytes = Uint8Array.from([
      ...utf8('<p>\r\n'),
      0x93,
      0xe9,
      0x0a,
      ...utf8('<img src=old.jpg>\r'),
      0x80,
    ]);
    const source = decodeHtml(bytes);
    expect(source.encoding).toBe('windows-1252');
    const result = applyEdits({ bytes, source }, [replace(source.text, 'old.jpg', 'n–é.jpg')]);
    const expected = [...bytes.subarray(0, 17), 0x6e, 0x96, 0xe9, ...utf8('.jpg'), ...bytes.subarray(24)];
    expect(result.ok && [...result.bytes]).toEqual(expected);
  });

  it('gives bytes back that were not valid in their encoding', () => {
    const bytes = Uint8Array.from([...utf8('<img src="caf'), 0xe9, ...utf8('.jpg">')]);
    const source = decodeBytes(bytes, 'utf-8');
    const there = applyEdits({ bytes, source }, [replace(source.text, 'caf\ufffd.jpg', 'new.jpg')]);
    if (!there.ok) throw new Error(there.problem.code);
    const back = applyEdits({ bytes: there.bytes, source: decodeBytes(there.bytes, 'utf-8') }, there.inverse);
    expect(back.ok && back.bytes).toEqual(bytes);
  });

  it.each([
    [
      'EDIT_OVERLAP',
      'abcd',
      [
        { start: 0, end: 2, was: 'ab', becomes: 'x' },
        { start: 1, end: 3, was: 'bc', becomes: 'y' },
      ],
    ],
    [
      'EDIT_OVERLAP',
      'abcd',
      [
        { start: 1, end: 1, was: '', becomes: 'x' },
        { start: 1, end: 1, was: '', becomes: 'y' },
      ],
    ],
    ['EDIT_MISMATCH', 'abcd', [{ start: 0, end: 2, was: 'xy', becomes: '' }]],
    ['EDIT_MISMATCH', 'abcd', [{ start: 3, end: 9, was: 'd', becomes: '' }]],
  ])('refuses %s', (code, text, edits) => {
    const result = applyEdits({ bytes: utf8(text), source: { text, encoding: 'utf-8' } }, edits);
    expect(result.ok ? null : result.problem.code).toBe(code);
  });

  it('refuses what the encoding can’t hold, and counts a repeated edit once', () => {
    const bytes = utf8('abc');
    const edit = { start: 1, end: 2, was: 'b', becomes: 'ł' };
    const result = applyEdits({ bytes, source: decodeBytes(bytes, 'windows-1252') }, [edit]);
    expect(result.ok ? null : result.problem.code).toBe('EDIT_UNENCODABLE');
    expect(apply('abc', [edit, { ...edit }])).toBe('ałc');
  });

  describe('before the line that says a page’s encoding', () => {
    /** A page whose `meta charset` ends at byte `end`, an icon before it and a word behind it; in the head, or behind it. */
    const pageTo = (end: number, word: string, isInHead = false) => {
      const head = `<html><head><link rel="icon" href="icon.png">${isInHead ? '' : '</head>'}<!--`;
      const meta = '--><meta charset="utf-8">';
      return `${head}${'-'.repeat(end - head.length - meta.length)}${meta}<p>${word}</p><img src="b.png">`;
    };
    const long = `${'long-'.repeat(20)}.png`;

    it.each([
      ['pushed out behind the head', 1020, 'Tromlø', long, 'EDIT_ENCODING_MOVED'],
      ['pulled in behind the head', 1030, 'Tromlø', '', 'EDIT_ENCODING_MOVED'],
      ['pushed out where nothing is read otherwise', 1020, 'Tromlo', long, null],
      ['left where it is looked for', 900, 'Tromlø', long, null],
    ])('%s', (_, end, word, becomes, code) => {
      const bytes = utf8(pageTo(end, word));
      const source = decodeHtml(bytes);
      const result = applyEdits({ bytes, source }, [replace(source.text, 'icon.png', becomes)]);
      expect(result.ok ? null : result.problem.code).toBe(code);
      if (!result.ok) return;
      const back = applyEdits({ bytes: result.bytes, source: decodeHtml(result.bytes) }, result.inverse);
      expect(back.ok && back.bytes).toEqual(bytes);
    });

    it.each([
      ['pushed on', 1020, long],
      ['pulled in', 1030, ''],
    ])('changes where it stands in the head, which is searched as far as it goes: %s', (_, end, becomes) => {
      const bytes = utf8(pageTo(end, 'Tromlø', true));
      const result = applyEdits({ bytes, source: decodeHtml(bytes) }, [
        replace(decodeHtml(bytes).text, 'icon.png', becomes),
      ]);
      expect(result.ok && decodeHtml(result.bytes).text).toContain('Tromlø');
    });

    it('changes what a server says the encoding of, wherever the line comes to stand', () => {
      const bytes = utf8(pageTo(1020, 'Tromlø'));
      const source = decodeHtml(bytes, { httpCharset: 'utf-8' });
      expect(applyEdits({ bytes, source }, [replace(source.text, 'icon.png', long)]).ok).toBe(true);
    });
  });
});

describe('composeEdits', () => {
  it('does in one what two do one after the other', () => {
    fc.assert(
      fc.property(
        textWithEdits,
        fc.nat(30),
        fc.nat(8),
        fc.string({ maxLength: 4 }),
        ({ text, edits }, at, length, becomes) => {
          const between = apply(text, edits);
          const start = Math.min(at, between.length);
          const end = Math.min(start + length, between.length);
          const second = [{ start, end, was: between.slice(start, end), becomes }];
          const splice = (whole: string, list: readonly SourceEdit[]) =>
            [...list]
              .sort((a, b) => b.start - a.start)
              .reduce((now, edit) => now.slice(0, edit.start) + edit.becomes + now.slice(edit.end), whole);
          const composed = composeEdits(text, edits, second);
          expect(splice(text, composed)).toBe(splice(between, second));
          for (const edit of composed) expect(text.slice(edit.start, edit.end)).toBe(edit.was);
        },
      ),
    );
  });
});

describe('rebaseEdits', () => {
  const before = '<h1>News</h1>\n<p><img src="old.jpg" alt="x"></p>\n<p>Text</p>\n';
  const edit = replace(before, 'old.jpg', 'new.jpg');

  it.each([
    ['a paragraph before it', before.replace('<p><img', '<p>More</p>\n<p><img')],
    ['words after it', before.replace('Text', 'Other text')],
    ['its paragraph’s class', before.replace('<p><img', '<p class=k><img')],
    ['all in one line', before.replaceAll('\n', '')],
  ])('follows its place past a change of %s', (_name, after) => {
    const { edits, conflicts } = rebaseEdits(before, after, [edit]);
    expect(conflicts).toEqual([]);
    expect(apply(after, edits)).toBe(after.replace('old.jpg', 'new.jpg'));
  });

  it.each([
    ['its own tag', before.replace('alt="x"', 'alt="y"')],
    ['the picture itself', before.replace('old.jpg', 'other.jpg')],
    ['the whole paragraph away', before.replace(/<p><img.*<\/p>\n/, '')],
  ])('is a conflict where somebody changed %s', (_name, after) => {
    expect(rebaseEdits(before, after, [edit]).conflicts).toEqual([edit]);
  });
});

describe('writing values', () => {
  it.each([
    ['a "b" & c', '"', 'utf-8', 'a &quot;b&quot; &amp; c'],
    ["it's", "'", 'utf-8', 'it&#39;s'],
    ['plain', 'none', 'utf-8', 'plain'],
    ['two words', 'none', 'utf-8', '"two words"'],
    ['', 'none', 'utf-8', '""'],
    ['new', 'bare', 'utf-8', '="new"'],
    ['łódź', '"', 'windows-1252', '&#322;ód&#378;'],
  ] as const)('attribute %j in %s, %s', (text, quote, encoding, expected) => {
    expect(attributeValue(text, quote, encoding)).toBe(expected);
  });

  it('element text', () => {
    expect(elementText('a < b & c', 'utf-8')).toBe('a &lt; b &amp; c');
  });

  it.each([
    ['../img/old.jpg', ['html'], '../img/new.png'],
    ['old.jpg', ['html'], 'new.png'],
    ['https://x.example/a/old.jpg?v=3#t', ['html'], 'https://x.example/a/new.png'],
    ['img\\old.jpg', ['html'], 'img\\new.png'],
    ['img&#47;old.jpg', ['html'], 'img&#47;new.png'],
    ['a&amp;b/old.jpg?x=1&amp;y=/2', ['html'], 'a&amp;b/new.png'],
    ['i/caf&eacute;.jpg', ['html'], 'i/new.png'],
    ['i\\2f old.jpg', ['css'], 'i\\2f new.png'],
    ['i/a\\ b\\).jpg', ['css'], 'i/new.png'],
    ['i/par\\(1\\).png', ['html', 'css'], 'i/new.png'],
    ['i\\\\a.png', ['css'], 'i\\\\new.png'],
    ['i/a&#92;(1).png', ['html', 'css'], 'i/new.png'],
    ['it&amp;#39;s/old.png', ['html', 'html'], 'it&amp;#39;s/new.png'],
    ['http:\\/\\/x.example\\/a\\/old.png', ['json'], 'http:\\/\\/x.example\\/a\\/new.png'],
    ['//x.example?old', ['html'], '//x.example/new.png'],
    ['?old', ['html'], 'new.png'],
  ] as const)('%s in %s becomes %s', (raw, where, expected) => {
    expect(siblingReference(raw, 'new.png', [...where])).toBe(expected);
  });

  it('shows a change as a unified diff', () => {
    expect(unifiedDiff('a.html', 'x\ny\n', 'x\nz\n')).toContain('-y\n+z\n');
    expect(unifiedDiff('a.html', 'x', 'x')).toBe('');
  });
});
