/** What the elements of a page refer to: by the kinds that look at their tag, by what waits for scripts, by their style. */
import { readStyleAttribute } from '../styles/read-sheet';
import { attributeText, locateAttribute, type Element } from './attribute-value';
import { kindsFor } from './kinds/all-kinds';
import { drawnReference, isPictureByRole } from './kinds/drawn';
import type { ElementReader, FoundReference } from './kinds/kind';
import { lazyReferences } from './kinds/lazy';
import { insideOf } from './inside';
import type { PageTree, Surroundings } from './page-tree';

/** What an element refers to, in its attributes and in its style. */
export function referencesOf(
  { tree, lazy }: { readonly tree: PageTree; readonly lazy: ReadonlySet<string> },
  element: Element,
  around: Surroundings,
): FoundReference[] {
  const readers = kindsFor(element.tagName);
  let style: string | null = null;
  let waits = false;
  let isDrawn = element.tagName === 'img';
  let isPresented = false;
  for (const { name, value } of element.attrs) {
    if (name === 'style') style = value;
    else if (name === 'mask' || name === 'cursor') isPresented ||= element.namespaceURI === SVG;
    else if (name === 'role') isDrawn ||= isPictureByRole(element);
    else if (name.startsWith('data-') && lazy.has(name)) waits = true;
  }
  if (readers.length === 0 && style === null && !waits && !isDrawn && !isPresented) return NOTHING;
  const page = new ReaderOfElement(tree, element, around);
  const found = readers.flatMap((kind) => kind.read(element, page));
  if (waits) found.push(...lazyReferences(element, page, lazy));
  if (isDrawn) found.push(...drawnReference(element, page, found));
  if (style !== null) found.push(...styleReferences(page, 'style', ''));
  if (isPresented) found.push(...PRESENTED.flatMap((name) => styleReferences(page, name, `${name}:`)));
  return found;
}

const SVG = 'http://www.w3.org/2000/svg';

/** Properties of style that elements of SVG may be given as attributes, of those that show pictures (SVG 2, §6.6). */
const PRESENTED = ['mask', 'cursor'] as const;

/** The pictures of an attribute that holds declarations. @param before what its value lacks to be one */
function styleReferences(page: ReaderOfElement, attribute: string, before: string): FoundReference[] {
  const place = page.locate(attribute);
  if (!place) return NOTHING;
  return readStyleAttribute(before + place.value).map(({ property, value, span }) => ({
    kind: 'css',
    attribute: property,
    value,
    span: place.spanOf(span.start - before.length, span.end - before.length),
    descriptor: '',
  }));
}

/** A class, not an object of closures: one is made for most elements of every page. */
class ReaderOfElement implements ElementReader {
  constructor(
    private readonly tree: PageTree,
    private readonly element: Element,
    readonly around: Surroundings,
  ) {}

  locate(name: string) {
    return locateAttribute(this.tree, this.element, name);
  }

  text(name: string) {
    return attributeText(this.element, name);
  }

  tagName() {
    const { sourceCodeLocation: location, tagName } = this.element;
    if (!location) return null;
    const start = (location.startTag ?? location).startOffset + 1;
    return { start, end: start + tagName.length };
  }

  inside() {
    return insideOf(this.tree, this.element);
  }
}

const NOTHING: FoundReference[] = [];
