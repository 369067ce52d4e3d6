'use client';

import { useState, useTransition } from 'react';
import type { Proposal } from '@/app/_data/errata/proposals';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { Empty } from '@/ui/empty';
import { draftSourceText } from '@/ui/draft-source';
import { FootBar, Told } from '@/ui/foot-bar';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { ProblemText } from '@/ui/problem-text';
import { gatherProposals, takeProposalsBack } from '../actions';
import { ProposalRow } from './proposal-row';

interface ProposalListProps {
  slug: string;
  proposals: readonly Proposal[];
  /** What each rule says is wrong. */
  titles: Readonly<Record<string, string>>;
}

const keyOf = ({ ids, field }: Proposal) => `${field} ${ids[0]}`;

/** Texts before and after, of which all that are marked go into the edition together. */
export function ProposalList({ slug, proposals, titles }: ProposalListProps) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [done, setDone] = useState<{
    readonly edition: number | null;
    readonly ids: readonly number[];
  } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const chosen = proposals.filter((one) => !left.has(keyOf(one)));
  const places = chosen.reduce((sum, { ids }) => sum + ids.length, 0);
  const gather = () =>
    start(async () => {
      const words = chosen.map((one) => ({
        ...{ ids: one.ids, field: one.field },
        text: typed[keyOf(one)] ?? one.after,
      }));
      const outcome = await gatherProposals(slug, words);
      setProblem(outcome.ok ? null : outcome.problem);
      if (outcome.ok) setDone({ edition: outcome.value.edition, ids: chosen.flatMap(({ ids }) => ids) });
    });
  const takeBack = (ids: readonly number[]) =>
    start(async () => {
      const found = await takeProposalsBack(slug, ids);
      setProblem(found);
      if (!found) setDone(null);
    });
  const setAll = (isOn: boolean) => setLeft(new Set(isOn ? [] : proposals.map(keyOf)));
  if (proposals.length === 0 && !done) {
    return (
      <Empty head="Nothing can be proposed here">
        Neither the rules nor the pages and files know a text for these, or the edition has one already.
        Settle the words one by one at the text desk.
      </Empty>
    );
  }
  return (
    <>
      <label className="flex items-center gap-2 border-y border-line-2 px-5 py-1.5 text-sm text-ink-2">
        <input
          type="checkbox"
          className="size-4 accent-green"
          checked={left.size === 0}
          onChange={(event) => setAll(event.target.checked)}
        />
        All
      </label>
      <ul>
        {proposals.map((one) => (
          <ProposalRow
            key={keyOf(one)}
            slug={slug}
            proposal={one}
            title={titles[one.rule] ?? one.rule}
            source={draftSourceText(one.from)}
            text={typed[keyOf(one)] ?? one.after}
            isChosen={!left.has(keyOf(one))}
            onChoose={(isOn) =>
              setLeft(
                (now) => new Set(isOn ? [...now].filter((key) => key !== keyOf(one)) : [...now, keyOf(one)]),
              )
            }
            onType={(text) => setTyped((now) => ({ ...now, [keyOf(one)]: text }))}
          />
        ))}
      </ul>
      <FootBar label="Into the edition">
        {done ? (
          <Told isBusy={isBusy} onTakeBack={() => takeBack(done.ids)}>
            {count(done.ids.length, 'place')}: their words are in the edition.
            {done.edition ? (
              <Link href={`/s/${slug}/editions/${done.edition}`} className="font-semibold text-green">
                See edition {done.edition}
              </Link>
            ) : null}
          </Told>
        ) : (
          <Button weight="main" disabled={isBusy || places === 0} onClick={gather}>
            {isBusy ? 'One moment …' : `Put ${count(places, 'text')} into the edition`}
          </Button>
        )}
        {problem ? <ProblemText problem={problem} /> : null}
      </FootBar>
    </>
  );
}
