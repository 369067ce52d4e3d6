import { redirect } from 'next/navigation';
import { ownersOfSections } from '@/app/_data/rights/many';
import { listQuery, type SiteScreenProps } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { mayEdit } from '@/core/edition/edition-state';
import { database } from '@/server/db/database';
import { inFolder, picturesMeant, type PicturesMeant } from '@/server/work/rights/pictures-meant';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { WayBack } from '@/ui/way-back';
import { ManyForm } from './many-form';

export const metadata = { title: 'Rights of many' };

const SHOWN = 24;

/** One record for many pictures: chosen ones, a folder, those of a maker, or those on an owner's pages. */
export default async function ManyPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const actor = await requireActor();
  const { given } = await listQuery(searchParams);
  const meant = meantBy(given);
  const back = `/s/${site.slug}/rights`;
  if (!mayEdit(actor.role) || !meant) redirect(back);
  const pictures = await picturesMeant(database(), site.id, meant);
  const owner =
    'owner' in meant ? (await ownersOfSections(site.id)).find(({ id }) => id === meant.owner) : null;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3">
      <WayBack href={back} to="Rights">
        One record for many
      </WayBack>
      <h1 className="mt-2 text-xl font-semibold">
        {count(pictures.length, 'picture')} {ofWhat(meant, owner?.name)}
      </h1>
      {pictures.length === 0 ? (
        <Empty head="No picture is meant">Choose some in the list of pictures, or take another folder.</Empty>
      ) : (
        <>
          <ul className="mt-3 flex flex-wrap gap-2">
            {pictures.slice(0, SHOWN).map(({ id, fileId, path, sha256 }) => (
              <li key={id}>
                <Link href={`/s/${site.slug}/pictures/${fileId}`} title={path}>
                  <Mat src={`/s/${site.slug}/image/${sha256}`} alt={path} width={112} height={76} />
                </Link>
              </li>
            ))}
            {pictures.length > SHOWN ? (
              <li className="self-center text-ink-2">and {pictures.length - SHOWN} more</li>
            ) : null}
          </ul>
          <ManyForm
            slug={site.slug}
            siteId={site.id}
            meant={meant}
            maker={'maker' in meant ? meant.maker : ''}
            holdsLater={'folder' in meant}
          />
        </>
      )}
    </main>
  );
}

function meantBy(given: (name: string) => string | undefined): PicturesMeant | null {
  const ids = (given('pictures') ?? '').split(',').map(Number).filter((id) => Number.isSafeInteger(id) && id > 0); // oxfmt-ignore
  if (ids.length > 0) return { pictures: ids };
  const [folder, maker, owner] = [given('folder'), given('maker'), given('owner')];
  if (folder) return { folder };
  if (maker) return { maker };
  return owner ? { owner } : null;
}

function ofWhat(meant: PicturesMeant, owner: string | undefined): string {
  if ('folder' in meant) return `in ${inFolder(meant.folder)}`;
  if ('maker' in meant) return `whose files name ${meant.maker}`;
  return 'owner' in meant ? `on the pages of ${owner ?? 'nobody who owns a section'}` : 'chosen';
}
