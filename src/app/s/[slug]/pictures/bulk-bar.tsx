'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Outcome } from '@/app/_data/act';
import { PICTURE_KINDS, type PictureKind } from '@/core/dating/shelf-life';
import type { Problem } from '@/core/problem';
import { Button, buttonClass } from '@/ui/button';
import { KIND_NAME } from '@/ui/date-words';
import { FootBar, Told } from '@/ui/foot-bar';
import { count } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { correct, settle, show, takeBack, teach, type Undo } from './actions';
import { useChosen } from '@/ui/choosing';

interface NamedSubject {
  readonly id: number;
  readonly name: string;
}

/** A picture of the list that can be chosen. */
export interface ChoosablePicture {
  /** Number of the picture. */
  readonly id: number;
  /** Number of the file that stands for it, and its hash. */
  readonly fileId: number;
  readonly sha256: string;
}

interface BulkBarProps {
  slug: string;
  pictures: readonly ChoosablePicture[];
  subjects: readonly NamedSubject[];
}

const SELECT = 'max-w-[132px] rounded-sm border border-ink-3 bg-sheet px-2 py-1.5';

function KindChoice({ isBusy, onChoose }: { isBusy: boolean; onChoose: (kind: PictureKind) => void }) {
  return (
    <select
      aria-label="What they show"
      className={SELECT}
      value=""
      disabled={isBusy}
      onChange={(event) => onChoose(event.target.value as PictureKind)}
    >
      <option value="">They show a …</option>
      {PICTURE_KINDS.map((kind) => (
        <option key={kind} value={kind}>
          {KIND_NAME[kind]}
        </option>
      ))}
    </select>
  );
}

interface SubjectChoiceProps {
  subjects: readonly NamedSubject[];
  isBusy: boolean;
  onChoose: (subject: NamedSubject) => void;
  onNew: () => void;
}

function SubjectChoice({ subjects, isBusy, onChoose, onNew }: SubjectChoiceProps) {
  return (
    <select
      aria-label="Who or what is on them"
      className={SELECT}
      value=""
      disabled={isBusy}
      onChange={(event) => {
        const subject = subjects.find(({ id }) => String(id) === event.target.value);
        if (subject) onChoose(subject);
        else onNew();
      }}
    >
      <option value="">On them is …</option>
      {subjects.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
      <option value="new">Somebody or something new …</option>
    </select>
  );
}

/** What can be said of all chosen pictures at once; it stands at the foot of the window while any is chosen. */
export function BulkBar({ slug, pictures, subjects }: BulkBarProps) {
  const { chosen, chooseAll } = useChosen();
  const router = useRouter();
  const [told, setTold] = useState<{ readonly text: string; readonly undo: Undo | null } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const those = pictures.filter(({ id }) => chosen.has(id));
  const ids = those.map(({ id }) => id);
  const [first, ...others] = those;
  const many = count(ids.length, 'picture');
  const say = (text: string, deed: () => Promise<Outcome<Undo>>) =>
    start(async () => {
      const outcome = await deed();
      setProblem(outcome.ok ? null : outcome.problem);
      setTold(outcome.ok ? { text, undo: outcome.value } : null);
      if (outcome.ok) chooseAll(false);
    });
  const join = () =>
    start(async () => {
      for (const { sha256 } of others) {
        const found = await correct(slug, 'together', first?.sha256 ?? '', sha256);
        setProblem(found);
        if (found) return;
      }
      setTold({ text: `${many} become one, as soon as the worker has sorted them.`, undo: null });
      chooseAll(false);
    });
  const undo = (was: Undo) =>
    start(async () => {
      setProblem(await takeBack(slug, was));
      setTold({ text: 'Taken back.', undo: null });
    });
  if (ids.length === 0 && !told && !problem) return null;
  return (
    <FootBar label="Chosen pictures">
      {ids.length > 0 ? (
        <>
          <strong className="mr-1">{many} chosen</strong>
          <KindChoice
            isBusy={isBusy}
            onChoose={(kind) =>
              say(`${many}: ${KIND_NAME[kind].toLowerCase()}.`, () => settle(slug, ids, kind))
            }
          />
          <SubjectChoice
            subjects={subjects}
            isBusy={isBusy}
            onChoose={(subject) => say(`${many}: ${subject.name}.`, () => show(slug, ids, subject.id, true))}
            onNew={() => router.push(`/s/${slug}/subjects?for=${ids.join(',')}`)}
          />
          <Button
            weight="quiet"
            disabled={isBusy}
            onClick={() => say(`${many}: leftovers.`, () => teach(slug, ids, 'placeholder'))}
          >
            Leftovers
          </Button>
          <Button
            weight="quiet"
            disabled={isBusy}
            onClick={() => say(`${many}: no leftovers.`, () => teach(slug, ids, 'not a placeholder'))}
          >
            No leftovers
          </Button>
          <Link href={`/s/${slug}/pictures/titles?of=${ids.join(',')}`} className={buttonClass('quiet')}>
            Titles
          </Link>
          <Link href={`/s/${slug}/text-desk?pictures=${ids.join(',')}`} className={buttonClass('quiet')}>
            Words
          </Link>
          {those.length === 2 ? (
            <Link
              href={`/s/${slug}/pictures/compare?one=${those[0]?.fileId}&other=${those[1]?.fileId}`}
              className={buttonClass('quiet')}
            >
              Compare
            </Link>
          ) : null}
          {those.length > 1 ? (
            <Button weight="quiet" disabled={isBusy} onClick={join}>
              One picture
            </Button>
          ) : null}
          <button type="button" className="ml-auto text-green" onClick={() => chooseAll(false)}>
            Let go
          </button>
        </>
      ) : null}
      {told ? (
        <Told
          isBusy={isBusy}
          onTakeBack={told.undo ? () => undo(told.undo as Undo) : undefined}
          onClose={ids.length === 0 ? () => setTold(null) : undefined}
        >
          {told.text}
        </Told>
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </FootBar>
  );
}
