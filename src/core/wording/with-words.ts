/** A page as it would be with other words, so that its rules can be asked before anything is written. */
import { mayBeDecoration } from '../errata/alt-branch';
import type { PlaceWords } from '../edit/word-edits';
import type { PageToCheck, PictureFacts, PlacementToCheck } from '../errata/page-to-check';

/**
 * The page with new words at some of its places. What each picture is called on all pages is counted anew.
 *
 * @param words by the place's position in `page.placements`
 */
export function withWords(page: PageToCheck, words: ReadonlyMap<number, PlaceWords>): PageToCheck {
  const moved = new Map<string, (readonly [string | null, string])[]>();
  const placements = page.placements.map((placement, at) => {
    const own = words.get(at);
    if (!own) return placement;
    const { filePath, alt } = placement;
    if (own.alt !== null && filePath !== null && placement.bearsWords)
      moved.set(filePath, [...(moved.get(filePath) ?? []), [alt, own.alt]]);
    return { ...placement, ...worded(placement, own) };
  });
  const pictures = new Map(page.pictures);
  for (const [path, changes] of moved) {
    const facts = pictures.get(path);
    if (facts) pictures.set(path, { ...facts, altTexts: recounted(facts.altTexts, changes) });
  }
  return { ...page, placements, pictures };
}

type WordField = 'alt' | 'name' | 'caption' | 'decorative' | 'context';

/** Alt text, name, caption and decoration as they follow from the new words. */
export function worded(
  place: Pick<PlacementToCheck, WordField | 'kind' | 'raw'>,
  words: PlaceWords,
): Pick<PlacementToCheck, WordField> {
  const { alt, name, caption, decorative, context } = place;
  const written = {
    caption: words.caption === null ? caption : words.caption.trim() || null,
    context: words.block ? { ...context, after: `${words.block} ${context.after}` } : context,
  };
  if (words.alt === null) return { alt, name, decorative, ...written };
  const isLabelled = name !== '' && name !== (alt ?? '').replace(/\s+/gu, ' ').trim();
  const says = words.alt.replace(/\s+/gu, ' ').trim();
  // A role takes it out whatever it says; an empty alt text does only where no label names it.
  const byRole = decorative && (alt ?? '') !== '';
  return {
    alt: words.alt,
    name: isLabelled && alt !== null ? name : says || (isLabelled ? name : ''),
    decorative: byRole || (words.alt === '' && mayBeDecoration(place) && !(isLabelled && alt !== null)),
    ...written,
  };
}

function recounted(
  texts: PictureFacts['altTexts'],
  changes: readonly (readonly [string | null, string])[],
): PictureFacts['altTexts'] {
  const counts = new Map(Object.entries(texts));
  for (const [was, becomes] of changes) {
    if (was !== null) {
      const left = (counts.get(was) ?? 1) - 1;
      if (left > 0) counts.set(was, left);
      else counts.delete(was);
    }
    counts.set(becomes, (counts.get(becomes) ?? 0) + 1);
  }
  return Object.fromEntries(counts);
}
