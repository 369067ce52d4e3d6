'use client';

import { startTransition, useActionState } from 'react';
import { Answer } from '@/ui/answer';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { keepingSubmit } from '@/ui/keeping-submit';
import { saveSettings } from './actions';

interface SettingsFormProps {
  slug: string;
  siteId: number;
  site: {
    readonly name: string;
    readonly liveUrl: string | null;
    readonly hosts: readonly string[];
    readonly cacheBusters: readonly string[];
    readonly indexNames: readonly string[];
    readonly lazyAttributes: readonly string[];
  };
}

/** Settings that are words with blanks between them. */
const LISTS = [
  {
    name: 'hosts',
    label: 'Other host names of the site',
    placeholder: '',
    hint: 'With blanks between them. What a page shows from these hosts counts as the site’s own.',
  },
  {
    name: 'cacheBusters',
    label: 'Parameters that only make browsers fetch anew',
    placeholder: 'v ver',
    hint: 'In photo.php?id=4&v=12, “v” names no other picture, “id” does.',
  },
  {
    name: 'indexNames',
    label: 'Names of a folder’s own page',
    placeholder: 'index.html index.php',
    hint: 'All of them are one page with the folder’s address; the first is how Ibidem calls it. The common ones are known.',
  },
  {
    name: 'lazyAttributes',
    label: 'Attributes in which pictures wait for scripts',
    placeholder: 'data-slide-image',
    hint: 'Besides data-src, data-srcset, data-bg and the other common ones, which are always looked at.',
  },
] as const;

export function SettingsForm({ slug, siteId, site }: SettingsFormProps) {
  const [told, submit, isPending] = useActionState(saveSettings.bind(null, slug, siteId), null);
  return (
    <form
      onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
      className="grid max-w-xl gap-4"
    >
      <Field label="Name of the site" name="name" required maxLength={120} defaultValue={site.name} />
      <Field
        label="Where readers see it"
        name="liveUrl"
        type="url"
        placeholder="https://"
        defaultValue={site.liveUrl ?? ''}
      />
      {LISTS.map(({ name, label, hint, placeholder }) => (
        <Field key={name} {...{ name, label, hint, placeholder }} defaultValue={site[name].join(' ')} />
      ))}
      <Answer told={told} />
      <div>
        <Button type="submit" weight="main" disabled={isPending}>
          {isPending ? 'Saving …' : 'Save and survey'}
        </Button>
      </div>
    </form>
  );
}
