'use client';

import { IntoEdition } from '@/ui/into-edition';
import { tellOnPages } from './actions';

/** What is told of pictures on the pages themselves, by way of the edition. */
export function OnPages({ slug, siteId }: { slug: string; siteId: number }) {
  return (
    <section aria-label="On the pages">
      <h2 className="border-b border-line pb-1 font-semibold">On the pages</h2>
      <div className="mt-1.5">
        <IntoEdition slug={slug} gather={() => tellOnPages(slug, siteId, 'credits')}>
          Keep a page of picture credits
        </IntoEdition>
        <p className="text-sm text-ink-2">
          For every credit that stands nowhere with its picture; each of those pages leads to it.
        </p>
      </div>
      <div className="mt-2">
        <IntoEdition slug={slug} gather={() => tellOnPages(slug, siteId, 'statements')}>
          Tell search engines
        </IntoEdition>
        <p className="text-sm text-ink-2">
          Creator, licence and where to ask, in each page’s head; and the image sitemap.
        </p>
      </div>
    </section>
  );
}
