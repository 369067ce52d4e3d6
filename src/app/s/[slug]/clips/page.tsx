import { notFound } from 'next/navigation';
import { siteFrame } from '@/app/_data/frame';
import { placesOfClip } from '@/app/_data/pages/clips';
import type { SiteScreenProps } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { mayEdit } from '@/core/edition/edition-state';
import { MAX_INTAKE_BYTES } from '@/server/work/intake/intake-limits';
import { Link } from '@/ui/link';
import { Player } from '@/ui/player';
import { WayBack } from '@/ui/way-back';
import { ClipDesk } from './clip-desk';

export const metadata = { title: 'Clip' };

/** One clip or sound: what it is, where it is played, and another in its place. */
export default async function ClipPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const actor = await requireActor();
  const { path } = await searchParams;
  const places = await placesOfClip(site.id, String(path ?? ''));
  const [first] = places;
  if (!first) return notFound();
  const { draft } = await siteFrame(site.id);
  const name = String(path);
  const { slug } = site;
  const still = places.find((place) => place.still)?.still ?? null;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3">
      <WayBack href={`/s/${slug}/files?list=clips`} to="Clips and sounds">
        Another in its place
      </WayBack>
      <div className="mt-2 grid max-w-[1180px] grid-cols-[420px_minmax(0,1fr)] gap-8 max-lg:grid-cols-1">
        <section aria-label="As it is">
          <h1 className="text-xl font-semibold break-all">{name.split('/').at(-1)}</h1>
          <p className="mb-2 text-sm break-all text-ink-2">{name}</p>
          <Player
            kind={first.kind}
            src={`/s/${slug}/clips/file?path=${encodeURIComponent(name)}`}
            label={`As it is: ${name}`}
            isLengthKnown
            still={still?.sha256 ? `/s/${slug}/image/${still.sha256}` : null}
          />
          {still ? (
            <p className="mt-2 text-sm text-ink-2">
              Its still, shown until somebody plays it, is{' '}
              <Link href={`/s/${slug}/pictures/${still.id}`} className="text-green">
                {still.path.split('/').at(-1)}
              </Link>
              . A new clip keeps it:{' '}
              <Link href={`/s/${slug}/pictures/${still.id}/swap`} className="text-green">
                swap the still as well
              </Link>
              .
            </p>
          ) : null}
        </section>
        <ClipDesk
          slug={slug}
          path={name}
          places={places}
          mayGather={mayEdit(actor.role)}
          mayTakeOff={actor.role === 'maintainer'}
          editionText={draft ? `edition ${draft.number}` : 'a new edition'}
          mostMb={MAX_INTAKE_BYTES / 1024 ** 2}
        />
      </div>
    </main>
  );
}
