import { pairSheet } from '@/app/_data/pairs/pairs';
import { numbersIn, type SearchParams } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { mayEdit } from '@/core/edition/edition-state';
import { Empty } from '@/ui/empty';
import { Link } from '@/ui/link';
import { PairSheetView } from './pair-sheet';

export const metadata = { title: 'Pairs' };

interface PairsPageProps {
  readonly params: Promise<{ slug: string }>;
  readonly searchParams: SearchParams;
}

export default async function PairsPage({ params, searchParams }: PairsPageProps) {
  const { slug } = await params;
  const site = await siteBySlug(slug);
  const { role } = await requireActor();
  const sheet = await pairSheet(site, numbersIn((await searchParams)['pictures']));
  if (mayEdit(role) && sheet.going.length > 0) return <PairSheetView slug={slug} sheet={sheet} />;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <h1 className="sr-only">Pairs</h1>
      {mayEdit(role) ? (
        <Empty head="Nothing has to go">
          No page shows a leftover of a template, or a picture beyond its time, that the edition does not
          change already.{' '}
          <Link href={`/s/${slug}/pictures`} className="font-semibold text-green">
            To the pictures
          </Link>
        </Empty>
      ) : (
        <Empty head="You may look, and not swap">
          Swapping takes a maintainer or an owner; you are signed in as {role}.
        </Empty>
      )}
    </main>
  );
}
