/** Whether two texts say the same: case, marks and blanks do not matter. */
export function alike(a: string, b: string): boolean {
  const [first, second] = [bare(a), bare(b)];
  return first !== '' && first === second;
}

const bare = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
