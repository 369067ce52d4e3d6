/** What is written on the lines of a delivery: words, tags, what is checked off or struck out; all of it can be taken back. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { intake } from '../../db/schema/editions';
import { logEvent } from '../log-event';

/** What a person may say of a line; what is left out stays. */
interface LineChange {
  readonly title?: string;
  readonly alt?: string;
  readonly caption?: string;
  readonly credit?: string;
  readonly folder?: string;
  readonly tags?: readonly string[];
  readonly focal?: { readonly x: number; readonly y: number };
  readonly isChecked?: boolean;
  readonly isStruck?: boolean;
}

export interface LineChanged extends LineChange {
  readonly id: number;
}

const SHARE = Joi.number().min(0).max(1).required();
const CHANGE = Joi.object<LineChanged>({
  id: Joi.number().integer().required(),
  title: Joi.string().trim().min(1).max(200),
  alt: Joi.string().trim().max(2000).allow(''),
  caption: Joi.string().trim().max(2000).allow(''),
  credit: Joi.string().trim().max(500).allow(''),
  folder: Joi.string().trim().max(200).allow(''),
  tags: Joi.array().items(Joi.string().trim().min(1).max(60)).max(30).unique(),
  focal: Joi.object({ x: SHARE, y: SHARE }),
  isChecked: Joi.boolean(),
  isStruck: Joi.boolean(),
});
const CHANGES = Joi.object<{ changes: LineChanged[] }>({
  changes: Joi.array().items(CHANGE).min(1).max(2000).required(),
});

/**
 * Writes on lines, all or none; one that is not of the site is passed over.
 *
 * @returns what stood on them before, in the same form: writing that takes it back
 * @throws ProblemError `LINES_INPUT`
 */
export async function changeLines(
  db: Database,
  actor: Actor,
  siteId: number,
  changes: readonly LineChanged[],
): Promise<LineChanged[]> {
  requireRole(actor, EDITORS, 'write on a delivery');
  const told = { code: 'LINES_INPUT', what: 'Nothing was written on the delivery.' };
  const { changes: wanted } = checkedInput(CHANGES, { changes: [...changes] }, told);
  return asOne(db, async (tx) => {
    const ids = wanted.map(({ id }) => id);
    const rows = await tx.orm
      .select()
      .from(intake)
      .where(and(eq(intake.siteId, siteId), inArray(intake.id, ids)));
    const byId = new Map(rows.map((row) => [row.id, row]));
    const before: LineChanged[] = [];
    for (const change of wanted) {
      const row = byId.get(change.id);
      if (!row) continue;
      before.push(asBefore(change, row));
      await tx.orm.update(intake).set(columnsOf(change)).where(eq(intake.id, row.id));
    }
    const details = `${before.length} lines`;
    if (wanted.some(({ isStruck }) => isStruck)) await logEvent(tx, actor, { siteId, verb: 'strike out new pictures', details }); // oxfmt-ignore
    return before;
  });
}

type Row = typeof intake.$inferSelect;

function asBefore(change: LineChanged, row: Row): LineChanged {
  const { title, alt, caption, credit, folder, tags } = row;
  const words = { title, alt, caption, credit, folder, tags } as const;
  const asked = Object.fromEntries(Object.entries(words).filter(([key]) => key in change));
  return {
    id: row.id,
    ...asked,
    ...(change.focal ? { focal: { x: row.focalX, y: row.focalY } } : {}),
    ...(change.isChecked === undefined ? {} : { isChecked: row.checkedAt !== null }),
    ...(change.isStruck === undefined ? {} : { isStruck: row.struckAt !== null }),
  };
}

function columnsOf({ id, focal, isChecked, isStruck, ...words }: LineChanged) {
  return {
    id,
    ...words,
    ...(focal ? { focalX: focal.x, focalY: focal.y, focalBecause: null } : {}),
    ...(isChecked === undefined ? {} : { checkedAt: isChecked ? sql`now()` : null }),
    ...(isStruck === undefined ? {} : { struckAt: isStruck ? sql`now()` : null }),
  };
}
