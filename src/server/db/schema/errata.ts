/** What is wrong on a site, what people let stand all the same, and which rules hold there. */
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
  real,
  serial,
  text,
  uniqueIndex,
  date,
} from 'drizzle-orm/pg-core';
import type { AltBranch } from '@/core/errata/alt-branch';
import type { Degree, EvidenceLevel, Finding, RuleId } from '@/core/errata/rule';
import { moment, ofSite } from './columns';

export const errata = pgTable(
  'errata',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    siteId: ofSite(),
    /** The page it is on; for a file as such the file's own path. */
    pagePath: text('page_path').notNull(),
    /** `null` for what is wrong with a file as such. */
    placementId: bigint('placement_id', { mode: 'number' }),
    /** For a file as such the section in which it lies; that of a page is told by the page. */
    section: text('section'),
    rule: text('rule').$type<RuleId>().notNull(),
    degree: text('degree').$type<Degree>().notNull(),
    level: text('level').$type<EvidenceLevel>().notNull(),
    evidence: text('evidence').notNull(),
    branch: text('branch').$type<AltBranch>(),
    /** By how much it weighs more, or less, than its page's readers alone. */
    emphasis: real('emphasis').notNull().default(1),
    /** A text that can be put in place at once. */
    fix: jsonb('fix').$type<NonNullable<Finding['fix']>>(),
    /** What one act settles it with: its picture, or what stands there instead; errata of one rule and subject are one piece of work. */
    subject: text('subject').notNull().default(''),
    /** Whether its place has words that can be written. */
    takesWords: boolean('takes_words').notNull().default(false),
    /** The same in every survey, as long as the place and the evidence are the same. */
    key: text('key').notNull(),
  },
  (table) => [
    uniqueIndex('errata_key').on(table.siteId, table.pagePath, table.key),
    index('errata_place').on(table.placementId),
    index('errata_rule').on(table.siteId, table.rule, table.subject),
  ],
);

/**
 * Errata that one act settles, counted, so that no list need go through all of them; by section, since lists may be of one.
 * Made anew from the errata where they are asked for after something has changed: `work/errata/group-errata.ts`. Errata whose
 * words can be written at their places, and those whose words can't, are groups of their own.
 */
export const errataGroups = pgTable(
  'errata_groups',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    siteId: ofSite(),
    rule: text('rule').$type<RuleId>().notNull(),
    degree: text('degree').$type<Degree>().notNull(),
    subject: text('subject').notNull(),
    /** Of an erratum that is alone: one without a subject, or that somebody lets stand. */
    onlyId: bigint('only_id', { mode: 'number' }),
    stands: boolean('stands').notNull(),
    section: text('section'),
    /** Whether the words of its places can be written. */
    takesWords: boolean('takes_words').notNull().default(false),
    /** The same number in all groups that one act settles, in whatever sections they are and whether they take words. */
    whole: bigint('whole', { mode: 'number' }).notNull().default(0),
    /** Whether another group has that number: nearly all are alone, and need not be put together where they are listed. */
    isSplit: boolean('is_split').notNull().default(false),
    places: integer('places').notNull(),
    /** Its pages; one that stands in a group of the same that takes words otherwise is counted in one of them. */
    pages: integer('pages').notNull(),
    /** Those with a text that can be put in place at once. */
    fixes: integer('fixes').notNull(),
    /** Sum of what its errata weigh: the reach of the page of each, by its emphasis; and the most that one of them weighs. */
    weight: doublePrecision('weight').notNull(),
    topWeight: doublePrecision('top_weight').notNull(),
    /** Views of its pages, each page counted once. */
    reach: doublePrecision('reach').notNull(),
    /** Numbers of its errata, the weightiest first, the first 2,000. */
    ids: bigint('ids', { mode: 'number' }).array().notNull(),
    firstId: bigint('first_id', { mode: 'number' }).notNull(),
    /** What people let stand until a day may be wrong again on the next. */
    groupedOn: date('grouped_on').notNull().defaultNow(),
  },
  (table) => [
    index('errata_groups_site').on(table.siteId),
    index('errata_groups_split')
      .on(table.siteId, table.whole)
      .where(sql`is_split`),
    // Those that the text desk and the proposed texts read: few among all.
    index('errata_groups_worded')
      .on(table.siteId)
      .where(sql`takes_words and not stands`),
  ],
);

/** Stet: let it stand. It holds as long as the evidence is the same, and until its day if it has one. */
export const stets = pgTable(
  'stets',
  {
    id: serial('id').primaryKey(),
    siteId: ofSite(),
    pagePath: text('page_path').notNull(),
    key: text('key').notNull(),
    rule: text('rule').$type<RuleId>().notNull(),
    reason: text('reason').notNull(),
    saidBy: text('said_by').notNull(),
    saidAt: moment('said_at').notNull().defaultNow(),
    /** The last day on which it holds. */
    until: date('until'),
  },
  (table) => [uniqueIndex('stets_key').on(table.siteId, table.pagePath, table.key)],
);

/** Another degree for a rule on a site or in one of its sections, or none of it. */
export const ruleLevels = pgTable(
  'rule_levels',
  {
    siteId: ofSite(),
    /** Pattern of the section, or a folder; empty for the whole site. */
    section: text('section').notNull(),
    rule: text('rule').$type<RuleId>().notNull(),
    level: text('level').$type<Degree | 'off'>().notNull(),
    reason: text('reason').notNull(),
    saidBy: text('said_by').notNull(),
  },
  (table) => [primaryKey({ columns: [table.siteId, table.section, table.rule] })],
);
