import { access } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import Joi from 'joi';
import type { FocalPoint } from '@/core/swap/crop';
import { ProblemError } from '@/server/problem-error';
import { readJsonRows } from './json-rows';

/** One picture for another. */
interface SwapRow {
  /** The picture that stands there, as in the column `url` of `read`. */
  readonly from: string;
  /** Path of the file to put in. */
  readonly to: string;
  /** Words for all its places; left out, those that are there stay. */
  readonly alt?: string | null;
  readonly caption?: string | null;
  /** What must stay in view; left out, it is looked for. */
  readonly focal?: FocalPoint;
}

export interface NamedSwap extends SwapRow {
  /** How a message names it; empty for the only one. */
  readonly name: string;
}

const SHARE = Joi.number().min(0).max(1).required();
const PAIR = Joi.object<SwapRow>({
  from: Joi.string().required(),
  to: Joi.string().required(),
  alt: Joi.string().allow('', null),
  caption: Joi.string().allow('', null),
  focal: Joi.object({ x: SHARE, y: SHARE }),
});

export interface SwapChoice {
  readonly from?: string;
  readonly to?: string;
  readonly pairs?: string;
}

/**
 * What is to be swapped, as the options say.
 *
 * @throws ProblemError `SWAP_CHOICE`, or as `readJsonRows`
 */
export async function swapRows({ from, to, pairs }: SwapChoice): Promise<NamedSwap[]> {
  if (pairs === undefined) {
    if (from !== undefined && to !== undefined) return [{ from, to, name: '' }];
    throw choiceProblem('It is not said which picture goes, or which comes.');
  }
  if (from !== undefined || to !== undefined)
    throw choiceProblem('Both a file of pairs and a single picture are given.');
  const rows = await readJsonRows(pairs, PAIR, {
    row: 'a pair',
    remedy: 'Give rows as in {"from":"img/old.png","to":"new.jpg","alt":"…"}.',
  });
  const seen = new Map<string, number>();
  for (const { line, row } of rows) {
    const before = seen.get(row.from);
    if (before !== undefined)
      throw choiceProblem(`Lines ${before} and ${line} of ${pairs} both put something in the place of ${row.from}.`); // oxfmt-ignore
    seen.set(row.from, line);
  }
  return Promise.all(
    rows.map(async ({ line, row }) => ({
      ...row,
      to: await foundAt(row.to, dirname(pairs)),
      name: `line ${line}: `,
    })),
  );
}

/** A file as it is named, from where one stands or from where the file of pairs is. */
async function foundAt(path: string, folder: string): Promise<string> {
  const beside = resolve(folder, path);
  const isHere = await access(path).then(
    () => true,
    () => false,
  );
  return isHere ? path : beside;
}

const choiceProblem = (why: string) =>
  new ProblemError({
    code: 'SWAP_CHOICE',
    what: 'Nothing was swapped.',
    why,
    remedy: 'Give --from and --to, or --pairs with a row for each picture that goes.',
  });
