import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { byteOffsets } from './byte-offsets';
import { decodeBytes, decodeCss, decodeHtml, decodePage } from './decode-source';
import { canEncode, encodeText, escapeUnencodable } from './encode-text';
import { lineStarts, positionAt } from './line-index';

const utf8 = (text: string) => new TextEncoder().encode(text);
const bytes = (...list: number[]) => Uint8Array.from(list);

describe('the encoding of a page', () => {
  it.each([
    [
      'a byte order mark wins',
      bytes(0xef, 0xbb, 0xbf, ...utf8('<meta charset=windows-1252>')),
      undefined,
      'utf-8',
    ],
    ['UTF-16 by its mark', bytes(0xff, 0xfe, 60, 0), undefined, 'utf-16le'],
    ['HTTP before meta', utf8('<meta charset=utf-8>'), 'iso-8859-2', 'iso-8859-2'],
    ['meta charset', utf8('<!doctype html><META CharSet="UTF-8">'), undefined, 'utf-8'],
    [
      'meta http-equiv',
      utf8(`<meta http-equiv='Content-Type' content="text/html; charset=koi8-r">`),
      undefined,
      'koi8-r',
    ],
    ['meta that says UTF-16 is UTF-8', utf8('<meta charset=utf-16>'), undefined, 'utf-8'],
    ['latin1 is windows-1252', utf8('<meta charset=iso-8859-1>'), undefined, 'windows-1252'],
    ['a meta in a comment does not count', utf8('<!-- <meta charset=utf-8> -->'), undefined, 'windows-1252'],
    [
      'a meta in an attribute does not count',
      utf8(`<p title="<meta charset=utf-8>">`),
      undefined,
      'windows-1252',
    ],
    [
      'an unknown label does not count',
      utf8('<meta charset=klingon><meta charset=utf-8>'),
      undefined,
      'utf-8',
    ],
    ['a comment that ends where it begins', utf8('<!--><meta charset=utf-8><!-- -->'), undefined, 'utf-8'],
    ['an apostrophe holds nothing', utf8(`<link title=it's href=a><meta charset=utf-8>`), undefined, 'utf-8'],
    [
      'a quote holds what is in it',
      utf8(`<link title = "<p>>" href='<!--'><meta charset=utf-8>`),
      undefined,
      'utf-8',
    ],
    ['nothing at all', utf8(''), undefined, 'windows-1252'],
  ])('%s', (_name, input, httpCharset, encoding) => {
    expect(decodeHtml(input, httpCharset ? { httpCharset } : {}).encoding).toBe(encoding);
  });

  describe('declared behind the first 1024 bytes', () => {
    const declared = '<meta charset=utf-8>';
    const comment = `<!-- ${'x'.repeat(1100)} -->`;

    it.each([
      ['a comment', `<head>${comment}${declared}`],
      ['a comment that is closed otherwise', `<head><!-- ${'x'.repeat(1100)} --!>${declared}`],
      ['a comment that ends where it begins', `<head>${comment}<!-->${declared}<!-- -->`],
      ['a script', `<head><script>a = "${'x'.repeat(1100)}</head>"</script>${declared}`],
      ['a script that hides itself', `<head>${comment}<script><!-- b = "<p>" --></script>${declared}`],
      ['a long style', `<head><style>${'x'.repeat(300_000)} b { content: "<body>" }</style>${declared}`],
      [
        'much of a head',
        `${comment}<base href="/"><link rel=icon href=a.png><meta name=a content="</head>">${declared}`,
      ],
      ['what scripts would do', `<head>${comment}<noscript><style>b {}</style></noscript>${declared}`],
      ['text', `<head>${comment}text ${declared}`],
      ['the end of a script that never began', `<head>${comment}</script>${declared}`],
      ['no head', `${comment}<!doctype html><title>t</title>${declared}<p>x`],
      ['an apostrophe', `<head>${comment}<link title=it's href=a>${declared}`],
      ['a quote of no value', `<head>${comment}<link " href=a>${declared}`],
      ['what is quoted', `<head>${comment}<link title = "</head><p>" href='<p>'>${declared}`],
      ['another html', `<head>${comment}<html lang=en>${declared}`],
      ['a label that nobody knows', `<head>${comment}<meta charset=klingon>${declared}`],
      ['where they end in it', `<head>${' '.repeat(1024 - 21)}${declared}`],
    ])('holds in the head, after %s', (_, page) => {
      expect(decodeHtml(utf8(page)).encoding).toBe('utf-8');
    });

    it.each([
      ['behind the head', `<head>${comment}</head>${declared}<body>`],
      ['in the body', `<head></head><body>${comment}${declared}`],
      ['after a paragraph', `<head>${comment}<p>a</p>${declared}`],
      ['after a drawing', `<head>${comment}<svg></svg>${declared}`],
      ['after what belongs to no head', `<head>${comment}<template></template>${declared}`],
      ['behind the end of all', `<head>${comment}</html>${declared}`],
      ['in a script', `<head>${comment}<script>"${declared}"</script>`],
      ['in a script without an end', `<head>${comment}<script>${declared}`],
      ['in a style', `<head>${comment}<style>${declared}</style>`],
      ['in a title', `<head>${comment}<title>${declared}</title>`],
      ['in a comment', `<head>${comment}<!-- ${declared} -->`],
    ])('does not %s', (_, page) => {
      expect(decodeHtml(utf8(page)).encoding).toBe('windows-1252');
    });

    it.each([
      ['<meta http-equiv=content-type content="text/html; charset=koi8-r">', 'koi8-r'],
      ['<meta charset=utf-16>', 'utf-8'],
    ])('%s', (late, encoding) => {
      expect(decodeHtml(utf8(`<head>${comment}${late}`)).encoding).toBe(encoding);
    });
  });

  it('reads the whole of windows-1252', () => {
    expect(decodeHtml(bytes(0x80, 0x92, 0x96, 0xe9)).text).toBe('€’–é');
    // Neither the first bytes nor any other get lost.
    for (let byte = 0; byte < 256; byte++) {
      for (const input of [[byte], [byte, 0x61], [byte, byte, 0xfe, 0x61]]) {
        expect(decodeBytes(bytes(...input), 'windows-1252').text).toHaveLength(input.length);
      }
    }
  });

  it.each([
    ['utf-8', [0xef, 0xbb, 0xbf, 0x61], 3],
    ['utf-16le', [0xff, 0xfe, 0x61, 0], 2],
    ['utf-16be', [0xfe, 0xff, 0, 0x61], 2],
  ] as const)('takes a byte order mark of %s for no part of the text', (encoding, input, mark) => {
    const source = decodeHtml(bytes(...input));
    expect(source).toEqual({ text: 'a', encoding });
    expect(byteOffsets(bytes(...input), source, [0, 1])).toEqual([mark, input.length]);
  });

  it.each([
    ['its declaration', '<?xml version="1.0" encoding=\'iso-8859-2\'?><html/>', 'iso-8859-2'],
    ['nothing', '<html/>', 'utf-8'],
    ['a meta that XML does not heed', '<html><meta charset="koi8-r"/></html>', 'utf-8'],
  ])('of a page in XML by %s', (_name, text, encoding) => {
    expect(decodePage('a.xhtml', utf8(text))).toMatchObject({ encoding, isXml: true });
  });

  it.each([
    ['@charset', utf8('@charset "windows-1252"; a{}'), {}, 'windows-1252'],
    ['the page that links it', utf8('a{}'), { environment: 'koi8-r' }, 'koi8-r'],
    ['nothing', utf8('a{}'), {}, 'utf-8'],
    ['its own letters, whatever the page', utf8('/* Ü */'), { environment: 'windows-1252' }, 'utf-8'],
    ['most of its letters', bytes(...utf8('/* Üß */'), 0x96), { environment: 'windows-1252' }, 'utf-8'],
    ['the page, where it is no UTF-8', bytes(0xdc, 0x62, 0xfc), { environment: 'koi8-r' }, 'koi8-r'],
    ['the page, if it says so', bytes(0xdc, 0x62, 0xfc), { environment: 'utf-8' }, 'utf-8'],
    ['old usage, where it is no UTF-8', bytes(0xdc, 0x62, 0xfc), {}, 'windows-1252'],
    ['its mark', bytes(0xef, 0xbb, 0xbf, 0x61), { environment: 'koi8-r' }, 'utf-8'],
    ['its server', utf8('/* Ü */'), { httpCharset: 'windows-1252' }, 'windows-1252'],
  ])('of a style sheet by %s', (_name, input, hints, encoding) => {
    expect(decodeCss(input, hints).encoding).toBe(encoding);
  });
});

describe('offsets in bytes', () => {
  it('agree with the decoder for any bytes in UTF-8, valid or not', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 60 }), (input) => {
        const source = decodeBytes(input, 'utf-8');
        const offsets = Array.from({ length: source.text.length + 1 }, (_, i) => i);
        const found = byteOffsets(input, source, offsets);
        for (const [i, offset] of found.entries()) {
          const isInsidePair = /[\ud800-\udbff]/.test(source.text[i - 1] ?? '');
          if (isInsidePair) continue;
          const head = new TextDecoder('utf-8', { ignoreBOM: true }).decode(input.subarray(0, offset));
          expect(head).toBe(source.text.slice(0, i));
        }
        expect(found.at(-1)).toBe(source.text.length === 0 ? 0 : input.length);
      }),
    );
  });

  it.each(['shift_jis', 'gbk', 'euc-kr', 'big5'])('hold in %s', (encoding) => {
    const text = encoding === 'euc-kr' ? '사진 a' : encoding === 'big5' ? '漢 a' : '写 a';
    const encoded = encodeText(text, encoding) as Uint8Array;
    const source = decodeBytes(encoded, encoding);
    expect(source.text).toBe(text);
    expect(byteOffsets(encoded, source, [1, text.length])).toEqual([2, encoded.length]);
  });
});

describe('writing text', () => {
  it.each([
    ['utf-8', 'é”', true],
    ['windows-1252', 'é”€', true],
    ['windows-1252', 'ł', false],
    ['iso-8859-2', 'ł', true],
    ['utf-16be', '漢', true],
  ])('%s holds %s: %s', (encoding, text, isHeld) => {
    expect(canEncode(text, encoding)).toBe(isHeld);
    if (isHeld) expect(decodeBytes(encodeText(text, encoding) as Uint8Array, encoding).text).toBe(text);
  });

  it('escapes only what an encoding can’t hold', () => {
    expect(escapeUnencodable('é ł 🎻', 'windows-1252', (codePoint) => `&#${codePoint};`)).toBe(
      'é &#322; &#127931;',
    );
  });
});

describe('lines and columns', () => {
  it.each([
    ['a\nbc', 2, { line: 2, column: 1 }],
    ['a\r\nbc', 4, { line: 2, column: 2 }],
    ['a\rbc', 3, { line: 2, column: 2 }],
    ['abc', 0, { line: 1, column: 1 }],
  ])('%j at %d', (text, offset, position) => {
    expect(positionAt(lineStarts(text), offset)).toEqual(position);
  });
});
