import { notFound } from 'next/navigation';
import { mayEdit } from '@/core/edition/edition-state';
import { pictureById } from '@/app/_data/pictures/pictures';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import type { SiteScreenProps } from '@/app/_data/query';
import { spanText } from '@/core/dating/shelf-life';
import { bytesText, count, pixelsText } from '@/ui/format';
import { Link } from '@/ui/link';
import { WayBack } from '@/ui/way-back';
import { ComparedPictures } from './compared-pictures';
import { JoinButtons } from './join-buttons';

export const metadata = { title: 'Two pictures' };

const numberIn = (text: string | string[] | undefined) =>
  typeof text === 'string' && /^\d{1,9}$/.test(text) ? Number(text) : 0;

export default async function ComparePage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { one, other } = await searchParams;
  const found = await Promise.all([one, other].map((text) => pictureById(site.id, numberIn(text))));
  const [first, second] = found;
  if (!first?.file.sha256 || !second?.file.sha256) notFound();
  const { role } = await requireActor();
  const root = `/s/${site.slug}/pictures`;
  const both = [first, second].map((record) => ({
    href: `${root}/${record.file.id}`,
    name: record.file.path.split('/').at(-1) ?? record.file.path,
    src: `/s/${site.slug}/image/${record.file.sha256}?whole`,
    record,
  }));
  const isSame = first.picture !== null && first.picture.id === second.picture?.id;
  const [a, b] = both as [(typeof both)[0], (typeof both)[0]];
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-4">
      <WayBack href={root} to="Pictures">
        Two of them
      </WayBack>
      <h1 className="sr-only">Two pictures</h1>
      <ComparedPictures one={a} other={b} />
      <table className="mt-4 w-full table-fixed border-t border-line text-left">
        <thead>
          <tr className="border-b border-line-2">
            <th className="w-[120px] py-1.5 font-normal">
              <span className="sr-only">Of each</span>
            </th>
            {both.map(({ href, name }) => (
              <th key={href} className="py-1.5 pr-3">
                <Link href={href} className="text-green">
                  {name}
                </Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <Line
            head="Size"
            cells={both.map(
              ({ record: { file } }) =>
                `${pixelsText(file.widthPx, file.heightPx)}${file.sizeBytes === null ? '' : ` · ${bytesText(file.sizeBytes)}`}`,
            )}
          />
          <Line
            head="Taken"
            cells={both.map(({ record: { picture } }) =>
              picture ? spanText({ from: picture.takenFrom, until: picture.takenUntil }) : 'unknown',
            )}
          />
          <Line
            head="Stands in"
            cells={both.map(({ record: { placements } }) =>
              count(placements.filter(({ dormant }) => !dormant).length, 'place'),
            )}
          />
          <Line
            head="Alt text"
            isWords
            cells={both.map(({ record: { picture, file } }) => picture?.words ?? file.words ?? '')}
          />
        </tbody>
      </table>
      {mayEdit(role) ? (
        <JoinButtons slug={site.slug} a={first.file.sha256} b={second.file.sha256} isSame={isSame} />
      ) : null}
    </main>
  );
}

function Line({ head, cells, isWords }: { head: string; cells: readonly string[]; isWords?: boolean }) {
  return (
    <tr className="border-b border-line-2 align-top">
      <th className="py-1.5 font-normal text-ink-2">{head}</th>
      {cells.map((cell, n) => (
        <td key={n} className={`py-1.5 pr-3 ${isWords ? 'font-serif text-lg' : ''}`}>
          {cell || <span className="text-ink-3 italic">none</span>}
        </td>
      ))}
    </tr>
  );
}
