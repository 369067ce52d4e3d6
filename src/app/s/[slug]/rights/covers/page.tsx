import { coversOfSite, type Cover } from '@/app/_data/rights/covers';
import { siteBySlug } from '@/app/_data/site';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { VERDICT_NAME } from '@/ui/rights-words';
import { WayBack } from '@/ui/way-back';

export const metadata = { title: 'Licences and holders' };

/** Pictures that are shown of each; the others are counted. */
const SHOWN = 6;

/** What each licence and each holder covers: terms in plain words, the pictures, and how they stand. */
export default async function CoversPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const root = `/s/${site.slug}/rights`;
  const { licences, holders } = await coversOfSite(site.id);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="border-b border-line px-5 py-2.5">
        <WayBack href={root} to="Rights">
          Licences and holders
        </WayBack>
        <h1 className="text-lg font-semibold">Licences and holders</h1>
      </div>
      {licences.length + holders.length === 0 ? (
        <Empty head="No licence and no holder is recorded">
          Record where a picture comes from on its own page, or bring in a file of records.
        </Empty>
      ) : (
        <>
          <Covers slug={site.slug} head="Licences" covers={licences} />
          <Covers slug={site.slug} head="Holders" covers={holders} />
        </>
      )}
    </main>
  );
}

function Covers({ slug, head, covers }: { slug: string; head: string; covers: readonly Cover[] }) {
  if (covers.length === 0) return null;
  return (
    <section aria-label={head}>
      <h2 className="border-b border-line-2 bg-tint px-5 py-1.5 font-semibold">{head}</h2>
      <ul>
        {covers.map((cover) => (
          <li
            key={cover.name}
            className="grid grid-cols-[minmax(0,280px)_minmax(0,1fr)] gap-5 border-b border-line-2 px-5 py-3 max-md:grid-cols-1"
          >
            <div>
              <h3 className="font-serif text-lg font-semibold">{cover.name}</h3>
              <p className="text-sm">
                {count(cover.pictures.length, 'picture')} in {count(cover.places, 'place')}
              </p>
              <Standing answers={cover.answers} />
              {cover.words.map((sentence) => (
                <p key={sentence} className="text-sm text-ink-2">
                  {sentence}
                </p>
              ))}
            </div>
            <ul className="flex flex-wrap content-start gap-2">
              {cover.pictures.slice(0, SHOWN).map(({ id, path, sha256, title }) => (
                <li key={id}>
                  <Link href={`/s/${slug}/pictures/${id}#rights`} title={path}>
                    <Mat src={`/s/${slug}/image/${sha256}`} alt={title ?? path} width={96} height={72} />
                  </Link>
                </li>
              ))}
              {cover.pictures.length > SHOWN ? (
                <li className="self-center text-sm text-ink-2">
                  and {count(cover.pictures.length - SHOWN, 'more picture')}
                </li>
              ) : null}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How many may not stand, and of how many nobody can say; nothing where all may. */
function Standing({ answers }: Pick<Cover, 'answers'>) {
  const said = (['no', 'unknown'] as const).filter((verdict) => answers[verdict] > 0);
  if (said.length === 0) return <p className="text-sm text-green">All may stand where they are.</p>;
  return (
    <p className="text-sm">
      {said.map((verdict) => (
        <span key={verdict} className={`mr-3 ${verdict === 'no' ? 'text-must' : 'text-should'}`}>
          {answers[verdict]} {VERDICT_NAME[verdict].toLowerCase()}
        </span>
      ))}
    </p>
  );
}
