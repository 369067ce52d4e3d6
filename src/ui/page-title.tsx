import { placeText, titleText } from './format';
import { Link } from './link';

interface PageTitleProps {
  /** Address of the page's record; `null` for a page that is gone. */
  href: string | null;
  title: string;
  path: string;
  siteName: string;
}

/** A page by its title, without the site's name that stands behind it everywhere; by its place where it has none. */
export function PageTitle({ href, title, path, siteName }: PageTitleProps) {
  const text = titleText(title, siteName) || placeText(path);
  const look = 'block truncate font-serif text-lg';
  if (href === null) return <span className={look}>{text}</span>;
  return (
    <Link href={href} className={`${look} font-semibold`}>
      {text}
    </Link>
  );
}
