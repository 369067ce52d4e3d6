import { pictureOfRoute } from '@/app/_data/pictures/picture-of-route';
import { historyOf } from '@/app/_data/pictures/picture-history';
import { shelfLivesOf } from '@/app/_data/pictures/shelf-lives';
import { errataOfPicture } from '@/app/_data/errata/errata-of-picture';
import { mayEdit } from '@/core/edition/edition-state';
import { subjectsOf } from '@/app/_data/pictures/subjects';
import { dayOfMs } from '@/core/dating/day';
import { livesOf } from '@/core/dating/shelf-life';
import { CutOut } from '@/ui/cut-out';
import { Empty } from '@/ui/empty';
import { changedText } from '@/ui/date-words';
import { Note } from '@/ui/note';
import { WayBack } from '@/ui/way-back';
import { Dates } from './dates';
import { FoundWrong } from './found-wrong';
import { Family } from './family';
import { History } from './history';
import { Leftover } from './leftover';
import { RecordHead } from './record-head';
import { RightsOfPicture } from './rights-of-picture';
import { WhatItShows } from './what-it-shows';
import { WhoAndWhat } from './who-and-what';
import { WordsMargin } from './words-margin';

export const metadata = { title: 'Picture' };

export default async function PictureRecord({ params }: { params: Promise<{ slug: string; id: string }> }) {
  const { site, actor, found } = await pictureOfRoute(params);
  const { slug } = site;
  const { file, picture, family, placements } = found;
  const mayTeach = mayEdit(actor.role);
  const today = dayOfMs(new Date().getTime());
  const standing = placements.filter(({ dormant }) => !dormant);
  const paths = family.map(({ path }) => path);
  const master = family.find(({ isMaster }) => isMaster) ?? file;
  const [errata, history, subjects, set] = await Promise.all([
    errataOfPicture(site.id, file.path, paths),
    historyOf(
      site.id,
      paths,
      family.flatMap(({ sha256 }) => sha256 ?? []),
    ),
    picture ? subjectsOf(site.id, picture.id) : [],
    shelfLivesOf(site.id),
  ]);
  const life = picture?.kind ? (livesOf(picture.kind, [], set)[0] ?? null) : null;
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
      <div className="bg-sheet px-5 py-3">
        <WayBack href={`/s/${slug}/pictures`} to="Pictures">
          {file.path}
        </WayBack>
        <RecordHead {...{ slug, found, mayTeach }} isCounted={site.reachFrom !== null} />
        {picture ? (
          <>
            <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">When it was taken</h2>
            <Dates
              from={picture.takenFrom}
              until={picture.takenUntil}
              because={picture.because}
              against={picture.against}
              currentUntil={picture.currentUntil}
              today={today}
            />
            <Family slug={slug} files={family} mayCorrect={mayTeach} />
          </>
        ) : null}
        <RightsOfPicture slug={slug} siteId={site.id} paths={paths} master={master} role={actor.role} />
        <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">Where it stands</h2>
        {placements.length === 0 ? (
          <Empty head="On no page">No page or style sheet of the last survey refers to it.</Empty>
        ) : (
          <div className="mt-3 grid grid-cols-3 gap-2.5 pb-6 max-xl:grid-cols-2">
            {placements.map((placement) => (
              <CutOut
                key={placement.id}
                placement={placement}
                src={placement.sha256 ? `/s/${slug}/image/${placement.sha256}` : null}
              />
            ))}
          </div>
        )}
        <History slug={slug} lines={history} />
      </div>
      <WordsMargin
        placements={standing}
        isMissing={!file.sha256 && !file.problem}
        problem={file.problem}
        wrong={<FoundWrong errata={errata} />}
      >
        {picture ? (
          <>
            {picture.changed ? (
              <Note degree="should" head="what it shows has changed">
                {changedText(picture.changed, {
                  taken_from: picture.takenFrom,
                  taken_until: picture.takenUntil,
                })}
              </Note>
            ) : null}
            <Leftover
              slug={slug}
              pictureId={picture.id}
              isPlaceholder={picture.isPlaceholder}
              belief={picture.placeholderBelief}
              clues={picture.clues}
              mayTeach={mayTeach}
            />
            <WhatItShows
              slug={slug}
              pictureId={picture.id}
              kind={picture.kind}
              life={life}
              reason={picture.kindReason}
              isSettled={picture.isKindSettled}
              maySettle={mayTeach}
            />
            <WhoAndWhat slug={slug} pictureId={picture.id} subjects={subjects} maySay={mayTeach} />
          </>
        ) : null}
      </WordsMargin>
    </main>
  );
}
