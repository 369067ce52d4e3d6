/** Records how credits are written, on the whole site or on some of its pages. */
import Joi from 'joi';
import { CREDIT_FORMS, templateProblem } from '@/core/rights/credit/credit-forms';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { rightsRecords } from '../../db/schema/rights';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';
import { askAnew } from './ask-anew';

export interface CreditFormSaid {
  /** A form's name, or a template; empty takes what was said of these pages away. */
  readonly form: string;
  /** `news/**`; empty for the whole site. */
  readonly pattern: string;
  /** Whether every picture is to be credited; of the whole site alone. */
  readonly always: boolean;
}

const SAID = Joi.object<CreditFormSaid>({
  form: Joi.string().trim().max(300).allow('').required(),
  pattern: Joi.string().trim().max(500).allow('').required(),
  always: Joi.boolean().required(),
});

/** Marks a record that was said on a screen, for no file. */
const SAID_HERE = '';

/** @throws ProblemError `CREDIT_FORM_INPUT` for a template that names an unknown field, or nobody */
export async function keepCreditForm(
  db: Database,
  actor: Actor,
  siteId: number,
  input: CreditFormSaid,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'say how credits are written');
  const refusal = { code: 'CREDIT_FORM_INPUT', what: 'The form was not kept.' };
  const { form, pattern, always } = checkedInput(SAID, input, refusal);
  const problem = form === '' || CREDIT_FORMS.includes(form as never) ? null : templateProblem(form);
  if (problem !== null)
    throw new ProblemError({
      ...refusal,
      why: problem,
      remedy: 'Write it as “Photo: {creator}[, {licence}]”.',
    });
  await asOne(db, async (tx) => {
    await tx.pool.query(
      `delete from rights_records where site_id = $1 and kind = 'credit-form' and for_file = $2
         and coalesce(body ->> 'pattern', '') = $3`,
      [siteId, SAID_HERE, pattern],
    );
    const body = {
      record: 'credit-form',
      ...(pattern === '' ? { always } : { pattern }),
      ...(form === '' ? {} : { form }),
    };
    if (form !== '' || (pattern === '' && always))
      await tx.orm
        .insert(rightsRecords)
        .values({ siteId, kind: 'credit-form', forFile: SAID_HERE, saidBy: actor.name, body });
    await askAnew(tx, siteId, 'all');
    await logEvent(tx, actor, {
      siteId,
      verb: 'say how credits are written',
      details: pattern || 'the whole site',
    });
  });
}
