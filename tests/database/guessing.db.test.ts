import { describe, expect, it } from 'vitest';
import { countTry, forgetTry } from '@/server/accounts/guessing';
import { problemOf } from '@/server/problem-error';
import { useDatabase } from '../fixtures/test-database';

const held = useDatabase();

const allowed = (email: string, address: string) =>
  countTry(held.db, email, address).then(
    () => true,
    (error: unknown) => (problemOf(error).code === 'SIGN_IN_WAIT' ? false : Promise.reject(error as Error)),
  );

/** How many waits may have ended since then on a machine that stands still: 2 seconds, 4, 8 … */
const waitsGoneBy = (since: number) => Math.floor(Math.log2((Date.now() - since) / 2000 + 1));

/** What is waited for now does not end while a test looks at it. */
const lengthenWaits = () =>
  held.db.pool.query(`update sign_in_tries set until = now() + interval '1 hour' where until > last_at`);

describe('guessing of passwords', () => {
  it('is allowed a few times for an account, however many try at once, from wherever', async () => {
    const since = Date.now();
    const tries = Array.from({ length: 60 }, (_, n) => allowed('Maud@ferndrake.example', `10.0.0.${n}`));
    const free = (await Promise.all(tries)).filter(Boolean).length;
    expect(free).toBeLessThanOrEqual(6 + waitsGoneBy(since));
    await lengthenWaits();
    expect(await allowed('maud@ferndrake.example ', '10.0.1.1')).toBe(false);
    expect(await allowed('ilse@ferndrake.example', '10.0.1.2')).toBe(true);
  });

  it('waits longer each time, and says how long', async () => {
    const { pool } = held.db;
    const waits: number[] = [];
    for (let n = 0; n < 16; n++) {
      await pool.query(`update sign_in_tries set until = now() where key like '%pell%'`);
      expect(await allowed('pell@ferndrake.example', '10.0.2.1')).toBe(true);
      const { rows } = await pool.query<{ wait: number }>(
        `select extract(epoch from until - last_at)::int as wait from sign_in_tries where key = 'account:pell@ferndrake.example'`,
      );
      waits.push(rows[0]?.wait ?? 0);
    }
    expect(waits.slice(0, 8)).toEqual([0, 0, 0, 0, 2, 4, 8, 16]);
    expect(waits.at(-1)).toBe(900);
    const problem = await countTry(held.db, 'pell@ferndrake.example', '10.0.2.1').catch(problemOf);
    expect(problem).toMatchObject({ remedy: expect.stringMatching(/Try again in 15 minutes/) });
  });

  it('from one address is bounded over all accounts', async () => {
    const since = Date.now();
    let free = 0;
    for (let n = 0; n < 60; n++) if (await allowed(`p${n}@ferndrake.example`, '10.0.3.1')) free++;
    expect(free).toBeLessThanOrEqual(31 + waitsGoneBy(since));
  });

  it('is forgotten once the password was right, or after an hour', async () => {
    for (let n = 0; n < 7; n++) await allowed('owen@ferndrake.example', '10.0.4.1');
    await lengthenWaits();
    expect(await allowed('owen@ferndrake.example', '10.0.4.1')).toBe(false);
    await forgetTry(held.db, 'owen@ferndrake.example', '10.0.4.1');
    expect(await allowed('owen@ferndrake.example', '10.0.4.1')).toBe(true);
    await held.db.pool.query(
      `update sign_in_tries set failures = 40, until = now(), last_at = now() - interval '2 hours' where key like '%owen%'`,
    );
    await allowed('owen@ferndrake.example', '10.0.4.1');
    expect(await allowed('owen@ferndrake.example', '10.0.4.1')).toBe(true);
  });
});
