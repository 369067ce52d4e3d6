'use client';

import { useState, useTransition } from 'react';
import { SUBJECT_KINDS, type Subject, type SubjectKind } from '@/core/dating/changed-subject';
import { isoDay } from '@/core/dating/day';
import type { SubjectInput } from '@/server/work/pictures/name-subjects';
import { Button } from '@/ui/button';
import { SUBJECT_NAME } from '@/ui/date-words';
import { Field } from '@/ui/field';

interface SubjectFormProps {
  /** `null` for a new one. */
  subject: Subject | null;
  label: string;
  /** Gives whether it was saved; what was typed stays where it was not. */
  onSave: (input: SubjectInput) => Promise<boolean>;
}

const EMPTY = { name: '', kind: 'person' as SubjectKind, changedOn: '', changedHow: '' };

/** Name and sort of what pictures show, and when it changed. */
export function SubjectForm({ subject, label, onSave }: SubjectFormProps) {
  const [typed, setTyped] = useState(
    subject
      ? {
          ...{ name: subject.name, kind: subject.kind, changedHow: subject.changedHow },
          changedOn: subject.changedOn === null ? '' : isoDay(subject.changedOn),
        }
      : EMPTY,
  );
  const [isBusy, start] = useTransition();
  const id = subject?.id ?? 'new';
  const set = (part: Partial<typeof EMPTY>) => setTyped({ ...typed, ...part });
  return (
    <form
      className="mt-2 grid grid-cols-[minmax(0,2fr)_110px_150px_minmax(0,2fr)_auto] items-end gap-3 max-md:grid-cols-1"
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => {
          if ((await onSave({ id: subject?.id ?? null, ...typed })) && !subject) setTyped(EMPTY);
        });
      }}
    >
      <Field
        label="Name"
        name={`name-${id}`}
        required
        maxLength={80}
        value={typed.name}
        onChange={(event) => set({ name: event.target.value })}
      />
      <label className="block text-sm text-ink-2">
        Sort
        <select
          className="mt-1 w-full rounded-sm border border-ink-3 bg-sheet px-2 py-1.5 text-base"
          value={typed.kind}
          onChange={(event) => set({ kind: event.target.value as SubjectKind })}
        >
          {SUBJECT_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {SUBJECT_NAME[kind]}
            </option>
          ))}
        </select>
      </label>
      <Field
        label="Changed on"
        name={`changed-on-${id}`}
        type="date"
        value={typed.changedOn}
        onChange={(event) => set({ changedOn: event.target.value })}
      />
      <Field
        label="What changed"
        name={`changed-how-${id}`}
        placeholder="repainted, left, pulled down"
        maxLength={200}
        value={typed.changedHow}
        onChange={(event) => set({ changedHow: event.target.value })}
      />
      <Button type="submit" weight={subject ? 'plain' : 'main'} disabled={isBusy}>
        {label}
      </Button>
    </form>
  );
}
