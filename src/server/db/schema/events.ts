import { index, integer, pgTable, serial, text } from 'drizzle-orm/pg-core';
import { moment } from './columns';

/** Who did what, and when. Lines are added and never changed. */
export const events = pgTable(
  'events',
  {
    id: serial('id').primaryKey(),
    siteId: integer('site_id'),
    actor: text('actor').notNull(),
    verb: text('verb').notNull(),
    details: text('details').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [index('events_site').on(table.siteId, table.at)],
);
