'use client';

import { useEffect, useState } from 'react';
import type { Problem } from '@/core/problem';
import { changesNothing, type Revision } from '@/core/revision/steps';
import type { RevisedSubject } from '@/server/work/revisions/open-revision';
import type { Weight } from '@/server/work/revisions/weigh-revision';
import { weigh } from './actions';

/** So long nothing is asked while somebody still draws, in milliseconds. */
const REST_MS = 500;

interface Weighed {
  readonly of: Revision;
  readonly weight: Weight | null;
  readonly problem: Problem | null;
}

/** What the picture would weigh: asked of the server, which makes it. `weight` is `null` while it is not known, and for the original. */
export function useWeight(slug: string, subject: RevisedSubject, revision: Revision) {
  const [weighed, setWeighed] = useState<Weighed | null>(null);
  useEffect(() => {
    // The original weighs what it weighs: nothing has to be made for that.
    if (changesNothing(revision)) return;
    let isAsked = true;
    const timer = setTimeout(() => {
      void weigh(slug, subject, revision)
        .catch(() => ({ ok: false, problem: NOT_ASKED }) as const)
        .then((outcome) => {
          // An answer for what has changed meanwhile tells nothing.
          if (!isAsked) return;
          setWeighed({
            of: revision,
            weight: outcome.ok ? outcome.value : null,
            problem: outcome.ok ? null : outcome.problem,
          });
        });
    }, REST_MS);
    return () => {
      isAsked = false;
      clearTimeout(timer);
    };
  }, [slug, subject, revision]);
  const isNow = weighed?.of === revision;
  return { weight: isNow ? weighed.weight : null, problem: isNow ? weighed.problem : null };
}

const NOT_ASKED: Problem = {
  code: 'REVISION_NOT_ASKED',
  what: 'How much it will weigh is not known.',
  why: 'The line broke off.',
  remedy: 'Go on; it is asked again with the next step.',
};
