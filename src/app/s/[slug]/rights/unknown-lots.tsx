import { ownersOfSections, unknownLots } from '@/app/_data/rights/many';
import { hrefWith } from '@/app/_data/query';
import { Link } from '@/ui/link';

/** Ways to say of many pictures at once where they come from. */
export async function UnknownLots({ slug, siteId }: { slug: string; siteId: number }) {
  const [{ folders, makers }, owners] = await Promise.all([unknownLots(siteId), ownersOfSections(siteId)]);
  if (folders.length + makers.length + owners.length === 0) return null;
  const root = `/s/${slug}/rights/many`;
  return (
    <section>
      <h2 className="border-b border-line pb-1 font-semibold">Say it of many at once</h2>
      <Lots
        head="Folders of unknown pictures"
        lots={folders}
        hrefOf={(folder) => hrefWith(root, { folder })}
      />
      <Lots head="Made by, as their files say" lots={makers} hrefOf={(maker) => hrefWith(root, { maker })} />
      {owners.length > 0 ? (
        <>
          <h3 className="mt-2 text-sm text-ink-2">All on the pages of</h3>
          <ul>
            {owners.map(({ id, name }) => (
              <li key={id} className="py-0.5">
                <Link href={hrefWith(root, { owner: id })} className="font-semibold text-green">
                  {name}
                </Link>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      <p className="mt-2 text-sm text-ink-2">Or choose some in the list of pictures.</p>
    </section>
  );
}

interface LotsProps {
  head: string;
  lots: readonly { readonly name: string; readonly pictures: number }[];
  hrefOf: (name: string) => string;
}

function Lots({ head, lots, hrefOf }: LotsProps) {
  if (lots.length === 0) return null;
  return (
    <>
      <h3 className="mt-2 text-sm text-ink-2">{head}</h3>
      <ul>
        {lots.map(({ name, pictures }) => (
          <li key={name} className="flex items-baseline gap-2 py-0.5">
            <Link href={hrefOf(name)} className="min-w-0 truncate font-semibold text-green" title={name}>
              {name}
            </Link>
            <span className="ml-auto text-ink-2 tabular-nums">{pictures}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
