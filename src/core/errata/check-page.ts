/** Runs the rules over a page. */
import { FILE_RULES, RULES } from './all-rules';
import type { AltBranch } from './alt-branch';
import type { PageToCheck, PictureFacts, PlacementToCheck } from './page-to-check';
import type { Degree, EvidenceLevel, FileRule, FileToCheck, Finding, Rule, RuleId, RuleText } from './rule';

/** Something that is wrong with a file as such. */
export interface FileErratum {
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly level: EvidenceLevel;
  readonly evidence: string;
  /** The same erratum in every survey, as long as its evidence is the same. */
  readonly key: string;
}

/** Something that is wrong at one place of a page. */
export interface Erratum extends FileErratum {
  readonly page: string;
  readonly placement: PlacementToCheck;
  readonly branch: AltBranch | null;
  readonly fix: Finding['fix'] | null;
  /** How much more it weighs than its page's readers alone: more long past its time, less where it is hidden. */
  readonly emphasis: number;
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
    const around = { page, picture };
    for (const rule of held) {
      if (!rule.applies(placement)) continue;
      const finding = rule.check(placement, around);
      if (finding) errata.push(erratumOf(rule, finding, { page, placement, picture, levels }));
    }
  }
  return errata;
}

/** The errata of a file as such. */
export function checkFile(
  file: FileToCheck,
  levels: RuleLevels = new Map(),
  rules: readonly FileRule[] = FILE_RULES,
): FileErratum[] {
  return rules.flatMap((rule) => {
    const finding = levels.get(rule.id) === 'off' ? null : rule.checkFile(file);
    if (!finding) return [];
    const { id, level } = rule;
    const { evidence } = finding;
    return [{ rule: id, degree: degreeOf(rule, finding, levels), level, evidence, key: `${id} ${evidence}` }];
  });
}

/** How much a finding matters where it was made: a degree that a person set holds, whatever the rule makes of the case. */
function degreeOf({ id, degree }: RuleText, finding: Finding, levels: RuleLevels): Degree {
  const set = levels.get(id);
  return set && set !== 'off' ? set : (finding.degree ?? degree);
}

interface Found {
  readonly page: PageToCheck;
  readonly placement: PlacementToCheck;
  readonly picture: PictureFacts | null;
  readonly levels: RuleLevels;
}

function erratumOf(rule: Rule, finding: Finding, { page, placement, picture, levels }: Found): Erratum {
  return {
    rule: rule.id,
    degree: degreeOf(rule, finding, levels),
    level: rule.level,
    evidence: finding.evidence,
    page: page.path,
    placement,
    branch: finding.branch ?? null,
    fix: finding.fix ?? null,
    emphasis: emphasisOf(placement, picture),
    key: `${rule.id} ${placement.thread} ${finding.evidence}`,
  };
}

/** What is hidden from some readers hinders fewer; a picture three times past its time is as pressing as can be. */
const HIDDEN = 0.2;
const MOST_OVERDUE = 3;

function emphasisOf({ hidden }: PlacementToCheck, picture: PictureFacts | null): number {
  return Math.min(MOST_OVERDUE, Math.max(1, picture?.overdue ?? 0)) * (hidden ? HIDDEN : 1);
}
