import type { PictureAnswer } from '@/app/_data/rights/rights';
import { isoDay } from '@/core/dating/day';
import { count, placeText } from '@/ui/format';
import { CODE_NAME, VERDICT_NAME, withoutPeople } from '@/ui/rights-words';

const LOOK = {
  no: 'border-l-[3px] border-must',
  unknown: 'border-l-2 border-should',
  yes: 'border-l border-green',
} as const;
const COLOUR = { no: 'text-must', unknown: 'text-should', yes: 'text-green' } as const;
const SOME_PAGES = 4;

/** The answer for every place of a picture, like ones together, each with its reasons step by step. */
export function MayItStand({
  answers,
  keepsReleases,
}: {
  answers: readonly PictureAnswer[];
  /** Whether the reader may see who a person is that a release is about. */
  keepsReleases: boolean;
}) {
  if (answers.length === 0)
    return (
      <p className="py-2 text-ink-2">
        Nothing is recorded of rights on this site yet, so nothing is answered.
      </p>
    );
  return (
    <ul>
      {answers.map(({ may, because, until, credit, chain, pages, places }) => (
        <li
          key={`${may} ${because.join()} ${pages[0]} ${credit.where}`}
          className={`my-2.5 pl-3 ${LOOK[may]}`}
        >
          <p>
            <strong className={COLOUR[may]}>{VERDICT_NAME[may]}</strong>
            {because.length > 0 ? `: ${because.map((code) => CODE_NAME[code]).join('; ')}` : ''}
            {until === null ? '' : `, until ${isoDay(until - 1)}`}
          </p>
          <p className="text-sm text-ink-2">
            {count(places, 'place')} on {pages.slice(0, SOME_PAGES).map(placeText).join(', ')}
            {pages.length > SOME_PAGES ? ` and ${count(pages.length - SOME_PAGES, 'more page')}` : ''}
          </p>
          <details className="text-sm">
            <summary className="cursor-pointer text-green">Why</summary>
            <ol className="list-decimal pl-5">
              {(keepsReleases ? chain : withoutPeople(chain)).map(({ sentence }) => (
                <li key={sentence}>{sentence}</li>
              ))}
            </ol>
          </details>
        </li>
      ))}
    </ul>
  );
}
