/** Rows that long lists read in place of all that they are made of, and what tells that they are behind it. */
import {
  bigint,
  bigserial,
  boolean,
  doublePrecision,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
} from 'drizzle-orm/pg-core';
import { ofSite } from './columns';

/**
 * A row for every statement that changed what the rows of a list are made of, written by triggers. They only add rows: who
 * writes errata or files waits for nobody because of them. Without a key to the site, which may be deleted with all it has.
 */
export const listChanges = pgTable(
  'list_changes',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    siteId: integer('site_id').notNull(),
    list: text('list').$type<'errata' | 'pictures'>().notNull(),
  },
  (table) => [index('list_changes_site').on(table.siteId, table.list)],
);

/**
 * One picture as lists count and sort it, with what all its files add up to; a file that is of no picture stands for itself.
 * Made anew where it is asked for after something has changed: `work/pictures/picture-rows.ts`.
 */
export const pictureRows = pgTable(
  'picture_rows',
  {
    siteId: ofSite(),
    /** Number of the picture; of a file that is of none, its number with a minus. */
    key: integer('key').notNull(),
    /** The file that stands for it. */
    fileId: integer('file_id').notNull(),
    pictureId: integer('picture_id'),
    path: text('path').notNull(),
    title: text('title'),
    isThere: boolean('is_there').notNull(),
    sizeBytes: bigint('size_bytes', { mode: 'number' }),
    /** Of all its files. */
    files: integer('files').notNull(),
    places: integer('places').notNull(),
    uses: integer('uses').notNull(),
    undescribed: integer('undescribed').notNull(),
    reach: doublePrecision('reach').notNull(),
    /** As the picture has them. */
    overdue: doublePrecision('overdue').notNull(),
    takenUntil: integer('taken_until'),
    isPlaceholder: boolean('is_placeholder').notNull(),
    belief: doublePrecision('belief').notNull(),
    isChanged: boolean('is_changed').notNull(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.key] })],
);
