import { eq } from 'drizzle-orm';
import Joi from 'joi';
import type { FormatPolicy } from '@/core/swap/newer-format';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { sites } from '../../db/schema/sites';
import { logEvent } from '../log-event';
import { asOne } from '../../db/in-transaction';
import { queueSurvey } from '../surveys/start-survey';

export interface SiteSettings {
  readonly name: string;
  readonly liveUrl: string | null;
  readonly hosts: readonly string[];
  readonly cacheBusters: readonly string[];
  readonly indexNames: readonly string[];
  readonly lazyAttributes: readonly string[];
  readonly formats: FormatPolicy;
}

const SCHEMA = Joi.object<SiteSettings>({
  name: Joi.string().trim().max(120).required().messages({ 'string.empty': 'The site needs a name' }),
  liveUrl: Joi.string()
    .uri({ scheme: ['http', 'https'] })
    .allow(null)
    .required()
    .messages({ 'string.uriCustomScheme': 'The address must begin with http:// or https://' }),
  hosts: Joi.array()
    .items(
      Joi.string()
        .lowercase()
        .pattern(/^[a-z0-9.-]+(?::\d{1,5})?$/),
    )
    .max(20)
    .required()
    .messages({ 'string.pattern.base': 'A host is a name such as www.school.example, without http://' }),
  cacheBusters: Joi.array()
    .items(Joi.string().pattern(/^[\w.-]{1,40}$/))
    .max(20)
    .required()
    .messages({ 'string.pattern.base': 'A parameter is one word, such as v' }),
  indexNames: Joi.array()
    .items(
      Joi.string()
        .lowercase()
        .pattern(/^[\w.-]{1,60}$/),
    )
    .max(20)
    .required()
    .messages({ 'string.pattern.base': 'A page’s name is one word, such as index.html' }),
  lazyAttributes: Joi.array()
    .items(
      Joi.string()
        .lowercase()
        .pattern(/^data-[\w-]{1,60}$/),
    )
    .max(20)
    .required()
    .messages({ 'string.pattern.base': 'An attribute in which pictures wait begins with data-' }),
  formats: Joi.valid('keep', 'webp', 'avif').required(),
});

/**
 * Changes what a site says of itself, and has it read anew: all of it bears on what is found.
 *
 * @throws ProblemError `SITE_INPUT` that names what is wrong; nothing is changed then
 */
export async function changeSite(
  db: Database,
  actor: Actor,
  siteId: number,
  input: SiteSettings,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'change the settings of a site');
  const value = checkedInput(SCHEMA, input, { code: 'SITE_INPUT', what: 'Nothing was changed.' });
  const liveUrl = value.liveUrl?.replace(/\/+$/, '') ?? null;
  await asOne(db, async (tx) => {
    await tx.orm
      .update(sites)
      .set({ ...value, liveUrl })
      .where(eq(sites.id, siteId));
    // What was read of each page rests on the old settings: no page counts as known.
    await tx.pool.query("update pages set sheets_key = '' where site_id = $1", [siteId]);
    await logEvent(tx, actor, { siteId, verb: 'change site', details: value.name });
    await queueSurvey(tx, siteId, 'after its settings changed');
  });
}
