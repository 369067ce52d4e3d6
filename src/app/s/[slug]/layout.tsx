import type { ReactNode } from 'react';
import { requireActor } from '@/app/_data/session';
import { checkedSoFar } from '@/app/_data/errata/checked-so-far';
import { siteFrame } from '@/app/_data/frame';
import { siteBySlug } from '@/app/_data/site';
import { workMark } from '@/app/_data/work-status';
import { LiveStatus } from './live';
import { RunningHead } from './running-head';
import { SiteIndex } from './site-index';
import { SoFar } from './so-far';
import { soFarText } from './so-far-text';

export default async function SiteLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ slug: string }>;
}) {
  const actor = await requireActor();
  const { slug } = await params;
  const site = await siteBySlug(slug);
  const [frame, far, mark] = await Promise.all([siteFrame(site.id), checkedSoFar(site.id), workMark(slug)]);
  // What is worked on is asked for once the screen stands there.
  const made = { mark, work: null, soFar: soFarText(far) };
  return (
    <LiveStatus address={`/s/${slug}/status`} made={made}>
      <div className="min-h-screen">
        <a
          href="#sheet"
          className="sr-only focus:not-sr-only focus:fixed focus:z-20 focus:bg-sheet focus:p-2"
        >
          Skip to the sheet
        </a>
        <RunningHead site={site} survey={frame.survey} draft={frame.draft} actor={actor} />
        <div className="flex max-sm:flex-col">
          <SiteIndex slug={site.slug} counts={frame.counts} sections={frame.sections} />
          <div id="sheet" className="min-w-0 flex-1">
            <SoFar />
            {children}
          </div>
        </div>
      </div>
    </LiveStatus>
  );
}
