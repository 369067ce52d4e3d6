import type { PageRow, StripPicture } from '@/app/_data/pages/pages';
import { count, dayText, reachText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { PageTitle } from '@/ui/page-title';

interface PageLineProps {
  site: { readonly slug: string; readonly name: string; readonly reachFrom: string | null };
  page: PageRow;
}

/** A page with the strip of its pictures in page order, each with its mark. */
export function PageLine({ site, page }: PageLineProps) {
  const places = page.isFiled ? count(page.placements, 'place') : null;
  const date = page.modified_at ? dayText(page.modified_at) : null;
  const marks = page.pictures.map((picture) => markOf(picture, page.isFiled));
  const hasMarks = marks.some((mark) => mark !== null);
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_88px_minmax(0,548px)] items-center gap-5 border-b border-line-2 px-5 py-2.5 max-lg:grid-cols-1 max-lg:gap-2">
      <div className="min-w-0">
        <PageTitle
          href={`/s/${site.slug}/pages/${page.id}`}
          title={page.title}
          path={page.path}
          siteName={site.name}
        />
        {/* Where there is no room for all, the address is cut off; a name where it is very long; never a number or a date. */}
        <p className="flex gap-x-1 text-sm whitespace-nowrap text-ink-2">
          {page.is_new ? <span className="font-semibold text-green">new or changed ·</span> : null}
          <span className="min-w-12 truncate" title={page.path}>
            {page.path}
          </span>
          {places ? <span>· {places}</span> : null}
          {page.owner ? <span className="max-w-2/5 shrink-0 truncate">· {page.owner}</span> : null}
          {date ? <span>· {date}</span> : null}
        </p>
      </div>
      <span className="text-right text-sm text-ink-2 max-lg:text-left">
        {page.isFiled ? reachText(page.reach, site.reachFrom !== null) : null}
      </span>
      <div className="flex gap-1.5 overflow-hidden">
        {page.pictures.map((picture, i) => (
          <StripItem key={i} slug={site.slug} picture={picture} mark={marks[i] ?? null} hasMarks={hasMarks} />
        ))}
      </div>
    </li>
  );
}

interface StripItemProps {
  slug: string;
  picture: StripPicture;
  mark: string | null;
  /** Whether any of the strip has one: then all leave room for it. */
  hasMarks: boolean;
}

function StripItem({ slug, picture, mark, hasMarks }: StripItemProps) {
  return (
    <span className="shrink-0">
      {picture.sha256 || mark === 'missing' ? (
        <Mat
          src={picture.sha256 ? `/s/${slug}/image/${picture.sha256}` : null}
          alt={picture.sha256 ? '' : 'missing'}
          width={62}
          height={48}
        />
      ) : (
        <span className="block h-12 w-[62px] bg-mat" title="not read yet" />
      )}
      {hasMarks ? (
        <span
          className={`block h-[18px] w-[62px] truncate text-center text-sm ${mark ? 'border-t-2 border-must text-must' : 'border-t border-transparent'}`}
        >
          {mark ?? ''}
        </span>
      ) : null}
    </span>
  );
}

function markOf({ sha256, is_undescribed: isUndescribed }: StripPicture, isFiled: boolean): string | null {
  // Until all files were read it may only not have come yet.
  if (sha256 === null && isFiled) return 'missing';
  return isUndescribed ? 'no alt' : null;
}
