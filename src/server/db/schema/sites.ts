/** Sites and their surveys: what is read, and when it was. */
import { boolean, integer, jsonb, pgTable, serial, text, timestamp, uniqueIndex } from 'drizzle-orm/pg-core';
import type { FormatPolicy } from '@/core/swap/newer-format';
import type { Problem } from '@/core/problem';

/** How a site is reached. A ZIP is unpacked into a folder of Ibidem's own and written there. */
export type ConnectionSettings =
  | { readonly kind: 'folder' | 'zip'; readonly folder: string }
  | {
      readonly kind: 'http';
      readonly start: string;
      /** Hosts (`host` or `host:port`) that may stand at private addresses. */
      readonly privateHosts: readonly string[];
      readonly maxPages: number;
    };

/** How often a site is surveyed of itself. */
export type SurveyEvery = 'day' | 'week' | 'month';

export const sites = pgTable('sites', {
  id: serial('id').primaryKey(),
  slug: text('slug').notNull().unique(),
  name: text('name').notNull(),
  connection: jsonb('connection').$type<ConnectionSettings>().notNull(),
  /** Where readers see the site, without a trailing slash; `null` where nobody said. */
  liveUrl: text('live_url'),
  /** Other host names under which pages refer to the site itself. */
  hosts: jsonb('hosts').$type<readonly string[]>().notNull().default([]),
  /** Parameters of addresses that only make browsers fetch anew. */
  cacheBusters: jsonb('cache_busters').$type<readonly string[]>().notNull().default([]),
  /** Names of a folder's own page, the usual one first; empty where the common ones hold. */
  indexNames: jsonb('index_names').$type<readonly string[]>().notNull().default([]),
  /** Attributes in which pictures wait for scripts, besides the common ones. */
  lazyAttributes: jsonb('lazy_attributes').$type<readonly string[]>().notNull().default([]),
  /** How new pictures are written. */
  formats: text('formats').$type<FormatPolicy>().notNull().default('keep'),
  /** The first month of school years, 1 to 12. */
  schoolYearMonth: integer('school_year_month').notNull().default(9),
  /** `null`: only when somebody asks. */
  surveyEvery: text('survey_every').$type<SurveyEvery>(),
  /** Where the page views come from, in words: `access.log, 1 to 30 November`; `null` where they are estimated. */
  reachFrom: text('reach_from'),
  /** Digest of the rules that its pages were last checked by. */
  rulesKey: text('rules_key'),
  /** Digest of what the errata of its files rest on, as it was when they were last checked. */
  filesKey: text('files_key'),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
});

export type SurveyState = 'waiting' | 'running' | 'done' | 'failed' | 'stopped';

/** What a survey counted. */
export interface SurveyCounts {
  readonly newPages?: number;
  readonly gonePages?: number;
  readonly newPlacements?: number;
  readonly gonePlacements?: number;
  readonly changedPlacements?: number;
  readonly movedPlacements?: number;
  readonly pages: number;
  readonly changedPages: number;
  readonly placements: number;
  readonly files: number;
  readonly skipped: readonly { readonly path: string; readonly reason: string }[];
}

export const surveys = pgTable(
  'surveys',
  {
    id: serial('id').primaryKey(),
    siteId: integer('site_id')
      .notNull()
      .references(() => sites.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    state: text('state').$type<SurveyState>().notNull().default('waiting'),
    /** Why it was made: `asked` or `after edition 3`. */
    reason: text('reason').notNull(),
    pagesDone: integer('pages_done').notNull().default(0),
    pagesTotal: integer('pages_total').notNull().default(0),
    counts: jsonb('counts').$type<SurveyCounts>(),
    /** Somebody asked to stop it; what was read stays. */
    stopWanted: boolean('stop_wanted').notNull().default(false),
    /** What it does now, in words. */
    phase: text('phase').notNull().default(''),
    problem: jsonb('problem').$type<Problem>(),
    startedAt: timestamp('started_at', { withTimezone: true }),
    finishedAt: timestamp('finished_at', { withTimezone: true }),
  },
  (table) => [uniqueIndex('surveys_number').on(table.siteId, table.number)],
);
