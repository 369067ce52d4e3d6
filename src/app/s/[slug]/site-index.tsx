'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { numberText, placeText } from '@/ui/format';
import { Link } from '@/ui/link';

interface SiteIndexProps {
  slug: string;
  counts: {
    readonly pages: number;
    readonly pictures: number;
    readonly errata: number;
    readonly editions: number;
  };
  sections: readonly { readonly section: string; readonly name: string | null; readonly pages: number }[];
}

/** The index: the parts of the work, and the site's own sections, which filter what the sheet lists. */
export function SiteIndex({ slug, counts, sections }: SiteIndexProps) {
  const path = usePathname();
  const chosen = useSearchParams().get('section');
  const root = `/s/${slug}`;
  const list = ['pages', 'errata'].find((part) => path.startsWith(`${root}/${part}`)) ?? 'pictures';
  const parts = [
    ['pages', 'Pages', counts.pages],
    ['pictures', 'Pictures', counts.pictures],
    ['errata', 'Errata', counts.errata],
    ['rights', 'Rights', null],
    ['intake', 'Intake', null],
    ['files', 'Files', null],
    ['editions', 'Editions', counts.editions],
    ['surveys', 'Surveys', null],
    ['settings', 'Settings', null],
  ] as const;
  return (
    <nav
      aria-label="Index"
      className="sticky top-[46px] h-[calc(100vh-46px)] w-[212px] shrink-0 overflow-y-auto border-r border-line py-3.5 max-lg:w-40 max-sm:static max-sm:h-auto max-sm:w-full max-sm:border-r-0 max-sm:border-b max-sm:py-0 print:hidden"
    >
      <ul className="max-sm:flex max-sm:overflow-x-auto">
        {parts.map(([part, name, number]) => {
          const isHere =
            path.startsWith(`${root}/${part}`) ||
            (part === 'pictures' && path.startsWith(`${root}/subjects`));
          return (
            <li key={part}>
              <Link
                href={`${root}/${part}`}
                aria-current={isHere && chosen === null ? 'page' : undefined}
                className={`flex justify-between gap-2 border-l-[3px] py-1 pr-4 pl-[18px] max-sm:border-l-0 max-sm:px-3 max-sm:py-2 ${isHere ? 'border-green bg-sheet font-semibold' : 'border-transparent'}`}
              >
                {name}
                {number === null ? null : (
                  <span className="font-normal text-ink-2">{numberText(number)}</span>
                )}
              </Link>
            </li>
          );
        })}
      </ul>
      <h2 className="max-sm:hidden mt-5 mb-1 px-[18px] text-sm font-semibold text-ink-2">Sections</h2>
      <ul className="max-sm:hidden">
        {sections.map(({ section, name, pages }) => (
          <li key={section}>
            <Link
              href={
                chosen === section
                  ? `${root}/${list}`
                  : `${root}/${list}?section=${encodeURIComponent(section)}`
              }
              aria-current={chosen === section ? 'true' : undefined}
              className={`flex justify-between border-l-[3px] py-0.5 pr-4 pl-[18px] ${chosen === section ? 'border-green bg-sheet font-semibold' : 'border-transparent'}`}
            >
              <span className="truncate">
                {section === '' ? 'Top of the site' : (name ?? placeText(section))}
              </span>
              <span className="font-normal text-ink-2">{pages}</span>
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}
