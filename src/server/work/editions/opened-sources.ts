/** The sources that a change is worked out on: each as the last survey read it, opened once. */
import { decodeSource, type SourceText } from '@/core/source/decode-source';
import type { SourceEdit } from '@/core/edit/source-edit';
import { isSheetPath } from '@/core/source/role-of-name';
import type { WritableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import { sha256 } from '../../hash';
import { ProblemError } from '../../problem-error';
import { storeBytes, storedBytes } from '../../store/store';

interface Opened {
  readonly source: SourceText;
  /** SHA-256 (hex) of the bytes that edits of it are made for. */
  readonly expects: string;
}

export class OpenedSources {
  private readonly opened = new Map<string, Opened>();

  constructor(
    private readonly db: Database,
    private readonly siteId: number,
    private readonly connection: WritableConnection,
  ) {}

  /** A page from the store; a style sheet from the site itself. */
  async open(path: string): Promise<Opened> {
    const known = this.opened.get(path);
    if (known) return known;
    const open = isSheetPath(path) ? await this.sheet(path) : await this.page(path);
    this.opened.set(path, open);
    return open;
  }

  /** Paths of all files that are there, whatever they are. */
  async paths(): Promise<ReadonlySet<string>> {
    const { files } = await this.connection.list();
    return new Set(files.map(({ path }) => path));
  }

  private async sheet(path: string): Promise<Opened> {
    const bytes = await this.connection.read(path);
    return { source: decodeSource(path, bytes), expects: await storeBytes(bytes) };
  }

  private async page(path: string): Promise<Opened> {
    const { rows } = await this.db.pool.query<{ sha256: string }>(
      'select sha256 from pages where site_id = $1 and path = $2',
      [this.siteId, path],
    );
    const bytes = rows[0] ? await storedBytes(rows[0].sha256) : await this.connection.read(path);
    return { source: decodeSource(path, bytes), expects: rows[0]?.sha256 ?? sha256(bytes) };
  }
}

/** @throws ProblemError `SOURCE_CHANGED` where the source does not say any more what the edit was made for */
export function refuseOtherSource(edit: SourceEdit, path: string, source: SourceText): void {
  if (source.text.slice(edit.start, edit.end) === edit.was) return;
  throw new ProblemError({
    code: 'SOURCE_CHANGED',
    what: `${path} has changed since the last survey.`,
    why: 'Its pictures no longer stand where they stood.',
    remedy: 'Survey the site again, then take this change out and make it anew.',
  });
}

/** @throws ProblemError `PLACES_CHANGED` where some of the places that were chosen are no longer there */
export function refuseFewerPlaces(chosen: number, found: number): void {
  if (found >= chosen) return;
  throw new ProblemError({
    code: 'PLACES_CHANGED',
    what: 'The change could not be prepared.',
    why: `${chosen - found} of its ${chosen} places have changed since they were chosen.`,
    remedy: 'Take it out of the edition and choose the places again.',
  });
}
