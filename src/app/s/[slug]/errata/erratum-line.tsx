import type { ErrataGroup, ErratumRow } from '@/app/_data/errata/errata';
import { isRefitted, REFITTED } from '@/core/errata/remedy';
import { isOnWords, type Degree } from '@/core/errata/rule';
import { ChooseBox } from '@/ui/choosing';
import { DEGREE_TEXT, DEGREE_WORD } from '@/ui/degree';
import { count, placeText, reachText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { showsNoFile } from '@/ui/placement-text';
import { PutIn } from './put-in';
import { Stet } from './stet';

interface ErratumLineProps {
  slug: string;
  row: ErrataGroup;
  /** What is wrong, and what to do, as the rule says it. */
  title: string;
  remedy: string;
  maySettle: boolean;
  /** Whether reach was counted, not estimated. */
  isCounted: boolean;
}

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
export function ErratumLine({ slug, row, title, remedy, maySettle, isCounted }: ErratumLineProps) {
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
          <strong className={DEGREE_TEXT[degree]}>{DEGREE_WORD[degree]}</strong> {title}.
        </p>
        <p className="text-lg break-words">{evidence}</p>
        {fix ? (
          <p className="text-sm text-ink-2">
            Proposed: <span className="font-serif">{fix.text === '' ? 'no alt text' : fix.text}</span>
          </p>
        ) : null}
        <Places slug={slug} row={row} isCounted={isCounted} />
        <p className="text-sm text-ink-2">
          {remedy}{' '}
          <span className="text-ink-3">
            Evidence:{' '}
            {row.rule === 'file/unused'
              ? 'read on all pages'
              : row.page_id === null
                ? 'read in the file'
                : LEVEL[level]}
            .
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
        {maySettle && (!row.stet || row.stet.isOver) ? <Acts slug={slug} row={row} record={record} /> : null}
        <Stet slug={slug} ids={row.ids} stet={row.stet} maySettle={maySettle} />
      </div>
    </li>
  );
}

interface ActsProps {
  slug: string;
  row: ErrataGroup;
  /** Address of the picture's record, where it has one. */
  record: string | null;
}

/** What settles the whole piece of work: at once where nothing is to be chosen, else the desk at which it is. */
function Acts({ slug, row, record }: ActsProps) {
  const { rule, ids, fixes } = row;
  return (
    <div className="flex flex-wrap gap-x-3">
      {fixes > 0 ? (
        <PutIn slug={slug} ids={ids} what="texts">
          {fixes === 1 ? 'Put the text in' : `Put the text in at ${count(fixes, 'place')}`}
        </PutIn>
      ) : null}
      {isRefitted(rule) ? (
        <PutIn slug={slug} ids={ids} what="fitted picture">
          {REFITTED[rule]}
        </PutIn>
      ) : null}
      {isOnWords(rule) ? (
        <Link href={`/s/${slug}/text-desk?${wordsOf(row)}`} className="text-green">
          Write its words
        </Link>
      ) : null}
      <ByHand slug={slug} row={row} record={record} />
    </div>
  );
}

/** Where somebody has to choose: another picture, none, or which of two records is right. */
function ByHand({ slug, row: { rule, page_id: page, fixes }, record }: ActsProps) {
  const link = (href: string, words: string) => (
    <Link href={href} className="text-green">
      {words}
    </Link>
  );
  if (rule === 'file/unused') return link(`/s/${slug}/files?list=unused`, 'Take it off');
  if (record === null) return null;
  if (page === null) return link(record, 'To its record');
  const isSettled = isOnWords(rule) || isRefitted(rule) || fixes > 0;
  return (
    <>
      {link(`${record}/swap`, 'Swap it')}
      {isSettled ? null : link(`${record}/off`, 'Take it off')}
    </>
  );
}

/** How many readers meet it; in how many places it is so, and which, where that is more than one. */
function Places({ slug, row, isCounted }: { slug: string; row: ErrataGroup; isCounted: boolean }) {
  const { places, pages, others, reach, page_id: page } = row;
  if (page === null) return null;
  const met = (
    <span
      className="font-normal text-ink-2"
      title="Reach: views of the pages it stands on, each counted once"
    >
      {reachText(reach, isCounted)}
    </span>
  );
  if (places < 2) return <p className="text-sm">{met}</p>;
  const where = pages === 1 ? 'on this page' : `on ${count(pages, 'page')}`;
  return (
    <details className="text-sm">
      <summary className="w-fit cursor-pointer font-semibold">
        {count(places, 'place')} {where} · {met}
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
