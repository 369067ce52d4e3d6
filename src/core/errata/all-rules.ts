/** All rules, in the order in which screens list them: a new one is a file beside the others and its line here. */
import { absent } from './rules/alt/absent';
import { emptyLink } from './rules/alt/empty-link';
import { emptyButton } from './rules/alt/empty-button';
import { emptyCaption } from './rules/alt/empty-caption';
import { fileName } from './rules/alt/file-name';
import { generic } from './rules/alt/generic';
import { templateWords } from './rules/alt/template-words';
import { pictureOf } from './rules/alt/picture-of';
import { equalsCaption } from './rules/alt/equals-caption';
import { equalsLinkText } from './rules/alt/equals-link-text';
import { sameWords } from './rules/alt/same-words';
import { otherWordsElsewhere } from './rules/alt/other-words-elsewhere';
import { tooLong } from './rules/alt/too-long';
import { code } from './rules/alt/code';
import { year } from './rules/alt/year';
import { pictureOfText } from './rules/alt/picture-of-text';
import { templateCaption } from './rules/caption/template-words';
import { captionFileName } from './rules/caption/file-name';
import { captionDate } from './rules/caption/date';
import { missingCaption } from './rules/caption/missing';
import { wrongField } from './rules/caption/wrong-field';
import { ofOldPicture } from './rules/caption/of-old-picture';
import { namesAnother } from './rules/caption/names-another';
import { creditForm } from './rules/caption/credit-form';
import { storedOnly } from './rules/caption/stored-only';
import { placeholder } from './rules/fresh/placeholder';
import { pastItsTime } from './rules/fresh/past-its-time';
import { changedSince } from './rules/fresh/changed-since';
import { olderRendition } from './rules/fresh/older-rendition';
import { missing } from './rules/file/missing';
import { wrongCase } from './rules/file/wrong-case';
import { tooHeavy } from './rules/file/too-heavy';
import { tooSmall } from './rules/file/too-small';
import { stretched } from './rules/file/stretched';
import { wrongType } from './rules/file/wrong-type';
import { cameraName } from './rules/file/camera-name';
import { duplicate } from './rules/file/duplicate';
import { sideways } from './rules/file/sideways';
import { unused } from './rules/file/unused';
import type { FileRule, Rule, RuleText } from './rule';

/** Rules of places on pages. */
export const RULES: readonly Rule[] = [
  absent,
  emptyLink,
  emptyButton,
  emptyCaption,
  fileName,
  generic,
  templateWords,
  pictureOf,
  equalsCaption,
  equalsLinkText,
  sameWords,
  otherWordsElsewhere,
  tooLong,
  code,
  year,
  pictureOfText,
  templateCaption,
  captionFileName,
  captionDate,
  missingCaption,
  storedOnly,
  wrongField,
  ofOldPicture,
  namesAnother,
  creditForm,
  placeholder,
  pastItsTime,
  changedSince,
  olderRendition,
  missing,
  wrongCase,
  tooHeavy,
  tooSmall,
  stretched,
  wrongType,
  cameraName,
  duplicate,
  sideways,
];

/** Rules of files as such. */
export const FILE_RULES: readonly FileRule[] = [unused];

export const ALL_RULES: readonly (Rule | FileRule)[] = [...RULES, ...FILE_RULES];

const BY_ID = new Map<string, RuleText>(ALL_RULES.map((rule) => [rule.id, rule]));

/** What a rule says of itself; `null` for one that is not there (any more). */
export const ruleText = (id: string | null | undefined): RuleText | null => BY_ID.get(id ?? '') ?? null;
