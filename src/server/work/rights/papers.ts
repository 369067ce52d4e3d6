/**
 * Papers: by which people allowed to be shown, and by which it is known where a picture comes from. Sealed before they are
 * kept; those of people are opened for maintainers alone.
 */
import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { and, asc, eq } from 'drizzle-orm';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { releasePapers } from '../../db/schema/rights';
import { ProblemError } from '../../problem-error';
import { settings } from '../../settings';
import { logEvent } from '../log-event';

const MAX_PAPER_BYTES = 15 * 1024 ** 2;
const TYPES: Readonly<Record<string, readonly number[]>> = {
  'application/pdf': [0x25, 0x50, 0x44, 0x46],
  'image/jpeg': [0xff, 0xd8, 0xff],
  'image/png': [0x89, 0x50, 0x4e, 0x47],
};

/** What a paper is about: a person, or the picture that a file stands for. */
export type PaperSubject = { readonly person: string } | { readonly file: string };

/** @throws ProblemError `NOT_ALLOWED` */
function requireRoleFor(actor: Actor, subject: PaperSubject, deed: 'keep' | 'look at'): void {
  if ('person' in subject) requireRole(actor, ['maintainer'], `${deed} releases`);
  else requireRole(actor, EDITORS, `${deed} what tells where pictures come from`);
}

/** Its place in the log, and in the key. */
const nameOf = (subject: PaperSubject): string => ('person' in subject ? subject.person : subject.file);
const whereOf = (subject: PaperSubject) =>
  'person' in subject ? eq(releasePapers.person, subject.person) : eq(releasePapers.forFile, subject.file);
const subjectOf = ({ person, forFile }: { person: string | null; forFile: string | null }): PaperSubject =>
  forFile === null ? { person: person ?? '' } : { file: forFile };
const kindOf = (subject: PaperSubject) => ('person' in subject ? 'a release paper' : 'a paper of a picture');

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/** AES-256-GCM (NIST SP 800-38D) under a key of its own, derived from the installation's secret (RFC 5869). */
function keyFor(siteId: number, subject: PaperSubject): Buffer {
  const salt = 'person' in subject ? 'release papers' : 'papers of pictures';
  return Buffer.from(hkdfSync('sha256', settings().secret, salt, `${siteId}/${nameOf(subject)}`, 32));
}

/** @returns nonce, tag and sealed bytes, one behind the other */
function seal(bytes: Uint8Array, siteId: number, subject: PaperSubject): Buffer {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv('aes-256-gcm', keyFor(siteId, subject), nonce);
  const sealed = Buffer.concat([cipher.update(bytes), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]);
}

/** @throws ProblemError `PAPER_SEALED` where the secret is another one, or somebody has changed the bytes */
export function unseal(sealed: Buffer, siteId: number, subject: PaperSubject): Buffer {
  const body = sealed.subarray(NONCE_BYTES + TAG_BYTES);
  const cipher = createDecipheriv('aes-256-gcm', keyFor(siteId, subject), sealed.subarray(0, NONCE_BYTES));
  cipher.setAuthTag(sealed.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
  try {
    return Buffer.concat([cipher.update(body), cipher.final()]);
  } catch (error) {
    throw new ProblemError({
      code: 'PAPER_SEALED',
      what: 'The paper can’t be opened.',
      why: `It was sealed with another secret, or has been changed since (${(error as Error).message}).`,
      remedy: 'Run Ibidem with the IBIDEM_SECRET it had when the paper was kept.',
    });
  }
}

export interface PaperSent {
  readonly subject: PaperSubject;
  readonly fileName: string;
  readonly bytes: Uint8Array;
}

/** Keeps a paper. @throws ProblemError `PAPER_UNFIT` where it is too large, or none of PDF, JPEG and PNG */
export async function keepPaper(
  db: Database,
  actor: Actor,
  siteId: number,
  { subject, fileName, bytes }: PaperSent,
): Promise<void> {
  requireRole(actor, EDITORS, 'keep papers');
  requireRoleFor(actor, subject, 'keep');
  const contentType = Object.entries(TYPES).find(([, magic]) =>
    magic.every((byte, i) => bytes[i] === byte),
  )?.[0];
  if (!contentType || bytes.length > MAX_PAPER_BYTES)
    throw new ProblemError({
      code: 'PAPER_UNFIT',
      what: `“${fileName}” was not kept.`,
      why: contentType
        ? `It has ${Math.round(bytes.length / 1024 ** 2)} MB.`
        : 'It is none of PDF, JPEG and PNG.',
      remedy: `Scan it as a PDF, a JPEG or a PNG of at most ${MAX_PAPER_BYTES / 1024 ** 2} MB.`,
    });
  await asOne(db, async (tx) => {
    await tx.orm.insert(releasePapers).values({
      ...('person' in subject ? { person: subject.person } : { forFile: subject.file }),
      ...{ siteId, fileName: fileName.slice(0, 200), contentType, sizeBytes: bytes.length },
      ...{ sealed: seal(bytes, siteId, subject), keptBy: actor.name },
    });
    await logEvent(tx, actor, { siteId, verb: `keep ${kindOf(subject)}`, details: nameOf(subject) });
  });
}

const LISTED = {
  id: releasePapers.id, fileName: releasePapers.fileName, sizeBytes: releasePapers.sizeBytes,
  keptBy: releasePapers.keptBy, keptAt: releasePapers.keptAt,
}; // oxfmt-ignore

/** The papers about somebody or something, without what is in them. */
export async function papersOf(db: Database, actor: Actor, siteId: number, subject: PaperSubject) {
  requireRoleFor(actor, subject, 'look at');
  return db.orm
    .select(LISTED)
    .from(releasePapers)
    .where(and(eq(releasePapers.siteId, siteId), whereOf(subject)))
    .orderBy(asc(releasePapers.id));
}

async function paperOf({ orm }: Pick<Database, 'orm'>, siteId: number, id: number) {
  const [paper] = await orm
    .select()
    .from(releasePapers)
    .where(and(eq(releasePapers.siteId, siteId), eq(releasePapers.id, id)));
  return paper;
}

/** A paper opened; that it was is written down. `null` where there is none. */
export async function openPaper(db: Database, actor: Actor, siteId: number, id: number) {
  // Who may open none learns not even whether there is one.
  requireRole(actor, EDITORS, 'open papers');
  const paper = await paperOf(db, siteId, id);
  if (!paper) return null;
  const subject = subjectOf(paper);
  requireRoleFor(actor, subject, 'look at');
  await logEvent(db, actor, {
    siteId,
    verb: `open ${kindOf(subject)}`,
    details: `${nameOf(subject)}, ${paper.fileName}`,
  });
  return { ...paper, bytes: unseal(paper.sealed, siteId, subject) };
}

/** Takes a paper away for good. */
export async function dropPaper(db: Database, actor: Actor, siteId: number, id: number): Promise<void> {
  requireRole(actor, EDITORS, 'keep papers');
  await asOne(db, async (tx) => {
    const paper = await paperOf(tx, siteId, id);
    if (!paper) return;
    const subject = subjectOf(paper);
    requireRoleFor(actor, subject, 'keep');
    await tx.orm.delete(releasePapers).where(and(eq(releasePapers.siteId, siteId), eq(releasePapers.id, id)));
    await logEvent(tx, actor, { siteId, verb: `take away ${kindOf(subject)}`, details: nameOf(subject) });
  });
}
