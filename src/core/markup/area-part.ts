/** Which part of which picture an area of an image map is (HTML standard, image maps). */
import { attributeText, type Element } from './attribute-value';
import { isElement } from './node-text';
import type { PageTree } from './page-tree';

export interface AreaPart {
  /** Path of the picture within the site; `null` for one that lies elsewhere. */
  readonly file: string | null;
  /** The least rectangle around it, in CSS pixels from the picture's top left; `null` for the whole picture. */
  readonly box: {
    readonly left: number;
    readonly top: number;
    readonly width: number;
    readonly height: number;
  } | null;
  /** Size at which the picture is drawn, as far as the markup says. */
  readonly widthPx: number | null;
  readonly heightPx: number | null;
}

const byMap = new WeakMap<PageTree, Map<string, Element>>();

/** The first element that uses a map, by the map's name. */
function usersOf(tree: PageTree): Map<string, Element> {
  let users = byMap.get(tree);
  if (!users) {
    users = new Map();
    for (const element of tree.elements) {
      const name = attributeText(element, 'usemap')?.trim().replace(/^#/u, '');
      if (name && !users.has(name)) users.set(name, element);
    }
    byMap.set(tree, users);
  }
  return users;
}

/**
 * @param pathOf gives the path within the site of an address on the page
 * @returns `null` where no picture uses the map
 */
export function areaPart(
  tree: PageTree,
  area: Element,
  pathOf: (address: string) => string | null,
): AreaPart | null {
  let map = area.parentNode;
  while (map && isElement(map) && map.tagName !== 'map') map = map.parentNode;
  const name = map && isElement(map) ? (attributeText(map, 'name') ?? attributeText(map, 'id')) : null;
  const picture = name ? usersOf(tree).get(name) : undefined;
  if (!picture) return null;
  const address = attributeText(picture, 'src') ?? attributeText(picture, 'data');
  return {
    file: address === null ? null : pathOf(address),
    box: boxOf(attributeText(area, 'shape') ?? '', attributeText(area, 'coords') ?? ''),
    widthPx: pixels(attributeText(picture, 'width')),
    heightPx: pixels(attributeText(picture, 'height')),
  };
}

function boxOf(shape: string, coords: string): AreaPart['box'] {
  const numbers = coords
    .split(/[\s,;]+/u)
    .map(Number.parseFloat)
    .filter(Number.isFinite);
  const [x, y, radius] = numbers;
  if (/^def/iu.test(shape) || x === undefined || y === undefined || radius === undefined) return null;
  const points = /^circ/iu.test(shape) ? [x - radius, y - radius, x + radius, y + radius] : numbers;
  const across = points.filter((_, n) => n % 2 === 0);
  const down = points.filter((_, n) => n % 2 === 1);
  const [left, top] = [Math.min(...across), Math.min(...down)];
  return { left, top, width: Math.max(...across) - left, height: Math.max(...down) - top };
}

function pixels(text: string | null): number | null {
  const value = Number.parseFloat(text ?? '');
  return Number.isFinite(value) && value > 0 && !text?.includes('%') ? value : null;
}
