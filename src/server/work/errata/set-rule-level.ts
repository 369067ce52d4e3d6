/** Another degree for a rule, or none of it, on a site or in one of its sections. */
import Joi from 'joi';
import { ALL_RULES } from '@/core/errata/all-rules';
import type { Degree, RuleId } from '@/core/errata/rule';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { logEvent } from '../log-event';
import { IN_TURN } from './pages-to-check';

export interface RuleLevelInput {
  /** Pattern of a section, or a folder; empty for the whole site. */
  readonly section: string;
  readonly rule: RuleId;
  /** `null` goes back to what the rule has by itself, or the site. */
  readonly level: Degree | 'off' | null;
  readonly reason: string;
}

const SCHEMA = Joi.object<RuleLevelInput>({
  section: Joi.string().max(200).allow('').required(),
  rule: Joi.valid(...ALL_RULES.map(({ id }) => id)).required(),
  level: Joi.valid('must', 'should', 'note', 'off', null).required(),
  reason: Joi.when('level', {
    is: null,
    then: Joi.string().allow('').max(500),
    otherwise: Joi.string()
      .trim()
      .min(3)
      .max(500)
      .required()
      .messages({ '*': 'Say why the rule counts otherwise here: whoever comes after you will ask' }),
  }),
});

/**
 * Sets how much a rule counts, and has the pages that it concerns checked again.
 *
 * @throws ProblemError `RULE_LEVEL_INPUT` without a reason, or for a rule that is not there
 */
export async function setRuleLevel(
  db: Database,
  actor: Actor,
  siteId: number,
  input: RuleLevelInput,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'change what rules count');
  const { section, rule, level, reason } = checkedInput(SCHEMA, input, {
    code: 'RULE_LEVEL_INPUT',
    what: 'The rule counts as before.',
  });
  await asOne(db, async (tx) => {
    await tx.pool.query(
      level === null
        ? 'delete from rule_levels where site_id = $1 and section = $2 and rule = $3'
        : `insert into rule_levels (site_id, section, rule, level, reason, said_by) values ($1, $2, $3, $4, $5, $6)
           on conflict (site_id, section, rule) do update set level = excluded.level, reason = excluded.reason, said_by = excluded.said_by`,
      [siteId, section, rule, ...(level === null ? [] : [level, reason, actor.name])],
    );
    await tx.pool.query(
      `update pages set checked_in = null where id in (
         select id from pages where site_id = $1 and gone_in is null and ($2 = '' or section = $2) ${IN_TURN})`,
      [siteId, section],
    );
    await addJob(tx.pool, 'know-pictures', { siteId }, `pictures-${siteId}`);
  });
  const where = section === '' ? 'everywhere' : `in ${section}`;
  await logEvent(db, actor, { siteId, verb: 'set rule', details: `${rule} ${where}: ${level ?? 'its own'}` });
}
