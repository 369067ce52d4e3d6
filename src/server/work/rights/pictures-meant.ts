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
export const MOST_MEANT = 5000;

export const MEANT = Joi.alternatives(
  Joi.object({ pictures: Joi.array().items(Joi.number().integer()).min(1).max(MOST_MEANT).required() }),
  Joi.object({ folder: Joi.string().trim().max(1000).pattern(/^[^*]+$/u, 'an address without *').required() }), // oxfmt-ignore
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

/** SQL: which files are meant, of the files `f` of the site `$1`, by the value `$2`. */
const WHICH = {
  pictures: 'f.picture_id = any($2::int[])',
  folder: 'starts_with(f.path, $2)',
  maker: `f.sha256 in (select sha256 from looks where metadata ->> 'creator' = $2)`,
  owner: `f.path in (
    select x.file_path from placements x
    join pages g on g.site_id = x.site_id and g.path = x.page_path and g.gone_in is null
    join sections s on s.site_id = g.site_id and s.pattern = g.section and s.owner_id = $2
    where x.site_id = $1 and x.until_survey is null)`,
} as const;

/** Each picture of which a file is meant, by the file that stands for it; those of no site are left out. */
export async function picturesMeant(
  { pool }: Pick<Database, 'pool'>,
  siteId: number,
  meant: PicturesMeant,
): Promise<PictureMeant[]> {
  const [[kind, said]] = Object.entries(meant) as [[keyof typeof WHICH, unknown]];
  const { rows } = await pool.query<PictureMeant>(
    `select distinct on (m.picture_id) m.picture_id as id, m.id as "fileId", m.path, m.sha256 from files m
     where m.site_id = $1 and m.gone_in is null and m.sha256 is not null and m.picture_id in (
       select f.picture_id from files f where f.site_id = $1 and f.gone_in is null and ${WHICH[kind]})
     order by m.picture_id, m.is_master desc, m.id limit ${MOST_MEANT + 1}`,
    [siteId, kind === 'folder' ? inFolder(String(said)) : said],
  );
  return rows;
}

/** `images/2019/` for `images/2019`, however it was written. */
export const inFolder = (folder: string): string => `${folder.trim().replace(/^\/+|\/+$/gu, '')}/`;
