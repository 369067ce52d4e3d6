import Link from 'next/link';
import type { ErratumRow } from '@/app/_data/errata';
import type { Degree } from '@/core/errata/rule';
import { placeText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { Stet } from './stet';

interface ErratumLineProps {
  slug: string;
  row: ErratumRow;
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
  must: 'border-l-[3px] border-l-must',
  should: 'border-l-2 border-l-should',
  note: 'border-l border-l-note',
};
/** How sure the evidence is. */
const LEVEL = { read: 'read in the page', measured: 'measured', guessed: 'weighed' } as const;

/** One erratum: the picture, what is wrong where, the evidence, and the way to settle it. */
export function ErratumLine({ slug, row, title, remedy, maySettle }: ErratumLineProps) {
  const { degree, evidence, level, fix, path } = row;
  const record = row.file_id === null ? null : `/s/${slug}/pictures/${row.file_id}`;
  return (
    <li
      className={`grid grid-cols-[96px_minmax(0,1fr)_230px] gap-4 border-b border-b-line-2 py-3 pr-5 pl-[17px] max-md:grid-cols-[96px_minmax(0,1fr)] ${RULE[degree]}`}
    >
      <Mat src={row.sha256 ? `/s/${slug}/image/${row.sha256}` : null} alt="" width={96} height={66} />
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
        <p className="text-sm text-ink-2">
          {remedy} <span className="text-ink-3">Evidence: {LEVEL[level]}.</span>
        </p>
      </div>
      <div className="min-w-0 text-sm max-md:col-start-2">
        <p className="truncate">
          <Link href={`/s/${slug}/pages/${row.page_id}`} className="font-semibold text-green">
            {placeText(row.page_path)}
          </Link>
          <span className="text-ink-2">, line {row.line}</span>
        </p>
        {record ? (
          <p className="truncate">
            <Link href={record} className="text-green" title={path ?? ''}>
              {path?.split('/').at(-1)}
            </Link>
          </p>
        ) : null}
        {record ? (
          <p>
            <Link href={`${record}/swap`} className="text-green">
              Swap it
            </Link>
          </p>
        ) : null}
        <Stet slug={slug} id={row.id} stet={row.stet} maySettle={maySettle} />
      </div>
    </li>
  );
}
