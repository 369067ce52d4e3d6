import { isAllOfControl } from '../../alt-branch';
import type { PageToCheck, PlacementToCheck } from '../../page-to-check';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { contentWords, sharedWords, tokensOf } from '../../../words/content-words';
import { wordsFor, type WordField } from '../../../words/languages/known-languages';
import { saysOnly } from '../../words/empty-texts';
import { targetOf, type LinkTarget } from '../../words/link-target';
import { pageWords } from '../../words/picture-words';

/** A name of an organisation, or of what a link opens, rarely has fewer words than a drawing. */
const MOST_WORDS_OF_LOOK = 4;
const SMALL_PX = 64;
/** “To the large map” names a place to go to, whatever is drawn. */
const LEADS_TO =
  /^(?:(?:back |on |go )?to|zum?|zur|weiter|zurück|vers|aller|retour|ir|volver|hacia|al|a (?:la|los|las))\s+(?:\p{L}+\s*){1,4}$/iu;

export const saysNotWhere: Rule = {
  id: 'alt/says-not-where',
  degree: 'must',
  level: 'guessed',
  title: 'It is all that a link or button has, and its alt text tells what is drawn',
  why: 'A listener hears “owl” or “three bars”, and can’t know where the link leads or what the button does.',
  remedy: 'Say where it leads, or what it does; of a logo, whose it is.',
  standard: 'WCAG 2.2, 2.4.4; W3C, Images tutorial: functional images',
  applies: (placement) => hasAlt(placement) && placement.kind !== 'area',
  check: (placement, { page }) => {
    const { link } = placement;
    const target = isAllOfControl(placement) ? targetOf(placement, page) : null;
    if (!target || target.kind === 'picture' || !saysOnlyLook(placement, page, target)) return null;
    const where = link?.href ? `the link leads to “${link.href}”` : 'it is a button';
    return { evidence: `The alt text is “${placement.alt?.trim()}”, and ${where}.`, branch: 'functional' };
  },
  examples: [
    {
      html: '<a href="teachers.html"><img src="owl.gif" alt="Owl"></a>',
      evidence: 'The alt text is “Owl”, and the link leads to “teachers.html”.',
    },
    {
      html: '<button><img src="bars.png" alt="Three bars"></button>',
      evidence: 'The alt text is “Three bars”, and it is a button.',
    },
    {
      html: '<a href="fog.mp4"><img src="still.jpg" alt="Video"></a>',
      evidence: 'The alt text is “Video”, and the link leads to “fog.mp4”.',
    },
    {
      html: '<a href="https://lorimer.example/"><img src="l.png" alt="Sponsor logo"></a>',
      evidence: 'The alt text is “Sponsor logo”, and the link leads to “https://lorimer.example/”.',
    },
    { html: '<a href="collection.html"><img src="kettle.gif" alt="Our collection"></a>', evidence: null },
    { html: '<button><img src="go.png" alt="Search"></button>', evidence: null },
    { html: '<a href="cross-large.jpg"><img src="cross.jpg" alt="Cross"></a>', evidence: null },
    { html: '<a href="statutes.pdf"><img src="s.png" alt="Statutes (PDF, 6 pages)"></a>', evidence: null },
    { html: '<a href="https://penrose.example/"><img src="p.png" alt="Penrose Bakers"></a>', evidence: null },
    {
      html: '<a href="teachers.html"><img src="f.png" alt="A feather"></a>',
      evidence: 'The alt text is “A feather”, and the link leads to “teachers.html”.',
    },
    { html: '<a href="tel:+441"><img src="t.png" alt="Telephone"></a>', evidence: null },
    { html: '<a href="tickets.html"><img src="t.png" alt="Book tickets"></a>', evidence: null },
    { html: '<a href="map.html"><img src="m.png" alt="To the large map"></a>', evidence: null },
    {
      html: '<a href="results.pdf"><img src="a.png" alt="Arrow down"></a>',
      evidence: 'The alt text is “Arrow down”, and the link leads to “results.pdf”.',
    },
    { html: '<a href="x.html"><img src="owl.gif" alt="Owl"> For teachers</a>', evidence: null },
    { html: '<img src="owl.gif" alt="Owl">', evidence: null },
  ],
};

/** Whether an alt text says what is to be seen, and nothing of where a press leads. */
function saysOnlyLook(placement: PlacementToCheck, page: PageToCheck, target: LinkTarget): boolean {
  if (LEADS_TO.test(placement.alt ?? '') || isNameOfDeed(placement)) return false;
  // Of “image” another rule speaks.
  if (saysOnly(placement.alt ?? '', page.language) !== null) return false;
  const content = contentWords(placement.alt ?? '', pageWords(page).small);
  // In Spanish an envelope is an “about”.
  const words = content.length > 0 ? content : tokensOf(placement.alt ?? '');
  // A number that leads to a note is its name.
  if (words.length === 0 || words.every((word) => /^\d+$/u.test(word))) return false;
  const isIn = (word: string, ...fields: readonly WordField[]) =>
    isFormOf(word, wordsFor(page.language, ...fields));
  const isGeneral = (word: string) =>
    isIn(word, 'tooGeneral', 'ornaments', 'pictureWords') || LOGO.has(word) || /^\d+$/u.test(word);
  const isLook = (word: string) => isIn(word, 'iconLooks');
  const isCommon = (word: string) => isIn(word, 'commonWords') || word.length === 1;
  const isMedia = (word: string) => isIn(word, 'mediaWords');
  const says = (list: readonly string[]) => sharedWords(words, list).length > 0;
  // “Book tickets” is what a press does, though a book and a ticket can be drawn.
  const [first = ''] = tokensOf(placement.alt ?? '');
  if (
    words.length > 1 &&
    isIn(first, 'deeds') &&
    sharedWords(words.slice(1), [...target.words, ...target.title]).length > 0
  )
    return false;
  const isOnlyLook =
    words.some(isLook) && words.every((word) => isLook(word) || isCommon(word) || isGeneral(word));
  if (target.kind === 'media') {
    if (isOnlyLook && !words.some(isMedia) && !says(target.words)) return true;
    const rest = words.filter((word) => !isMedia(word) && !isGeneral(word));
    if (rest.length === 0) return true;
    return !says(target.words) && !words.some(isMedia) && rest.length === 1;
  }
  // A basket is drawn where “basket.html” is meant: only what the page calls itself says where it leads.
  if (isOnlyLook && !says(target.title)) return true;
  if (isOnlyLook && target.isHome && words.length === 1 && target.title.length > 2) return true;
  if (says(target.words) || says(target.title)) return false;
  if (words.every(isGeneral)) return true;
  if (target.kind === 'elsewhere' || words.some((word) => isIn(word, 'deeds'))) return false;
  const { widthPx, heightPx } = placement.declared;
  const isSmall = Math.max(widthPx ?? SMALL_PX + 1, heightPx ?? 0) <= SMALL_PX;
  // A small sign with a name of few words that has nothing to do with where it leads.
  return isSmall && words.some(isLook) && tokensOf(placement.alt ?? '').length <= MOST_WORDS_OF_LOOK;
}

/** “Telephone” where a press calls, “mail” where it writes: drawn or not, that is what it does. */
function isNameOfDeed({ alt, link }: PlacementToCheck): boolean {
  const [, scheme = ''] = /^(tel|mailto):/iu.exec(link?.href ?? '') ?? [];
  const names = DEED_NAMES[scheme.toLowerCase()] ?? [];
  const words = tokensOf(alt ?? '');
  return words.length > 0 && words.every((word) => names.includes(word));
}

const DEED_NAMES: Readonly<Record<string, readonly string[]>> = {
  tel: ['telephone', 'phone', 'tel', 'telefon', 'téléphone', 'teléfono'],
  mailto: ['mail', 'e-mail', 'email', 'courriel', 'correo', 'electrónico'],
};

const PLURALS = ['s', 'es', 'n', 'en', 'e', 'x'];

/** Whether it is a word of a list, or the plural of one. */
const isFormOf = (word: string, list: ReadonlySet<string>): boolean =>
  list.has(word) ||
  PLURALS.some((ending) => word.endsWith(ending) && list.has(word.slice(0, -ending.length)));

const LOGO = new Set(['logo', 'logos', 'logotipo', 'logotype', 'sponsor', 'partner', 'partenaire', 'socio', 'patrocinador', 'icon', 'icono', 'icône', 'symbol', 'emblem', 'wappen', 'zeichen', 'badge', 'button', 'knopf', 'bouton', 'botón']); // oxfmt-ignore
