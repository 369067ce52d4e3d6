/** What a rule of the errata is: what it reads, when it speaks, and what it says. */
import type { Contradiction } from '../rights/embedded-rights';
import type { AltBranch } from './alt-branch';
import type { PageToCheck, PictureFacts, PlaceBefore, PlaceRights, PlacementToCheck } from './page-to-check';

/** How much it matters: `must` hinders readers or breaks a standard, `should` misleads or ages, `note` is worth knowing. */
export type Degree = 'must' | 'should' | 'note';
const DEGREES: readonly Degree[] = ['must', 'should', 'note'];

/** The gravest degree among some; `null` where there are none. */
export function gravest(among: readonly { readonly degree: Degree }[]): Degree | null {
  return DEGREES.find((degree) => among.some((one) => one.degree === degree)) ?? null;
}

type RuleGroup = 'alt' | 'caption' | 'rights' | 'fresh' | 'file' | 'set';
export type RuleId = `${RuleGroup}/${string}`;

/** Whether a rule speaks of words, which are put right without another picture. */
export const isOnWords = (rule: string): boolean => rule.startsWith('alt/') || rule.startsWith('caption/');

/** Whether texts can be proposed for what a rule finds: a missing credit is put right by words, too. */
export const mayBeProposed = (rule: string): boolean => isOnWords(rule) || rule === 'rights/credit-missing';

/** How sure the evidence is: read in the source, measured or computed, or guessed from words. */
export type EvidenceLevel = 'read' | 'measured' | 'guessed';

/** What a rule found at one place. */
export interface Finding {
  /** What was seen, with the words of the site in quotation marks. */
  readonly evidence: string;
  /** Where it is another degree than the rule's own. */
  readonly degree?: Degree;
  /** The branch of the W3C alt decision tree that it took. */
  readonly branch?: AltBranch;
  /** A text that can be put in place at once, where there is one. */
  readonly fix?: { readonly field: 'alt' | 'caption'; readonly text: string };
}

/** What a rule may ask besides the place itself. */
interface Surrounding {
  readonly page: PageToCheck;
  /** The picture that stands there, or `null` where there is no file, or it can't be read. */
  readonly picture: PictureFacts | null;
}

/** A piece of a page that a rule speaks about, or does not: its documentation and its test. */
export interface Example {
  /** HTML of the body. */
  readonly html: string;
  /** The evidence it gives, or `null` where the rule is content. */
  readonly evidence: string | null;
  /** Title of the page; one that says nothing where it is left out. */
  readonly title?: string;
  /** Language of the page; English where it is left out. */
  readonly language?: string;
  /** What is known of the files it shows, by their address; what is left out is an ordinary picture. */
  readonly files?: Readonly<Record<string, Partial<PictureFacts>>>;
  /** What stood at its places before, when they showed another picture. */
  readonly before?: PlaceBefore;
  /** What was answered of its places’ rights; nothing where it is left out. */
  readonly rights?: PlaceRights;
  /** Names of the people that pictures of the site are known to show. */
  readonly people?: readonly string[];
  /** Today, where it matters: an ISO day. */
  readonly today?: string;
}

/** What every rule says of itself. */
export interface RuleText {
  readonly id: RuleId;
  readonly degree: Degree;
  readonly level: EvidenceLevel;
  /** What is wrong, in a few words that begin a sentence. */
  readonly title: string;
  /** What it means for a reader. */
  readonly why: string;
  /** What to do. */
  readonly remedy: string;
  /** Standard or technique that it follows. */
  readonly standard?: string;
}

/** A rule of what stands at a place of a page. */
export interface Rule extends RuleText {
  /** Whether the place is one that the rule speaks about at all. */
  readonly applies: (placement: PlacementToCheck) => boolean;
  readonly check: (placement: PlacementToCheck, around: Surrounding) => Finding | null;
  readonly examples: readonly Example[];
}

/** What is known of a file as such. */
export interface FileToCheck {
  readonly path: string;
  readonly sizeBytes: number;
  /** How often it is referred to, dormant rules of style sheets included. */
  readonly uses: number;
  /** What its metadata says otherwise than its record; absent where nothing is recorded, or nothing was looked at. */
  readonly contradictions?: readonly Contradiction[];
}

export interface FileExample {
  readonly file: FileToCheck;
  readonly evidence: string | null;
}

/** A rule of a file as such, wherever it is shown, or nowhere. */
export interface FileRule extends RuleText {
  readonly checkFile: (file: FileToCheck) => Finding | null;
  readonly examples: readonly FileExample[];
}
