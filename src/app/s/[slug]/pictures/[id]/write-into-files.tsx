'use client';

import { IntoEdition } from '@/ui/into-edition';
import { writeIntoFiles } from '../../rights/actions';

/** Puts what is recorded into the picture's files, by way of the edition. */
export function WriteIntoFiles({ slug, siteId, fileId }: { slug: string; siteId: number; fileId: number }) {
  return (
    <div className="mb-4">
      <IntoEdition slug={slug} gather={() => writeIntoFiles(slug, siteId, fileId)}>
        Write what is recorded into its files
      </IntoEdition>{' '}
      <span className="text-sm text-ink-2">in the edition; no pixel changes</span>
    </div>
  );
}
