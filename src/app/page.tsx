import { redirect } from 'next/navigation';
import { buttonClass } from '@/ui/button';
import { Link } from '@/ui/link';
import { allSites } from './_data/site';

/** With one site, its pictures; with none or several, the choice. */
export default async function Start({ searchParams }: { searchParams: Promise<{ all?: string }> }) {
  const sites = await allSites();
  const only = sites[0];
  if (sites.length === 1 && only && (await searchParams).all === undefined)
    redirect(`/s/${only.slug}/pictures`);
  return (
    <main className="mx-auto mt-16 max-w-2xl border border-line bg-sheet p-8">
      <h1 className="font-serif text-[28px] leading-9 font-semibold italic">Ibidem</h1>
      {sites.length === 0 ? (
        <p className="mt-3">
          No site is connected yet. Connect the folder or ZIP of a site, and Ibidem reads where every picture
          stands.
        </p>
      ) : (
        <ul className="mt-6 border-t border-line">
          {sites.map((site) => (
            <li key={site.id} className="border-b border-line-2">
              <Link href={`/s/${site.slug}/pictures`} className="block py-3">
                <span className="font-serif text-lg font-semibold">{site.name}</span>
                <span className="block text-sm text-ink-2">{site.liveUrl ?? 'no live address given'}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-6">
        <Link href="/sites/new" className={buttonClass('main')}>
          Connect a site
        </Link>
      </p>
    </main>
  );
}
