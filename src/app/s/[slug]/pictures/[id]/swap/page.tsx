import { pictureOfRoute } from '@/app/_data/pictures/picture-of-route';
import { recentIntake, type PlacementRow } from '@/app/_data/pictures/pictures';
import { siteFrame } from '@/app/_data/frame';
import { fitsOfPicture } from '@/app/_data/pairs/pairs';
import { siteCandidates } from '@/app/_data/pairs/site-candidates';
import { numbersIn, type SearchParams } from '@/app/_data/query';
import { mayEdit } from '@/core/edition/edition-state';
import type { PixelSize } from '@/core/swap/slot';
import { mayBeListed, type ListsOfPage } from '@/core/swap/width-list';
import { database } from '@/server/db/database';
import { isAsWideAsItSays, measuredSlots, withMeasured } from '@/server/work/editions/measured-slots';
import { listsThere } from '@/server/work/editions/lists-there';
import { Empty } from '@/ui/empty';
import { SwapDesk } from './swap-desk';
import type { DeskPlace } from './desk-place';

export const metadata = { title: 'Swap' };

interface SwapPageProps {
  readonly params: Promise<{ slug: string; id: string }>;
  readonly searchParams: SearchParams;
}

export default async function SwapPage({ params, searchParams }: SwapPageProps) {
  const { site, actor, found } = await pictureOfRoute(params);
  const { slug } = site;
  const { draft } = await siteFrame(site.id);
  const [wanted = null] = numbersIn((await searchParams)['with']);
  const recent = await recentIntake(site.id, wanted);
  const fits = await fitsOfPicture(site.id, found.picture?.id ?? 0, recent);
  const candidates = recent
    .map((one) => ({ ...one, fit: fits.get(one.id) }))
    .toSorted((a, b) => (b.fit?.score ?? 0) - (a.fit?.score ?? 0));
  const first = candidates.some(({ id }) => id === wanted) ? wanted : null;
  const ids = found.placements.map(({ id: placementId }) => placementId);
  const places = deskPlaces(
    found.placements,
    await listsThere(database(), site.id, ids),
    await measuredSlots(database(), site.id, ids),
  );
  const mayGather = mayEdit(actor.role);
  if (places.length === 0 || !mayGather) {
    return (
      <main className="min-h-[calc(100vh-46px)] bg-sheet">
        <Empty head={mayGather ? 'It stands nowhere' : 'You may look, and not swap'}>
          {mayGather
            ? 'There is no place in which another picture could be put.'
            : `Swapping takes a maintainer or an owner; you are signed in as ${actor.role}.`}
        </Empty>
      </main>
    );
  }
  return (
    <SwapDesk
      slug={slug}
      siteId={site.id}
      file={{ ...found.file, src: found.file.sha256 ? `/s/${slug}/image/${found.file.sha256}` : null }}
      places={places}
      candidates={candidates}
      first={first}
      onSite={await siteCandidates(site.id, found.file)}
      mayTakeOff={actor.role === 'maintainer'}
      formats={site.formats}
      editionText={draft ? `edition ${draft.number}` : 'a new edition'}
    />
  );
}

/** A reference in a style sheet is one place, however many pages it is met on. */
function deskPlaces(
  placements: readonly PlacementRow[],
  lists: ReadonlyMap<string, ListsOfPage>,
  slots: ReadonlyMap<number, PixelSize>,
): DeskPlace[] {
  const places = new Map<string, DeskPlace>();
  for (const placement of placements) {
    const key = `${placement.sourcePath}#${placement.start}`;
    const known = places.get(key);
    if (known) known.ids.push(placement.id);
    else {
      const listed = lists.get(placement.pagePath);
      const measured = slots.get(placement.id) ?? null;
      const isListed =
        listed !== undefined && isAsWideAsItSays(placement, measured) && mayBeListed(placement, listed);
      const declared = withMeasured(placement, measured);
      places.set(key, { ...placement, declared, ids: [placement.id], isListed });
    }
  }
  return [...places.values()];
}
