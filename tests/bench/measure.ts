import { join } from 'node:path';

/** One measure: ours beside a bare pass over the same input in the same run, with the ratio that is wanted. */
interface Measure {
  readonly name: string;
  readonly ours: number;
  readonly bare: number;
  readonly ratio: number;
  readonly unit: string;
  readonly wanted: string;
  readonly isMet: boolean;
}

/** The ratio of ours to bare that is wanted: at most, or at least, so much. */
export type Wanted = { readonly atMost: number } | { readonly atLeast: number };

/** Path of a module of the bench as it runs: in the bundle that `run.sh` has made. */
export const moduleBeside = (name: string): string =>
  join(process.env['IBIDEM_BUNDLE'] ?? '', 'tests/bench', `${name}.mjs`);

const round = (n: number) => Math.round(n * 1000) / 1000;
let measured = 0;
const short: string[] = [];

export function report(
  name: string,
  { ours, bare, unit }: { ours: number; bare: number; unit: string },
  wanted: Wanted,
): void {
  const ratio = round(ours / bare);
  const isMet = 'atMost' in wanted ? ratio <= wanted.atMost : ratio >= wanted.atLeast;
  const text = 'atMost' in wanted ? `≤ ${wanted.atMost}` : `≥ ${wanted.atLeast}`;
  const row: Measure = { name, ours: round(ours), bare: round(bare), ratio, unit, wanted: text, isMet };
  process.stdout.write(`${JSON.stringify(row)}\n`);
  measured++;
  if (!isMet) short.push(name);
}

/** How many measures fall short of what is wanted, and which. */
export function summary(): string {
  const names = short.map((name) => `\n  ${name}`).join('');
  return `${measured} measured, ${short.length} fall short of what is wanted${names}\n`;
}

/** How long something takes, in ms, with nothing left over from before to be swept meanwhile. */
export async function timed(run: () => unknown): Promise<number> {
  globalThis.gc?.();
  const start = performance.now();
  await run();
  return performance.now() - start;
}

/**
 * Runs each by turns and gives the quickest time of each, in ms; the first turn only warms up. What else the machine does
 * makes a turn slower and never quicker: of all turns the quickest is nearest to what the work itself takes.
 */
export async function quickestOf<Name extends string>(
  runs: Readonly<Record<Name, () => unknown>>,
  turns = 5,
): Promise<Record<Name, number>> {
  const names = Object.keys(runs) as Name[];
  const quickest = Object.fromEntries(names.map((name) => [name, Infinity])) as Record<Name, number>;
  for (let turn = 0; turn <= turns; turn++)
    for (const name of names) {
      const took = await timed(runs[name]);
      if (turn > 0) quickest[name] = Math.min(quickest[name], took);
    }
  return quickest;
}

/** Ours beside a bare pass, as `quickestOf` measures them. */
export async function byTurns(
  ours: () => unknown,
  bare: () => unknown,
  turns = 5,
): Promise<{ ours: number; bare: number; unit: string }> {
  return { ...(await quickestOf({ bare, ours }, turns)), unit: 'ms' };
}
