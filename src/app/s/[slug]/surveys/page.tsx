import { siteBySlug, surveysOf } from '@/app/_data/site';
import type { ConnectionSettings } from '@/server/db/schema/sites';
import { Empty } from '@/ui/empty';
import { count, dateText } from '@/ui/format';
import { Link } from '@/ui/link';
import { ProblemText } from '@/ui/problem-text';
import { differenceText } from './difference-text';
import { SurveyNow } from './survey-now';
import { GoOn, SurveyProgress } from './survey-progress';

export const metadata = { title: 'Surveys' };

function connectionText(connection: ConnectionSettings): string {
  if (connection.kind === 'http') return `of ${connection.start}`;
  return connection.kind === 'zip' ? 'of the unpacked ZIP' : `of ${connection.folder}`;
}

export default async function SurveysPage({ params }: { params: Promise<{ slug: string }> }) {
  const site = await siteBySlug((await params).slug);
  const rows = await surveysOf(site.id);
  const isBusy = rows.some(({ state }) => state === 'waiting' || state === 'running');
  const { slug, id } = site;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="flex flex-wrap items-center gap-4 border-b border-line px-5 py-2.5">
        <h1 className="text-lg font-semibold">Surveys</h1>
        <span className="min-w-0 truncate text-ink-2">{connectionText(site.connection)}</span>
        <span className="ml-auto" />
        <SurveyNow slug={slug} siteId={id} isBusy={isBusy} every={site.surveyEvery} />
      </div>
      {rows.length === 0 ? (
        <Empty head="Not surveyed yet">A survey reads every page and notes where every picture stands.</Empty>
      ) : null}
      <ul>
        {rows.map((survey, i) => (
          <li
            key={survey.id}
            className="grid grid-cols-[110px_190px_minmax(0,1fr)] gap-4 border-b border-line-2 px-5 py-3 max-sm:grid-cols-1 max-sm:gap-1"
          >
            <Link href={`/s/${slug}/surveys/${survey.number}`} className="font-semibold text-green">
              Survey {survey.number}
            </Link>
            <span className="text-ink-2">
              {survey.finishedAt ? dateText(survey.finishedAt) : 'under way'}
              <span className="block text-sm">{survey.reason}</span>
            </span>
            <div>
              {survey.state === 'running' || survey.state === 'waiting' ? (
                <SurveyProgress slug={slug} siteId={id} number={survey.number} />
              ) : null}
              {survey.counts && survey.state === 'done' ? (
                <>
                  <p>{differenceText(survey.counts, survey.number)}</p>
                  <p className="text-sm text-ink-2">
                    {count(survey.counts.pages, 'page')}, {count(survey.counts.placements, 'place')},{' '}
                    {count(survey.counts.files, 'picture file')}
                    {survey.counts.skipped.length > 0
                      ? ` · ${count(survey.counts.skipped.length, 'address was', 'addresses were')} left out`
                      : ''}
                  </p>
                </>
              ) : null}
              {survey.problem ? <ProblemText problem={survey.problem} /> : null}
              {survey.state === 'stopped' || survey.state === 'failed' ? (
                <p className="flex items-center gap-3">
                  {survey.state === 'stopped' ? 'Stopped before it had read everything.' : null}
                  {i === 0 ? <GoOn slug={slug} siteId={id} number={survey.number} /> : null}
                </p>
              ) : null}
            </div>
          </li>
        ))}
      </ul>
    </main>
  );
}
