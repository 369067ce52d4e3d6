/** Runs the rules over a page. */
import { RULES } from './all-rules';
import type { AltBranch } from './alt-branch';
import type { PageToCheck, PictureFacts, PlacementToCheck } from './page-to-check';
import type { Degree, EvidenceLevel, Finding, Rule, RuleId } from './rule';

/** Something that is wrong at one place of a page. */
export interface Erratum {
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly level: EvidenceLevel;
  readonly page: string;
  readonly placement: PlacementToCheck;
  readonly evidence: string;
  readonly branch: AltBranch | null;
  readonly fix: Finding['fix'] | null;
  /** How much more it weighs than its page's readers alone: more long past its time, less where it is hidden. */
  readonly emphasis: number;
  /** The same erratum in every survey, as long as its evidence is the same. */
  readonly key: string;
}

/** Another degree for a rule, or none of it, on a site or in a section. */
export type RuleLevels = ReadonlyMap<RuleId, Degree | 'off'>;

/**
 * The errata of a page, place by place.
 *
 * @param levels where a rule does not have its own degree
 * @param rules all of them, where that is left out
 */
export function checkPage(
  page: PageToCheck,
  levels: RuleLevels = new Map(),
  rules: readonly Rule[] = RULES,
): Erratum[] {
  const held = rules.filter(({ id }) => levels.get(id) !== 'off');
  const errata: Erratum[] = [];
  for (const placement of page.placements) {
    const picture = placement.filePath === null ? null : (page.pictures.get(placement.filePath) ?? null);
    for (const rule of held) {
      if (!rule.applies(placement)) continue;
      const finding = rule.check(placement, { page, picture });
      if (finding) errata.push(erratumOf(rule, finding, { page, placement, picture, levels }));
    }
  }
  return errata;
}

interface Found {
  readonly page: PageToCheck;
  readonly placement: PlacementToCheck;
  readonly picture: PictureFacts | null;
  readonly levels: RuleLevels;
}

function erratumOf(
  { id, degree, level }: Rule,
  finding: Finding,
  { page, placement, picture, levels }: Found,
): Erratum {
  const set = levels.get(id);
  return {
    rule: id,
    level,
    page: page.path,
    placement,
    // A degree that a person set holds, whatever the rule makes of the case.
    degree: set && set !== 'off' ? set : (finding.degree ?? degree),
    evidence: finding.evidence,
    branch: finding.branch ?? null,
    fix: finding.fix ?? null,
    emphasis: emphasisOf(placement, picture),
    key: `${id} ${placement.thread} ${finding.evidence}`,
  };
}

/** What is hidden from some readers hinders fewer; a picture three times past its time is as pressing as can be. */
const HIDDEN = 0.2;
const MOST_OVERDUE = 3;

function emphasisOf({ hidden }: PlacementToCheck, picture: PictureFacts | null): number {
  return Math.min(MOST_OVERDUE, Math.max(1, picture?.overdue ?? 0)) * (hidden ? HIDDEN : 1);
}
