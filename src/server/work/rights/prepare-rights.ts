/** Prepares the files of a picture with what is recorded of its rights, their pixels as they are. */
import { metadataOut, type MetadataOut, type ReleasesOnFile } from '@/core/rights/metadata-out';
import { RecordIndex } from '@/core/rights/record-index';
import type { ReadableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import type { changes } from '../../db/schema/editions';
import type { sites } from '../../db/schema/sites';
import { sha256 } from '../../hash';
import { carriesRights, MetadataWriter } from '../../imaging/write-metadata';
import { ProblemError } from '../../problem-error';
import { storeBytes } from '../../store/store';
import type { Prepared } from '../editions/prepared';
import { recordsOf } from './records-of-site';

interface FileOfPicture {
  readonly path: string;
  readonly format: string;
  readonly width_px: number | null;
  readonly height_px: number | null;
}

interface RightsChange {
  readonly change: typeof changes.$inferSelect;
  readonly site: typeof sites.$inferSelect;
}

/** @throws ProblemError `RIGHTS_UNRECORDED` where no record covers a file, `RIGHTS_WRITTEN` where all files say it already */
export async function prepareRights(
  db: Database,
  connection: ReadableConnection,
  { change: { fromPath }, site }: RightsChange,
): Promise<Prepared> {
  const index = new RecordIndex(await recordsOf(db, site.id));
  const { rows } = await db.pool.query<FileOfPicture>(
    `select f.path, f.format, f.width_px, f.height_px from files f
     where f.site_id = $1 and f.gone_in is null and f.sha256 is not null and f.format is not null
       and (f.path = $2 or f.picture_id = (select picture_id from files where site_id = $1 and path = $2 and gone_in is null))
     order by f.path`,
    [site.id, fromPath],
  );
  const writer = new MetadataWriter();
  const files: Prepared['files'][number][] = [];
  let isAnySaid = false;
  try {
    for (const file of rows) {
      const rights = carriesRights(file.format) ? saidOf(index, { url: file.path, master: fromPath }) : {};
      if (Object.keys(rights).length === 0) continue;
      isAnySaid = true;
      const before = await connection.read(file.path);
      const after = await writer.write(before, file.format, rights);
      if (sha256(after) === sha256(before)) continue;
      files.push(await kept(file, after));
    }
  } finally {
    await writer.end();
  }
  if (files.length === 0) throw nothingToWrite(isAnySaid);
  return { edits: [], files, places: [] };
}

function saidOf(index: RecordIndex, file: { readonly url: string; readonly master: string }): MetadataOut {
  const covered = index.picture(file);
  if (!covered) return {};
  const { licence } = covered.fields;
  return metadataOut(covered.fields, licence ? index.terms(licence) : null, releasesOn(index, file, covered.fields.people)); // oxfmt-ignore
}

function releasesOn(
  index: RecordIndex,
  file: { readonly url: string; readonly master: string },
  people: 'none' | 'some' | null | undefined,
): ReleasesOnFile | null {
  const shown = index.shown(file);
  if (shown === null) return people === 'none' ? 'nobody' : null;
  const releases = shown.map((id) => index.person(id)?.releases ?? []);
  if (releases.every((one) => one.length === 0)) return 'none';
  const isFree = releases.every((one) => one.some(({ purposes, until, withdrawn }) => !purposes?.length && !until && !withdrawn)); // oxfmt-ignore
  return isFree ? 'unlimited' : 'limited';
}

async function kept(
  { path, width_px, height_px }: FileOfPicture,
  bytes: Uint8Array,
): Promise<Prepared['files'][number]> {
  const size = { widthPx: width_px ?? 0, heightPx: height_px ?? 0 };
  const rendition = { path, format: 'original' as const, crop: { left: 0, top: 0, ...size }, ...size };
  return { path, sha256: await storeBytes(bytes), sizeBytes: bytes.length, rendition };
}

const nothingToWrite = (isAnySaid: boolean): ProblemError =>
  new ProblemError({
    code: isAnySaid ? 'RIGHTS_WRITTEN' : 'RIGHTS_UNRECORDED',
    what: 'There is nothing to write.',
    why: isAnySaid
      ? 'Its files say all of it already.'
      : 'Nothing is recorded of its rights, or its files can carry nothing.',
    remedy: isAnySaid
      ? 'Take this out of the edition.'
      : 'Record where it comes from first, on its own page.',
  });
