import { remembered } from '../../words/remembered';

/** Whether two texts say the same: case, marks and blanks do not matter. */
export function alike(a: string, b: string): boolean {
  const [first, second] = [bareText(a), bareText(b)];
  return first !== '' && first === second;
}

/** The words of a text alone, in lower case: equal for texts that say the same. */
export const bareText: (text: string) => string = remembered((text) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim(),
);
