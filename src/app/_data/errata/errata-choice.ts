import { ruleText } from '@/core/errata/all-rules';
import { ERRATA_FILTERS, type ErrataQuery } from './errata';
import { listQuery, type SearchParams } from '../query';

const LONGEST_ID = 100;

/** Which errata an address asks for: the list of them, their proposed texts and the desk understand the same. */
export async function errataChoice(params: SearchParams) {
  const { given, section, sheet } = await listQuery(params);
  const filter = ERRATA_FILTERS.find((name) => name === given('show')) ?? 'all';
  const owner = given('owner')?.slice(0, LONGEST_ID) ?? null;
  const rule = ruleText(given('rule'));
  const query: ErrataQuery = { filter, section, owner, sheet, rule: rule?.id ?? null };
  return {
    ...{ given, query, rule },
    /** The same choice as parameters of an address. */
    asked: { section, owner, show: filter === 'all' ? null : filter, rule: query.rule },
  };
}
