/** One measure: ours beside a bare pass over the same input in the same run. */
interface Measure {
  readonly name: string;
  readonly ours: number;
  readonly bare: number;
  readonly ratio: number;
  readonly unit: string;
}

const round = (n: number) => Math.round(n * 1000) / 1000;

export function report(
  name: string,
  { ours, bare, unit }: { ours: number; bare: number; unit: string },
): void {
  const row: Measure = { name, ours: round(ours), bare: round(bare), ratio: round(ours / bare), unit };
  process.stdout.write(`${JSON.stringify(row)}\n`);
}

async function timed(run: () => unknown): Promise<number> {
  globalThis.gc?.();
  const start = performance.now();
  await run();
  return performance.now() - start;
}

/** Runs both by turns and gives the middle time of each, in ms; the first turn only warms up. */
export async function byTurns(
  ours: () => unknown,
  bare: () => unknown,
  turns = 5,
): Promise<{ ours: number; bare: number; unit: string }> {
  const times: { ours: number; bare: number }[] = [];
  for (let turn = 0; turn <= turns; turn++) {
    const pair = { bare: await timed(bare), ours: await timed(ours) };
    if (turn > 0) times.push(pair);
  }
  const middle = (list: number[]) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
  return {
    ours: middle(times.map(({ ours: t }) => t)),
    bare: middle(times.map(({ bare: t }) => t)),
    unit: 'ms',
  };
}
