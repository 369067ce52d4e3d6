'use client';

import { startTransition, useActionState } from 'react';
import { Answer } from '@/ui/answer';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { keepingSubmit } from '@/ui/keeping-submit';
import { recordRelease } from './actions';

interface ReleaseFormProps {
  slug: string;
  siteId: number;
  /** First and last day of this school year. */
  year: { readonly from: string; readonly until: string };
  /** The one person it is for; else those ticked and named. */
  person?: string;
}

/** A release for one person, or for many at once: a school year's, say. */
export function ReleaseForm({ slug, siteId, year, person }: ReleaseFormProps) {
  const [told, submit, isPending] = useActionState(recordRelease.bind(null, slug, siteId), null);
  return (
    <form
      id="release"
      aria-label="Record a release"
      onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
      className="space-y-3"
    >
      <h2 className="border-b border-line pb-1 font-semibold">Record a release</h2>
      {person === undefined ? (
        <Field
          name="others"
          label="Others than those ticked"
          hint="Initials, a number or a name; several apart by commas"
        />
      ) : (
        <input type="hidden" name="person" value={person} />
      )}
      <fieldset className="space-y-1 text-sm">
        <legend className="sr-only">What was said</legend>
        <label className="flex items-center gap-2">
          <input type="radio" name="given" value="yes" defaultChecked className="accent-[var(--green)]" />{' '}
          They agreed
        </label>
        <label className="flex items-center gap-2">
          <input type="radio" name="given" value="none" className="accent-[var(--green)]" /> They were asked,
          and did not agree
        </label>
      </fieldset>
      <Field
        name="purposes"
        label="For"
        list="purposes"
        hint="Teaching, news, selling …; empty for everything"
      />
      <datalist id="purposes">
        {['general', 'teaching', 'news', 'selling'].map((purpose) => (
          <option key={purpose} value={purpose} />
        ))}
      </datalist>
      <div className="grid grid-cols-2 gap-2">
        <Field name="from" label="From" type="date" defaultValue={year.from} />
        <Field name="until" label="Until" type="date" defaultValue={year.until} />
      </div>
      <Button type="submit" weight="main" disabled={isPending}>
        {isPending ? 'One moment …' : 'Record'}
      </Button>
      <Answer told={told} />
    </form>
  );
}
