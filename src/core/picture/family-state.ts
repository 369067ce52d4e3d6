/** What is known of a site's families from one survey to the next. */
import type { Link } from './judge';
import type { Quarters } from './turned';

export interface FamilyFile {
  /** Names the bytes: files with the same bytes are one here. */
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** What a person said of two files, which holds whatever they look like. */
export interface Correction {
  readonly kind: 'together' | 'apart';
  readonly a: string;
  readonly b: string;
}

/** Another picture that is the same, turned. */
export interface Twin {
  /** The file that stands for it. */
  readonly to: string;
  /** By how much this one is turned clockwise to stand like that one. */
  readonly quarters: Quarters;
}

/** What a builder knows, to go on from: groups of files, and which show parts of which. */
export interface FamilyState {
  readonly groups: readonly {
    /** The first one stands for all of them. */
    readonly files: readonly FamilyFile[];
    readonly links: readonly {
      readonly to: string;
      readonly link: Link;
      readonly witnesses?: number;
      /** Whether files of both were found to agree pixel by pixel. */
      readonly isCertain?: boolean;
    }[];
    readonly twins?: readonly Twin[];
  }[];
  /** Files that persons had said to be apart: they were not compared. */
  readonly apart?: readonly Pick<Correction, 'a' | 'b'>[];
}

/**
 * What is known of a site's families, with two files to be placed anew that a person once put apart: of the groups they
 * stand in the smaller one is no longer known. Where both stand in one group, or one in none, nothing is to be done.
 *
 * @param pair the ids of the two files
 */
export function placedAnew(state: FamilyState, { a, b }: Pick<Correction, 'a' | 'b'>): FamilyState {
  const [smaller, larger] = state.groups
    .filter(({ files }) => files.some(({ id }) => id === a || id === b))
    .sort((one, other) => one.files.length - other.files.length);
  return larger ? { ...state, groups: state.groups.filter((group) => group !== smaller) } : state;
}
