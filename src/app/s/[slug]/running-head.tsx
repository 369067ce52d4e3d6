import type { Actor } from '@/server/accounts/actor';
import type { sites, surveys } from '@/server/db/schema/sites';
import { agoText, count } from '@/ui/format';
import { Link } from '@/ui/link';
import { FindBox } from './find-box';
import { PersonMenu } from './person-menu';
import { WorkLine } from './work-line';

interface RunningHeadProps {
  site: typeof sites.$inferSelect;
  survey: typeof surveys.$inferSelect | null;
  draft: { readonly number: number; readonly changes: number } | null;
  actor: Actor;
}

/** Across the top of every screen: the site and its last survey, the search box, the edition being gathered, you. */
export function RunningHead({ site, survey, draft, actor }: RunningHeadProps) {
  return (
    <header className="sticky top-0 z-10 flex h-[46px] items-center gap-4 border-b border-ink bg-sheet px-[18px] print:hidden">
      <Link href="/?all" className="font-serif text-[22px] leading-7 font-semibold italic">
        Ibidem
      </Link>
      <span className="flex min-w-0 items-baseline gap-2 border-l border-line pl-4 max-sm:hidden">
        <span className="truncate font-serif text-[16px]">{site.name}</span>
        <span className="shrink-0 max-md:hidden">
          <WorkLine>
            <Link href={`/s/${site.slug}/surveys`}>{surveyText(survey)}</Link>
          </WorkLine>
        </span>
      </span>
      <span className="ml-auto max-md:hidden" />
      <FindBox slug={site.slug} />
      {draft ? (
        <Link
          href={`/s/${site.slug}/editions/${draft.number}`}
          className="flex shrink-0 items-center gap-2 rounded-sm border border-green px-3 py-1 font-semibold text-green"
        >
          Edition {draft.number}
          <span className="rounded-sm bg-green px-1.5 text-sm text-green-ink">
            {draft.changes}
            <span className="sr-only"> changes</span>
          </span>
        </Link>
      ) : (
        <span className="shrink-0 text-sm text-ink-3 max-md:hidden">no edition begun</span>
      )}
      <PersonMenu name={actor.name} role={actor.role} />
    </header>
  );
}

function surveyText(survey: RunningHeadProps['survey']): string {
  if (!survey) return 'not surveyed yet';
  if (survey.state === 'failed') return `survey ${survey.number} failed`;
  if (!survey.finishedAt) return `survey ${survey.number} waits`;
  const pages = survey.counts ? ` · ${count(survey.counts.pages, 'page')}` : '';
  return `survey ${survey.number}, ${agoText(survey.finishedAt, new Date())}${pages}`;
}
