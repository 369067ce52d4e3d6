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
  for (const { name, value } of element.attrs) {
    if (name === 'style') style = value;
    else if (name === 'role') isDrawn ||= isPictureByRole(element);
    else if (name.startsWith('data-') && lazy.has(name)) waits = true;
  }
  if (readers.length === 0 && style === null && !waits && !isDrawn) return NOTHING;
  const page = new ReaderOfElement(tree, element, around);
  const found = readers.flatMap((kind) => kind.read(element, page));
  if (waits) found.push(...lazyReferences(element, page, lazy));
  if (isDrawn) found.push(...drawnReference(element, page, found));
  if (style === null) return found;
  for (const reference of readStyleAttribute(style)) {
    const place = page.locate('style');
    if (!place) continue;
    found.push({
      kind: 'css',
      attribute: reference.property,
      value: reference.value,
      span: place.spanOf(reference.span.start, reference.span.end),
      descriptor: '',
    });
  }
  return found;
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
