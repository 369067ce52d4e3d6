'use client';

import { startTransition, useActionState } from 'react';
import type { FormatPolicy } from '@/core/swap/newer-format';
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
    readonly formats: FormatPolicy;
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

const POLICIES: Readonly<Record<FormatPolicy, string>> = {
  keep: 'As the pictures that they follow',
  webp: 'And as WebP besides, for browsers that show it',
  avif: 'And as AVIF besides, for browsers that show it',
};

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
      <div>
        <label htmlFor="formats" className="block text-sm text-ink-2">
          How new pictures are written
        </label>
        <select
          id="formats"
          name="formats"
          defaultValue={site.formats}
          aria-describedby="formats-hint"
          className="mt-1 w-full rounded-sm border border-ink-3 bg-sheet px-2.5 py-1.5"
        >
          {Object.entries(POLICIES).map(([policy, label]) => (
            <option key={policy} value={policy}>
              {label}
            </option>
          ))}
        </select>
        <p id="formats-hint" className="mt-1 text-sm text-ink-3">
          A second format loads faster, and is put in with a picture element around the img. That is left out
          where a style sheet of the page would no longer mean the same; the edition says so at the place.
        </p>
      </div>
      <Answer told={told} />
      <div>
        <Button type="submit" weight="main" disabled={isPending}>
          {isPending ? 'Saving …' : 'Save and survey'}
        </Button>
      </div>
    </form>
  );
}
