import { notFound } from 'next/navigation';
import { siteBySlug } from '@/app/_data/site';
import {
  differenceOf,
  ledOn,
  surveyByNumber,
  type ChangedPage,
  type ChangedPlace,
} from '@/app/_data/surveys/surveys';
import { Empty } from '@/ui/empty';
import { count, dateText, placeText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { PageTitle } from '@/ui/page-title';
import { differenceText } from '../difference-text';

export const metadata = { title: 'What a survey found' };

const WORD = { new: 'new', gone: 'gone', changed: 'changed', moved: 'moved' } as const;
const LOOK = { new: 'text-green', gone: 'text-must', changed: 'text-should', moved: 'text-note' } as const;

export default async function SurveyPage({ params }: { params: Promise<{ slug: string; number: string }> }) {
  const { slug, number } = await params;
  const site = await siteBySlug(slug);
  const survey = /^\d{1,9}$/.test(number) ? await surveyByNumber(site.id, Number(number)) : null;
  if (!survey) notFound();
  const { pages, places } =
    survey.number === 1 ? { pages: [], places: [] } : await differenceOf(site.id, survey.number);
  const led = await ledOn(site.id, survey.number);
  const isSame = pages.length === 0 && places.length === 0;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="flex flex-wrap items-baseline gap-x-4 border-b border-line px-5 py-2.5">
        <Link href={`/s/${slug}/surveys`} className="text-green">
          Surveys
        </Link>
        <h1 className="text-lg font-semibold">Survey {survey.number}</h1>
        <span className="text-ink-2">{survey.finishedAt ? dateText(survey.finishedAt) : 'under way'}</span>
        {survey.counts ? <span>{differenceText(survey.counts, survey.number)}</span> : null}
      </div>
      {isSame ? (
        <Empty head={survey.number === 1 ? 'The first reading' : 'Nothing has changed'}>
          {survey.number === 1
            ? 'From the next survey on, this shows what is new, gone and changed.'
            : `Every page and every place is as survey ${survey.number - 1} found it.`}
        </Empty>
      ) : null}
      {places.length > 0 ? (
        <>
          <h2 className="px-5 pt-4 pb-1 text-sm font-semibold text-ink-2">Places</h2>
          <ul>
            {places.map((place, i) => (
              <PlaceRow key={i} slug={slug} place={place} />
            ))}
          </ul>
        </>
      ) : null}
      {pages.length > 0 ? (
        <>
          <h2 className="px-5 pt-4 pb-1 text-sm font-semibold text-ink-2">Pages</h2>
          <ul>
            {pages.map((page) => (
              <PageRow key={page.id} slug={slug} siteName={site.name} page={page} />
            ))}
          </ul>
        </>
      ) : null}
      {survey.counts && survey.counts.skipped.length > 0 ? (
        <section className="px-5 py-4">
          <h2 className="pb-1 text-sm font-semibold text-ink-2">
            {count(survey.counts.skipped.length, 'address', 'addresses')} left out
          </h2>
          <ul className="text-sm">
            {survey.counts.skipped.map(({ path, reason }) => (
              <li key={`${path}${reason}`} className="border-t border-line-2 py-1 break-words">
                <span className="font-semibold">{path}</span> <span className="text-ink-2">{reason}</span>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {led.length > 0 ? (
        <section className="px-5 py-4">
          <h2 className="text-sm font-semibold text-ink-2">
            {count(led.length, 'address leads', 'addresses lead')} on to another
          </h2>
          <p className="pb-1 text-sm text-ink-2">
            Readers get there all the same; a link to where it leads is quicker.
          </p>
          <ul className="text-sm">
            {led.map(({ url, final_url: to, from_url: from }) => (
              <li key={url} className="border-t border-line-2 py-1 break-words">
                <span className="font-semibold">{url}</span> <span className="text-ink-2">leads to</span> {to}
                {from ? <span className="text-ink-2">, linked from {from}</span> : null}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </main>
  );
}

function PageRow({ slug, siteName, page }: { slug: string; siteName: string; page: ChangedPage }) {
  return (
    <li className="grid grid-cols-[90px_minmax(0,1fr)] gap-4 border-t border-line-2 px-5 py-2">
      <span className={`font-semibold ${LOOK[page.what]}`}>{WORD[page.what]}</span>
      <span className="min-w-0">
        <PageTitle
          href={page.what === 'gone' ? null : `/s/${slug}/pages/${page.id}`}
          title={page.title}
          path={page.path}
          siteName={siteName}
        />
        <span className="block truncate text-sm text-ink-2">
          {page.path}
          {page.moved_from ? `, before at ${page.moved_from}` : ''}
        </span>
      </span>
    </li>
  );
}

function PlaceRow({ slug, place }: { slug: string; place: ChangedPlace }) {
  const { was, now, what } = place;
  const isSamePicture = was !== null && now !== null && was.shows === now.shows;
  return (
    <li className="grid grid-cols-[90px_minmax(0,1fr)_auto] items-center gap-4 border-t border-line-2 px-5 py-2.5 max-sm:grid-cols-1">
      <span className={`font-semibold ${LOOK[what]}`}>{WORD[what]}</span>
      <div className="min-w-0">
        {place.page_id === null ? (
          <span className="font-semibold">{place.page_path}</span>
        ) : (
          <Link href={`/s/${slug}/pages/${place.page_id}`} className="font-semibold">
            {placeText(place.page_path)}
          </Link>
        )}
        <p className="text-sm break-all text-ink-2">
          {what === 'changed' && !isSamePicture ? `${was?.shows} became ${now?.shows}` : (now ?? was)?.shows}
          {` · line ${place.line}`}
        </p>
        {was && now ? <Words was={was.alt} now={now.alt} name="Alt text" /> : null}
        {was && now ? <Words was={was.caption} now={now.caption} name="Caption" /> : null}
      </div>
      <div className="flex gap-2">
        {was && !isSamePicture ? (
          <Mat src={imageOf(slug, was.sha)} alt="before" width={96} height={72} />
        ) : null}
        {now ? <Mat src={imageOf(slug, now.sha)} alt="now" width={96} height={72} /> : null}
      </div>
    </li>
  );
}

function imageOf(slug: string, sha: string | null): string | null {
  return sha ? `/s/${slug}/image/${sha}` : null;
}

function Words({ was, now, name }: { was: string | null; now: string | null; name: string }) {
  if (was === now) return null;
  return (
    <p className="text-sm">
      <span className="text-ink-2">{name} </span>
      <span className="font-serif">{was === null ? 'none' : `“${was}”`}</span>
      <span className="text-ink-2"> became </span>
      <span className="font-serif">{now === null ? 'none' : `“${now}”`}</span>
    </p>
  );
}
