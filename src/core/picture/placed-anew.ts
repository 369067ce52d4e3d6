import type { FamilyState } from './families';

/**
 * What is known of a site's families, with two files to be placed anew that a person once put apart: of the groups they
 * stand in the smaller one is no longer known. Where both stand in one group, or one in none, nothing is to be done.
 *
 * @param a id of the one file
 * @param b id of the other
 */
export function placedAnew(state: FamilyState, a: string, b: string): FamilyState {
  const [smaller, larger] = state.groups
    .filter(({ files }) => files.some(({ id }) => id === a || id === b))
    .sort((one, other) => one.files.length - other.files.length);
  return larger ? { groups: state.groups.filter((group) => group !== smaller) } : state;
}
