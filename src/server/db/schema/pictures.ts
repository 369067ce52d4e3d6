/** What is known of pictures: how files look, which of them are one picture, how old it is, and what people said. */
import {
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
import type { DateEvidence } from '@/core/dating/date-evidence';
import type { ChangedSubject, SubjectKind } from '@/core/dating/changed-subject';
import type { PictureKind, ShelfLife } from '@/core/dating/shelf-life';
import type { TurnedTwin } from '@/core/errata/page-to-check';
import type { FamilyState, Twin } from '@/core/picture/family-state';
import type { DrawnSign } from '@/core/picture/drawn-signs';
import type { PlaceholderClue, Teaching } from '@/core/picture/leftover-strength';
import type { EmbeddedMetadata } from '../../imaging/read-metadata';
import { moment, ofSite } from './columns';

/** What was read from a file's bytes, once for all sites that have them. The pixels themselves are in the store. */
export const looks = pgTable('looks', {
  sha256: text('sha256').primaryKey(),
  widthPx: integer('width_px').notNull(),
  heightPx: integer('height_px').notNull(),
  /** JPEG quality, 1 to 100. */
  quality: integer('quality'),
  /** Share that the two commonest tones cover, 0 to 1. */
  emptiness: doublePrecision('emptiness').notNull(),
  /** The sign of a missing picture that is drawn in it. */
  sign: text('sign').$type<DrawnSign>(),
  metadata: jsonb('metadata').$type<EmbeddedMetadata>().notNull().default({}),
  /** Why it could not be read, in words. */
  problem: text('problem'),
  /** How it was read: what was read by an older way is read again. */
  version: integer('version').notNull().default(0),
});

/** The words that were read within a picture, once for all sites that have its bytes. */
export const readings = pgTable('readings', {
  sha256: text('sha256').primaryKey(),
  /** The languages it was read in, as in `de+en`. */
  languages: text('languages').notNull(),
  /** Empty where it holds none. */
  text: text('text').notNull(),
  /** Why it could not be read. */
  problem: text('problem'),
});

/** One picture: all files that show the same. */
export const pictures = pgTable(
  'pictures',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    /** The file that stands for all of them. */
    masterSha: text('master_sha').notNull(),
    kind: text('kind').$type<PictureKind>(),
    /** What the kind was guessed from, or who settled it. */
    kindReason: text('kind_reason').notNull().default(''),
    isKindSettled: boolean('is_kind_settled').notNull().default(false),
    /** Days since 1970 between which it was most likely taken. */
    takenFrom: integer('taken_from'),
    takenUntil: integer('taken_until'),
    because: jsonb('because').$type<readonly DateEvidence[]>().notNull().default([]),
    against: jsonb('against').$type<readonly DateEvidence[]>().notNull().default([]),
    /** The last day on which it is current, and age over shelf life; 0 where nothing can be said. */
    currentUntil: integer('current_until'),
    overdue: doublePrecision('overdue').notNull().default(0),
    /** Belief that it is a leftover of a template, 0 to 1, with what speaks for it and against it. */
    placeholderBelief: doublePrecision('placeholder_belief').notNull().default(0),
    isPlaceholder: boolean('is_placeholder').notNull().default(false),
    clues: jsonb('clues').$type<readonly PlaceholderClue[]>().notNull().default([]),
    /** Paths of those of its files that are leftovers. */
    leftoverFiles: jsonb('leftover_files').$type<readonly string[]>().notNull().default([]),
    /** Pages that show any of its files, how many and the first few; the alt text that most places give it. */
    pages: integer('pages').notNull().default(0),
    firstPages: jsonb('first_pages').$type<readonly string[]>().notNull().default([]),
    words: text('words'),
    /** The title that a person gave it, or that its file carries. */
    title: text('title'),
    /** Who answers for it: for the folder it lies in, or for all pages that show it. */
    ownerId: text('owner_id'),
    /** How many places give it each alt text. */
    altTexts: jsonb('alt_texts').$type<Readonly<Record<string, number>>>().notNull().default({}),
    /** Whether its files name a creator, a credit or a copyright. */
    isCredited: boolean('is_credited').notNull().default(false),
    /** Of what it shows, that which has changed since it was taken. */
    changed: jsonb('changed').$type<ChangedSubject>(),
    /** Another picture of the site that is the same, turned, and in which of the two a camera noted which way is up. */
    twin: jsonb('twin').$type<Twin & Pick<TurnedTwin, 'upright'>>(),
  },
  (table) => [index('pictures_site').on(table.siteId, table.overdue)],
);

/** What the families of a site rest on, so that the next survey looks at new files only. */
export const familyStates = pgTable('family_states', {
  siteId: ofSite().primaryKey(),
  state: jsonb('state').$type<FamilyState>().notNull(),
  /** How the pictures had been read, and judged, that it rests on. */
  version: integer('version').notNull().default(0),
});

/** What a person said of two files: that they are one picture, or are not. */
export const familyCorrections = pgTable(
  'family_corrections',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    kind: text('kind').$type<'together' | 'apart'>().notNull(),
    a: text('a').notNull(),
    b: text('b').notNull(),
    saidBy: text('said_by').notNull(),
    saidAt: moment('said_at').notNull().defaultNow(),
  },
  (table) => [uniqueIndex('family_corrections_pair').on(table.siteId, table.a, table.b)],
);

/** What a person said of a picture: that it is a leftover of a template, or is none. */
export const teachings = pgTable(
  'teachings',
  {
    siteId: ofSite(),
    sha256: text('sha256').notNull(),
    teaching: text('teaching').$type<Teaching>().notNull(),
    saidBy: text('said_by').notNull(),
    saidAt: moment('said_at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.sha256] })],
);

/** What pictures show by name: people, places and other things; light records, so that all that show one are found. */
export const subjects = pgTable(
  'subjects',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    name: text('name').notNull(),
    kind: text('kind').$type<SubjectKind>().notNull(),
    /** The day, since 1970, on which it changed last: repainted, pulled down, gone. */
    changedOn: integer('changed_on'),
    /** What changed, in words. */
    changedHow: text('changed_how').notNull().default(''),
  },
  (table) => [uniqueIndex('subjects_name').on(table.siteId, table.name)],
);

/** Which subjects a person found in a picture; by its bytes, so that it stays through all surveys. */
export const pictureSubjects = pgTable(
  'picture_subjects',
  {
    siteId: ofSite(),
    sha256: text('sha256').notNull(),
    subjectId: integer('subject_id')
      .notNull()
      .references(() => subjects.id, { onDelete: 'cascade' }),
    saidBy: text('said_by').notNull(),
    saidAt: moment('said_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.siteId, table.sha256, table.subjectId] }),
    index('picture_subjects_subject').on(table.subjectId),
  ],
);

/** Titles that a person gave, by the bytes of the file that stands for the picture. */
export const titles = pgTable(
  'titles',
  {
    siteId: ofSite(),
    sha256: text('sha256').notNull(),
    title: text('title').notNull(),
    saidBy: text('said_by').notNull(),
    saidAt: moment('said_at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.sha256] })],
);

/** How long pictures of a kind stay current on this site, or in one of its sections, where it is not the usual. */
export const shelfLives = pgTable(
  'shelf_lives',
  {
    siteId: ofSite(),
    /** Pattern of the section, or a folder; empty for the whole site. */
    section: text('section').notNull(),
    kind: text('kind').$type<PictureKind>().notNull(),
    life: jsonb('life').$type<ShelfLife>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.section, table.kind] })],
);
