/** Which pictures somebody means who speaks of many at once. */
import Joi from 'joi';
import type { Database } from '../../db/database';

/** Chosen pictures; a folder with all below it; those whose files name a maker; those on the pages of somebody's sections. */
export type PicturesMeant =
  | { readonly pictures: readonly number[] }
  | { readonly folder: string }
  | { readonly maker: string }
  | { readonly owner: string };

/** More are not chosen by hand, and a form that says one thing of them all is not for them. */
const MOST_MEANT = 5000;

export const MEANT = Joi.alternatives(
  Joi.object({ pictures: Joi.array().items(Joi.number().integer()).min(1).max(MOST_MEANT).required() }),
  Joi.object({ folder: Joi.string().trim().max(1000).pattern(/^[^*]+$/u, 'an address without *').required() }), // prettier-ignore
  Joi.object({ maker: Joi.string().trim().min(1).max(500).required() }),
  Joi.object({ owner: Joi.string().trim().min(1).max(200).required() }),
);

export interface PictureMeant {
  readonly id: number;
  /** Of the file that stands for it. */
  readonly fileId: number;
  readonly path: string;
  readonly sha256: string;
}

const MASTER = `select distinct on (p.id) p.id, f.id as "fileId", f.path, f.sha256
  from pictures p join files f on f.site_id = p.site_id and f.picture_id = p.id and f.gone_in is null and f.sha256 is not null
  where p.site_id = $1 and`;
const FIRST = `order by p.id, f.is_master desc, f.id limit ${MOST_MEANT}`;

/** Each picture that is meant, by the file that stands for it; those of no site are left out. */
export async function picturesMeant(
  { pool }: Pick<Database, 'pool'>,
  siteId: number,
  meant: PicturesMeant,
): Promise<PictureMeant[]> {
  const [which, value]: readonly [string, unknown] =
    'pictures' in meant
      ? ['p.id = any($2::int[])', meant.pictures]
      : 'folder' in meant
        ? ['starts_with(f.path, $2)', inFolder(meant.folder)]
        : 'maker' in meant
          ? [`f.sha256 in (select sha256 from looks where metadata ->> 'creator' = $2)`, meant.maker]
          : [
              `exists (select 1 from placements x join pages g on g.site_id = x.site_id and g.path = x.page_path and g.gone_in is null
               join sections s on s.site_id = g.site_id and s.name = g.section and s.owner_id = $2
               where x.site_id = p.site_id and x.file_path = f.path and x.until_survey is null)`,
              meant.owner,
            ];
  const { rows } = await pool.query<PictureMeant>(`${MASTER} ${which} ${FIRST}`, [siteId, value]);
  return rows;
}

/** `images/2019/` for `images/2019`, however it was written. */
export const inFolder = (folder: string): string => `${folder.trim().replace(/^\/+|\/+$/gu, '')}/`;
