import type { PictureRow } from '@/app/_data/pictures/pictures';
import { spanText } from '@/core/dating/shelf-life';
import { Mat } from '@/ui/mat';
import { ChooseBox } from '@/ui/choosing';
import { Link } from '@/ui/link';

interface ContactSheetProps {
  slug: string;
  rows: readonly PictureRow[];
  /** Whether the person may choose some of them to say something of. */
  mayChoose: boolean;
}

/** The worst that holds of a picture, in two words; `null` where nothing does. */
function mark(row: PictureRow): { readonly text: string; readonly look: string } | null {
  if (row.problem) return { text: 'can’t be read', look: 'text-must' };
  if (row.sha256 === null && row.isPlaced) return { text: 'missing', look: 'text-must' };
  if (row.is_placeholder && row.places > 0) return { text: 'leftover', look: 'text-must' };
  if (row.undescribed > 0) return { text: 'no alt text', look: 'text-must' };
  if (row.changed && row.places > 0) return { text: 'changed since', look: 'text-should' };
  if (row.overdue > 1 && row.places > 0) return { text: 'past its time', look: 'text-should' };
  return row.places === 0 && row.isPlaced ? { text: 'on no page', look: 'text-note' } : null;
}

/** Many pictures at once, whole and large enough to be told apart. */
export function ContactSheet({ slug, rows, mayChoose }: ContactSheetProps) {
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(176px,1fr))] gap-x-4 gap-y-5 bg-sheet px-5 py-4 max-sm:grid-cols-2">
      {rows.map((row) => {
        const name = row.path.split('/').at(-1) ?? row.path;
        const record = `/s/${slug}/pictures/${row.id}`;
        const marked = mark(row);
        const words = row.title ?? row.words;
        return (
          <li key={row.id} className="relative min-w-0">
            <Link href={record} aria-hidden tabIndex={-1} className="block [&>div]:!w-full">
              <Mat
                src={row.sha256 ? `/s/${slug}/image/${row.sha256}` : null}
                alt=""
                width={176}
                height={140}
              />
            </Link>
            {mayChoose && row.picture_id !== null ? (
              <span className="absolute top-1.5 left-1.5 flex rounded-sm bg-sheet p-1">
                <ChooseBox id={row.picture_id} name={name} record={record} />
              </span>
            ) : null}
            <Link
              href={record}
              className={`mt-1 block truncate font-serif text-base ${words ? '' : 'text-ink-3 italic'}`}
            >
              {words ?? 'no words yet'}
            </Link>
            <p className="truncate text-sm text-ink-2" title={row.path}>
              {name}
            </p>
            <p className="flex justify-between gap-2 text-sm text-ink-2">
              <span className="truncate">
                {row.taken_until === null || row.taken_from === null
                  ? ''
                  : spanText({ from: row.taken_from, until: row.taken_until })}
              </span>
              {marked ? <strong className={`shrink-0 ${marked.look}`}>{marked.text}</strong> : null}
            </p>
          </li>
        );
      })}
    </ul>
  );
}
