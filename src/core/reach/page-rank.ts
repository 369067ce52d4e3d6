/**
 * How readers spread over a site that nobody counts on: PageRank (Brin and Page, 1998) with damping 0.85, every visit
 * beginning at the home page.
 */

const DAMPING = 0.85;
const MAX_TURNS = 100;
const PRECISION = 1e-9;

/**
 * The share of all page views that each page gets.
 *
 * @param links for each page, by its number, the pages it leads to; numbers out of range are passed over
 * @param home number of the home page
 * @returns shares from 0 to 1 that add up to 1; a page that no way leads to from the home page gets 0
 */
export function pageRank(links: readonly (readonly number[])[], home: number): Float64Array {
  const count = links.length;
  let rank = new Float64Array(count);
  if (count === 0) return rank;
  rank[home] = 1;
  for (let turn = 0; turn < MAX_TURNS; turn++) {
    const next = new Float64Array(count);
    let atHome = 1 - DAMPING;
    for (let page = 0; page < count; page++) {
      const share = rank[page] ?? 0;
      if (share === 0) continue;
      const targets = (links[page] ?? []).filter((target) => target >= 0 && target < count);
      // A page that leads nowhere ends the visit; the next one begins at home.
      if (targets.length === 0) atHome += DAMPING * share;
      for (const target of targets) next[target] = (next[target] ?? 0) + (DAMPING * share) / targets.length;
    }
    next[home] = (next[home] ?? 0) + atHome;
    let change = 0;
    for (let page = 0; page < count; page++) change += Math.abs((next[page] ?? 0) - (rank[page] ?? 0));
    rank = next;
    if (change < PRECISION) break;
  }
  return rank;
}
