import 'server-only';
import type { Problem } from '@/core/problem';
import type { Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';
import { slotOf } from '@/core/swap/slot';
import { database } from '@/server/db/database';
import { problemOf, ProblemError } from '@/server/problem-error';
import {
  openRevision,
  type OpenedRevision,
  type RevisedSubject,
} from '@/server/work/revisions/open-revision';
import { pictureById } from '../pictures/pictures';

interface SlotShape {
  readonly name: string;
  readonly ratio: number;
}

/** A picture opened to be made anew, as its proof shows it. */
export interface RevisionView {
  readonly name: string;
  readonly sha256: string;
  readonly original: { readonly widthPx: number; readonly heightPx: number; readonly sizeBytes: number };
  readonly revision: Revision;
  readonly focal: FocalPoint;
  /** Shapes of the places that it stands in, or may go to: each once. */
  readonly shapes: readonly SlotShape[];
  /** How many places a new version would follow into. */
  readonly standing: number;
}

/** Places beyond so many have shapes that are there already. */
const MOST_SHAPES = 8;

/**
 * @param swap the picture whose places it may go to
 * @returns the problem where it can't be opened
 */
export async function revisionView(
  siteId: number,
  subject: RevisedSubject,
  swap: number | null,
): Promise<RevisionView | Problem> {
  try {
    const opened = await openRevision(database(), siteId, subject);
    const id = 'file' in subject ? subject.file : swap;
    const places = id === null ? null : await pictureById(siteId, id);
    const standing = places?.placements.filter(({ dormant }) => !dormant).length ?? 0;
    return { ...viewOf(opened), shapes: places ? shapesOf(places) : [], standing };
  } catch (error) {
    if (error instanceof ProblemError) return problemOf(error);
    throw error;
  }
}

function viewOf({ line, file, original, revision, focal }: OpenedRevision) {
  const { sha256, widthPx, heightPx, bytes } = original;
  const name = file?.path.split('/').at(-1) ?? line?.title ?? '';
  return { name, sha256, revision, focal, original: { widthPx, heightPx, sizeBytes: bytes.length } };
}

/** Each shape once, by the first place that has it. */
function shapesOf({ family, placements }: NonNullable<Awaited<ReturnType<typeof pictureById>>>): SlotShape[] {
  const shapes = new Map<string, SlotShape>();
  const sizes = new Map(family.map(({ path, widthPx, heightPx }) => [path, widthPx && heightPx ? { widthPx, heightPx } : null])); // oxfmt-ignore
  for (const { kind, declared, filePath } of placements) {
    const slot = slotOf(kind, declared, sizes.get(filePath ?? '') ?? null);
    if (slot.shape === 'free') continue;
    const ratio = slot.widthPx / slot.heightPx;
    const key = ratio.toFixed(2);
    if (!shapes.has(key)) shapes.set(key, { name: `${slot.widthPx} × ${slot.heightPx}`, ratio });
  }
  return [...shapes.values()].slice(0, MOST_SHAPES);
}
