/** Papers by which people allowed to be shown: sealed before they are kept, opened for maintainers alone. */
import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { and, asc, eq } from 'drizzle-orm';
import { requireRole, type Actor } from '../../../accounts/actor';
import type { Database } from '../../../db/database';
import { asOne } from '../../../db/in-transaction';
import { releasePapers } from '../../../db/schema/rights';
import { ProblemError } from '../../../problem-error';
import { settings } from '../../../settings';
import { logEvent } from '../../log-event';

const MAX_PAPER_BYTES = 15 * 1024 ** 2;
const TYPES: Readonly<Record<string, readonly number[]>> = {
  'application/pdf': [0x25, 0x50, 0x44, 0x46],
  'image/jpeg': [0xff, 0xd8, 0xff],
  'image/png': [0x89, 0x50, 0x4e, 0x47],
};

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/** AES-256-GCM (NIST SP 800-38D) under a key of its own, derived from the installation's secret (RFC 5869). */
function keyFor(siteId: number, person: string): Buffer {
  return Buffer.from(hkdfSync('sha256', settings().secret, 'release papers', `${siteId}/${person}`, 32));
}

/** @returns nonce, tag and sealed bytes, one behind the other */
function seal(bytes: Uint8Array, siteId: number, person: string): Buffer {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv('aes-256-gcm', keyFor(siteId, person), nonce);
  const sealed = Buffer.concat([cipher.update(bytes), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]);
}

/** @throws ProblemError `PAPER_SEALED` where the secret is another one, or somebody has changed the bytes */
export function unseal(sealed: Buffer, siteId: number, person: string): Buffer {
  const body = sealed.subarray(NONCE_BYTES + TAG_BYTES);
  const cipher = createDecipheriv('aes-256-gcm', keyFor(siteId, person), sealed.subarray(0, NONCE_BYTES));
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
  readonly person: string;
  readonly fileName: string;
  readonly bytes: Uint8Array;
}

/** Keeps a paper. @throws ProblemError `PAPER_UNFIT` where it is too large, or none of PDF, JPEG and PNG */
export async function keepPaper(
  db: Database,
  actor: Actor,
  siteId: number,
  { person, fileName, bytes }: PaperSent,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'keep releases');
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
      ...{ siteId, person, fileName: fileName.slice(0, 200), contentType, sizeBytes: bytes.length },
      ...{ sealed: seal(bytes, siteId, person), keptBy: actor.name },
    });
    await logEvent(tx, actor, { siteId, verb: 'keep a release paper', details: person });
  });
}

const LISTED = {
  id: releasePapers.id, fileName: releasePapers.fileName, sizeBytes: releasePapers.sizeBytes,
  keptBy: releasePapers.keptBy, keptAt: releasePapers.keptAt,
}; // prettier-ignore

/** A person's papers, without what is in them. */
export async function papersOf(db: Database, actor: Actor, siteId: number, person: string) {
  requireRole(actor, ['maintainer'], 'look at releases');
  return db.orm
    .select(LISTED)
    .from(releasePapers)
    .where(and(eq(releasePapers.siteId, siteId), eq(releasePapers.person, person)))
    .orderBy(asc(releasePapers.id));
}

/** A paper opened; that it was is written down. `null` where there is none. */
export async function openPaper(db: Database, actor: Actor, siteId: number, id: number) {
  requireRole(actor, ['maintainer'], 'look at releases');
  const [paper] = await db.orm
    .select()
    .from(releasePapers)
    .where(and(eq(releasePapers.siteId, siteId), eq(releasePapers.id, id)));
  if (!paper) return null;
  await logEvent(db, actor, {
    siteId,
    verb: 'open a release paper',
    details: `${paper.person}, ${paper.fileName}`,
  });
  return { ...paper, bytes: unseal(paper.sealed, siteId, paper.person) };
}

/** Takes a paper away for good. */
export async function dropPaper(db: Database, actor: Actor, siteId: number, id: number): Promise<void> {
  requireRole(actor, ['maintainer'], 'keep releases');
  await asOne(db, async (tx) => {
    const [gone] = await tx.orm
      .delete(releasePapers)
      .where(and(eq(releasePapers.siteId, siteId), eq(releasePapers.id, id)))
      .returning({ person: releasePapers.person });
    if (gone) await logEvent(tx, actor, { siteId, verb: 'take a release paper away', details: gone.person });
  });
}
