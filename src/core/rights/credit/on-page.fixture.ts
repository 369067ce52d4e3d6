/** A page as the readers of credits see it, out of the inside of its body. */
import type { Element } from '../../markup/attribute-value';
import { attributeText } from '../../markup/attribute-value';
import { readTree, type PageTree } from '../../markup/page-tree';
import { hiddenElements, readHiding } from '../../styles/hidden-elements';
import { weighPage, type PageWeights } from './page-weights';
import type { Sight } from './visible-text';

interface ReadPage {
  readonly tree: PageTree;
  readonly body: Element;
  readonly sight: Sight;
  readonly weights: PageWeights;
  /** The element with an id. */
  readonly named: (id: string) => Element;
}

export function pageOf(html: string, css = ''): ReadPage {
  const tree = readTree({
    text: `<!doctype html><html lang="en"><title>Page</title><body>${html}`,
    encoding: 'utf-8',
  });
  const hidden = hiddenElements(tree, [readHiding(css)]);
  const sight: Sight = {
    isHidden: (element) => hidden.has(element),
    hrefOf: (element) => attributeText(element, 'href'),
  };
  const { body } = tree;
  if (!body) throw new Error('the page has no body');
  const named = (id: string) => {
    const found = tree.elements.find((element) => attributeText(element, 'id') === id);
    if (!found) throw new Error(`nothing is called ${id}`);
    return found;
  };
  return { tree, body, sight, weights: weighPage(tree, sight), named };
}
