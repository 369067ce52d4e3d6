'use client';

import { startTransition, useActionState } from 'react';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { keepingSubmit } from '@/ui/keeping-submit';
import { ProblemText } from '@/ui/problem-text';
import { connect } from './actions';

export function ConnectForm() {
  const [problem, submit, isPending] = useActionState(connect, null);
  return (
    <form onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))} className="mt-6 grid gap-4">
      <Field label="Name of the site" name="name" required maxLength={120} />
      <Field
        label="Folder of its files on this machine"
        name="folder"
        hint="The folder that holds index.html. Ibidem writes there when an edition is published."
      />
      <Field
        label="or a ZIP of them"
        name="zip"
        type="file"
        accept=".zip"
        hint="It is unpacked and kept by Ibidem. Up to 60 MB."
      />
      <Field
        label="or the address it is read from"
        name="start"
        type="url"
        placeholder="https://"
        hint="For a site whose files Ibidem can’t reach: it follows links and sitemaps, slowly, and writes nothing there."
      />
      <label className="flex items-baseline gap-2 text-sm text-ink-2">
        <input type="checkbox" name="isPrivate" />
        That server stands on this machine or in our own network. Otherwise such addresses are refused.
      </label>
      <Field
        label="Where readers see it"
        name="liveUrl"
        type="url"
        placeholder="https://"
        hint="If you know it: pages can then be opened live."
      />
      <Field
        label="Other host names of the site"
        name="hosts"
        hint="With blanks between them, if pages refer to the site by other names."
      />
      {problem ? <ProblemText problem={problem} /> : null}
      <div>
        <Button type="submit" weight="main" disabled={isPending}>
          {isPending ? 'Looking at it …' : 'Connect and survey'}
        </Button>
      </div>
    </form>
  );
}
