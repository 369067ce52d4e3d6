/** What stands on a site: its pages, its files, and the placements that join them. */
import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  serial,
  text,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import type { DeclaredSlot, LinkAround, PlacementContext, WordAnchors } from '@/core/markup/placement';
import { moment, ofSite } from './columns';

export const pages = pgTable(
  'pages',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    path: text('path').notNull(),
    /** First folder of the path; empty for pages at the root. */
    section: text('section').notNull(),
    title: text('title').notNull(),
    language: text('language'),
    encoding: text('encoding').notNull(),
    sha256: text('sha256').notNull(),
    sizeBytes: integer('size_bytes').notNull(),
    /** Fingerprint of the site's style sheets when the page was read: what a page shows depends on them. */
    sheetsKey: text('sheets_key').notNull(),
    modifiedAt: moment('modified_at'),
    /** The survey that read it last, and the one that no longer found it. */
    readIn: integer('read_in').notNull(),
    goneIn: integer('gone_in'),
  },
  (table) => [
    uniqueIndex('pages_path').on(table.siteId, table.path),
    index('pages_section').on(table.siteId, table.section, table.path),
  ],
);

export const files = pgTable(
  'files',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    path: text('path').notNull(),
    /** `null` for a file that pages show and that is not there. */
    sha256: text('sha256'),
    sizeBytes: bigint('size_bytes', { mode: 'number' }),
    widthPx: integer('width_px'),
    heightPx: integer('height_px'),
    format: text('format'),
    /** Why its picture can't be read, in words. */
    problem: text('problem'),
    modifiedMs: bigint('modified_ms', { mode: 'number' }),
    seenIn: integer('seen_in').notNull(),
    goneIn: integer('gone_in'),
  },
  (table) => [uniqueIndex('files_path').on(table.siteId, table.path), index('files_sha256').on(table.sha256)],
);

export const placements = pgTable(
  'placements',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    siteId: ofSite(),
    /** The page it is seen on; a dormant rule of a style sheet has the sheet's own path. */
    pagePath: text('page_path').notNull(),
    sourcePath: text('source_path').notNull(),
    /** The file of the site that is shown, or `null`. */
    filePath: text('file_path'),
    /** The address elsewhere that is shown, or `null`. */
    url: text('url'),
    kind: text('kind').$type<PlacementKind>().notNull(),
    /** Order on its page. */
    ordinal: integer('ordinal').notNull(),
    raw: text('raw').notNull(),
    start: integer('start').notNull(),
    end: integer('end').notNull(),
    line: integer('line').notNull(),
    column: integer('column').notNull(),
    thread: text('thread').notNull(),
    alt: text('alt'),
    name: text('name').notNull(),
    caption: text('caption'),
    link: jsonb('link').$type<LinkAround>(),
    decorative: boolean('decorative').notNull(),
    hidden: boolean('hidden').notNull(),
    dormant: boolean('dormant').notNull(),
    context: jsonb('context').$type<PlacementContext>().notNull(),
    declared: jsonb('declared').$type<DeclaredSlot>().notNull(),
    words: jsonb('words').$type<WordAnchors>().notNull(),
    /** Surveys between which it stood there; `null` while it stands. */
    sinceSurvey: integer('since_survey').notNull(),
    untilSurvey: integer('until_survey'),
  },
  (table) => [
    index('placements_file')
      .on(table.siteId, table.filePath)
      .where(sql`until_survey is null`),
    index('placements_page')
      .on(table.siteId, table.pagePath, table.ordinal)
      .where(sql`until_survey is null`),
  ],
);
