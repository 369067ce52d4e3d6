import { listEditions } from '@/app/_data/editions/editions';
import { siteBySlug } from '@/app/_data/site';
import { Empty } from '@/ui/empty';
import { count, dateText } from '@/ui/format';
import { Link } from '@/ui/link';

export const metadata = { title: 'Editions' };

export default async function EditionsPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const rows = await listEditions(site.id);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <h1 className="border-b border-line px-5 py-2.5 text-lg font-semibold">Editions</h1>
      {rows.length === 0 ? (
        <Empty head="No edition yet">
          An edition gathers changes that go live together. It begins with the first picture you swap:{' '}
          <Link href={`/s/${site.slug}/pictures`} className="font-semibold text-green">
            choose one
          </Link>
          .
        </Empty>
      ) : (
        <ul>
          {rows.map(({ edition, changes, pages }) => (
            <li key={edition.id} className="border-b border-line-2">
              <Link
                href={`/s/${site.slug}/editions/${edition.number}`}
                className="grid grid-cols-[140px_1fr_auto] gap-4 px-5 py-3"
              >
                <span className="text-lg font-semibold">Edition {edition.number}</span>
                <span>
                  {count(changes, 'change')} on {count(pages, 'page')}, begun by {edition.createdBy}
                </span>
                <span className="text-ink-2">
                  {edition.state}
                  {edition.withdrawnAt
                    ? ` ${dateText(edition.withdrawnAt)}`
                    : edition.publishedAt
                      ? ` ${dateText(edition.publishedAt)}`
                      : ''}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
