/** Opens a picture to be made anew: its original, with the steps by which it was made where there are some. */
import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import { AS_IT_IS, type Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';
import { pointInOriginal } from '@/core/revision/frames';
import type { Database } from '../../db/database';
import { files } from '../../db/schema/content';
import { intake } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { inspectImage, type ImageFacts } from '../../imaging/inspect-image';
import { ProblemError } from '../../problem-error';
import { storedBytes } from '../../store/store';
import { bytesOfPicture } from '../sites/bytes-of-picture';

/** A line of the intake, or a file of the site, by its number. */
export type RevisedSubject = { readonly line: number } | { readonly file: number };

type Line = typeof intake.$inferSelect;
type File = typeof files.$inferSelect;

export interface OpenedRevision {
  readonly line: Line | null;
  readonly file: File | null;
  readonly original: ImageFacts & { readonly sha256: string; readonly bytes: Uint8Array };
  readonly revision: Revision;
  /** In shares of the original. */
  readonly focal: FocalPoint;
}

/**
 * @throws ProblemError `REVISION_GONE` where there is no such picture, `REVISION_DRAWN` for what is drawn in lines or moves, or
 *   as the original's bytes can't be had
 */
export async function openRevision(
  db: Database,
  siteId: number,
  subject: RevisedSubject,
): Promise<OpenedRevision> {
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  const file = 'file' in subject ? await fileOf(db, siteId, subject.file) : null;
  const line = 'line' in subject ? await lineOf(db, siteId, subject.line) : await madeAs(db, siteId, file);
  const sha256 = line?.originalSha ?? line?.sha256 ?? file?.sha256;
  if (!site || !sha256)
    throw new ProblemError({
      code: 'REVISION_GONE',
      what: 'The picture can’t be opened.',
      why: 'It is no longer there.',
      remedy: 'Go back to the list: it shows what is there now.',
    });
  const bytes = line ? await storedBytes(sha256) : await bytesOfPicture(db, site, { sha256, path: file?.path ?? null }); // oxfmt-ignore
  const facts = await inspectImage(bytes, line?.fileName ?? file?.path ?? 'picture');
  refuseDrawn(facts);
  const revision = line?.revision ?? AS_IT_IS;
  const shown = line ? { x: line.focalX, y: line.focalY } : { x: 0.5, y: 0.5 };
  return {
    ...{ line, file, revision },
    original: { ...facts, sha256, bytes },
    focal: pointInOriginal(facts, revision, shown),
  };
}

async function fileOf({ orm }: Database, siteId: number, id: number): Promise<File | null> {
  const [file] = await orm.select().from(files).where(and(eq(files.siteId, siteId), eq(files.id, id), isNull(files.goneIn))); // oxfmt-ignore
  return file ?? null;
}

async function lineOf({ orm }: Database, siteId: number, id: number): Promise<Line | null> {
  const [line] = await orm
    .select()
    .from(intake)
    .where(and(eq(intake.siteId, siteId), eq(intake.id, id)));
  return line ?? null;
}

/** The revision that a file of the site is, where it was made here. */
async function madeAs({ orm }: Database, siteId: number, file: File | null): Promise<Line | null> {
  if (!file?.sha256) return null;
  const [line] = await orm
    .select()
    .from(intake)
    .where(and(eq(intake.siteId, siteId), eq(intake.sha256, file.sha256), isNotNull(intake.revision)))
    .orderBy(intake.id)
    .limit(1);
  return line ?? null;
}

function refuseDrawn({ format, isAnimated }: ImageFacts): void {
  if (format !== 'svg' && !isAnimated) return;
  throw new ProblemError({
    code: 'REVISION_DRAWN',
    what: 'This picture is not corrected here.',
    why: isAnimated ? 'It moves: each of its pictures would have to be changed.' : 'It is drawn in lines, which have no pixels.', // oxfmt-ignore
    remedy: 'Change it in the program that it was made with, and bring it in anew.',
  });
}
