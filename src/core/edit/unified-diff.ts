import { createTwoFilesPatch } from 'diff';

/** A unified diff of one text file; empty where nothing differs. */
export function unifiedDiff(path: string, before: string, after: string): string {
  if (before === after) return '';
  const patch = createTwoFilesPatch(`a/${path}`, `b/${path}`, before, after, undefined, undefined, {
    context: 3,
  });
  // The library draws a line above the two names that no other tool writes.
  return patch.replace(/^=+\n/, '');
}
