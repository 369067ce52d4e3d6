import { requireActor } from '@/app/_data/session';
import { Link } from '@/ui/link';
import { ConnectForm } from './connect-form';

export const metadata = { title: 'Connect a site' };

export default async function NewSitePage() {
  await requireActor();
  return (
    <main className="mx-auto mt-12 max-w-xl border border-line bg-sheet p-8">
      <p className="text-sm">
        <Link href="/?all" className="text-green">
          All sites
        </Link>
      </p>
      <h1 className="mt-1 text-xl font-semibold">Connect a site</h1>
      <p className="mt-1 text-ink-2">Ibidem only reads until you publish an edition.</p>
      <ConnectForm />
    </main>
  );
}
