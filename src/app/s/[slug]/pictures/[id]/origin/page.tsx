import { pictureOfRoute } from '@/app/_data/pictures/picture-of-route';
import { cluesOf } from '@/app/_data/rights/origin';
import { recordOfFile, rightsInFile } from '@/app/_data/rights/rights';
import { mayEdit } from '@/core/edition/edition-state';
import { letterFor } from '@/core/rights/letter';
import type { OriginClue } from '@/core/rights/origin-clues';
import { Mat } from '@/ui/mat';
import { database } from '@/server/db/database';
import { papersOf } from '@/server/work/rights/papers';
import { WayBack } from '@/ui/way-back';
import { Papers } from '../../../rights/papers/papers';
import { RightsForm } from '../rights-form';
import { LetterDraft } from './letter-draft';

export const metadata = { title: 'Where it comes from' };

const LOOK = {
  3: 'border-green text-green',
  2: 'border-ink text-ink',
  1: 'border-ink-3 text-ink-2',
} as const;

/** A guided look at a picture of unknown origin: what points where, whom to ask, the letter, and the record. */
export default async function OriginPage({ params }: { params: Promise<{ slug: string; id: string }> }) {
  const { site, actor, found } = await pictureOfRoute(params);
  const { slug } = site;
  const { file, picture, family, placements } = found;
  const master = family.find(({ isMaster }) => isMaster) ?? file;
  const fileName = master.path.split('/').at(-1) ?? master.path;
  const title = picture?.title || fileName;
  const [clues, recorded, embedded, papers] = await Promise.all([
    cluesOf(site.id, master),
    recordOfFile(site.id, master.path),
    rightsInFile(master.sha256),
    mayEdit(actor.role) ? papersOf(database(), actor, site.id, { file: master.path }) : [],
  ]);
  const pages = [...new Set(placements.filter(({ dormant }) => !dormant).map(({ pagePath }) => pagePath))];
  const letter = letterFor({
    ...{ to: embedded?.creator ?? '', organisation: site.name, writer: actor.name, title, fileName },
    pages: pages.map((path) => (site.liveUrl ? `${site.liveUrl}/${path}` : path)),
  });
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-3">
      <WayBack href={`/s/${slug}/pictures/${file.id}`} to={title}>
        Where it comes from
      </WayBack>
      <h1 className="mt-2 text-xl font-semibold">Where does “{title}” come from?</h1>
      <div className="mt-3 grid max-w-[1100px] grid-cols-[360px_minmax(0,1fr)] gap-6 max-md:grid-cols-1">
        <div>
          <Mat
            src={master.sha256 ? `/s/${slug}/image/${master.sha256}?whole` : null}
            alt=""
            width={360}
            height={250}
          />
          <p className="mt-1 text-sm break-all text-ink-2">{master.path}</p>
        </div>
        <section>
          <h2 className="border-b border-line pb-1 font-semibold">What points where</h2>
          <ol>
            {clues.map((clue) => (
              <Clue key={clue.says} clue={clue} />
            ))}
          </ol>
        </section>
      </div>
      {mayEdit(actor.role) ? (
        <div className="mt-6 max-w-[1100px]">
          <h2 className="border-b border-line pb-1 font-semibold">What came of it</h2>
          <p className="pt-1.5 text-sm text-ink-2">
            Record whose it is and what was agreed; under “where it was found” write how you know, with the
            day, and keep the letter or the bill below.
          </p>
          <RightsForm
            slug={slug}
            siteId={site.id}
            file={master.path}
            embedded={embedded}
            said={recorded?.body ?? null}
            saidBy={recorded?.said_by ?? null}
            isOpen
          />
          <Papers
            slug={slug}
            siteId={site.id}
            subject={{ file: master.path }}
            head="How you know"
            hint="The letter, the bill, a picture of the page where it was found: kept sealed with the picture, for maintainers and owners."
            papers={papers}
          />
          <h2 className="mt-2 border-b border-line pb-1 font-semibold">A letter that asks</h2>
          <LetterDraft letter={letter} fileName={fileName} />
        </div>
      ) : null}
    </main>
  );
}

function Clue({ clue: { points, strength, says, ask } }: { clue: OriginClue }) {
  return (
    <li className="grid grid-cols-[150px_minmax(0,1fr)] gap-4 border-b border-line-2 py-2 max-sm:grid-cols-1">
      <span className={`self-start border-l-[3px] pl-2 text-sm font-semibold ${LOOK[strength]}`}>
        {points}
      </span>
      <span>
        {says} <span className="block text-sm text-ink-2">{ask}</span>
      </span>
    </li>
  );
}
