/** The parts of a site and who answers for each. */
import Joi from 'joi';
import { sectionOf } from '@/core/address/section-of';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { sections } from '../../db/schema/content';
import { addJob } from '../../jobs/queue';
import { IN_TURN } from '../errata/pages-to-check';
import { logEvent } from '../log-event';

export interface SectionInput {
  readonly pattern: string;
  readonly name: string;
  readonly ownerId: string | null;
}

const SCHEMA = Joi.object<SectionInput>({
  pattern: Joi.string()
    .trim()
    .max(200)
    .pattern(/^(?!\/)(?!.*\/$)[^?#]+$/)
    .required()
    .messages({
      'string.pattern.base':
        'A pattern is a folder such as news, or news/20* for all that begin so; no slash at its ends.',
      'string.empty': 'Say which folder the section is.',
    }),
  name: Joi.string()
    .trim()
    .min(1)
    .max(80)
    .required()
    .messages({ 'string.empty': 'The section needs a name.' }),
  ownerId: Joi.string().max(100).allow(null).required(),
});

/**
 * Makes a section, or changes the one of that pattern, and sorts the pages anew.
 *
 * @throws ProblemError `SECTION_INPUT` where the pattern or the name is wrong
 */
export async function saveSection(
  db: Database,
  actor: Actor,
  siteId: number,
  input: SectionInput,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'arrange the sections');
  const value = checkedInput(SCHEMA, input, { code: 'SECTION_INPUT', what: 'The section was not saved.' });
  await asOne(db, async (tx) => {
    await tx.orm
      .insert(sections)
      .values({ siteId, ...value })
      .onConflictDoUpdate({
        target: [sections.siteId, sections.pattern],
        set: { name: value.name, ownerId: value.ownerId },
      });
    await sortPages(tx, siteId);
  });
  await logEvent(db, actor, { siteId, verb: 'save section', details: `${value.pattern}: ${value.name}` });
}

/** Takes a section away; its pages fall under their first folder again, or under a wider pattern. */
export async function removeSection(
  db: Database,
  actor: Actor,
  siteId: number,
  pattern: string,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'arrange the sections');
  await asOne(db, async (tx) => {
    await tx.pool.query('delete from sections where site_id = $1 and pattern = $2', [siteId, pattern]);
    await sortPages(tx, siteId);
  });
  await logEvent(db, actor, { siteId, verb: 'remove section', details: pattern });
}

/**
 * Sorts the pages into the sections; owners, shelf lives and rules go by section, so that pictures are judged anew.
 *
 * @param tx a transaction (`asOne`)
 */
async function sortPages({ pool }: Database, siteId: number): Promise<void> {
  const { rows: known } = await pool.query<{ pattern: string }>(
    'select pattern from sections where site_id = $1',
    [siteId],
  );
  const patterns = known.map(({ pattern }) => pattern);
  const { rows } = await pool.query<{ id: number; path: string; section: string }>(
    `select id, path, section from pages where site_id = $1 ${IN_TURN}`,
    [siteId],
  );
  const moved = rows.flatMap(({ id, path, section }) => {
    const now = sectionOf(path, patterns);
    return now === section ? [] : [{ id, now }];
  });
  await pool.query(
    'update pages p set section = v.section, checked_in = null from unnest($1::int[], $2::text[]) as v(id, section) where p.id = v.id',
    [moved.map(({ id }) => id), moved.map(({ now }) => now)],
  );
  await addJob(pool, 'know-pictures', { siteId }, `pictures-${siteId}`);
}
