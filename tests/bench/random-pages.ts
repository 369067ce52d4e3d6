/**
 * Pages that nobody would write: constructs that hold a picture, in any order and nesting, with the addresses in every
 * spelling that the standards allow, and some that they do not. Each address has a mark of its own.
 */
import fc from 'fast-check';

/** In a mark's place until the whole page stands. */
const HERE = '§';
/** The mark within an address. */
export const MARK = /m\d+m/u;

const oneOf = (...texts: string[]) => fc.constantFrom(...texts);
const filled = (template: string, ...parts: fc.Arbitrary<string>[]) =>
  fc.tuple(...parts).map((texts) =>
    template
      .split('{}')
      .map((text, n) => text + (texts[n] ?? ''))
      .join(''),
  );

const folder = oneOf(
  'i/',
  './i/',
  '../i/',
  '/i/',
  'i//',
  'i/./',
  'i/a/../',
  '',
  '..//i/',
  'i/%2e/',
  'i\\',
  'I/',
);
const ending = oneOf('.png', '.jpg', '.PNG', '.p%6Eg', '.png?q=1', '.png#f', '.png?a=1&b=2', '.png?', '%20b.png', '-é.png',
  '.png;x=1', '(1).png', ',2.png', '%zz.png', '~.png', "'.png", '+.png', '%2F.png', '%252F.png', '[1].png', '{}.png', '^.png', '|.png'); // oxfmt-ignore
const address = fc.tuple(folder, ending).map(([path, end]) => `${path}${HERE}${end}`);
/** Without what ends an address in a list of candidates, or in CSS without quotes. */
const plain = address.filter((text) => !/[,'()\\]/u.test(text));
const blank = oneOf('', '', '', ' ', '\n', '\t');

const quoted = (text: string, quote: string, byNumber: boolean): string => {
  const safe = text.replaceAll('&', '&amp;').replaceAll(quote, `&#${quote.charCodeAt(0)};`);
  return `${quote}${byNumber ? safe.replace(/[gn](?=[^;]*$)/u, (c) => `&#x${c.charCodeAt(0).toString(16)};`) : safe}${quote}`;
};
const attribute = (name: string, value: fc.Arbitrary<string>) =>
  fc
    .tuple(
      oneOf(name, name, name.toUpperCase()),
      oneOf('=', '=', ' = ', '\n='),
      value,
      oneOf('"', "'"),
      fc.boolean(),
    )
    .map(([written, is, text, quote, byNumber]) => `${written}${is}${quoted(text, quote, byNumber)}`);
const around = (value: fc.Arbitrary<string>) => filled('{}{}{}', blank, value, blank);
const named = (name: string) => attribute(name, around(address));
const candidates = fc
  .tuple(fc.array(plain, { minLength: 1, maxLength: 3 }), oneOf('x', 'w', ''), oneOf(',', ', ', ' ,\n'))
  .map(([all, unit, comma]) => all.map((one, n) => (unit ? `${one} ${(n + 1) * (unit === 'w' ? 300 : 1)}${unit}` : `${one} `)).join(comma)); // oxfmt-ignore

const escaped = (text: string, what: RegExp) =>
  text.replace(what, (c) => `\\${c.charCodeAt(0).toString(16)} `);
const url = fc
  .tuple(oneOf('url', 'URL', 'u\\72l', '\\75 rl'), blank, address, oneOf('', '"', "'"))
  .map(([name, space, text, quote]) => `${name}(${space}${quote}${escaped(text, quote === '' ? /[\s'"()\\]/gu : /["'\\]/gu)}${quote}${space})`); // oxfmt-ignore
const image = fc.oneof(url, url, url, filled('image-set({} 1x, {} 2x)', url, url), filled('-webkit-image-set({} 1x)', url), filled('image-set("{}" type("image/png") 1x)', plain),
  filled('-webkit-cross-fade({}, {}, 50%)', url, url), filled('linear-gradient(red, blue), {}', url), filled('{}, {}', url, url)); // oxfmt-ignore
const declaration = fc.oneof(
  ...['background:{}', 'background-image: {}', 'BACKGROUND/**/: {} no-repeat', 'background-image:{} !important', 'b\\61 ckground:{}',
    '--a:{};background:var(--a)', 'background:var(--no, {})', 'mask-image:{}', '-webkit-mask:{}', 'color:red;;background:{}'].map((text) => filled(text, image)),
  ...['border-image:{} 30;border:solid 3px', 'list-style:{};display:list-item', 'cursor:{},auto', 'content:{}', 'shape-outside:{};float:left'].map((text) => filled(text, url)),
); // oxfmt-ignore

/** A picture in an element of its own, between what stands around it. */
const WRAPS = [
  '{}', '<svg><foreignObject>{}</foreignObject></svg>', '<noscript>{}</noscript>', '<select><option>{}</select>', '<table>{}<tr><td></table>',
  '<p><table><tr>{}</table>', '<!-->{}-->', '<b><p>{}</b></p>', '<a><a>{}</a>', '<details>{}</details>', '<svg>{}</svg>', '<math><mi>{}</mi></math>',
  '<div><template shadowrootmode=open>{}</template></div>', '<object data=no.bogus>{}</object>', '<template>{}</template>', '<xmp>{}</xmp>', '<!-- {} -->',
  '<video>{}</video>', '<button>{}', '<select>{}', '<h1>{}</h2>',
] as const; // oxfmt-ignore
const element = fc.oneof(
  filled('<img {}>', named('src')),
  filled('<image {}>', named('src')),
  filled('<img {} {}>', attribute('srcset', candidates), named('src')),
  filled('<img src {}>', named('src')),
  filled('<picture><source {}><img {}></picture>', attribute('srcset', candidates), named('src')),
  filled('<input type=image {}>', named('src')),
  filled('<video {}></video>', named('poster')),
  filled('<object type=image/png {}></object>', named('data')),
  filled('<embed type=image/png {}>', named('src')),
  filled('<table {}><tr {}><td {}>x</table>', named('background'), named('background'), named('background')),
  filled('<body {}>', named('background')),
  filled('<svg><image {} width=5 height=5 /></svg>', named('href')),
  filled('<svg><image {} width=5 height=5 /></svg>', named('xlink:href')),
  filled('<link rel=preload as=image {}>', named('href')),
  filled('<iframe srcdoc="<img src=\'{}\'>"></iframe>', plain),
);
const styled = fc.oneof(
  filled('<div {}>x</div>', attribute('style', declaration)),
  filled('<svg><rect {} width=9 height=9 /></svg>', attribute('mask', filled('url({})', plain))),
  filled('<svg><rect {} width=9 height=9 /></svg>', attribute('cursor', filled('url({}) 1 1, auto', plain))),
);

/** A rule that meets one element, by its class, and the element. */
const RULES = [
  '.{c}{{d}}', 'body .{c}{{d}}', '.{c}::before{content:"";{d}}', ':is(.{c},.z){{d}}', '[class~={c}]{{d}}', '.{c}:not(.z):nth-child(n){{d}}', '@media screen{.{c}{{d}}}',
  '@supports (display:grid){.{c}{{d}}}', '@layer a{.{c}{{d}}}', '@scope (body){.{c}{{d}}}', 'body{& .{c}{{d}}}', '.{c}{color:red;&{{d}}}', '<!-- .{c}{{d}} -->', '@media screen{.{c}{{d}}',
  '.{c}{color:red}} .{c}{{d}}', '@import url("no.css");.{c}{{d}}', '.{c}, .q > i{{d}}', 'div:has(i).{c}{{d}}', '@container (min-width:0px){.{c}{{d}}}',
] as const; // oxfmt-ignore
const ruled = fc.tuple(oneOf(...RULES), declaration, fc.nat(1e9)).map(([rule, text, n]) => {
  const css = rule.replaceAll('{c}', `c${n}`).replaceAll('{d}', () => text);
  return `<style>${css}</style><div class="c${n}"><i>x</i></div>`;
});

const construct = fc.oneof(
  {
    weight: 3,
    arbitrary: fc.tuple(oneOf(...WRAPS), element).map(([wrap, text]) => wrap.replace('{}', () => text)),
  },
  { weight: 1, arbitrary: styled },
  { weight: 2, arbitrary: ruled },
);
const base = oneOf(
  '',
  '',
  '',
  '<base href="/sub/">',
  '<base target=x><base href="../">',
  '<base href="/a b/">',
);
const page = fc
  .tuple(oneOf('<!doctype html>', ''), base, fc.array(construct, { minLength: 40, maxLength: 60 }))
  .map(([kind, head, body]) => `${kind}<html><head><meta charset=utf-8>${head}</head><body>\n${body.join('\n')}\n</body></html>`); // oxfmt-ignore

/** So many pages; the same number gives the same pages. */
export function randomPages(count: number, seed: number): string[] {
  let marks = 0;
  return fc.sample(page, { numRuns: count, seed }).map((text) => text.replaceAll(HERE, () => `m${marks++}m`));
}
