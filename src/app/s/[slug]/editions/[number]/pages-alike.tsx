import { count, placeText } from '@/ui/format';
import { LivePage } from './live-page';

interface PagesAlikeProps {
  /** Paths of pages on which the same changes; the first is named, the others are counted. */
  pages: readonly string[];
  /** What is counted of the others. */
  noun: 'place' | 'page';
  liveUrl: string | null;
}

/** Where something changes, and how many others change alike. */
export function PagesAlike({ pages: [first = '', ...others], noun, liveUrl }: PagesAlikeProps) {
  return (
    <p>
      <span className="font-semibold">{placeText(first)}</span>
      {others.length > 0 ? (
        <span className="text-sm text-ink-2" title={others.join('\n')}>
          {' '}
          and {count(others.length, `more ${noun}`)} alike
        </span>
      ) : null}
      <LivePage liveUrl={liveUrl} path={first} />
    </p>
  );
}
