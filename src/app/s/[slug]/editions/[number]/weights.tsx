import type { PageWeight, PageWeights } from '@/app/_data/editions/page-weights';
import { bytesText, count, placeText, titleText } from '@/ui/format';
import { Link } from '@/ui/link';

interface WeightsProps {
  site: { readonly slug: string; readonly name: string };
  weights: PageWeights;
}

/** How much lighter or heavier an edition makes its pages, in the bytes of their pictures. */
export function Weights({ site, weights }: WeightsProps) {
  const { pages, rows, before, after } = weights;
  if (pages === 0) return null;
  return (
    <section aria-label="Weight" className="text-sm">
      <h2 className="font-semibold">Weight of the pictures</h2>
      <p>
        {pages === 1 ? 'On one page' : `On ${count(pages, 'page')}, taken together`}:{' '}
        <Change before={before} after={after} />
      </p>
      {pages > 1 ? (
        <ul className="mt-1 space-y-0.5">
          {rows.map((row) => (
            <li key={row.id} className="flex justify-between gap-3">
              <Link href={`/s/${site.slug}/pages/${row.id}`} className="truncate text-green">
                {titleText(row.title, site.name) || placeText(row.path)}
              </Link>
              <span className="shrink-0">
                <Change {...row} />
              </span>
            </li>
          ))}
          {pages > rows.length ? (
            <li className="text-ink-2">and {count(pages - rows.length, 'other')}</li>
          ) : null}
        </ul>
      ) : null}
    </section>
  );
}

/** Less than that no reader waits for: its share is not told, for of a small page it would be a large one. */
const WORTH_TELLING_BYTES = 50_000;

/** Bytes before and after, and what of them is spared or added. */
function Change({ before, after }: Pick<PageWeight, 'before' | 'after'>) {
  const percent = before === 0 ? 0 : Math.round((100 * (after - before)) / before);
  const isLess = after < before;
  return (
    <>
      {bytesText(before)} <span aria-label="becomes">→</span> {bytesText(after)}{' '}
      {Math.abs(after - before) < WORTH_TELLING_BYTES ? null : (
        <strong className={isLess ? 'text-green' : 'text-should'}>
          {isLess ? '−' : '+'}
          {Math.abs(percent)} %
        </strong>
      )}
    </>
  );
}
