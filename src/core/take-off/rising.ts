/** What around a picture would be left empty once it is gone, and therefore goes too. */
import { attributeText, type Element } from '../markup/attribute-value';
import { isElement, type Node } from '../markup/node-text';
import { parentOf } from './written-tree';

/** Elements that show or do something by themselves. */
const SHOWS = new Set([
  'img', 'picture', 'video', 'audio', 'canvas', 'svg', 'iframe', 'frame', 'embed', 'object', 'applet', 'input', 'select', 'textarea',
  'button', 'hr', 'math', 'progress', 'meter', 'form', 'script', 'style', 'link', 'meta', 'noscript', 'template', 'slot', 'base',
  'title', 'dialog', 'map', 'marquee', 'isindex',
  // Shapes of drawings
  'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'path', 'text', 'use', 'image', 'foreignobject', 'foreignObject',
]); // oxfmt-ignore
/** Parts of a picture or clip that show nothing without it. */
const PARTS = new Set(['source', 'track', 'param']);

/** Elements that go when nothing is left in them. */
const GOES = new Set([
  'a', 'picture', 'figure', 'span', 'b', 'i', 'em', 'strong', 'u', 'small', 'big', 'font', 'center', 'tt', 'abbr', 'ins', 'p',
  'div', 'li', 'dt', 'dd', 'ul', 'ol', 'dl', 'menu', 'dir', 'section', 'article', 'aside', 'nav', 'tr', 'tbody', 'thead', 'tfoot',
  'table', 'noscript', 'svg', 'g', 'blockquote', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'map', 'video', 'audio', 'object',
  'button',
]); // oxfmt-ignore
/** Boxes that scripts and styles call by name, empty or not. */
const BOXES = new Set(['div', 'section', 'article', 'aside', 'nav', 'table', 'ul', 'ol', 'dl']);
const HEADINGS = new Set(['h1', 'h2', 'h3', 'h4', 'h5', 'h6']);

/** Words put in place of a picture that was all that something said. */
interface Spoken {
  readonly picture: Element;
  readonly words: string;
}

export interface Risen {
  readonly spoken: readonly Spoken[];
  /** Elements that would say nothing any more, and whose picture has no words to put in its place. */
  readonly mute: ReadonlySet<Element>;
}

interface Rising {
  /** What goes; what is found is added. */
  readonly gone: Set<Element>;
  /** Elements that have lost their background. */
  readonly undressed: ReadonlySet<Element>;
  /** Names that something on the page leads to. */
  readonly called: ReadonlySet<string>;
}

/**
 * Adds to what goes all that would be left empty around it, the innermost first. A heading, a button that sends, a
 * summary or a legend that only the picture filled takes the picture's words instead.
 */
export function rise({ gone, undressed, called }: Rising): Risen {
  const byDepth = new Map<number, Set<Element>>();
  const ask = (element: Element | null) => {
    if (!element) return;
    const depth = depthOf(element);
    const others = byDepth.get(depth);
    if (others) others.add(element);
    else byDepth.set(depth, new Set([element]));
  };
  const spoken: Spoken[] = [];
  const mute = new Set<Element>();
  const risen = new Set<Element>();
  for (const element of gone) ask(parentOf(element));
  for (const element of undressed) ask(isPictureLike(element) ? element : null);
  for (let depth = Math.max(0, ...byDepth.keys()); depth >= 0; depth--) {
    for (const element of byDepth.get(depth) ?? []) {
      if (gone.has(element) || hasContent(element, gone)) continue;
      if (needsWords(element)) {
        const said = speak(element, gone, risen);
        if (said) {
          spoken.push(...said);
          continue;
        }
        if (!HEADINGS.has(element.tagName)) {
          mute.add(element);
          for (const one of risen) if (isWithin(one, element)) gone.delete(one);
          continue;
        }
      }
      // A row goes with all its cells or not at all; so does what a row's table is made of.
      if (element.tagName === 'td' || element.tagName === 'th') ask(parentOf(element));
      if (!GOES.has(element.tagName) || stays(element, called)) continue;
      gone.add(element);
      risen.add(element);
      ask(parentOf(element));
    }
  }
  return { spoken, mute };
}

/** A shape that stands where a picture would: it goes with its link, item or figure, else it keeps its place. */
function isPictureLike(element: Element): boolean {
  if (element.tagName === 'body' || element.tagName === 'html') return false;
  const parent = parentOf(element);
  return parent !== null && ['a', 'li', 'figure', 'picture'].includes(parent.tagName);
}

function stays(element: Element, called: ReadonlySet<string>): boolean {
  const id =
    attributeText(element, 'id') ?? (element.tagName === 'a' ? attributeText(element, 'name') : null);
  if (id === null || id === '') return false;
  return called.has(id) || BOXES.has(element.tagName);
}

function depthOf(element: Element): number {
  let depth = 0;
  for (let at = parentOf(element); at; at = parentOf(at)) depth++;
  return depth;
}

const BLANK = /^[\s\u00a0\u200b\ufeff]*$/u;

/** Whether readers would find anything in an element once some of what it holds is gone. */
export function hasContent(element: Element, gone: ReadonlySet<Element>): boolean {
  const captions = captionsOfGone(element, gone);
  const open: Node[] = [...element.childNodes];
  for (let node = open.pop(); node; node = open.pop()) {
    if (node.nodeName === '#text') {
      if (!BLANK.test((node as unknown as { value: string }).value)) return true;
      continue;
    }
    if (!isElement(node) || gone.has(node) || captions.includes(node) || PARTS.has(node.tagName)) continue;
    if (showsItself(node)) return true;
    open.push(...node.childNodes);
  }
  return false;
}

function showsItself(element: Element): boolean {
  if (SHOWS.has(element.tagName) || element.tagName.includes('-')) return true;
  return element.attrs.some(
    ({ name, value }) =>
      (name === 'style' && /url\(|image-set\(/iu.test(value)) ||
      (name === 'background' && value !== '') ||
      name === 'role',
  );
}

/** The captions of a figure whose pictures are all gone: they spoke of them. */
function captionsOfGone(figure: Element, gone: ReadonlySet<Element>): readonly Element[] {
  const isFigure = figure.tagName === 'figure';
  if (!isFigure && !FIGURE_CLASS.test(attributeText(figure, 'class') ?? '')) return [];
  const captions = figure.childNodes.filter(
    (child): child is Element =>
      isElement(child) &&
      (isFigure ? child.tagName === 'figcaption' : TITLE_CLASS.test(attributeText(child, 'class') ?? '')),
  );
  if (captions.length === 0 || !holdsGone(figure, gone)) return [];
  return captions.filter((caption) => !hasPicture(caption, gone));
}

/** Boxes that generators of documents make for a figure, and what they call its title. */
const FIGURE_CLASS = /(?:^|\s)(?:informal)?figure(?:$|\s)/iu;
const TITLE_CLASS = /(?:^|[\s_-])(?:title|caption|legend)(?:$|[\s_-])/iu;

function holdsGone(element: Element, gone: ReadonlySet<Element>): boolean {
  const open: Node[] = [...element.childNodes];
  for (let node = open.pop(); node; node = open.pop()) {
    if (!isElement(node)) continue;
    if (gone.has(node)) return true;
    open.push(...node.childNodes);
  }
  return false;
}

const PICTURES = new Set(['img', 'svg', 'video', 'audio', 'canvas', 'object', 'embed', 'iframe', 'image']);

/** Whether a picture is left in an element. */
export function hasPicture(element: Element, gone: ReadonlySet<Element>): boolean {
  const open: Node[] = [...element.childNodes];
  for (let node = open.pop(); node; node = open.pop()) {
    if (!isElement(node) || gone.has(node)) continue;
    if (PICTURES.has(node.tagName)) return true;
    open.push(...node.childNodes);
  }
  return false;
}

/** What has to say something: headings, and what people press. A button that sends nothing was there for the picture. */
function needsWords(element: Element): boolean {
  const { tagName } = element;
  if (HEADINGS.has(tagName) || tagName === 'summary' || tagName === 'legend') return true;
  if (tagName !== 'button') return false;
  const type = attributeText(element, 'type')?.trim().toLowerCase() ?? 'submit';
  return type !== 'button' && isIn(element, 'form');
}

/** Whether an element is another, or stands in it. */
export function isWithin(element: Element, outer: Element): boolean {
  for (let at: Element | null = element; at; at = parentOf(at)) if (at === outer) return true;
  return false;
}

function isIn(element: Element, tagName: string): boolean {
  for (let at = parentOf(element); at; at = parentOf(at)) if (at.tagName === tagName) return true;
  return false;
}

/**
 * The words of the pictures within an element, which then stand in their place: what holds them stays.
 *
 * @param risen what goes only because it would be left empty
 * @returns `null` where they have none, and nothing is changed
 */
function speak(element: Element, gone: Set<Element>, risen: ReadonlySet<Element>): Spoken[] | null {
  const pictures: Element[] = [];
  const wrappers: Element[] = [];
  const open: Node[] = [...element.childNodes].reverse();
  for (let node = open.pop(); node; node = open.pop()) {
    if (!isElement(node)) continue;
    if (node.tagName === 'img' && gone.has(node)) pictures.push(node);
    else {
      if (risen.has(node)) wrappers.push(node);
      open.push(...[...node.childNodes].reverse());
    }
  }
  const spoken = pictures.flatMap((picture) => {
    const words = attributeText(picture, 'alt')?.trim();
    return words ? [{ picture, words }] : [];
  });
  if (spoken.length === 0) return null;
  for (const wrapper of wrappers) gone.delete(wrapper);
  return spoken;
}
