'use client';

import { startTransition, useActionState, useState } from 'react';
import {
  CREDIT_FORMS,
  creditLine,
  formOf,
  type CreditFields,
  type CreditFormName,
} from '@/core/rights/credit/credit-forms';
import { Answer } from '@/ui/answer';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { keepingSubmit } from '@/ui/keeping-submit';
import { sayCreditForm } from './actions';

const NAME: Readonly<Record<CreditFormName, string>> = {
  plain: 'title, who, licence',
  short: 'who / licence',
  'title-author-source-licence': 'title, who, where from, licence and its address',
  'author-title-site-medium': 'who: title, medium. Site, address',
};

/** A made-up picture on which each form is shown. */
const SAMPLE: CreditFields = {
  ...{
    title: 'A first lesson',
    creators: ['Orrin Vale'],
    holder: null,
    isChanged: false,
    site: 'www.ferndrake.example',
  },
  ...{ source: 'https://archive.example/lesson', deed: 'https://creativecommons.org/licenses/by/4.0/' },
  licence: { by: true, conditions: new Set(), version: '4.0', port: null },
};

interface CreditFormsProps {
  slug: string;
  siteId: number;
  /** What was said before: of the whole site, and of some of its pages. */
  said: readonly { readonly form: string; readonly pattern: string; readonly always: boolean }[];
}

/** How credit lines are written that are put in place from here. */
export function CreditForms({ slug, siteId, said }: CreditFormsProps) {
  const [told, submit, isPending] = useActionState(sayCreditForm.bind(null, slug, siteId), null);
  const whole = said.find(({ pattern }) => pattern === '');
  const known = whole?.form ?? 'plain';
  const [form, setForm] = useState(CREDIT_FORMS.includes(known as CreditFormName) ? known : 'template');
  const [template, setTemplate] = useState(form === 'template' ? known : 'Photo: {creator}[, {licence}]');
  return (
    <section>
      <h2 className="border-b border-line pb-1 font-semibold">How credits are written</h2>
      {said
        .filter(({ pattern }) => pattern !== '')
        .map(({ pattern, form: written }) => (
          <p key={pattern} className="py-1 text-sm text-ink-2">
            {pattern}: {NAME[written as CreditFormName] ?? written}
          </p>
        ))}
      <form
        aria-label="How credits are written"
        onSubmit={keepingSubmit((sent) => startTransition(() => submit(sent)))}
        className="space-y-2 pt-1.5 text-sm"
      >
        <label className="block">
          <span className="text-ink-2">Form</span>
          <select
            name="form"
            value={form}
            onChange={(event) => setForm(event.target.value)}
            className="mt-1 w-full rounded-sm border border-ink-3 bg-sheet px-2 py-1.5"
          >
            {CREDIT_FORMS.map((name) => (
              <option key={name} value={name}>
                {NAME[name]}
              </option>
            ))}
            <option value="template">a form of your own</option>
          </select>
        </label>
        {form === 'template' ? (
          <Field
            name="template"
            label="Your form"
            value={template}
            onChange={(event) => setTemplate(event.target.value)}
            hint="{title} {creator} {holder} {source} {licence} {deed} {site}; a part in [ ] goes where its field is not known"
          />
        ) : null}
        <p className="border-l-2 border-line pl-2 font-serif break-words">
          {creditLine(formOf(form === 'template' ? template : form), SAMPLE)}
        </p>
        <Field
          name="pattern"
          label="Only on these pages"
          hint="news/** for all below news; empty for the whole site"
        />
        <label className="flex items-start gap-2">
          <input
            type="checkbox"
            name="always"
            defaultChecked={whole?.always ?? false}
            className="mt-1 accent-[var(--green)]"
          />
          Every picture is credited, whatever its licence asks
        </label>
        <Button type="submit" disabled={isPending}>
          {isPending ? 'One moment …' : 'Keep'}
        </Button>
        <Answer told={told} />
      </form>
    </section>
  );
}
