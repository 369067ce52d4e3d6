import type { ClientBase } from 'pg';

/** A table that grew by more than this since it was last counted is counted again. */
const MOST_GROWTH = 1.3;

/**
 * Has the planner count those tables anew that grew much since it last did. Right after a first survey it takes them
 * for empty, and plans what then takes minutes; its own counting comes too late for that.
 * `relpages` is what it knows (https://www.postgresql.org/docs/15/catalog-pg-class.html).
 *
 * @param tables names, as written in the schema
 */
export async function freshStatistics(
  client: Pick<ClientBase, 'query'>,
  tables: readonly string[],
): Promise<void> {
  const { rows } = await client.query<{ name: string }>(
    `select relname as name from pg_class where relkind = 'r' and relnamespace = current_schema()::regnamespace
       and relname = any($1) and pg_relation_size(oid) / current_setting('block_size')::int > greatest(relpages, 1) * $2::float8`,
    [tables, MOST_GROWTH],
  );
  for (const { name } of rows) await client.query(`analyze "${name}"`);
}
