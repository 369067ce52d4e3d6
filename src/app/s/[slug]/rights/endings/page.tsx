import { allEndings } from '@/app/_data/rights/rights';
import { today } from '@/app/_data/rights/people';
import { siteBySlug } from '@/app/_data/site';
import { isoDay } from '@/core/dating/day';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { WayBack } from '@/ui/way-back';
import { EndingsChart } from './endings-chart';

export const metadata = { title: 'What ends when' };

/** Every permission that ends, as a line that falls and as a table. */
export default async function EndingsPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const { standing, endings } = await allEndings(site.id);
  const days = [...new Set(endings.map(({ until }) => until))];
  let left = standing;
  const steps = [
    { day: isoDay(today()), left, names: 'today' },
    ...days.map((day) => {
      const ending = endings.filter(({ until }) => until === day);
      left -= ending.reduce((sum, { places }) => sum + places, 0);
      const names = ending.slice(0, 4).map(({ path }) => path.split('/').at(-1));
      return {
        day: isoDay(day),
        left,
        names: [...names, ...(ending.length > 4 ? [`and ${ending.length - 4} more`] : [])].join('<br>'),
      };
    }),
  ];
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3">
      <WayBack href={`/s/${site.slug}/rights`} to="Rights">
        What ends when
      </WayBack>
      <h1 className="mt-1 text-xl font-semibold">What ends when</h1>
      {endings.length === 0 ? (
        <Empty head="Nothing ends">Nothing that stands today has an end recorded.</Empty>
      ) : (
        <>
          <p className="text-ink-2">
            {count(standing, 'place')} may stand today. On each of these days some may no longer: renew what
            was agreed, put another picture there, or take it off.
          </p>
          <div className="mt-3 grid grid-cols-2 gap-6 max-xl:grid-cols-1">
            <EndingsChart steps={steps} />
            <table className="w-full self-start text-left">
              <thead className="text-sm text-ink-2">
                <tr className="border-b border-line">
                  <th className="py-1 pr-3 font-normal">Gone from</th>
                  <th className="py-1 pr-3 font-normal">Picture</th>
                  <th className="py-1 text-right font-normal">In</th>
                </tr>
              </thead>
              <tbody>
                {endings.map(({ until, id, path, places }) => (
                  <tr key={`${until} ${path}`} className="border-b border-line-2">
                    <td className="w-28 py-1.5 pr-3 tabular-nums">{isoDay(until)}</td>
                    <td className="py-1.5 pr-3 break-all">
                      {id === null ? (
                        path
                      ) : (
                        <Link href={`/s/${site.slug}/pictures/${id}#rights`} className="text-green">
                          {path}
                        </Link>
                      )}
                    </td>
                    <td className="py-1.5 text-right text-sm whitespace-nowrap text-ink-2">
                      {count(places, 'place')}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </main>
  );
}
