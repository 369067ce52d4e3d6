'use client';

import { useState, useTransition } from 'react';
import type { RuleLevelRow } from '@/app/_data/errata/rule-levels';
import type { Degree, RuleId } from '@/core/errata/rule';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { ProblemText } from '@/ui/problem-text';
import { saveRuleLevel } from './actions';

type Level = Degree | 'off';

interface RuleLineProps {
  slug: string;
  /** Pattern of the section, or empty for the whole site. */
  section: string;
  rule: {
    readonly id: RuleId;
    readonly title: string;
    readonly why: string;
    readonly standard: string | null;
  };
  /** What it counts where nothing is set here. */
  usual: Level;
  set: RuleLevelRow | null;
  /** How often it speaks on the site. */
  errata: number;
  mayChange: boolean;
}

const NAME: Readonly<Record<Level, string>> = { must: 'Must', should: 'Should', note: 'Note', off: 'Off' };
const LEVELS: readonly Level[] = ['must', 'should', 'note', 'off'];

/** One rule: what it says, what it counts here, and why if it is not the usual. */
export function RuleLine({ slug, section, rule, usual, set, errata, mayChange }: RuleLineProps) {
  const [wanted, setWanted] = useState<Level | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const save = (level: Level | null) =>
    start(async () => {
      const found = await saveRuleLevel(slug, { section, rule: rule.id, level, reason });
      setProblem(found);
      if (found) return;
      setWanted(null);
      setReason('');
    });
  const level = set?.level ?? usual;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_110px_130px] gap-4 border-b border-line-2 py-2 max-md:grid-cols-1">
      <div className="min-w-0">
        <p className={level === 'off' ? 'text-ink-3' : ''}>{rule.title}</p>
        <p className="text-sm text-ink-2">
          {rule.why}
          {rule.standard ? ` (${rule.standard})` : ''}
        </p>
        {set ? (
          <p className="mt-1 text-sm">
            {NAME[set.level]} instead of {NAME[usual].toLowerCase()}, says {set.saidBy}:{' '}
            <span className="font-serif">{set.reason}</span>{' '}
            {mayChange ? (
              <button type="button" className="text-green" disabled={isBusy} onClick={() => save(null)}>
                Back to {NAME[usual].toLowerCase()}
              </button>
            ) : null}
          </p>
        ) : null}
        {wanted ? (
          <form
            className="mt-1 flex flex-wrap items-center gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              save(wanted);
            }}
          >
            <input
              autoFocus
              aria-label={`Why “${rule.title}” counts as ${NAME[wanted].toLowerCase()} here`}
              placeholder={`why it counts as ${NAME[wanted].toLowerCase()} here`}
              maxLength={500}
              className="min-w-60 flex-1 rounded-sm border border-ink-3 bg-sheet px-2 py-1"
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === 'Escape') setWanted(null);
              }}
            />
            <Button type="submit" disabled={isBusy}>
              {isBusy ? 'One moment …' : 'Save'}
            </Button>
          </form>
        ) : null}
        {problem ? <ProblemText problem={problem} /> : null}
      </div>
      <p className="text-sm">
        {errata > 0 ? (
          <Link
            href={`/s/${slug}/errata?rule=${rule.id}${section ? `&section=${encodeURIComponent(section)}` : ''}`}
            className="text-green"
          >
            {count(errata, 'erratum', 'errata')}
          </Link>
        ) : (
          <span className="text-ink-3">none here</span>
        )}
      </p>
      <select
        aria-label={`What “${rule.title}” counts`}
        className="h-fit rounded-sm border border-ink-3 bg-sheet px-2 py-1.5"
        value={wanted ?? level}
        disabled={!mayChange || isBusy}
        onChange={(event) => {
          const to = LEVELS.find((one) => one === event.target.value) ?? usual;
          if (to !== usual) setWanted(to);
          else if (set) save(null);
          else setWanted(null);
        }}
      >
        {LEVELS.map((one) => (
          <option key={one} value={one}>
            {NAME[one]}
            {one === usual ? ' (usual)' : ''}
          </option>
        ))}
      </select>
    </li>
  );
}
