import { createTwoFilesPatch } from 'diff';

/** A unified diff of one text file; empty where nothing differs. */
export function unifiedDiff(path: string, before: string, after: string): string {
  if (before === after) return '';
  return createTwoFilesPatch(`a/${path}`, `b/${path}`, before, after, undefined, undefined, { context: 3 });
}
