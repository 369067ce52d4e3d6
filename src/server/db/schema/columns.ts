/** Columns that many tables have in the same form. */
import { integer, timestamp } from 'drizzle-orm/pg-core';
import { sites } from './sites';

/** A moment, with its time zone. */
export const moment = (name: string) => timestamp(name, { withTimezone: true });

/** The site a row belongs to; it goes with its site. */
export const ofSite = () =>
  integer('site_id')
    .notNull()
    .references(() => sites.id, { onDelete: 'cascade' });
