/** How many other pictures of a page say the same. A page may say one thing of very many, so nobody goes through all of them. */
import { once, onceFor } from '../once-for';
import type { PageToCheck, PlacementToCheck } from '../page-to-check';
import { pageWords, type PictureWords } from './picture-words';

/** Places of a page, counted by what is shown and where it leads. */
export interface Tally {
  /** Those of another file that is not known to hold the same picture. */
  others(placement: PlacementToCheck): number;
  /** Those of the former that are not in a link to the same address. */
  othersElsewhere(placement: PlacementToCheck): number;
}

/** Of all pictures of the page whose alt text, or caption, says that, or of those among them that a test lets through. */
export function tallySaying(
  page: PageToCheck,
  { field, text }: { readonly field: 'alt' | 'caption'; readonly text: string },
  isWanted: (one: PictureWords) => boolean = () => true,
): Tally {
  const wanted = pageWords(page).saying(field, text).filter(isWanted);
  // Most texts stand once, and whoever asks is the one that says it.
  const [only] = wanted.length === 1 ? wanted : [];
  const standsAlone = (placement: PlacementToCheck) => wanted.length === 0 || placement === only?.placement;
  const tally = once(() => countPlaces(wanted, page));
  const others = (placement: PlacementToCheck) =>
    standsAlone(placement) ? 0 : wanted.length - tally()(keysOf(placement, page).picture);
  return {
    others,
    othersElsewhere(placement) {
      if (standsAlone(placement)) return 0;
      const { picture, link } = keysOf(placement, page);
      const count = tally();
      // Those in both were taken off already.
      return others(placement) - (link === null ? 0 : count(link) - count(picture + link));
    },
  };
}

/** How many of them are counted under a key. */
function countPlaces(some: readonly PictureWords[], page: PageToCheck): (key: string) => number {
  const counts = new Map<string, number>();
  for (const one of some) {
    const { picture, link } = keysOf(one.placement, page);
    for (const key of link === null ? [picture] : [picture, link, picture + link])
      counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return (key) => counts.get(key) ?? 0;
}

/** What a place is counted under: the picture where it is known, else its file; and its link. */
function keysOf({ filePath, url, link }: PlacementToCheck, page: PageToCheck) {
  const id = page.pictures.get(filePath ?? '')?.pictureId ?? null;
  return {
    picture: id === null ? `file ${filePath ?? url}` : `picture ${id}`,
    link: link === null ? null : `\nlink ${link.href}`,
  };
}

/** Keeps what is counted for each text of a page. */
export function onceForText(find: (page: PageToCheck, text: string) => Tally) {
  const known = onceFor((_: PageToCheck) => new Map<string, Tally>());
  return (page: PageToCheck, text: string): Tally => {
    const tallies = known(page);
    const tally = tallies.get(text) ?? find(page, text);
    tallies.set(text, tally);
    return tally;
  };
}
