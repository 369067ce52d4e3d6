import type { CheckedSoFar } from '@/app/_data/errata/checked-so-far';
import { count, numberText } from '@/ui/format';

/** What is done of a check, and what is still to come; nothing where all is done. */
export function soFarText({ isReading, pages, checked, looking }: CheckedSoFar): string | null {
  if (isReading)
    return pages === 0
      ? null
      : 'Not all of the site was read yet. Where its pictures stand, and what is wrong with them, is told once it was.';
  if (!looking && checked >= pages) return null;
  const done =
    checked === 0
      ? `${count(pages, 'page')} ${pages === 1 ? 'is' : 'are'} about to be checked: what is listed may still change.`
      : `Checked ${numberText(checked)} of ${count(pages, 'page')} so far: what is listed may still change.`;
  if (!looking) return done;
  const { read, all } = looking;
  const pictures =
    read < all
      ? `The pictures are being looked at, ${numberText(read)} of ${numberText(all)}`
      : 'The pictures are being put together';
  const toCome = `${pictures}: leftovers, ages, families and rights follow.`;
  return checked < pages
    ? `${done} ${toCome}`
    : `${count(pages, 'page')} checked for words and addresses. ${toCome}`;
}
