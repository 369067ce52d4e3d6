/** Columns that many tables have in the same form. */
import { customType, integer, timestamp } from 'drizzle-orm/pg-core';
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
