/** Patterns of addresses: `*` stands for anything within a folder, `**` for anything across folders. */

/** Whether an entry is a pattern, not an address. */
export const isPattern = (written: string): boolean => written.includes('*');

/** How exact a pattern is: the characters that it says. */
export const literalsIn = (pattern: string): number => pattern.replace(/\*/g, '').length;

/** The folder that all addresses of a pattern lie in first, or `null` where they may lie anywhere. */
export function firstFolder(pattern: string): string | null {
  const cut = pattern.indexOf('/');
  const first = cut < 0 ? '' : pattern.slice(0, cut);
  return first === '' || first.includes('*') ? null : first;
}

/** The longest run of characters that every address of a pattern has; a slash behind `**` may be missing. */
const longestLiteral = (pattern: string): string =>
  pattern.split(/\*\*\/|\*+/u).reduce((longest, part) => (part.length > longest.length ? part : longest), '');

/** Whether an address is one of a pattern's, as a test. `**` followed by a slash stands for no folder at all, too. */
export function matcherOf(pattern: string): (address: string) => boolean {
  const expression = pattern.replace(/\*\*\/|\*+|[\s\S]/gu, (part) => {
    if (part === '**/') return '(?:[\\s\\S]*/)?';
    if (part.startsWith('**')) return '[\\s\\S]*';
    return part === '*' ? '[^/]*' : part.replace(/[\\^$.*+?()[\]{}|/]/u, '\\$&');
  });
  const test = new RegExp(`^${expression}$`, 'u');
  // Most addresses lack what the pattern says, and that is seen faster than by the expression.
  const said = longestLiteral(pattern);
  return (address) => address.includes(said) && test.test(address);
}
