'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button, buttonClass } from '@/ui/button';
import { useChosen } from '@/ui/choosing';
import { FootBar, Told } from '@/ui/foot-bar';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { ProblemText } from '@/ui/problem-text';
import { stopStanding } from './actions';
import { PutIn } from './put-in';
import { StetForm } from './stet-form';

/** An erratum of the list that can be chosen. */
export interface ChoosableErratum {
  /** The one that stands for its group. */
  readonly id: number;
  /** All of its group. */
  readonly ids: readonly number[];
  /** Number of its picture; `null` where there is none. */
  readonly pictureId: number | null;
  /** Whether its words are at fault, or how it fits its place; else it is the picture itself. */
  readonly isOnWords: boolean;
  readonly isRefitted: boolean;
  /** How many of the group have a text that can be put in place at once. */
  readonly fixes: number;
}

/** As many as are settled by one press. */
const MOST = 2000;

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
  // What stands is settled: it can only be taken up again.
  const open = isStet ? [] : those;
  const ids = those.flatMap((one) => one.ids);
  const picturesOf = (of: readonly ChoosableErratum[]) =>
    [...new Set(of.flatMap(({ pictureId }) => pictureId ?? []))].join(',');
  const worded = picturesOf(open.filter((one) => one.isOnWords));
  const swapped = picturesOf(open.filter((one) => !one.isOnWords));
  const idsOf = (of: readonly ChoosableErratum[]) => of.flatMap((one) => one.ids).slice(0, MOST);
  const texts = open.filter(({ fixes }) => fixes > 0);
  const fitted = open.filter((one) => one.isRefitted);
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
          {texts.length > 0 ? (
            <PutIn key={`t${texts.map(({ id }) => id).join()}`} slug={slug} ids={idsOf(texts)} what="texts">
              {`Put ${count(
                texts.reduce((sum, { fixes }) => sum + fixes, 0),
                'text',
              )} in`}
            </PutIn>
          ) : null}
          {fitted.length > 0 ? (
            <PutIn
              key={`f${fitted.map(({ id }) => id).join()}`}
              slug={slug}
              ids={idsOf(fitted)}
              what="fitted picture"
            >
              Fit them to their places
            </PutIn>
          ) : null}
          {swapped ? (
            <Link href={`/s/${slug}/pairs?pictures=${swapped}`} className={buttonClass('quiet')}>
              Pair with new pictures
            </Link>
          ) : null}
          {worded ? (
            <Link href={`/s/${slug}/text-desk?pictures=${worded}`} className={buttonClass('quiet')}>
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
