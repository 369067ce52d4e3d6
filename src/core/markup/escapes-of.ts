import type { Escape } from '../source/escapes';
import { isSheetPath } from '../source/role-of-name';
import type { Placement } from './placement';

/** How a placement's characters are escaped where they are written: as its reading says, else as is usual for its kind. */
export function escapesOf({
  kind,
  source,
  page,
  declared,
}: Pick<Placement, 'kind' | 'source' | 'page' | 'declared'>): readonly Escape[] {
  if (declared.escapes) return declared.escapes;
  if (kind === 'json-ld' || kind === 'manifest') return ['json'];
  if (kind !== 'css') return ['html'];
  return source !== page || isSheetPath(source) ? ['css'] : ['html', 'css'];
}
