import { hrefWith, listQuery, numbersIn, type SiteScreenProps } from '@/app/_data/query';
import { siteBySlug } from '@/app/_data/site';
import { untitledPictures } from '@/app/_data/pictures/subjects';
import { count } from '@/ui/format';
import { Pager } from '@/ui/pager';
import { WayBack } from '@/ui/way-back';
import { TitleList } from './title-list';

export const metadata = { title: 'Titles' };

export default async function TitlesPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { given, sheet } = await listQuery(searchParams);
  const of = numbersIn(given('of'));
  const { rows, total, sheets } = await untitledPictures(site.id, of, sheet);
  const root = `/s/${site.slug}/pictures`;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="px-5 py-4">
        <WayBack href={root} to="Pictures">
          Titles
        </WayBack>
        <h1 className="mt-1 text-xl font-semibold">
          {of.length > 0 ? 'Their titles' : `${count(total, 'picture')} without a title`}
        </h1>
        <p className="mt-1 max-w-[70ch] text-ink-2">
          A title is for you: you find the picture by it, and readers never see it. What stands here is
          proposed from the file’s name or its words; only what you keep counts.
        </p>
      </div>
      <TitleList slug={site.slug} rows={rows} />
      <Pager
        sheet={sheet}
        sheets={sheets}
        hrefOf={(to) => hrefWith(`${root}/titles`, { of: of.join(',') || null, sheet: to })}
      />
    </main>
  );
}
