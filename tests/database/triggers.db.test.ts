/** How the database notes what lists are behind: with many rows as with one, whatever a connection did before. */
import { describe, expect, it } from 'vitest';
import { useDatabase } from '../fixtures/test-database';

const held = useDatabase();
const MANY = 2000;

describe('what triggers look for among changed rows', () => {
  it.each([
    ['pages', 'reach', "insert into pages (site_id, path, sha256, size_bytes, sheets_key, encoding, section, title, since_in, changed_in, read_in) select $1, 'p' || n, '', 0, '', '', '', '', 1, 1, 1 from generate_series(1, $2::int) as n"],
    ['files', 'reach', "insert into files (site_id, path, seen_in) select $1, 'f' || n, 1 from generate_series(1, $2::int) as n"],
    ['pictures', 'overdue', 'insert into pictures (site_id, master_sha) select $1, n::text from generate_series(1, $2::int) as n'],
  ])('of %s is found by a table, after one row as after thousands', async (table, column, insert) => {
    const client = await held.db.pool.connect();
    const plans: string[] = [];
    try {
      const { rows } = await client.query<{ id: number }>(
        "insert into sites (slug, name, connection) values ($1, $1, '{}') returning id",
        [`triggers-${table}`],
      );
      const siteId = rows[0]?.id ?? 0;
      await client.query(insert, [siteId, MANY]);
      client.on('notice', ({ message }) => void plans.push(message ?? ''));
      await client.query("load 'auto_explain'");
      await client.query('set auto_explain.log_min_duration = 0; set auto_explain.log_nested_statements = on; set client_min_messages = log');
      const change = `update ${table} set ${column} = ${column} + 1 where site_id = $1 and id in (select id from ${table} where site_id = $1 order by id limit $2)`;
      for (const many of [1, MANY]) await client.query(change, [siteId, many]);
    } finally {
      client.removeAllListeners('notice');
      await client.query('reset all');
      client.release(true);
    }
    const joins = plans.filter((plan) => plan.includes('list_changes'));
    expect(joins).toHaveLength(2);
    for (const plan of joins) expect(plan).not.toContain('Nested Loop');
  }); // oxfmt-ignore
});
