/** Which section of a site a page belongs to, by the pattern of its address. */

/** The first folder of a path; empty at the root. */
function firstFolder(path: string): string {
  return path.includes('/') ? path.slice(0, path.indexOf('/')) : '';
}

/**
 * The pattern a path falls under: of those that fit the longest, or its first folder where none does.
 *
 * @param patterns folders (`news`, `news/2019`) or patterns with `*` for any run of characters (`news/20*`)
 */
export function sectionOf(path: string, patterns: readonly string[]): string {
  let best: string | null = null;
  for (const pattern of patterns) {
    if (pattern !== '' && fits(path, pattern) && pattern.length > (best?.length ?? 0)) best = pattern;
  }
  return best ?? firstFolder(path);
}

function fits(path: string, pattern: string): boolean {
  if (!pattern.includes('*')) return path === pattern || path.startsWith(`${pattern.replace(/\/$/, '')}/`);
  const parts = pattern.split('*');
  const first = parts.shift() ?? '';
  if (!path.startsWith(first)) return false;
  let at = first.length;
  for (const part of parts) {
    const found = path.indexOf(part, at);
    if (found < 0) return false;
    at = found + part.length;
  }
  return true;
}
