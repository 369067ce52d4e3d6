import { siteBySlug } from '@/app/_data/site';
import { Link } from '@/ui/link';
import { SettingsForm } from './settings-form';

export const metadata = { title: 'Settings' };

export default async function SettingsPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3">
      <h1 className="mb-1 text-lg font-semibold">Settings of the site</h1>
      <p className="mb-4">
        <Link href={`/s/${site.slug}/settings/shelf-lives`} className="text-green">
          How long pictures stay current
        </Link>
        <Link href={`/s/${site.slug}/settings/rules`} className="ml-5 text-green">
          What the rules count
        </Link>
      </p>
      <SettingsForm slug={site.slug} siteId={site.id} site={site} />
    </main>
  );
}
