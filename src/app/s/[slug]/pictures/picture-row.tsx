'use client';

import { ChevronDown } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import { useState } from 'react';
import type { PictureRow as Row, ShownPlacement } from '@/app/_data/pictures/pictures';
import { spanText } from '@/core/dating/shelf-life';
import { CutOut } from '@/ui/cut-out';
import { bytesText, count, numberText, pixelsText, placeText, reachText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { ORIGIN } from '@/ui/date-words';
import { ChooseBox } from '@/ui/choosing';
import { Link } from '@/ui/link';
import { PictureNotes } from './picture-notes';

interface PictureRowProps {
  slug: string;
  /** Whether reach was counted, not estimated. */
  isCounted: boolean;
  row: Row;
  placements: readonly ShownPlacement[];
  /** Whether the person may say what a picture is. */
  mayTeach: boolean;
}

const MANY_PAGES = 4;

/** One picture of the concordance; unfolds to every place in its context. */
export function PictureRow({ slug, isCounted, row, placements, mayTeach }: PictureRowProps) {
  const [isOpen, setOpen] = useState(false);
  const record = `/s/${slug}/pictures/${row.id}`;
  const src = row.sha256 ? `/s/${slug}/image/${row.sha256}` : null;
  const name = row.path.split('/').at(-1) ?? row.path;
  const pages = row.pages.slice(0, MANY_PAGES).map(placeText).join(' · ');
  const more = row.page_count > MANY_PAGES ? ` and ${row.page_count - MANY_PAGES} more` : '';
  const shown = placements.filter(({ dormant }) => !dormant || row.places === 0);
  return (
    <Collapsible.Root asChild open={isOpen} onOpenChange={setOpen}>
      <li className="grid grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
        <div
          className={`border-b border-l-[3px] border-b-line-2 ${isOpen ? 'border-l-green bg-tint' : 'border-l-transparent bg-sheet'}`}
        >
          <div className="grid grid-cols-[112px_minmax(0,1fr)_130px_110px_92px] gap-4 py-3 pr-5 pl-[17px] max-sm:grid-cols-[112px_minmax(0,1fr)_48px] max-sm:gap-3 max-sm:pr-3">
            <div className="relative">
              <Link href={record} tabIndex={-1} aria-hidden>
                <Mat src={src} alt="" width={112} height={76} />
              </Link>
              {mayTeach && row.picture_id !== null && row.sha256 ? (
                <span className="absolute top-1 left-1 flex rounded-sm bg-sheet p-0.5">
                  <ChooseBox id={row.picture_id} name={name} record={record} />
                </span>
              ) : null}
            </div>
            <div className="min-w-0">
              <Link
                href={record}
                className={`block truncate font-serif text-lg font-semibold ${(row.title ?? row.words) ? '' : 'text-ink-3 italic'}`}
              >
                {row.title ?? row.words ?? 'no words yet'}
              </Link>
              <p className="truncate text-sm text-ink-2" title={row.path}>
                {name}
                {row.files > 1 ? ` · ${row.files} files` : ''}
              </p>
              <p className="line-clamp-2 text-sm text-ink-2">
                {row.places > 0
                  ? `${pages}${more}`
                  : row.isPlaced
                    ? 'on no page'
                    : 'its places are being counted'}
              </p>
            </div>
            <div className="max-sm:hidden">
              <Taken row={row} />
            </div>
            <div className="max-sm:hidden">
              <p>{pixelsText(row.width_px, row.height_px)}</p>
              <p className="text-sm text-ink-2">{row.size_bytes === null ? '' : bytesText(row.size_bytes)}</p>
            </div>
            <div className="text-right">
              {shown.length > 0 ? (
                <Collapsible.Trigger
                  className="inline-flex items-center gap-1 rounded-sm px-1 text-green"
                  aria-label={`${count(row.places, 'place')} of ${name}, ${isOpen ? 'fold' : 'unfold'}`}
                >
                  <span className="font-semibold">{numberText(row.places)}</span>
                  <ChevronDown size={16} aria-hidden className={isOpen ? 'rotate-180' : ''} />
                </Collapsible.Trigger>
              ) : (
                <span className="text-ink-3">0</span>
              )}
              {row.places > 0 ? (
                <p className="text-sm text-ink-2" title="Reach: views of the pages it stands on">
                  {reachText(row.reach, isCounted)}
                </p>
              ) : null}
            </div>
          </div>
          <Collapsible.Content>
            <div className="grid grid-cols-3 gap-2.5 pr-5 pb-3 pl-[145px] max-lg:grid-cols-2 max-lg:pl-5">
              {shown.map((placement) => (
                <CutOut
                  key={placement.id}
                  placement={placement}
                  src={placement.sha256 ? `/s/${slug}/image/${placement.sha256}` : null}
                />
              ))}
            </div>
            <p className="flex gap-4 pb-3 pl-[145px] max-lg:pl-5">
              <Link href={`${record}/swap`} className="font-semibold text-green">
                Swap it {row.places > 1 ? `in ${row.places} places` : ''}
              </Link>
              {row.places > shown.length ? (
                <Link href={record} className="text-green">
                  See all {row.places}
                </Link>
              ) : null}
            </p>
          </Collapsible.Content>
        </div>
        <div className="space-y-2 py-3 pr-4 empty:hidden max-lg:px-5">
          <PictureNotes slug={slug} row={row} mayTeach={mayTeach} />
        </div>
      </li>
    </Collapsible.Root>
  );
}

/** When it was taken, with what tells it; the date of a file alone tells next to nothing. */
function Taken({ row }: { row: Row }) {
  const { taken_from: from, taken_until: until, because } = row;
  const isBound = from === null && until !== null;
  // What bounds it at its beginning, too: a file's own date says only that it was there by then.
  const origin = (because?.find((one) => one.from !== null) ?? because?.[0])?.origin;
  return (
    <>
      <p className={isBound || until === null ? 'text-ink-2' : ''}>
        {isBound ? 'unknown' : spanText({ from, until })}
      </p>
      <p className="text-sm text-ink-2">
        {isBound ? `${spanText({ from, until })}, says the file` : origin ? ORIGIN[origin] : 'nothing tells'}
      </p>
    </>
  );
}
