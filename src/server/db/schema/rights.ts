/** What is recorded of rights, and the answer for every placement that follows from it. */
import { bigint, customType, index, integer, jsonb, pgTable, serial, text } from 'drizzle-orm/pg-core';
import type { FoundCredit } from '@/core/rights/credit/find-credit';
import type { Problem } from '@/core/problem';
import type { Code, Step, Verdict } from '@/core/rights/may';
import type { RightsRecord } from '@/core/rights/records';
import { moment, ofSite } from './columns';

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' });

/** One record, as its line in a file of records says it; of two that are equally exact the later stands. */
export const rightsRecords = pgTable(
  'rights_records',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    kind: text('kind').$type<RightsRecord['record']>().notNull(),
    /** The address of the one file that somebody recorded on a screen; `null` for what came from a file of records. */
    forFile: text('for_file'),
    /** The person that somebody recorded on a screen; `null` for all other records. */
    forPerson: text('for_person'),
    body: jsonb('body').$type<Readonly<Record<string, unknown>>>().notNull(),
    saidBy: text('said_by').notNull(),
    saidAt: moment('said_at').notNull().defaultNow(),
  },
  (table) => [index('rights_records_site').on(table.siteId, table.id)],
);

/**
 * A paper by which somebody allowed to be shown, or by which it is known where a picture comes from; sealed with the
 * installation's secret. Those of people only maintainers have opened, those of files whoever may record rights.
 */
export const releasePapers = pgTable(
  'release_papers',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    /** Whose it is, or … */
    person: text('person'),
    /** … the address of the file that stands for the picture it is about. */
    forFile: text('for_file'),
    fileName: text('file_name').notNull(),
    contentType: text('content_type').notNull(),
    sizeBytes: integer('size_bytes').notNull(),
    /** Nonce, tag and sealed bytes, in that order (AES-256-GCM). */
    sealed: bytea('sealed').notNull(),
    keptBy: text('kept_by').notNull(),
    keptAt: moment('kept_at').notNull().defaultNow(),
  },
  (table) => [
    index('release_papers_person').on(table.siteId, table.person),
    index('release_papers_file').on(table.siteId, table.forFile),
  ],
);

/** Whether a picture may stand in a place, as it was answered last. */
export const rightsAnswers = pgTable(
  'rights_answers',
  {
    placementId: bigint('placement_id', { mode: 'number' }).primaryKey(),
    siteId: ofSite(),
    pagePath: text('page_path').notNull(),
    /** The file's address as records name it; empty where the place shows none. */
    filePath: text('file_path').notNull(),
    may: text('may').$type<Verdict>().notNull(),
    because: jsonb('because').$type<readonly Code[]>().notNull(),
    /** The first day, since 1970, on which it turns to no. */
    until: integer('until'),
    credit: jsonb('credit').$type<FoundCredit>().notNull(),
    chain: jsonb('chain').$type<readonly Step[]>().notNull(),
  },
  (table) => [
    index('rights_answers_file').on(table.siteId, table.filePath),
    index('rights_answers_until').on(table.siteId, table.until),
  ],
);

/** The day for which a site's rights were asked about last, and when they were answered last; `null` where they never were. */
export const rightsStates = pgTable('rights_states', {
  siteId: ofSite().primaryKey(),
  /** Days since 1970. */
  askedOn: integer('asked_on'),
  answeredAt: moment('answered_at'),
  /** Why it could not be asked on that day; the answers are those before. */
  problem: jsonb('problem').$type<Problem>(),
  /** Files whose records have changed since; `null` where the whole site is to be asked about. */
  touched: text('touched').array(),
  /** How often something was touched: what comes in while the worker asks is asked about afterwards. */
  touches: integer('touches').notNull().default(0),
  /** Pages of picture credits, as they were found when the whole site was asked about last. */
  creditPages: text('credit_pages').array().notNull().default([]),
});
