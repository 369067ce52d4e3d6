import 'server-only';
import { fitOf, rarities, type Fit } from '@/core/swap/fit';
import { database } from '@/server/db/database';
import { putOuts, wordsIn } from './pairs';

/** A file of the site that could be put in the place of another. */
export interface SiteCandidate {
  readonly fileId: number;
  readonly path: string;
  readonly sha256: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sizeBytes: number;
  readonly fit: Fit;
}

interface FileRow extends Omit<SiteCandidate, 'fit'> {
  readonly isSame: boolean;
  readonly says: string;
}

/** How many are shown; and how many unused files are weighed for it. */
const SHOWN = 6;
const WEIGHED = 400;

/**
 * The site's own pictures for the places of one of its files: the same picture larger, or the other way up, and those that
 * stand nowhere though their names speak of what its places speak of.
 */
export async function siteCandidates(
  siteId: number,
  { id: fileId, pictureId }: { readonly id: number; readonly pictureId: number | null },
): Promise<SiteCandidate[]> {
  if (pictureId === null) return [];
  const { rows } = await database().pool.query<FileRow>(
    `select f.id as "fileId", f.path, f.sha256, f.width_px as "widthPx", f.height_px as "heightPx",
       f.size_bytes::int as "sizeBytes", f.picture_id = old.picture_id as "isSame", concat_ws(' ', k.title, f.path) as says
     from files f join files old on old.id = $2 left join pictures k on k.id = f.picture_id
     where f.site_id = $1 and f.gone_in is null and f.sha256 <> old.sha256 and f.width_px >= 200 and f.height_px >= 150
       and f.format in ('jpeg', 'png', 'webp', 'avif') and not coalesce(k.is_placeholder, false)
       and (f.picture_id = old.picture_id
           and (f.width_px > 1.1 * old.width_px or (f.width_px > f.height_px) <> (old.width_px > old.height_px))
         or f.picture_id is distinct from old.picture_id
           and not exists (select 1 from placements p where p.site_id = $1 and p.file_path = f.path and p.until_survey is null))
     order by "isSame" desc, f.width_px desc limit $3`,
    [siteId, fileId, WEIGHED],
  );
  const [out] = await putOuts(siteId, [{ id: pictureId, name: '' }]);
  if (!out || rows.length === 0) return [];
  const ins = rows.map(({ widthPx, heightPx, says, isSame }) => ({ widthPx, heightPx, words: wordsIn(says), year: null, isSame })); // oxfmt-ignore
  const rarityOf = rarities([out, ...ins]);
  return rows
    .flatMap(({ isSame, says: _, ...row }, n) => {
      const one = ins[n];
      const fit = one && fitOf(out, one, rarityOf);
      const isNamed = fit?.parts.some((part) => part.part === 'words' && part.score > 0);
      return fit && (isSame || isNamed) ? [{ ...row, fit }] : [];
    })
    .toSorted((a, b) => b.fit.score - a.fit.score)
    .slice(0, SHOWN);
}
