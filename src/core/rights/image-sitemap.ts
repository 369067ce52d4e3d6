/** The site’s pages with the pictures that stand on them, for search engines (sitemaps.org protocol 0.9 with its image extension). */

export interface PageWithPictures {
  /** Whole addresses. */
  readonly address: string;
  readonly pictures: readonly string[];
}

/** Most pages that one file may name, and most pictures of one page. */
const MOST_PAGES = 50_000;
const MOST_PICTURES = 1000;

/** The texts of the files; pages without a picture are left out. One text at least, though it names nothing. */
export function imageSitemaps(pages: readonly PageWithPictures[]): string[] {
  const shown = pages.filter(({ pictures }) => pictures.length > 0);
  const parts = Math.max(1, Math.ceil(shown.length / MOST_PAGES));
  return Array.from({ length: parts }, (_, n) => sitemap(shown.slice(n * MOST_PAGES, (n + 1) * MOST_PAGES)));
}

function sitemap(pages: readonly PageWithPictures[]): string {
  const entries = pages.map(({ address, pictures }) => {
    const images = [...new Set(pictures)]
      .slice(0, MOST_PICTURES)
      .map((picture) => `    <image:image><image:loc>${escaped(picture)}</image:loc></image:image>\n`);
    return `  <url>\n    <loc>${escaped(address)}</loc>\n${images.join('')}  </url>\n`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:image="http://www.google.com/schemas/sitemap-image/1.1">\n${entries.join('')}</urlset>\n`;
}

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' }; // oxfmt-ignore
const escaped = (text: string): string => text.replace(/[&<>"']/gu, (sign) => SIGNS[sign] ?? sign);
