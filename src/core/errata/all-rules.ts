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
import { saysNotWhere } from './rules/alt/says-not-where';
import { contentNowhere } from './rules/alt/content-nowhere';
import { altNamesAnother } from './rules/alt/names-another';
import { otherTime } from './rules/alt/other-time';
import { workNote } from './rules/alt/work-note';
import { tooGeneral } from './rules/alt/too-general';
import { altLanguage } from './rules/alt/other-language';
import { searchWords } from './rules/alt/search-words';
import { altCutOff } from './rules/alt/cut-off';
import { repeats } from './rules/alt/repeats';
import { ornament } from './rules/alt/ornament';
import { slipped } from './rules/caption/slipped';
import { contradicts } from './rules/caption/contradicts';
import { inFuture } from './rules/caption/in-future';
import { creditMissing } from './rules/caption/credit-missing';
import { captionLanguage } from './rules/caption/other-language';
import { captionCutOff } from './rules/caption/cut-off';
import { sameCaption } from './rules/caption/same-words';
import { headingAgain } from './rules/caption/heading-again';
import { placeOnPage } from './rules/caption/place-on-page';
import { figureNumber } from './rules/caption/figure-number';
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
import { sourceUnknown } from './rules/rights/source-unknown';
import { licenceUnknown } from './rules/rights/licence-unknown';
import { webUnsaid } from './rules/rights/web-unsaid';
import { fileSaysOtherwise } from './rules/rights/file-says-otherwise';
import { licenceEnded } from './rules/rights/licence-ended';
import { purpose } from './rules/rights/purpose';
import { nonCommercial } from './rules/rights/non-commercial';
import { noDerivatives } from './rules/rights/no-derivatives';
import { otherServer } from './rules/rights/other-server';
import { otherSite } from './rules/rights/other-site';
import { creditNotShown } from './rules/rights/credit-missing';
import { releaseNone } from './rules/rights/release-none';
import { releaseWithdrawn } from './rules/rights/release-withdrawn';
import { releaseEnded } from './rules/rights/release-ended';
import { releasePurpose } from './rules/rights/release-purpose';
import { peopleUnasked } from './rules/rights/people-unasked';
import { endsSoon } from './rules/rights/ends-soon';
import { creditIncomplete } from './rules/rights/credit-incomplete';
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
  saysNotWhere,
  contentNowhere,
  altNamesAnother,
  otherTime,
  workNote,
  tooGeneral,
  altLanguage,
  searchWords,
  altCutOff,
  repeats,
  ornament,
  templateCaption,
  captionFileName,
  captionDate,
  missingCaption,
  storedOnly,
  wrongField,
  ofOldPicture,
  namesAnother,
  creditForm,
  slipped,
  contradicts,
  inFuture,
  creditMissing,
  captionLanguage,
  captionCutOff,
  sameCaption,
  headingAgain,
  placeOnPage,
  figureNumber,
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
  sourceUnknown,
  licenceUnknown,
  webUnsaid,
  licenceEnded,
  purpose,
  nonCommercial,
  noDerivatives,
  otherServer,
  otherSite,
  creditNotShown,
  releaseNone,
  releaseWithdrawn,
  releaseEnded,
  releasePurpose,
  peopleUnasked,
  endsSoon,
  creditIncomplete,
];

/** Rules of files as such. */
export const FILE_RULES: readonly FileRule[] = [unused, fileSaysOtherwise];

export const ALL_RULES: readonly (Rule | FileRule)[] = [...RULES, ...FILE_RULES];

const BY_ID = new Map<string, RuleText>(ALL_RULES.map((rule) => [rule.id, rule]));

/** What a rule says of itself; `null` for one that is not there (any more). */
export const ruleText = (id: string | null | undefined): RuleText | null => BY_ID.get(id ?? '') ?? null;
