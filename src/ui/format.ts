/** Numbers, sizes and dates as the screens write them. */
import { format, formatDistance } from 'date-fns';

// One for all: a browser may take a hundred times as long to make one as to use it.
const NUMBER = new Intl.NumberFormat('en');

/** 12,345. */
export const numberText = (n: number): string => NUMBER.format(n);

export function count(n: number, one: string, many = `${one}s`): string {
  return `${numberText(n)} ${n === 1 ? one : many}`;
}

/** 38 kB, 4.1 MB: decimal units as on a camera card. */
export function bytesText(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  if (bytes < 1_000_000) return `${Math.round(bytes / 1000)} kB`;
  return `${(bytes / 1_000_000).toFixed(1)} MB`;
}

export function pixelsText(widthPx: number | null, heightPx: number | null): string {
  return widthPx && heightPx ? `${numberText(widthPx)} × ${numberText(heightPx)}` : 'size unknown';
}

/** 25 November 2026, 11:08. */
export function dateText(date: Date): string {
  return format(date, 'd MMMM yyyy, HH:mm');
}

/** The day alone, where the time of day tells nobody anything. */
export const dayText = (date: Date): string => format(date, 'd MMMM yyyy');

/** “3 minutes ago”, seen from `now`. */
export function agoText(date: Date, now: Date): string {
  return formatDistance(date, now, { addSuffix: true });
}

/** Lessons / Violin for `lessons/violin.html`: where a page stands, for people. */
export function placeText(path: string): string {
  const parts = path.replace(/\.[a-z]+$/i, '').split('/');
  if (parts.at(-1) === 'index') parts.pop();
  if (parts.length === 0) return 'Home';
  const words = parts.map((part) => part.replace(/[-_]+/g, ' '));
  return words.map((word) => word.charAt(0).toUpperCase() + word.slice(1)).join(' / ');
}

/** A page's title without the site's name that stands behind it on every page. */
export function titleText(title: string, siteName: string): string {
  const cut = title.endsWith(siteName) ? title.slice(0, -siteName.length).replace(/[\s|·–—:-]+$/, '') : title;
  return cut || title;
}

/** “83 a second, 2 minutes left”, from what was done in so many seconds. */
export function leftText(done: number, total: number, seconds: number): string {
  const rate = done / Math.max(seconds, 0.1);
  const pace = rate >= 1 ? `${numberText(Math.round(rate))} a second` : `${Math.round(rate * 60)} a minute`;
  return `${pace}, ${timeLeftText(done, total, seconds)}`;
}

/** “2 minutes left”, from what was done in so many seconds. */
export function timeLeftText(done: number, total: number, seconds: number): string {
  const rate = done / Math.max(seconds, 0.1);
  const left = Math.max(0, total - done) / Math.max(rate, 1e-6);
  return `${left < 90 ? count(Math.round(left), 'second') : count(Math.round(left / 60), 'minute')} left`;
}

/**
 * How many readers a page or picture meets: views a month where they were counted, else the share of the
 * site's page views, given out of 1,000.
 */
export function reachText(reach: number, isCounted: boolean): string {
  if (isCounted) return `${numberText(Math.round(reach))} a month`;
  if (reach === 0) return 'no link leads there';
  if (reach < 1) return 'under 0.1 % of views';
  const percent = reach / 10;
  return `${percent < 10 ? percent.toFixed(1) : Math.round(percent)} % of views`;
}

/** A sentence as the rest of another one. */
export const lowerFirst = (sentence: string): string => sentence.charAt(0).toLowerCase() + sentence.slice(1);
