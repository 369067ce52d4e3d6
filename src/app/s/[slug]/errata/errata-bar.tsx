'use client';

import Link from 'next/link';
import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button, buttonClass } from '@/ui/button';
import { useChosen } from '@/ui/choosing';
import { FootBar, Told } from '@/ui/foot-bar';
import { count } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { stopStanding } from './actions';
import { StetForm } from './stet-form';

/** An erratum of the list that can be chosen. */
export interface ChoosableErratum {
  /** The one that stands for its group. */
  readonly id: number;
  /** All of its group. */
  readonly ids: readonly number[];
  /** Number of the picture whose words are at fault; `null` where the rule is not on words. */
  readonly pictureId: number | null;
}

interface ErrataBarProps {
  slug: string;
  errata: readonly ChoosableErratum[];
  /** Whether these are let stand already. */
  isStet: boolean;
}

/** What can be done with all chosen errata at once; it stands at the foot of the window while any is chosen. */
export function ErrataBar({ slug, errata, isStet }: ErrataBarProps) {
  const { chosen, chooseAll } = useChosen();
  const [told, setTold] = useState<{ readonly text: string; readonly ids: readonly number[] } | null>(null);
  const [isTyping, setTyping] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const those = errata.filter(({ id }) => chosen.has(id));
  const ids = those.flatMap((one) => one.ids);
  const pictures = [...new Set(those.flatMap(({ pictureId }) => pictureId ?? []))];
  const many = count(ids.length, 'erratum', 'errata');
  if (ids.length === 0 && !told && !problem) return null;
  const stop = (of: readonly number[]) =>
    start(async () => {
      const found = await stopStanding(slug, of);
      setProblem(found);
      if (found) return;
      setTold(null);
      chooseAll(false);
    });
  return (
    <FootBar label="Chosen errata">
      {ids.length > 0 ? (
        <>
          <strong className="mr-1">{many} chosen</strong>
          {isStet ? (
            <Button disabled={isBusy} onClick={() => stop(ids)}>
              They stand no longer
            </Button>
          ) : !isTyping ? (
            <Button weight="quiet" onClick={() => setTyping(true)}>
              Let them stand …
            </Button>
          ) : (
            <StetForm
              slug={slug}
              ids={ids}
              label="Let them stand"
              onDone={(isKept) => {
                setTyping(false);
                if (!isKept) return;
                setTold({ text: `${many} stand.`, ids });
                chooseAll(false);
              }}
            />
          )}
          {pictures.length > 0 ? (
            <Link
              href={`/s/${slug}/text-desk?pictures=${pictures.join(',')}`}
              className={buttonClass('quiet')}
            >
              Words
            </Link>
          ) : null}
          <button type="button" className="ml-auto text-green" onClick={() => chooseAll(false)}>
            Let go
          </button>
        </>
      ) : null}
      {told && ids.length === 0 ? (
        <Told isBusy={isBusy} onTakeBack={() => stop(told.ids)} onClose={() => setTold(null)}>
          {told.text}
        </Told>
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </FootBar>
  );
}
