/** How many other pictures of a page say the same. A page may say one thing of very many, so nobody goes through all of them. */
import { onceFor } from '../once-for';
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
  const counts = new Map<string, number>();
  let all = 0;
  for (const one of pageWords(page).saying(field, text)) {
    if (!isWanted(one)) continue;
    all++;
    const { picture, link } = keysOf(one.placement, page);
    for (const key of link === null ? [picture] : [picture, link, picture + link])
      counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const count = (key: string) => counts.get(key) ?? 0;
  const others = (placement: PlacementToCheck) => all - count(keysOf(placement, page).picture);
  return {
    others,
    othersElsewhere(placement) {
      const { picture, link } = keysOf(placement, page);
      // Those in both were taken off already.
      return others(placement) - (link === null ? 0 : count(link) - count(picture + link));
    },
  };
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
