import type { SourceEdit } from '../edit/source-edit';
import { locateAttribute } from '../markup/attribute-value';
import { readTree } from '../markup/page-tree';
import type { SourceText } from '../source/decode-source';
import { typeAt, type Clip, type ClipPlace } from './clip';

/**
 * The edit of the `type` beside a clip's address, where what it names does not hold for another clip: browsers pass over
 * what is named wrongly.
 *
 * @param source the page
 * @param place where the value of the `src` begins, in `source.text`
 * @returns `null` where no type is named, or it holds
 */
export function mediaTypeEdit(
  source: SourceText,
  place: ClipPlace & { readonly start: number },
  clip: Clip,
): SourceEdit | null {
  const becomes = typeAt(place, clip);
  if (becomes === null) return null;
  const element = readTree(source).elements.find(
    (one) => locateAttribute(source, one, 'src')?.span.start === place.start,
  );
  const named = element ? locateAttribute(source, element, 'type') : null;
  if (!named) return null;
  const { start, end } = named.span;
  return { start, end, was: source.text.slice(start, end), becomes };
}
