import type { DeskItem } from '@/app/_data/words/text-desk-item';
import { mayBeDecoration } from '@/core/errata/alt-branch';
import { countingWords } from '@/core/errata/words/read-words';
import type { DeclaredSlot } from '@/core/markup/placement';
import { count, placeText } from '@/ui/format';
import { Link } from '@/ui/link';
import { kindText, slotText } from '@/ui/placement-text';
import { Key } from './keys';
import { altOfField, withAlt, withBlock, withCaption, withOwn, type Typed } from './desk-words';

interface PlaceFieldsProps {
  slug: string;
  item: DeskItem;
  typed: Typed;
  /** Which of the item's places. */
  at: number;
  onType: (typed: Typed) => void;
  onFocus: () => void;
}

/** Roughly what one listens to in one breath. */
const BREATH = 150;

/** One place (or several that are alike): a piece of its page around it, and fields for its words. */
export function PlaceFields({ slug, item, typed, at, onType, onFocus }: PlaceFieldsProps) {
  const one = item.places[at];
  const words = typed[at];
  if (!one || !words) return null;
  const { page, pages, ids, place, takes } = one;
  const { context, link } = place;
  const isFollowing = at > 0 && !words.isOwn && takes.alt;
  const id = `place-${ids[0]}`;
  const where = [
    kindText(place.kind, place.source !== page.path),
    slotText(place.declared),
    context.group ? `${context.group.index} of ${context.group.size} in its group` : '',
    link ? `leads to ${link.href}` : '',
    place.hidden ? 'hidden from assistive technology' : '',
  ].filter(Boolean);
  return (
    <li className="border-b border-line px-5 py-3" onFocus={onFocus}>
      <p>
        <Link href={`/s/${slug}/pages/${page.id}`} className="font-semibold text-green">
          {placeText(page.path)}
        </Link>
        <span className="text-sm text-ink-2">
          {pages > 1
            ? ` and ${count(pages - 1, 'more page')} alike`
            : ids.length > 1
              ? `, ${ids.length} times alike`
              : ''}{' '}
          · {where.join(' · ')}
        </span>
      </p>
      <div className="mt-1.5 border-l-2 border-line-2 pl-3 font-serif text-sm text-ink-2">
        {context.headings.length > 0 ? <strong className="block">{context.headings.at(-1)}</strong> : null}
        {context.before ? <p className="line-clamp-2">{context.before}</p> : null}
        <div className="my-1 flex items-center gap-2">
          <Slot slug={slug} item={item} declared={place.declared} />
          {link?.text ? <span>{link.text}</span> : null}
        </div>
        {context.after ? <p className="line-clamp-2">{context.after}</p> : null}
      </div>
      {takes.alt ? (
        isFollowing ? (
          <p className="mt-2">
            <span className="text-sm text-ink-2">Alt text, as above: </span>
            <span className="font-serif">
              {words.alt || (words.alt === '' ? 'none, decoration' : 'not there yet')}
            </span>{' '}
            <button
              type="button"
              className="text-sm text-green"
              onClick={() => onType(withOwn(typed, at, true))}
            >
              One of its own <Key>Alt O</Key>
            </button>
          </p>
        ) : (
          <AltField id={id} item={item} typed={typed} at={at} onType={onType} />
        )
      ) : null}
      {takes.caption ? (
        <div className="mt-2">
          <label htmlFor={`${id}-caption`} className="block text-sm text-ink-2">
            Caption, under the picture
          </label>
          {place.caption && place.caption !== words.caption ? (
            <del className="block font-serif text-ink-3">{place.caption}</del>
          ) : null}
          <textarea
            id={`${id}-caption`}
            rows={1}
            maxLength={2000}
            value={words.caption ?? ''}
            onChange={(event) => onType(withCaption(typed, at, event.target.value))}
            className="field-sizing-content mt-0.5 block w-full resize-none border-b border-ink bg-sheet font-serif text-[16px] leading-[22px]"
          />
        </div>
      ) : place.caption ? (
        <p className="mt-2 text-sm text-ink-2">
          Caption <span className="font-serif text-ink">{place.caption}</span> is written with other things in
          it: change it in the page.
        </p>
      ) : null}
      <BlockField id={`${id}-block`} item={item} typed={typed} at={at} onType={onType} />
    </li>
  );
}

/** The picture in the shape of its slot, at most 96 × 60, where it stands between the words of the page. */
function Slot({ slug, item, declared }: { slug: string; item: DeskItem; declared: DeclaredSlot }) {
  const [width, height] = [declared.widthPx ?? item.widthPx, declared.heightPx ?? item.heightPx];
  const ratio = width && height ? Math.min(6, Math.max(0.3, width / height)) : 1.5;
  const drawn = Math.round(Math.min(96, 60 * ratio));
  return item.sha256 ? (
    <img
      src={`/s/${slug}/image/${item.sha256}`}
      alt=""
      className="bg-mat object-cover"
      style={{ width: drawn, height: Math.round(drawn / ratio) }}
    />
  ) : (
    <span className="font-sans text-ink-3">(the picture)</span>
  );
}

/** What is written in the picture as text below it, for everybody: offered where words were read in it. */
function BlockField({
  id,
  item,
  typed,
  at,
  onType,
}: Pick<PlaceFieldsProps, 'item' | 'typed' | 'at' | 'onType'> & { id: string }) {
  const block = typed[at]?.block ?? null;
  const isOffered =
    item.places[at]?.takes.block &&
    (countingWords(item.readText ?? '').length >= LEAST_READ || block !== null);
  if (!isOffered) return null;
  if (block === null) {
    return (
      <button
        type="button"
        className="mt-2 text-sm text-green"
        onClick={() => onType(withBlock(typed, at, item.readText))}
      >
        Put what is written in it under the picture, for everybody <Key>Alt T</Key>
      </button>
    );
  }
  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-baseline gap-x-3 text-sm text-ink-2">
        <label htmlFor={id}>Text under the picture, for everybody: as it was read, so look it over</label>
        <button
          type="button"
          className="ml-auto text-green"
          onClick={() => onType(withBlock(typed, at, null))}
        >
          None after all
        </button>
      </div>
      <textarea
        id={id}
        rows={2}
        maxLength={5000}
        value={block}
        onChange={(event) => onType(withBlock(typed, at, event.target.value))}
        className="field-sizing-content mt-0.5 block w-full resize-none border-b border-ink bg-sheet font-serif text-[16px] leading-[22px]"
      />
    </div>
  );
}

/** Fewer words are a sign, or letters seen in leaves. */
const LEAST_READ = 4;

function AltField({
  id,
  item,
  typed,
  at,
  onType,
}: Pick<PlaceFieldsProps, 'item' | 'typed' | 'at' | 'onType'> & { id: string }) {
  const one = item.places[at];
  const words = typed[at];
  if (!one || !words) return null;
  const { place } = one;
  const following =
    at === 0 ? typed.filter((other, i) => i > 0 && !other.isOwn && item.places[i]?.takes.alt).length : 0;
  const length = words.alt?.length ?? 0;
  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-baseline gap-x-3 text-sm text-ink-2">
        <label htmlFor={id}>
          Alt text, read aloud instead of the picture
          {following > 0
            ? `, here and in ${count(following, 'more kind of place', 'more kinds of place')} below`
            : ''}
        </label>
        <span className={`ml-auto ${length > BREATH ? 'text-should' : ''}`}>
          {length > 0 ? `${length} of ${BREATH}` : ''}
        </span>
      </div>
      {place.alt !== null && place.alt !== '' && place.alt !== words.alt ? (
        <del className="block font-serif text-ink-3">{place.alt}</del>
      ) : null}
      <textarea
        id={id}
        rows={1}
        maxLength={2000}
        value={words.alt ?? ''}
        placeholder={
          words.alt === null ? 'no alt text yet' : words.alt === '' ? 'decoration: nothing is read aloud' : ''
        }
        onChange={(event) =>
          onType(withAlt(typed, at, altOfField(event.target.value.replace(/[\r\n]+/g, ' '), place.alt)))
        }
        className="field-sizing-content mt-0.5 block w-full resize-none border-b border-ink bg-sheet font-serif text-[17px] leading-[24px]"
      />
      <div className="mt-1 flex flex-wrap gap-x-4 text-sm">
        {mayBeDecoration(place) ? (
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-(--green)"
              checked={words.alt === ''}
              onChange={(event) =>
                onType(withAlt(typed, at, event.target.checked ? '' : altOfField('', place.alt || null)))
              }
            />
            It is decoration <Key>Alt 0</Key>
          </label>
        ) : null}
        {at > 0 && words.isOwn ? (
          <button type="button" className="text-green" onClick={() => onType(withOwn(typed, at, false))}>
            The same as above <Key>Alt O</Key>
          </button>
        ) : null}
      </div>
    </div>
  );
}
