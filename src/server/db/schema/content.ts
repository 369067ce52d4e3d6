/** What stands on a site: its pages, its files, and the placements that join them. */
import { sql } from 'drizzle-orm';
import {
  bigint,
  bigserial,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { NearMiss } from '@/core/address/near-miss';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import type { DeclaredSlot, LinkAround, PlacementContext, WordAnchors } from '@/core/markup/placement';
import type { Link } from '@/core/picture/judge';
import type { FileRole } from '../../connections/connection';
import { user } from './accounts';
import { calledColumn, moment, ofSite, searchColumn } from './columns';
import { pictures } from './pictures';

export const pages = pgTable(
  'pages',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    path: text('path').notNull(),
    called: calledColumn(),
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
    /** The survey that first found it, and the one that found it changed last. */
    sinceIn: integer('since_in').notNull(),
    changedIn: integer('changed_in').notNull(),
    /** The survey that read it last, and the one that no longer found it. */
    readIn: integer('read_in').notNull(),
    goneIn: integer('gone_in'),
    /** For a page that was found elsewhere before: its path then. */
    movedFrom: text('moved_from'),
    /** Paths of the site's pages that it leads to. */
    leadsTo: jsonb('leads_to').$type<readonly string[]>().notNull().default([]),
    /** Page views a month, as counted or estimated. */
    reach: doublePrecision('reach').notNull().default(0),
    /** What tells without reading it that a file has not changed since; `null` where nothing does. */
    mark: text('mark'),
    /** Tallies of the last survey: its places, how many are gaps, how many lack a description. */
    places: integer('places').notNull().default(0),
    missing: integer('missing').notNull().default(0),
    undescribed: integer('undescribed').notNull().default(0),
    /** Weight of the pictures a reader's browser loads for it, each file once, and the heaviest of them. */
    pictureBytes: bigint('picture_bytes', { mode: 'number' }).notNull().default(0),
    pictureFiles: integer('picture_files').notNull().default(0),
    heaviestId: integer('heaviest_id'),
    /** The change that it was last checked for errata after. */
    checkedIn: integer('checked_in'),
    /** The words readers meet on it. */
    words: text('words').notNull().default(''),
    search: searchColumn('search').generatedAlwaysAs(
      sql`setweight(to_tsvector('simple', coalesce(title, '')), 'A') || setweight(to_tsvector('simple', translate(path, '/-_.?=&', '       ')), 'B') || setweight(to_tsvector('simple', words), 'C')`,
    ),
  },
  (table) => [
    uniqueIndex('pages_path').on(table.siteId, table.path),
    index('pages_search').using('gin', table.search),
    index('pages_title_words').using('gin', sql`to_tsvector('simple', ${table.title})`),
    index('pages_path_words').using(
      'gin',
      sql`to_tsvector('simple', translate(${table.path}, '/-_.?=&', '       '))`,
    ),
    index('pages_reach').on(table.siteId, table.reach),
    // Whether any is still to be checked is asked of every screen.
    index('pages_unchecked')
      .on(table.siteId)
      .where(sql`gone_in is null and checked_in is distinct from changed_in`),
    index('pages_section').on(table.siteId, table.section, table.path),
    // What is counted and sorted, and laid beside errata, is answered from here: a page's own row holds its words.
    index('pages_standing')
      .on(
        ...([
          table.siteId,
          table.path,
          table.section,
          table.id,
          table.reach,
          table.places,
          table.missing,
        ] as const),
        ...([table.undescribed, table.sinceIn, table.changedIn, table.modifiedAt] as const),
      )
      .where(sql`gone_in is null`),
    // Looking for a name goes through these alone.
    index('pages_named')
      .on(table.siteId, table.id, table.called)
      .where(sql`gone_in is null`),
  ],
);

export const files = pgTable(
  'files',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    path: text('path').notNull(),
    called: calledColumn(),
    /** `null` for a file that pages show and that is not there. */
    sha256: text('sha256'),
    sizeBytes: bigint('size_bytes', { mode: 'number' }),
    widthPx: integer('width_px'),
    heightPx: integer('height_px'),
    format: text('format'),
    /** Why its picture can't be read, in words. */
    problem: text('problem'),
    modifiedMs: bigint('modified_ms', { mode: 'number' }),
    /** For a missing file: one that is there under nearly that name, and what differs. */
    nearPath: text('near_path'),
    nearKind: text('near_kind').$type<NearMiss['kind']>(),
    /** Tallies of the last survey: uses of any kind, places where it is shown, places without a description. */
    uses: integer('uses').notNull().default(0),
    places: integer('places').notNull().default(0),
    undescribed: integer('undescribed').notNull().default(0),
    /** How many pages show it, and the first few of them. */
    pages: integer('pages').notNull().default(0),
    firstPages: jsonb('first_pages').$type<readonly string[]>().notNull().default([]),
    /** The alt text that most places give it. */
    words: text('words'),
    search: searchColumn('search'),
    /** Views of the pages it stands on, added up over its places. */
    reach: doublePrecision('reach').notNull().default(0),
    seenIn: integer('seen_in').notNull(),
    goneIn: integer('gone_in'),
    /** The survey that found other bytes under its name last, what they were before, and whether they showed the same. */
    replacedIn: integer('replaced_in'),
    replacedSha: text('replaced_sha'),
    replacedAlike: boolean('replaced_alike'),
    /** The picture that it is one file of, whether it stands for all of them, and how it lies in that one. */
    pictureId: integer('picture_id').references(() => pictures.id, { onDelete: 'set null' }),
    isMaster: boolean('is_master').notNull().default(false),
    link: jsonb('link').$type<Link>(),
    /** Digest of all that errata rest on, as it was when its pages were last checked. */
    factsKey: text('facts_key'),
  },
  (table) => [
    index('files_picture').on(table.pictureId),
    uniqueIndex('files_path').on(table.siteId, table.path),
    index('files_sha256').on(table.sha256),
    index('files_replaced')
      .on(table.siteId)
      .where(sql`replaced_alike = false`),
    index('files_search').using('gin', table.search),
    // Files with the same bytes stand beside each other in it.
    index('files_same')
      .on(table.siteId, table.sha256, table.sizeBytes)
      .where(sql`gone_in is null and sha256 is not null`),
    // Looking for a name goes through these alone.
    index('files_standing')
      .on(table.siteId, table.pictureId, table.id, table.called)
      .where(sql`gone_in is null`),
  ],
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
    /** Where it stands in the structure of its page. */
    spot: text('spot').notNull(),
    /** The same place through all surveys: the spot at which it was first seen. */
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
      .on(table.siteId, table.filePath, table.dormant, table.pagePath, table.ordinal)
      .where(sql`until_survey is null`),
    index('placements_page')
      .on(table.siteId, table.pagePath, table.ordinal)
      .where(sql`until_survey is null`),
    index('placements_sheets')
      .on(table.siteId, table.sourcePath)
      .where(sql`until_survey is null and source_path <> page_path`),
    index('placements_since').on(table.siteId, table.sinceSurvey),
    index('placements_ended')
      .on(table.siteId, table.pagePath, table.thread)
      .where(sql`until_survey is not null`),
    index('placements_until')
      .on(table.siteId, table.untilSurvey)
      .where(sql`until_survey is not null`),
  ],
);

/** A part of the site with an owner: the pages whose address fits a pattern. */
export const sections = pgTable(
  'sections',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    name: text('name').notNull(),
    /** Folder (`news`), or a pattern with `*` (`news/20*`). Of several that fit, the longest counts. */
    pattern: text('pattern').notNull(),
    ownerId: text('owner_id').references(() => user.id, { onDelete: 'set null' }),
  },
  (table) => [uniqueIndex('sections_pattern').on(table.siteId, table.pattern)],
);

/** Space that pictures take on a page, as a reader's browser laid it out. */
export const slots = pgTable(
  'slots',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    siteId: ofSite(),
    pagePath: text('page_path').notNull(),
    /** The page's bytes and the place in its source it was measured for. */
    sha256: text('sha256').notNull(),
    sourcePath: text('source_path').notNull(),
    start: integer('start').notNull(),
    width: text('width').$type<'desktop' | 'phone'>().notNull(),
    /** CSS pixels, from the page's top left. */
    x: doublePrecision('x').notNull(),
    y: doublePrecision('y').notNull(),
    widthPx: doublePrecision('width_px').notNull(),
    heightPx: doublePrecision('height_px').notNull(),
    fit: text('fit').notNull(),
  },
  (table) => [
    uniqueIndex('slots_place').on(table.siteId, table.pagePath, table.width, table.sourcePath, table.start),
  ],
);

/** Addresses of a live site as they were last read: what lets the next survey ask for changes only. */
export const addresses = pgTable(
  'addresses',
  {
    siteId: ofSite(),
    url: text('url').notNull(),
    finalUrl: text('final_url'),
    path: text('path'),
    role: text('role').$type<FileRole>(),
    sha256: text('sha256'),
    sizeBytes: bigint('size_bytes', { mode: 'number' }),
    charset: text('charset'),
    isXml: boolean('is_xml').notNull().default(false),
    etag: text('etag'),
    lastModified: text('last_modified'),
    links: jsonb('links').$type<readonly string[]>().notNull().default([]),
    sheets: jsonb('sheets').$type<readonly string[]>().notNull().default([]),
    fromUrl: text('from_url'),
    depth: integer('depth').notNull().default(0),
    /** The survey that wants it read, and the one that read it last. */
    queuedIn: integer('queued_in').notNull(),
    readIn: integer('read_in'),
    problem: text('problem'),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.url] })],
);

/** Page views a month that a log or a table told. */
export const pageViews = pgTable(
  'page_views',
  {
    siteId: ofSite(),
    path: text('path').notNull(),
    views: doublePrecision('views').notNull(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.path] })],
);
