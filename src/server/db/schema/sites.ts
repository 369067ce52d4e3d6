/** Sites and their surveys: what is read, and when it was. */
import { integer, jsonb, pgTable, serial, text, timestamp, uniqueIndex } from 'drizzle-orm/pg-core';
import type { Problem } from '@/core/problem';

/** How a site is reached. A ZIP is unpacked into a folder of Ibidem's own and written there. */
export interface ConnectionSettings {
  readonly kind: 'folder' | 'zip';
  readonly folder: string;
}

export const sites = pgTable('sites', {
  id: serial('id').primaryKey(),
  slug: text('slug').notNull().unique(),
  name: text('name').notNull(),
  connection: jsonb('connection').$type<ConnectionSettings>().notNull(),
  /** Where readers see the site, without a trailing slash; `null` where nobody said. */
  liveUrl: text('live_url'),
  /** Other host names under which pages refer to the site itself. */
  hosts: jsonb('hosts').$type<readonly string[]>().notNull().default([]),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
});

export type SurveyState = 'waiting' | 'running' | 'done' | 'failed';

/** What a survey counted. */
export interface SurveyCounts {
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
    problem: jsonb('problem').$type<Problem>(),
    startedAt: timestamp('started_at', { withTimezone: true }),
    finishedAt: timestamp('finished_at', { withTimezone: true }),
  },
  (table) => [uniqueIndex('surveys_number').on(table.siteId, table.number)],
);
