import { siteBySlug, surveysOf } from '@/app/_data/site';
import { Empty } from '@/ui/empty';
import { count, dateText } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import type { ConnectionSettings } from '@/server/db/schema/sites';
import { SurveyNow } from './survey-now';

function connectionText(connection: ConnectionSettings): string {
  if (connection.kind === 'http') return `of ${connection.start}`;
  return connection.kind === 'zip' ? 'of the unpacked ZIP' : `of ${connection.folder}`;
}

export const metadata = { title: 'Surveys' };

export default async function SurveysPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const rows = await surveysOf(site.id);
  const isBusy = rows.some(({ state }) => state === 'waiting' || state === 'running');
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="flex items-center gap-4 border-b border-line px-5 py-2.5">
        <h1 className="text-lg font-semibold">Surveys</h1>
        <span className="truncate text-ink-2">{connectionText(site.connection)}</span>
        <span className="ml-auto" />
        <SurveyNow slug={site.slug} siteId={site.id} isBusy={isBusy} />
      </div>
      {rows.length === 0 ? (
        <Empty head="Not surveyed yet">A survey reads every page and notes where every picture stands.</Empty>
      ) : null}
      <ul>
        {rows.map((survey) => (
          <li
            key={survey.id}
            className="grid grid-cols-[110px_190px_minmax(0,1fr)] gap-4 border-b border-line-2 px-5 py-3"
          >
            <span className="font-semibold">Survey {survey.number}</span>
            <span className="text-ink-2">
              {survey.finishedAt ? dateText(survey.finishedAt) : survey.state}
            </span>
            <div>
              {survey.state === 'running' ? (
                <p>
                  {survey.pagesDone.toLocaleString('en')} of {count(survey.pagesTotal, 'page')} read
                </p>
              ) : null}
              {survey.counts ? (
                <p>
                  {count(survey.counts.pages, 'page')}, {count(survey.counts.placements, 'place')},{' '}
                  {count(survey.counts.files, 'picture file')}; {count(survey.counts.changedPages, 'page')}{' '}
                  read anew
                </p>
              ) : null}
              <p className="text-sm text-ink-2">{survey.reason}</p>
              {survey.problem ? <ProblemText problem={survey.problem} /> : null}
              {survey.counts && survey.counts.skipped.length > 0 ? (
                <details className="text-sm text-ink-2">
                  <summary>{count(survey.counts.skipped.length, 'entry', 'entries')} left out</summary>
                  <ul className="mt-1">
                    {survey.counts.skipped.map(({ path, reason }) => (
                      <li key={path}>
                        {path}: {reason}
                      </li>
                    ))}
                  </ul>
                </details>
              ) : null}
            </div>
          </li>
        ))}
      </ul>
    </main>
  );
}
