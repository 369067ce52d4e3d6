import { notFound } from 'next/navigation';
import { errataOfPage } from '@/app/_data/errata/errata-of-page';
import { filesByPath, pageById } from '@/app/_data/pages/pages';
import { hrefWith, type SearchParams } from '@/app/_data/query';
import { siteFrame } from '@/app/_data/frame';
import { siteBySlug } from '@/app/_data/site';
import { database } from '@/server/db/database';
import { openProofSite, placementsInProof } from '@/server/work/proof/make-proof';
import { proofAddress, type ProofState } from '@/server/work/proof/proof-token';
import { Chip } from '@/ui/chip';
import { bytesText, count, dateText, placeText, reachText, titleText } from '@/ui/format';
import { WayBack } from '@/ui/way-back';
import { ProofSheet } from './proof-sheet';
import { proofNotes } from './proof-notes';

const WIDTHS = ['desktop', 'phone'] as const;
const SHOWN = ['live', 'draft', 'both'] as const;

type PageParams = Promise<{ slug: string; id: string }>;

/** The page that an address names. */
async function named(params: PageParams) {
  const { slug, id } = await params;
  const site = await siteBySlug(slug);
  const page = /^\d{1,9}$/.test(id) ? await pageById(site.id, Number(id)) : null;
  if (!page) notFound();
  return { slug, site, page };
}

export async function generateMetadata({ params }: { params: PageParams }) {
  const { page } = await named(params);
  return { title: page.title.trim() || placeText(page.path) };
}

export default async function PageRecord({
  params,
  searchParams,
}: {
  params: PageParams;
  searchParams: SearchParams;
}) {
  const { slug, site, page } = await named(params);
  const given = await searchParams;
  const width = WIDTHS.find((name) => name === given['width']) ?? 'desktop';
  const { draft, survey } = await siteFrame(site.id);
  const shown = (draft && SHOWN.find((name) => name === given['shown'])) || 'live';
  const noted: ProofState = shown === 'draft' ? 'draft' : 'live';
  const db = database();
  const proof = await openProofSite(db, site.id, noted);
  const placements = await placementsInProof(proof, page.path);
  const paths = placements.flatMap(({ address }) => (address.kind === 'site' ? [address.path] : []));
  const [files, errata] = await Promise.all([
    filesByPath(site.id, paths),
    noted === 'live' && page.checkedIn === page.changedIn ? errataOfPage(site.id, page.path) : null,
  ]);
  const notes = proofNotes(placements, { slug, files, errata });
  const srcOf = (state: ProofState) => proofAddress({ siteId: site.id, state }, page.path);
  const root = `/s/${slug}/pages/${page.id}`;
  const now = { width: width === 'desktop' ? null : width, shown: shown === 'live' ? null : shown };
  const draftName = draft ? `edition ${draft.number}` : '';
  return (
    <main className="min-h-[calc(100vh-46px)]">
      <div className="border-b border-line bg-sheet px-5 py-2.5">
        <WayBack href={`/s/${slug}/pages`} to="Pages">
          {placeText(page.path)}
        </WayBack>
        <div className="mt-0.5 flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="font-serif text-xl font-semibold">
            {titleText(page.title, site.name) || placeText(page.path)}
          </h1>
          <span className="text-sm text-ink-2">
            {page.path} · {count(placements.length, 'place')} · {page.encoding} · {bytesText(page.sizeBytes)}{' '}
            · reach {reachText(page.reach, site.reachFrom !== null)}
          </span>
          {site.liveUrl ? (
            <a
              href={`${site.liveUrl}/${page.path.split('/').map(encodeURIComponent).join('/')}`}
              target="_blank"
              rel="noreferrer"
              className="text-sm font-semibold text-green"
            >
              open the live page
            </a>
          ) : null}
        </div>
      </div>
      <div className="flex flex-wrap items-center gap-2 border-b border-line bg-sheet px-5 py-1.5">
        <Chip href={hrefWith(root, { ...now, width: null })} isChosen={width === 'desktop'} label="Desktop" />
        <Chip href={hrefWith(root, { ...now, width: 'phone' })} isChosen={width === 'phone'} label="Phone" />
        <span className="mx-1 h-4 border-l border-line" aria-hidden />
        {draft ? (
          <>
            <Chip href={hrefWith(root, { ...now, shown: null })} isChosen={shown === 'live'} label="Live" />
            <Chip
              href={hrefWith(root, { ...now, shown: 'draft' })}
              isChosen={shown === 'draft'}
              label={`With ${draftName}`}
            />
            <Chip
              href={hrefWith(root, { ...now, shown: 'both' })}
              isChosen={shown === 'both'}
              label="Side by side"
            />
          </>
        ) : null}
        <p className="text-sm">
          {shown === 'live' ? (
            <>
              <strong className="text-green">Live:</strong> as readers see it
              {survey?.finishedAt ? `, read ${dateText(survey.finishedAt)}` : ''}.
            </>
          ) : null}
          {shown === 'draft' ? (
            <>
              <strong className="text-should">Draft:</strong> as it would be after {draftName}. Readers do not
              see this.
            </>
          ) : null}
          {shown === 'both' ? (
            <>
              Left <strong className="text-green">live</strong>, right{' '}
              <strong className="text-should">draft</strong>: as it would be after {draftName}.
            </>
          ) : null}
        </p>
      </div>
      <ProofSheet
        key={`${width} ${shown}`}
        slug={slug}
        pageId={page.id}
        width={width}
        frames={
          shown === 'both'
            ? [
                { label: 'Live', src: srcOf('live') },
                { label: 'Draft', src: srcOf('draft') },
              ]
            : [{ label: shown === 'draft' ? 'Draft' : 'Live', src: srcOf(noted) }]
        }
        isMeasured={shown === 'live'}
        notes={notes}
      />
    </main>
  );
}
