/** New pictures, and the changes they go live with. */
import {
  bigint,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  serial,
  text,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type { SourceEdit } from '@/core/edit/source-edit';
import type { PlaceWords } from '@/core/edit/word-edits';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import type { EditionState } from '@/core/edition/edition-state';
import type { Problem } from '@/core/problem';
import type { IntakeFinding } from '@/core/intake/findings';
import type { Revision } from '@/core/revision/steps';
import type { ShapePoint } from '@/core/focus/shape-points';
import type { FocalPoint } from '@/core/swap/crop';
import type { PlannedPlace, Rendition } from '@/core/swap/plan-swap';
import type { EditSubject } from '@/core/swap/swap-edits';
import type { Outcome } from '@/core/take-off/outcome';
import { moment, ofSite } from './columns';

/** Where a picture was fetched from. */
export interface IntakeSource {
  readonly address: string;
  /** Day on which it was fetched, as YYYY-MM-DD. */
  readonly on: string;
  /** Whether it is a file of the site itself, by its path. */
  readonly isOwn?: boolean;
}

export const intake = pgTable(
  'intake',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    sha256: text('sha256').notNull(),
    fileName: text('file_name').notNull(),
    title: text('title').notNull(),
    sizeBytes: integer('size_bytes').notNull(),
    /** 0 × 0 for a clip or a sound. */
    widthPx: integer('width_px').notNull(),
    heightPx: integer('height_px').notNull(),
    format: text('format').notNull(),
    isAnimated: boolean('is_animated').notNull(),
    /** Shares of width and height, 0 to 1: what must stay in view when the picture is cropped. */
    focalX: doublePrecision('focal_x').notNull().default(0.5),
    focalY: doublePrecision('focal_y').notNull().default(0.5),
    /** What the point rests on; `null` where a person put it there. */
    focalBecause: jsonb('focal_because').$type<readonly string[]>().default(['middle']),
    /** Its best crops of some shapes, as far as they were looked for. */
    shapes: jsonb('shapes').$type<readonly ShapePoint[]>(),
    receivedBy: text('received_by').notNull(),
    receivedAt: moment('received_at').notNull().defaultNow(),
    /** The delivery it came with; `null` for one that was brought in at the swap desk. */
    deliveryId: integer('delivery_id').references(() => deliveries.id),
    /** The upload it came in, and its path within: a ZIP or a folder holds many. */
    uploadId: text('upload_id'),
    entry: text('entry').notNull().default(''),
    /** Where it was fetched from. */
    source: jsonb('source').$type<IntakeSource>(),
    alt: text('alt').notNull().default(''),
    caption: text('caption').notNull().default(''),
    credit: text('credit').notNull().default(''),
    folder: text('folder').notNull().default(''),
    tags: jsonb('tags').$type<readonly string[]>().notNull().default([]),
    /** How blurred these bytes are, as `softnessOf` gives it; `null` until they were looked at. */
    softness: doublePrecision('softness'),
    /** What was found of it beside the site's pictures; `null` until then. */
    findings: jsonb('findings').$type<readonly IntakeFinding[]>(),
    /** Year in which it was taken, as far as the file tells. */
    takenYear: integer('taken_year'),
    /** When its line was checked off, and when it was struck out. */
    checkedAt: moment('checked_at'),
    struckAt: moment('struck_at'),
    /** The bytes that it was made from, and the steps; `null` for a picture as it came. */
    originalSha: text('original_sha'),
    revision: jsonb('revision').$type<Revision>(),
  },
  (table) => [
    uniqueIndex('intake_upload').on(table.uploadId, table.entry),
    index('intake_delivery').on(table.deliveryId),
  ],
);

/** Pictures that arrive together, line by line. */
export const deliveries = pgTable(
  'deliveries',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    number: integer('number').notNull(),
    openedBy: text('opened_by').notNull(),
    openedAt: moment('opened_at').notNull().defaultNow(),
    /** When it was put aside; nothing arrives in it any more. */
    closedAt: moment('closed_at'),
  },
  (table) => [uniqueIndex('deliveries_number').on(table.siteId, table.number)],
);

export type UploadState = 'arriving' | 'arrived' | 'taken in' | 'refused';

/** A file on its way into a delivery, or a clip into an edition; its bytes lie beside until it is taken in. */
export const uploads = pgTable(
  'uploads',
  {
    id: text('id').primaryKey(),
    siteId: ofSite(),
    /** `null` for a clip: it goes into an edition, from no note. */
    deliveryId: integer('delivery_id').references(() => deliveries.id, { onDelete: 'cascade' }),
    fileName: text('file_name').notNull(),
    /** Path within the folder that was dropped; empty where none was. */
    path: text('path').notNull().default(''),
    /** By which the same file is known again when it is chosen a second time. */
    fingerprint: text('fingerprint').notNull(),
    sizeBytes: bigint('size_bytes', { mode: 'number' }).notNull(),
    state: text('state').$type<UploadState>().notNull().default('arriving'),
    problem: jsonb('problem').$type<Problem>(),
    sentBy: text('sent_by').notNull(),
    startedAt: moment('started_at').notNull().defaultNow(),
  },
  (table) => [uniqueIndex('uploads_file').on(table.deliveryId, table.fingerprint)],
);

export const editions = pgTable(
  'editions',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    number: integer('number').notNull(),
    state: text('state').$type<EditionState>().notNull().default('draft'),
    createdBy: text('created_by').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
    publishedAt: moment('published_at'),
    withdrawnAt: moment('withdrawn_at'),
  },
  (table) => [uniqueIndex('editions_number').on(table.siteId, table.number)],
);

export type ChangeState = 'preparing' | 'ready' | 'failed';

export const changes = pgTable(
  'changes',
  {
    id: serial('id').primaryKey(),
    editionId: integer('edition_id')
      .notNull()
      .references(() => editions.id, { onDelete: 'cascade' }),
    /** The picture that is put out; or whose words change. */
    fromPath: text('from_path').notNull(),
    /** The picture that is put in; `null` where only words change, or where places are taken off their pages. */
    intakeId: integer('intake_id').references(() => intake.id),
    /** Whether its places are taken off their pages; an edition has one such change at most. */
    takesOff: boolean('takes_off').notNull().default(false),
    /** Whether what is recorded of rights is written into the picture's files. */
    writesRights: boolean('writes_rights').notNull().default(false),
    /** What is told of pictures on pages, and not at one of their places; an edition has one such change of each sort. */
    tells: text('tells').$type<Telling>(),
    /** Words for all its places. */
    words: jsonb('words').$type<PlaceWords>().notNull(),
    /** Words for one place each, by the number of the placement. */
    placeWords: jsonb('place_words').$type<Readonly<Record<string, PlaceWords>>>().notNull().default({}),
    /** What must stay in view in one place each, by the number of the placement; the picture's own point elsewhere. */
    placeFocals: jsonb('place_focals').$type<Readonly<Record<string, FocalPoint>>>().notNull().default({}),
    /** The placements that were chosen. */
    placementIds: jsonb('placement_ids').$type<readonly number[]>().notNull(),
    state: text('state').$type<ChangeState>().notNull().default('preparing'),
    places: jsonb('places').$type<readonly PlannedPlace[]>().notNull().default([]),
    /** What becomes of the places that are taken off. */
    offs: jsonb('offs').$type<readonly PlaceOff[]>().notNull().default([]),
    problem: jsonb('problem').$type<Problem>(),
    createdBy: text('created_by').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (table) => [index('changes_edition').on(table.editionId)],
);

/** `statements`: for search engines, in pages and sitemap. `credits`: a page of picture credits, and the links to it. */
export type Telling = 'statements' | 'credits';

/** A place that is taken off its page; one of a style sheet stands for all the pages that it is met on. */
export interface PlaceOff extends Outcome {
  readonly page: string;
  readonly source: string;
  readonly kind: PlacementKind;
  /** The file that it shows. */
  readonly path: string;
  /** How many pages it is met on. */
  readonly pages: number;
}

export const edits = pgTable(
  'edits',
  {
    id: serial('id').primaryKey(),
    changeId: integer('change_id')
      .notNull()
      .references(() => changes.id, { onDelete: 'cascade' }),
    pagePath: text('page_path').notNull(),
    sourcePath: text('source_path').notNull(),
    /** `place`: it is taken off. `statement`, `credits` and `link` belong to no place. */
    subject: text('subject').$type<EditSubject | 'place' | 'statement' | 'credits' | 'link'>().notNull(),
    /** Start of the reference whose place it belongs to: words stand near it. */
    placeStart: integer('place_start').notNull(),
    start: integer('start').notNull(),
    end: integer('end').notNull(),
    was: text('was').notNull(),
    becomes: text('becomes').notNull(),
    expects: text('expects').notNull(),
  },
  (table) => [index('edits_change').on(table.changeId)],
);

/** A file that an edition takes off the site: nothing may use it, and its bytes are kept to put it back. */
export const removals = pgTable(
  'removals',
  {
    id: serial('id').primaryKey(),
    editionId: integer('edition_id')
      .notNull()
      .references(() => editions.id, { onDelete: 'cascade' }),
    path: text('path').notNull(),
    sha256: text('sha256').notNull(),
    sizeBytes: integer('size_bytes').notNull(),
    /** Whether it goes even where scripts or other texts name it: its bytes may not be had any more. */
    mustGo: boolean('must_go').notNull().default(false),
    state: text('state').$type<ChangeState>().notNull().default('preparing'),
    /** What was looked through before it was said to be unused. */
    searched: jsonb('searched').$type<SearchedFor>(),
    problem: jsonb('problem').$type<Problem>(),
    createdBy: text('created_by').notNull(),
  },
  (table) => [uniqueIndex('removals_path').on(table.editionId, table.path)],
);

/** How much was read to be sure that nothing uses a file. */
export interface SearchedFor {
  readonly pages: number;
  readonly sheets: number;
  /** Scripts, data and other texts. */
  readonly texts: number;
  /** Files that name it all the same, where it must go. */
  readonly namedIn?: readonly string[];
}

export const newFiles = pgTable('new_files', {
  id: serial('id').primaryKey(),
  changeId: integer('change_id')
    .notNull()
    .references(() => changes.id, { onDelete: 'cascade' }),
  path: text('path').notNull(),
  sha256: text('sha256').notNull(),
  sizeBytes: integer('size_bytes').notNull(),
  /** `null` for what is no picture. */
  rendition: jsonb('rendition').$type<Rendition>(),
});

/** `undoing`: something was refused, and what had been done is being taken back; `problem` says what. */
export type PublicationState = 'waiting' | 'running' | 'undoing' | 'done' | 'rolled back';

export const publications = pgTable(
  'publications',
  {
    id: serial('id').primaryKey(),
    editionId: integer('edition_id')
      .notNull()
      .references(() => editions.id, { onDelete: 'cascade' }),
    direction: text('direction').$type<'publish' | 'withdraw'>().notNull(),
    state: text('state').$type<PublicationState>().notNull().default('waiting'),
    problem: jsonb('problem').$type<Problem>(),
    /** Whether the survey afterwards found every change as planned; `null` before it has looked. */
    proven: boolean('proven'),
    startedBy: text('started_by').notNull(),
    startedAt: moment('started_at').notNull().defaultNow(),
    finishedAt: moment('finished_at'),
  },
  (table) => [index('publications_edition').on(table.editionId)],
);

export type StepState = 'planned' | 'done' | 'undone' | 'left alone';

/** The journal: one line a file, written before the site is touched and closed after it was. */
export const steps = pgTable(
  'steps',
  {
    id: serial('id').primaryKey(),
    publicationId: integer('publication_id')
      .notNull()
      .references(() => publications.id, { onDelete: 'cascade' }),
    ordinal: integer('ordinal').notNull(),
    action: text('action').$type<'add file' | 'write source' | 'remove file'>().notNull(),
    path: text('path').notNull(),
    /** Bytes before and after, by hash; both are in the store. `null`: no file. */
    wasSha: text('was_sha'),
    becomesSha: text('becomes_sha'),
    /** The edits of a source as they were made, moved to where a changed page has them. */
    edits: jsonb('edits').$type<readonly SourceEdit[]>(),
    state: text('state').$type<StepState>().notNull().default('planned'),
    problem: jsonb('problem').$type<Problem>(),
  },
  (table) => [uniqueIndex('steps_ordinal').on(table.publicationId, table.ordinal)],
);
