import { deliveryOf } from '@/app/_data/intake/delivery';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { mayEdit } from '@/core/edition/edition-state';
import { Empty } from '@/ui/empty';
import { DeliveryNote } from './delivery-note';

export const metadata = { title: 'Intake' };

export default async function IntakePage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const site = await siteBySlug(slug);
  const actor = await requireActor();
  if (!mayEdit(actor.role)) {
    return (
      <main className="min-h-[calc(100vh-46px)] bg-sheet">
        <h1 className="sr-only">Intake</h1>
        <Empty head="You may look, and bring nothing in">
          Pictures are brought in by a maintainer or an owner; you are signed in as {actor.role}.
        </Empty>
      </main>
    );
  }
  return <DeliveryNote slug={slug} first={await deliveryOf(actor, site.id)} />;
}
