import type { DeskItem } from '@/app/_data/words/text-desk-item';
import type { Draft } from '@/core/wording/drafts';
import { draftSourceText } from '@/ui/draft-source';
import { pixelsText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { showsNoFile } from '@/ui/placement-text';
import { Key } from './keys';
import { pictureSrc } from './use-desk';

const MAT = { width: 250, height: 200 } as const;

/** The part of the picture that an area is, outlined on it. */
function PartMark({ item: { part, widthPx, heightPx } }: { item: DeskItem }) {
  if (!part || !widthPx || !heightPx) return null;
  const scale = Math.min(1, MAT.width / widthPx, MAT.height / heightPx);
  const [width, height] = [widthPx * scale, heightPx * scale];
  return (
    <span
      title="the part that these words are for"
      className="absolute border-2 border-green outline-2 outline-sheet"
      style={{
        left: (MAT.width - width) / 2 + part.left * width,
        top: (MAT.height - height) / 2 + part.top * height,
        width: part.width * width,
        height: part.height * height,
      }}
    />
  );
}

interface KnownOfItProps {
  slug: string;
  item: DeskItem;
  /** For the place that is being written. */
  drafts: readonly Draft[];
  onPut: (n: number) => void;
}

/** The picture large, what is known of it, and drafts out of that. */
export function KnownOfIt({ slug, item, drafts, onPut }: KnownOfItProps) {
  const { name, isTitled, fileId, sha256, widthPx, heightPx, embedded, credit, subjects } = item;
  const [first] = item.places;
  const facts = [
    ['Stored in its file', embedded],
    ['By', credit],
    ['Who and what is on it', subjects.join(', ')],
  ] as const;
  return (
    <section aria-label="The picture" className="min-w-0 px-5 py-3">
      <div className="relative" style={{ width: MAT.width }}>
        <Mat
          src={sha256 ? pictureSrc(slug, sha256) : null}
          alt={sha256 ? '' : first && showsNoFile(first.place.kind) ? 'to be seen on its page' : 'missing'}
          {...MAT}
        />
        <PartMark item={item} />
      </div>
      <h2 className={`mt-2 truncate text-lg font-semibold ${isTitled ? 'font-serif' : ''}`} title={name}>
        {name}
      </h2>
      <p className="flex flex-wrap gap-x-3 text-sm text-ink-2">
        {fileId ? <span>{pixelsText(widthPx, heightPx)}</span> : null}
        {fileId ? (
          <Link href={`/s/${slug}/pictures/${fileId}`} className="text-green">
            its record
          </Link>
        ) : first ? (
          <Link href={`/s/${slug}/pages/${first.page.id}`} target="_blank" className="text-green">
            see it on its page
          </Link>
        ) : null}
      </p>
      <dl className="mt-2 text-sm">
        {facts.map(([head, text]) =>
          text ? (
            <div key={head} className="mt-1.5">
              <dt className="text-ink-2">{head}</dt>
              <dd className="font-serif">{text}</dd>
            </div>
          ) : null,
        )}
      </dl>
      <h3 className="mt-3 text-sm text-ink-2">
        Drafts, to be finished by what is to be seen {drafts.length > 0 ? <Key>Alt 1 …</Key> : null}
      </h3>
      {drafts.length === 0 ? (
        <p className="text-sm text-ink-3 italic">Nothing is known to begin with.</p>
      ) : null}
      <ol>
        {drafts.map(({ text, from, places }, n) => (
          <li key={text}>
            <button
              type="button"
              onClick={() => onPut(n)}
              className="mt-1.5 grid w-full grid-cols-[18px_minmax(0,1fr)] gap-2 text-left"
            >
              <kbd className="mt-0.5 h-5 rounded-sm border border-ink-3 text-center font-sans text-sm text-ink-2">
                {n + 1}
              </kbd>
              <span>
                <span className="font-serif">{text}</span>{' '}
                <span className="text-sm text-ink-2">{draftSourceText(from, places)}</span>
              </span>
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}
