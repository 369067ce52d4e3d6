import Link from 'next/link';
import type { ErrataGroup, ErratumRow } from '@/app/_data/errata/errata';
import { isOnWords, type Degree } from '@/core/errata/rule';
import { ChooseBox } from '@/ui/choosing';
import { count, placeText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { showsNoFile } from '@/ui/placement-text';
import { Stet } from './stet';

interface ErratumLineProps {
  slug: string;
  row: ErrataGroup;
  /** What is wrong, and what to do, as the rule says it. */
  title: string;
  remedy: string;
  maySettle: boolean;
}

const WORD: Readonly<Record<Degree, string>> = { must: 'Must', should: 'Should', note: 'Note' };
const COLOUR: Readonly<Record<Degree, string>> = {
  must: 'text-must',
  should: 'text-should',
  note: 'text-note',
};
const RULE: Readonly<Record<Degree, string>> = {
  must: 'border-l-[3px] border-l-must pl-[17px]',
  should: 'border-l-2 border-l-should pl-[18px]',
  note: 'border-l border-l-note pl-[19px]',
};
/** How sure the evidence is. */
const LEVEL = { read: 'read in the page', measured: 'measured', guessed: 'weighed' } as const;

/** Where it stands, in words; a file as such stands nowhere. */
const where = ({ page_path: path, line }: ErratumRow): string =>
  line === null ? path : `${placeText(path)}, line ${line}`;

/** What lays its words on the text desk: its picture; where there is none, all that the rule speaks of, from its place on. */
const wordsOf = ({ picture_id: picture, rule, file_id: file, placement_id: place }: ErratumRow): string =>
  picture === null ? `rule=${rule}&from=${file === null ? `e${place}` : `f${file}`}` : `pictures=${picture}`;

/** What one act settles: the picture, what is wrong, in how many places, the evidence, and the way to settle all of them. */
export function ErratumLine({ slug, row, title, remedy, maySettle }: ErratumLineProps) {
  const { degree, evidence, level, fix, path } = row;
  const record = row.file_id === null ? null : `/s/${slug}/pictures/${row.file_id}`;
  return (
    <li
      className={`grid grid-cols-[96px_minmax(0,1fr)_230px] gap-4 border-b border-b-line-2 py-3 pr-5 max-md:grid-cols-[96px_minmax(0,1fr)] ${RULE[degree]}`}
    >
      <div className="relative h-fit">
        <Mat
          src={row.sha256 ? `/s/${slug}/image/${row.sha256}` : null}
          alt={row.kind !== null && showsNoFile(row.kind) ? 'on the page' : ''}
          width={96}
          height={66}
        />
        {maySettle ? (
          <span className="absolute top-1 left-1 flex rounded-sm bg-sheet p-0.5">
            <ChooseBox
              id={row.id}
              name={`${title}, ${where(row)}`}
              record={record ?? `/s/${slug}/pages/${row.page_id}`}
            />
          </span>
        ) : null}
      </div>
      <div className="min-w-0">
        <p>
          <strong className={COLOUR[degree]}>{WORD[degree]}</strong> {title}.
        </p>
        <p className="text-lg break-words">{evidence}</p>
        {fix ? (
          <p className="text-sm text-ink-2">
            Proposed: <span className="font-serif">{fix.text === '' ? 'no alt text' : fix.text}</span>
          </p>
        ) : null}
        <Places slug={slug} row={row} />
        <p className="text-sm text-ink-2">
          {remedy}{' '}
          <span className="text-ink-3">
            Evidence: {row.page_id === null ? 'read on all pages' : LEVEL[level]}.
          </span>
        </p>
      </div>
      <div className="min-w-0 text-sm max-md:col-start-2">
        {row.page_id === null ? null : (
          <p className="truncate">
            <Link href={`/s/${slug}/pages/${row.page_id}`} className="font-semibold text-green">
              {placeText(row.page_path)}
            </Link>
            <span className="text-ink-2">, line {row.line}</span>
          </p>
        )}
        {record ? (
          <p className="truncate">
            <Link href={record} className="text-green" title={path ?? ''}>
              {row.page_id === null ? path : path?.split('/').at(-1)}
            </Link>
          </p>
        ) : null}
        {maySettle ? (
          <p className="flex flex-wrap gap-x-3">
            {isOnWords(row.rule) ? (
              <Link href={`/s/${slug}/text-desk?${wordsOf(row)}`} className="text-green">
                Write its words
              </Link>
            ) : null}
            {row.page_id === null ? (
              <Link href={`/s/${slug}/files?list=unused`} className="text-green">
                Take it off
              </Link>
            ) : record ? (
              <Link href={`${record}/swap`} className="text-green">
                Swap it
              </Link>
            ) : null}
          </p>
        ) : null}
        <Stet slug={slug} ids={row.ids} stet={row.stet} maySettle={maySettle} />
      </div>
    </li>
  );
}

/** In how many places it is so, and which, where that is more than one. */
function Places({ slug, row: { places, pages, others } }: { slug: string; row: ErrataGroup }) {
  if (places < 2) return null;
  const where = pages === 1 ? 'on this page' : `on ${count(pages, 'page')}`;
  return (
    <details className="text-sm">
      <summary className="w-fit cursor-pointer font-semibold">
        {count(places, 'place')} {where}
      </summary>
      <ul className="mt-1 columns-2 gap-6 text-ink-2 max-md:columns-1">
        {others.map(({ page_id: page, page_path: path, line }, n) => (
          <li key={n} className="truncate">
            {page === null ? (
              path
            ) : (
              <Link href={`/s/${slug}/pages/${page}`} className="text-green">
                {placeText(path)}
              </Link>
            )}
            {line === null ? '' : `, line ${line}`}
          </li>
        ))}
        {places - 1 > others.length ? <li>and {count(places - 1 - others.length, 'other')}</li> : null}
      </ul>
    </details>
  );
}
