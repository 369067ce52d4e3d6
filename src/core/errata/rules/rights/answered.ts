/** Rules that speak where the rights of a place were answered: a code each, or several that one remedy settles. */
import type { Code } from '../../../rights/may';
import type { PlaceRights, PlacementToCheck } from '../../page-to-check';
import type { Rule, RuleText } from '../../rule';

/** Kinds that offer the picture of another place in other sizes. */
const OTHER_SIZES = new Set<PlacementToCheck['kind']>(['srcset', 'source', 'preload']);

/** Every place that readers, or others who show the page, meet: shares, icons and enlarge links as well. */
export const isShown = ({ dormant, kind }: PlacementToCheck): boolean => !dormant && !OTHER_SIZES.has(kind);

interface AnsweredRule extends Omit<RuleText, 'id' | 'level'> {
  readonly id: `rights/${string}`;
  readonly codes: readonly Code[];
  /** What is told in place of the reasoning: who a person is stays out of errata. */
  readonly evidence?: string;
}

/** A rule that speaks where one of its codes holds, with the sentences that say so. */
export function answered({ codes, evidence, ...text }: AnsweredRule): Rule {
  const [code] = codes as readonly [Code];
  const sentence = evidence ?? 'The terms say so.';
  return {
    ...text,
    level: 'measured',
    applies: isShown,
    check: ({ rights }) => {
      if (!rights?.because.some((one) => codes.includes(one))) return null;
      const said = rights.chain.filter((step) => step.code !== null && codes.includes(step.code));
      return { evidence: evidence ?? said.map((step) => step.sentence).join(' ') };
    },
    examples: [
      { html: HALL, evidence: sentence, rights: answer(code, sentence) },
      { html: HALL, evidence: null, rights: ALLOWED },
      { html: HALL, evidence: null },
    ],
  };
}

export const HALL = '<img src="hall.jpg" alt="The hall">';

/** The answer of a place of which nothing speaks against it. */
export const ALLOWED: PlaceRights = {
  ...{ because: [], until: null, chain: [{ code: null, sentence: 'So it may stand here.' }] },
  credit: { wanted: null, found: null, missing: [] },
};

const answer = (code: Code, sentence: string): PlaceRights => ({
  ...ALLOWED,
  because: [code],
  chain: [{ code, sentence }],
});
