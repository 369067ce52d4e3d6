import type { HistoryLine } from '@/app/_data/pictures/picture-history';
import { count, dateText } from '@/ui/format';
import { Link } from '@/ui/link';

interface HistoryProps {
  slug: string;
  lines: readonly HistoryLine[];
}

/** What happened to the picture, the latest first, each with the way to where it can be taken back. */
export function History({ slug, lines }: HistoryProps) {
  return (
    <section>
      <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">History</h2>
      {lines.length === 0 ? (
        <p className="py-3 text-ink-2">Nothing has happened to it since the first survey.</p>
      ) : (
        <ol className="pb-6">
          {lines.map((line, n) => (
            <li key={n} className="flex gap-4 border-b border-line-2 py-1.5">
              <span className="w-[190px] shrink-0 text-ink-2">{dateText(line.at)}</span>
              <span className="min-w-0">
                <What line={line} slug={slug} />
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

function What({ line, slug }: { line: HistoryLine; slug: string }) {
  const { what, who, text } = line;
  const places = count(line.count ?? 0, 'place');
  const survey = (
    <Link href={`/s/${slug}/surveys/${line.number}`} className="text-green">
      survey {line.number}
    </Link>
  );
  const edition = (
    <Link href={`/s/${slug}/editions/${line.number}`} className="text-green">
      edition {line.number}
    </Link>
  );
  switch (what) {
    case 'places won':
      return (
        <>
          Found in {places} by {survey}.
        </>
      );
    case 'places lost':
      return (
        <>
          No longer in {places}, found {survey}.
        </>
      );
    case 'swapped out':
      return (
        <>
          {who} swaps another one for it in {places}: {edition}, {text}.
        </>
      );
    case 'swapped in':
      return (
        <>
          {who} puts it in {places}: {edition}, {text}.
        </>
      );
    case 'taken off':
      return (
        <>
          {who} takes it off its page in {places}: {edition}, {text}.
        </>
      );
    case 'leftover':
      return `${who} says that it is a leftover.`;
    case 'no leftover':
      return `${who} says that it is no leftover.`;
    case 'titled':
      return (
        <>
          {who} gives it the title <span className="font-serif">{text}</span>.
        </>
      );
    case 'shown':
      return (
        <>
          {who} says that it shows <span className="font-serif">{text}</span>.
        </>
      );
    case 'together':
      return `${who} says that it is one picture with ${text ?? 'another of its files'}.`;
    case 'apart':
      return `${who} says that it is another picture than ${text ?? 'one that is gone'}.`;
  }
}
