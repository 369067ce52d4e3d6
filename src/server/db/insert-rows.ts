import { getTableColumns, getTableName, type InferInsertModel } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import type { ClientBase } from 'pg';
import { storableJson } from './storable';

/**
 * Adds many rows in one statement with one parameter, whatever the number of columns.
 *
 * @param rows at most some thousands: they are one JSON text on the way
 * @param options.onConflict columns (as the database names them) by which a row is the same one: it is then written over,
 *   but for the columns in `keeps`
 */
export async function insertRows<T extends PgTable>(
  client: Pick<ClientBase, 'query'>,
  table: T,
  rows: readonly InferInsertModel<T>[],
  options: { readonly onConflict?: readonly string[]; readonly keeps?: readonly string[] } = {},
): Promise<void> {
  if (rows.length === 0) return;
  const given = new Set<string>();
  for (const row of rows) for (const key in row) given.add(key);
  const columns = Object.entries(getTableColumns(table)).filter(([key]) => given.has(key));
  const names = columns.map(([, column]) => `"${column.name}"`).join(', ');
  // Read by the names that the rows have: giving tens of thousands of rows other ones takes longer than writing them down.
  const keys = columns.map(([key]) => `"${key}"`).join(', ');
  const shape = columns.map(([key, column]) => `"${key}" ${column.getSQLType()}`).join(', ');
  const key = options.onConflict ?? [];
  const rest = columns
    .map(([, { name }]) => name)
    .filter((name) => !key.includes(name) && !options.keeps?.includes(name));
  const over =
    key.length === 0
      ? ''
      : ` on conflict (${key.join(', ')}) do update set ${rest.map((name) => `"${name}" = excluded."${name}"`).join(', ')}`;
  await client.query(
    `insert into "${getTableName(table)}" (${names}) select ${keys} from json_to_recordset($1::json) as row(${shape})${over}`,
    [storableJson(rows)],
  );
}
