'use client';

import { startTransition, useActionState } from 'react';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { keepingSubmit } from '@/ui/keeping-submit';
import { ProblemText } from '@/ui/problem-text';
import { saveSettings } from './actions';

interface SettingsFormProps {
  slug: string;
  siteId: number;
  site: {
    readonly name: string;
    readonly liveUrl: string | null;
    readonly hosts: readonly string[];
    readonly cacheBusters: readonly string[];
    readonly lazyAttributes: readonly string[];
  };
}

export function SettingsForm({ slug, siteId, site }: SettingsFormProps) {
  const [saved, submit, isPending] = useActionState(saveSettings.bind(null, slug, siteId), null);
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
      <Field
        label="Other host names of the site"
        name="hosts"
        defaultValue={site.hosts.join(' ')}
        hint="With blanks between them. What a page shows from these hosts counts as the site’s own."
      />
      <Field
        label="Parameters that only make browsers fetch anew"
        name="cacheBusters"
        defaultValue={site.cacheBusters.join(' ')}
        placeholder="v ver"
        hint="In photo.php?id=4&v=12, “v” names no other picture, “id” does."
      />
      <Field
        label="Attributes in which pictures wait for scripts"
        name="lazyAttributes"
        defaultValue={site.lazyAttributes.join(' ')}
        placeholder="data-slide-image"
        hint="Besides data-src, data-srcset, data-bg and the other common ones, which are always looked at."
      />
      {saved && 'problem' in saved ? <ProblemText problem={saved.problem} /> : null}
      {saved && 'said' in saved ? (
        <p role="status" className="text-green">
          {saved.said}
        </p>
      ) : null}
      <div>
        <Button type="submit" weight="main" disabled={isPending}>
          {isPending ? 'Saving …' : 'Save and survey'}
        </Button>
      </div>
    </form>
  );
}
