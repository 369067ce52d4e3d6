import { pictureOfRoute } from '@/app/_data/pictures/picture-of-route';
import { siteFrame } from '@/app/_data/frame';
import type { ShownPlacement } from '@/app/_data/pictures/pictures';
import { mayEdit } from '@/core/edition/edition-state';
import { Empty } from '@/ui/empty';
import { showsNoFile } from '@/ui/placement-text';
import { WayBack } from '@/ui/way-back';
import { TakeOffForm, type PageToLeave } from './take-off-form';

export const metadata = { title: 'Take off' };

export default async function TakeOffPage({ params }: { params: Promise<{ slug: string; id: string }> }) {
  const { site, actor, found } = await pictureOfRoute(params);
  const { slug } = site;
  const { draft } = await siteFrame(site.id);
  const { file, picture, family, placements } = found;
  const name = picture?.title || (file.path.split('/').at(-1) ?? file.path);
  const pages = byPage(placements.filter(({ kind }) => !showsNoFile(kind)));
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3">
      <WayBack href={`/s/${slug}/pictures/${file.id}`} to={name}>
        Take off
      </WayBack>
      <h1 className="mt-2 text-xl font-semibold">Take “{name}” off its pages</h1>
      {!mayEdit(actor.role) ? (
        <Empty head="You may look, and take nothing off">
          Taking pictures off takes a maintainer or an owner; you are signed in as {actor.role}.
        </Empty>
      ) : pages.length === 0 ? (
        <Empty head="It stands nowhere">There is no place that it could be taken off.</Empty>
      ) : (
        <TakeOffForm
          slug={slug}
          siteId={site.id}
          pages={pages}
          files={
            actor.role === 'maintainer' ? family.flatMap(({ path, sha256 }) => (sha256 ? [path] : [])) : []
          }
          editionText={draft ? `edition ${draft.number}` : 'a new edition'}
        />
      )}
    </main>
  );
}

/** The places of each page together; those of a style sheet, which is one file for many pages. */
function byPage(placements: readonly ShownPlacement[]): PageToLeave[] {
  const pages = new Map<string, PageToLeave>();
  for (const placement of placements) {
    const isShared = placement.sourcePath !== placement.pagePath;
    const key = isShared ? placement.sourcePath : placement.pagePath;
    const known = pages.get(key);
    if (known) {
      known.ids.push(placement.id);
      known.on.add(placement.pagePath);
      if (!known.kinds.includes(placement.kind)) known.kinds.push(placement.kind);
    } else {
      pages.set(key, { key, isShared, ids: [placement.id], kinds: [placement.kind], on: new Set([placement.pagePath]), first: placement }); // oxfmt-ignore
    }
  }
  return [...pages.values()];
}
