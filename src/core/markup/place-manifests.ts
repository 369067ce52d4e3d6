/** Finds the pictures of the web app manifest that a page links (https://www.w3.org/TR/appmanifest/). */
import { resolveAddress, type SiteAddressing } from '../address/resolve-address';
import type { SourceText } from '../source/decode-source';
import { lineStarts, positionAt } from '../source/line-index';
import { attributeText, type Element } from './attribute-value';
import { NOTHING_DECLARED } from './declared-slot';
import { picturesInJson, type JsonPicture } from './kinds/json-ld';
import type { PageTree } from './page-tree';
import { NOWHERE } from './nowhere';
import type { Placement } from './placement';

/** A manifest of the site, read once for all pages that link it. */
export interface ManifestText {
  readonly path: string;
  readonly url: string;
  readonly source: SourceText;
  readonly pictures: readonly JsonPicture[];
  readonly starts: readonly number[];
}

export type ManifestSource = (path: string) => ManifestText | undefined;

const PICTURE_LISTS = new Set(['icons', 'screenshots', 'splash_screens']);

/** Reads a manifest once. A text that is no JSON names no pictures. */
export function manifestText(path: string, url: string, source: SourceText): ManifestText {
  const pictures = picturesInJson(source.text, (_value, way) => {
    const names = way.filter((step) => typeof step === 'string');
    return names.at(-1) === 'src' && PICTURE_LISTS.has(names.at(-2) ?? '');
  });
  return { path, url, source, pictures, starts: lineStarts(source.text) };
}

interface ManifestsInput {
  readonly tree: PageTree;
  readonly base: string;
  readonly page: string;
  readonly site: SiteAddressing;
  readonly manifestOf: ManifestSource;
}

/** The manifest's pictures as placements of the page, and the paths of the manifests it links. */
export function placeManifests(input: ManifestsInput): { placements: Placement[]; manifests: string[] } {
  const placements: Placement[] = [];
  const manifests: string[] = [];
  for (const element of input.tree.elements) {
    if (element.tagName !== 'link' || !isManifestLink(element)) continue;
    const address = resolveAddress(attributeText(element, 'href') ?? '', input.base, input.site);
    if (address.kind !== 'site' || manifests.includes(address.path)) continue;
    manifests.push(address.path);
    const manifest = input.manifestOf(address.path);
    for (const picture of manifest?.pictures ?? [])
      placements.push(placed(input, manifest as ManifestText, picture));
  }
  return { placements, manifests };
}

function isManifestLink(element: Element): boolean {
  return (attributeText(element, 'rel') ?? '').toLowerCase().split(/\s+/).includes('manifest');
}

function placed({ page, site }: ManifestsInput, manifest: ManifestText, picture: JsonPicture): Placement {
  const { value, start, end, path } = picture;
  return {
    ...NOWHERE,
    kind: 'manifest',
    page,
    source: manifest.path,
    raw: manifest.source.text.slice(start, end),
    start,
    end,
    ...positionAt(manifest.starts, start),
    address: resolveAddress(value, manifest.url, site),
    thread: `${manifest.path}|${path}`,
    hidden: false,
    dormant: false,
    declared: { ...NOTHING_DECLARED, writtenIn: path },
  };
}
