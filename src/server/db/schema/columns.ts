/** Columns that many tables have in the same form. */
import { sql } from 'drizzle-orm';
import { customType, integer, text, timestamp } from 'drizzle-orm/pg-core';
import { sites } from './sites';

/** A moment, with its time zone. */
export const moment = (name: string) => timestamp(name, { withTimezone: true });

/** The site a row belongs to; it goes with its site. */
export const ofSite = () =>
  integer('site_id')
    .notNull()
    .references(() => sites.id, { onDelete: 'cascade' });

/** PostgreSQL's text search vector; it is made in the database, never sent to it. */
export const searchColumn = customType<{ data: string }>({ dataType: () => 'tsvector' });

/** A path as it is looked for, without regard to case: folding it while one looks takes four times as long as looking. */
export const calledColumn = () => text('called').generatedAlwaysAs(sql`lower(path)`);
