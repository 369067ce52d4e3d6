import 'server-only';
import Joi from 'joi';
import { dayOf } from '@/core/dating/day';
import { PICTURE_KINDS, type PictureKind } from '@/core/dating/shelf-life';
import { database } from '@/server/db/database';
import { ownersOf } from '../errata/owners';

/** By what else a list of pictures can be narrowed; each is a parameter of its address, `null` where it is not asked. */
export interface PictureNarrowing {
  readonly kind: PictureKind | 'unknown' | null;
  /** Taken before this year. */
  readonly before: number | null;
  /** Long side below so many pixels. */
  readonly below: number | null;
  /** Folder that the file lies in, or below which. */
  readonly folder: string | null;
  /** Number of the person who answers for it; `none` for nobody. */
  readonly owner: string | null;
  /** Number of something that it shows. */
  readonly subject: number | null;
  /** `none`: no creator, credit or copyright is written into any of its files. */
  readonly credit: 'none' | null;
}

export const NOT_NARROWED: PictureNarrowing = {
  kind: null,
  before: null,
  below: null,
  folder: null,
  owner: null,
  subject: null,
  credit: null,
};

const PARAMETERS: Readonly<Record<keyof PictureNarrowing, Joi.Schema>> = {
  kind: Joi.valid(...PICTURE_KINDS, 'unknown'),
  before: Joi.number().integer().min(1800).max(3000),
  below: Joi.number().integer().min(1).max(100_000),
  folder: Joi.string().max(500),
  owner: Joi.string().max(100),
  subject: Joi.number().integer().positive(),
  credit: Joi.valid('none'),
};

/** Reads it from an address; what can't be read counts as not asked. */
export function narrowingOf(given: (name: string) => string | undefined): PictureNarrowing {
  const entries = Object.entries(PARAMETERS).map(([name, schema]) => {
    const { value, error } = schema.validate(given(name) || undefined) as { value: unknown; error?: Error };
    return [name, error ? null : (value ?? null)] as const;
  });
  return Object.fromEntries(entries) as unknown as PictureNarrowing;
}

/**
 * Conditions on a picture `p`, the file `m` that stands for it and its group `g`.
 *
 * @param bind takes a value and gives the name of its parameter
 */
export function narrowingConditions(asked: PictureNarrowing, bind: (value: unknown) => string): string[] {
  const conditions: string[] = [];
  const { kind, before, below, folder, owner, subject, credit } = asked;
  if (kind !== null) conditions.push(kind === 'unknown' ? 'p.kind is null' : `p.kind = ${bind(kind)}`);
  if (before !== null) conditions.push(`p.taken_until < ${bind(dayOf(before, 1, 1))}::int`);
  if (below !== null) conditions.push(`greatest(m.width_px, m.height_px) < ${bind(below)}::int`);
  if (folder !== null) conditions.push(`starts_with(m.path, ${bind(`${folder}/`)})`);
  if (owner !== null)
    conditions.push(owner === 'none' ? 'p.owner_id is null' : `p.owner_id = ${bind(owner)}`);
  if (credit !== null) conditions.push('p.id is not null and not p.is_credited');
  if (subject !== null)
    conditions.push(`exists (select 1 from files sf join picture_subjects ps on ps.site_id = sf.site_id and ps.sha256 = sf.sha256
      where sf.picture_id = g.key and sf.gone_in is null and ps.subject_id = ${bind(subject)}::int)`);
  return conditions;
}

export interface NarrowingChoices {
  readonly folders: readonly { readonly folder: string; readonly files: number }[];
  readonly owners: readonly { readonly id: string; readonly name: string }[];
  readonly subjects: readonly { readonly id: number; readonly name: string }[];
}

const MOST_FOLDERS = 60;

/** What a site's pictures can be narrowed to. */
export async function narrowingChoices(siteId: number): Promise<NarrowingChoices> {
  const { pool } = database();
  const [folders, owners, subjects] = await Promise.all([
    pool.query<{ folder: string; files: number }>(
      `select folder, count(*)::int as files from (select substring(path from '^(.*)/[^/]*$') as folder from files
         where site_id = $1 and gone_in is null) f where folder is not null group by folder order by files desc, folder limit ${MOST_FOLDERS}`,
      [siteId],
    ),
    ownersOf(siteId),
    pool.query<{ id: number; name: string }>(
      'select id, name from subjects where site_id = $1 order by name',
      [siteId],
    ),
  ]);
  return {
    folders: folders.rows.toSorted((a, b) => (a.folder < b.folder ? -1 : 1)),
    owners,
    subjects: subjects.rows,
  };
}

/** How many pictures of a site the worker has read, of how many there are. */
export async function readingOf(siteId: number): Promise<{ read: number; all: number }> {
  const { rows } = await database().pool.query<{ read: number; all: number }>(
    `select count(*)::int as all, count(l.sha256)::int as read
     from (select distinct sha256 from files where site_id = $1 and gone_in is null and sha256 is not null and problem is null) f
     left join looks l on l.sha256 = f.sha256`,
    [siteId],
  );
  return rows[0] ?? { read: 0, all: 0 };
}
