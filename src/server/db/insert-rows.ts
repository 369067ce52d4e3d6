import { getTableColumns, getTableName, type InferInsertModel } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import type { ClientBase } from 'pg';

/**
 * Adds many rows in one statement with one parameter, whatever the number of columns.
 *
 * @param rows at most some thousands: they are one JSON text on the way
 */
export async function insertRows<T extends PgTable>(
  client: Pick<ClientBase, 'query'>,
  table: T,
  rows: readonly InferInsertModel<T>[],
): Promise<void> {
  if (rows.length === 0) return;
  const given = new Set(rows.flatMap((row) => Object.keys(row)));
  const columns = Object.entries(getTableColumns(table)).filter(([key]) => given.has(key));
  const names = columns.map(([, column]) => `"${column.name}"`).join(', ');
  const shape = columns.map(([, column]) => `"${column.name}" ${column.getSQLType()}`).join(', ');
  const json = rows.map((row) =>
    Object.fromEntries(
      columns.map(([key, column]) => [column.name, (row as Record<string, unknown>)[key] ?? null]),
    ),
  );
  await client.query(
    `insert into "${getTableName(table)}" (${names}) select ${names} from jsonb_to_recordset($1::jsonb) as row(${shape})`,
    [JSON.stringify(json, storable)],
  );
}

/** PostgreSQL's text holds neither NUL nor half a surrogate pair; both become U+FFFD. */
function storable(_key: string, value: unknown): unknown {
  return typeof value === 'string' ? value.toWellFormed().replaceAll('\0', '\ufffd') : value;
}
