import type { Proposal } from '@/app/_data/errata/proposals';
import { count, placeText, lowerFirst } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';

interface ProposalRowProps {
  slug: string;
  proposal: Proposal;
  /** What is wrong. */
  title: string;
  /** Where the text comes from. */
  source: string;
  text: string;
  isChosen: boolean;
  onChoose: (isOn: boolean) => void;
  onType: (text: string) => void;
}

const FIELD = { alt: 'Alt text', caption: 'Caption', block: 'Text below' } as const;
const NOTHING = {
  alt: 'no alt text',
  caption: 'no caption',
  block: 'no caption, and no text below',
} as const;

/** One text before and after, with the picture and its places. */
export function ProposalRow(props: ProposalRowProps) {
  const { slug, proposal, title, source, text, isChosen, onChoose, onType } = props;
  const { ids, field, before, page, pages, fileId, sha256, name } = proposal;
  const where = placeText(page.path);
  return (
    <li className="grid grid-cols-[18px_130px_minmax(0,1fr)_210px] gap-4 border-b border-line-2 px-5 py-3 max-md:grid-cols-[18px_minmax(0,1fr)]">
      <input
        type="checkbox"
        className="mt-1 size-4 accent-green"
        aria-label={`${FIELD[field]} of ${name}, ${where}`}
        checked={isChosen}
        onChange={(event) => onChoose(event.target.checked)}
      />
      <Mat src={sha256 ? `/s/${slug}/image/${sha256}` : null} alt="" width={130} height={90} />
      <div className="min-w-0 max-md:col-start-2">
        <p className="text-sm text-ink-2">
          {FIELD[field]}: {lowerFirst(title)}
        </p>
        <del
          className={`block font-serif ${before ? 'text-ink-3' : 'font-sans text-sm text-ink-3 no-underline'}`}
        >
          {before || NOTHING[field]}
        </del>
        <textarea
          rows={1}
          maxLength={2000}
          aria-label={`New ${FIELD[field].toLowerCase()} of ${name}, ${where}`}
          value={text}
          disabled={!isChosen}
          placeholder={field === 'alt' ? 'decoration: nothing is read aloud' : ''}
          onChange={(event) => onType(event.target.value)}
          className="field-sizing-content mt-0.5 block w-full resize-none border-b border-ink bg-sheet font-serif text-[16px] leading-[22px] disabled:border-line disabled:text-ink-3"
        />
        <p className="mt-1 text-sm text-ink-2">{source}</p>
      </div>
      <div className="min-w-0 text-sm max-md:col-start-2">
        <p className="truncate">
          <Link href={`/s/${slug}/pages/${page.id}`} className="font-semibold text-green">
            {where}
          </Link>
        </p>
        {ids.length > 1 ? (
          <p className="text-ink-2">{pages > 1 ? `and ${count(pages - 1, 'more place')} alike` : ''}</p>
        ) : null}
        <p className="truncate">
          {fileId === null ? (
            name
          ) : (
            <Link href={`/s/${slug}/pictures/${fileId}`} className="text-green">
              {name}
            </Link>
          )}
        </p>
      </div>
    </li>
  );
}
