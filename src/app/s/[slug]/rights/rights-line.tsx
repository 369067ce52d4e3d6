import type { RightsRow } from '@/app/_data/rights/rights';
import { isoDay } from '@/core/dating/day';
import { count, placeText, reachText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { CODE_NAME } from '@/ui/rights-words';

const COLOUR = { no: 'text-must', unknown: 'text-should', yes: 'text-green' } as const;
const RULE = {
  no: 'border-l-[3px] border-must',
  unknown: 'border-l-2 border-should',
  yes: 'border-l border-green',
} as const;

/** A picture with its answer, what stands against it, and where readers meet it. */
export function RightsLine({ slug, row, isCounted }: { slug: string; row: RightsRow; isCounted: boolean }) {
  const { id, sha256, title, path, may, because, places, worst, pages, page_count, reach, until, wanted } =
    row;
  const name = title ?? path.split('/').at(-1) ?? path;
  return (
    <li className="grid grid-cols-[112px_minmax(0,1fr)_200px] gap-4 border-b border-line-2 px-5 py-2.5 max-md:grid-cols-[84px_minmax(0,1fr)]">
      <Mat
        src={sha256 ? `/s/${slug}/image/${sha256}` : null}
        alt={sha256 ? '' : 'not on this site'}
        width={112}
        height={80}
      />
      <div className={`min-w-0 pl-3 ${RULE[may]}`}>
        {id === null ? (
          <span className="font-semibold break-all">{path}</span>
        ) : (
          <Link href={`/s/${slug}/pictures/${id}#rights`} className="font-serif text-lg font-semibold">
            {name}
          </Link>
        )}
        <p className="text-sm break-all text-ink-2">{path}</p>
        <ul>
          {because.map((code) => (
            <li key={code} className={COLOUR[may]}>
              {CODE_NAME[code].replace(/^./u, (first) => first.toUpperCase())}
              {code === 'credit-missing' && wanted !== null ? (
                <span className="text-ink-2">
                  : <span className="font-serif">{wanted}</span>
                </span>
              ) : null}
            </li>
          ))}
        </ul>
        {until !== null ? (
          <p className="text-sm text-ink-2">From {isoDay(until)} on it may not stand.</p>
        ) : null}
      </div>
      <div className="text-sm text-ink-2 max-md:col-start-2">
        <p>
          {worst === places ? count(places, 'place') : `${worst} of ${count(places, 'place')}`} on{' '}
          {count(page_count, 'page')}
        </p>
        {pages.map((page) => (
          <p key={page} className="truncate">
            {placeText(page)}
          </p>
        ))}
        <p>{reachText(reach, isCounted)}</p>
      </div>
    </li>
  );
}
