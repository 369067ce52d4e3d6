import { notFound } from 'next/navigation';
import { editionByNumber } from '@/app/_data/editions/editions';
import { pageWeights } from '@/app/_data/editions/page-weights';
import { lossesOfWriting } from '@/app/_data/editions/losses';
import { siteBySlug } from '@/app/_data/site';
import { Empty } from '@/ui/empty';
import { count, dateText } from '@/ui/format';
import { Link } from '@/ui/link';
import { ChangeOfEdition } from './change-of-edition';
import { takeOut } from './actions';
import { EditionActs, TakeOut } from './edition-acts';
import { FilesToGo } from './files-to-go';
import { Losses } from './losses';
import { OffsOfEdition } from './offs-of-edition';
import { Progress } from './progress';
import { RightsOfEdition } from './rights-of-edition';
import { TellingOfEdition } from './telling-of-edition';
import { Weights } from './weights';
import { WordsOfEdition } from './words-of-edition';

export const metadata = { title: 'Edition' };

const SAYS: Readonly<Record<string, string>> = {
  draft: 'Draft: nothing of this is live.',
  publishing: 'It is being published now. You may close this window; it goes on.',
  published: 'Live.',
  withdrawing: 'It is being withdrawn now. You may close this window; it goes on.',
  withdrawn: 'Withdrawn: the site is as it was before.',
};

const UNDOING = 'The site refused it in the middle: what was done is being taken back.';

interface Touches {
  readonly spots: number;
  readonly sources: number;
  readonly added: number;
  /** Pages and sitemaps that are made. */
  readonly texts: number;
  /** Files that are there already, and get other bytes. */
  readonly rewritten: number;
  readonly taken: number;
}

/** What an edition does to the site, in one sentence. */
function touchesText(n: Touches): string {
  const parts = [
    n.spots > 0 ? `changes ${count(n.spots, 'spot')} in ${count(n.sources, 'file')}` : null,
    n.added > 0 ? `adds ${count(n.added, 'file')}` : null,
    n.texts > 0 ? `writes ${count(n.texts, 'other file')}` : null,
    n.rewritten > 0 ? `writes rights into ${count(n.rewritten, 'picture file')}` : null,
    n.taken > 0 ? `takes ${count(n.taken, 'file')} off the site` : null,
  ].filter((part) => part !== null);
  return `It ${parts.join(', ').replace(/, ([^,]*)$/, ' and $1')}.`;
}

export default async function EditionPage({ params }: { params: Promise<{ slug: string; number: string }> }) {
  const { slug, number } = await params;
  const site = await siteBySlug(slug);
  const found = /^\d{1,9}$/.test(number) ? await editionByNumber(site.id, Number(number)) : null;
  if (!found) notFound();
  const { edition, gathered, taken, edits, files, run, journal } = found;
  const written = new Set(edits.map(({ sourcePath }) => sourcePath));
  const isDraft = edition.state === 'draft';
  const [losses, weights] = await Promise.all([
    isDraft ? lossesOfWriting(site, written) : [],
    isDraft ? pageWeights(site.id, edition.id) : null,
  ]);
  const writing = new Set(
    gathered.filter(({ change }) => change.writesRights).map(({ change }) => change.id),
  );
  const rewritten = files.filter(({ changeId }) => writing.has(changeId)).length;
  const texts = files.filter(({ rendition }) => rendition === null).length;
  const touches = touchesText({
    spots: edits.length,
    sources: written.size,
    added: files.length - rewritten - texts,
    texts,
    rewritten,
    taken: taken.length,
  });
  const all = [...gathered.map(({ change }) => change.state), ...taken.map(({ state }) => state)];
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
      <div className="bg-sheet">
        <div className="border-b border-line px-5 py-3">
          <p className="text-sm text-ink-2">
            <Link href={`/s/${slug}/editions`} className="text-green">
              Editions
            </Link>
          </p>
          <h1 className="text-xl font-semibold">Edition {edition.number}</h1>
          <p className="text-ink-2">
            {run?.state === 'undoing' ? UNDOING : SAYS[edition.state]}{' '}
            {edits.length + files.length + taken.length > 0 ? touches : ''}
          </p>
        </div>
        {all.length === 0 ? (
          <Empty head="This edition is empty">
            Swap a picture, take one off its pages or write other words for one, and the change is gathered
            here.
          </Empty>
        ) : null}
        <Losses losses={losses} />
        {gathered.map(({ change, picture }) => {
          const shared = {
            ...{ slug, change, liveUrl: site.liveUrl },
            edits: edits.filter(({ changeId }) => changeId === change.id),
            takeOut: isDraft ? <TakeOut run={takeOut.bind(null, slug, change.id)} /> : null,
          };
          if (change.tells)
            return (
              <TellingOfEdition
                key={change.id}
                {...shared}
                files={files.filter(({ changeId }) => changeId === change.id)}
              />
            );
          if (change.writesRights)
            return (
              <RightsOfEdition
                key={change.id}
                {...{ slug, change, takeOut: shared.takeOut }}
                files={files.filter(({ changeId }) => changeId === change.id)}
              />
            );
          return change.takesOff ? (
            <OffsOfEdition key={change.id} {...shared} siteId={site.id} isDraft={isDraft} />
          ) : picture ? (
            <ChangeOfEdition
              key={change.id}
              {...shared}
              picture={picture}
              files={files.filter(({ changeId }) => changeId === change.id)}
            />
          ) : (
            <WordsOfEdition key={change.id} {...shared} />
          );
        })}
        <FilesToGo slug={slug} taken={taken} isDraft={isDraft} />
      </div>
      <aside aria-label="Margin" className="space-y-5 px-4 py-4">
        <EditionActs
          slug={slug}
          editionId={edition.id}
          state={edition.state}
          isReady={all.length > 0 && all.every((state) => state === 'ready')}
          touches={touches}
        />
        {weights ? <Weights site={site} weights={weights} /> : null}
        {run ? <Progress slug={slug} run={run} steps={journal} /> : null}
        <dl className="text-sm text-ink-2">
          <dt className="font-semibold text-ink">Begun</dt>
          <dd>
            {dateText(edition.createdAt)} by {edition.createdBy}
          </dd>
          {edition.publishedAt ? (
            <>
              <dt className="mt-2 font-semibold text-ink">Published</dt>
              <dd>{dateText(edition.publishedAt)}</dd>
            </>
          ) : null}
          {edition.withdrawnAt ? (
            <>
              <dt className="mt-2 font-semibold text-ink">Withdrawn</dt>
              <dd>{dateText(edition.withdrawnAt)}</dd>
            </>
          ) : null}
        </dl>
      </aside>
    </main>
  );
}
