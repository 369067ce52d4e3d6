/**
 * Makes guessing of passwords slow: after some failures of an account, or from an address, each further one doubles the
 * wait before the next try, up to a quarter of an hour. A try is counted before the password is looked at, so that many
 * at a time gain nothing. After an hour without a failure all is forgotten.
 */
import { ProblemError } from '../problem-error';
import type { Database } from '../db/database';
import { asOne } from '../db/in-transaction';

/** Failures that cost nothing: of one account, and from one address, behind which a whole school may sit. */
const FREE = { account: 5, address: 30 } as const;
const LONGEST_WAIT_S = 900;
const FORGET_AFTER_S = 3600;

interface Tries {
  readonly failures: number;
  readonly wait: number;
  readonly is_old: boolean;
}

const keysOf = (email: string, address: string) =>
  [
    { key: `account:${email.trim().toLowerCase()}`, free: FREE.account },
    { key: `address:${address}`, free: FREE.address },
  ] as const;

/**
 * Counts a try; to be called before the password is looked at.
 *
 * @throws ProblemError `SIGN_IN_WAIT` where the account or the address has to wait
 */
export async function countTry(db: Database, email: string, address: string): Promise<void> {
  await asOne(db, async ({ pool }) => {
    for (const { key, free } of keysOf(email, address)) {
      await pool.query(
        `insert into sign_in_tries (key, failures, until, last_at) values ($1, 0, now(), now()) on conflict do nothing`,
        [key],
      );
      const { rows } = await pool.query<Tries>(
        `select failures, greatest(0, ceil(extract(epoch from until - now())))::int as wait,
           last_at < now() - make_interval(secs => $2) as is_old
         from sign_in_tries where key = $1 for update`,
        [key, FORGET_AFTER_S],
      );
      const tries = rows[0];
      if (tries && tries.wait > 0) throw waitProblem(tries.wait);
      const failures = (tries?.is_old ? 0 : (tries?.failures ?? 0)) + 1;
      const seconds = failures < free ? 0 : Math.min(LONGEST_WAIT_S, 2 ** (failures - free + 1));
      await pool.query(
        `update sign_in_tries set failures = $2, until = now() + make_interval(secs => $3), last_at = now() where key = $1`,
        [key, failures, seconds],
      );
    }
  });
}

/** The password was right: the account begins anew, and the address has one failure less. */
export async function forgetTry({ pool }: Database, email: string, address: string): Promise<void> {
  const [account, from] = keysOf(email, address);
  await pool.query('delete from sign_in_tries where key = $1', [account.key]);
  await pool.query(
    'update sign_in_tries set failures = greatest(0, failures - 1), until = now() where key = $1',
    [from.key],
  );
}

function waitProblem(seconds: number): ProblemError {
  const text = seconds < 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`;
  return new ProblemError({
    code: 'SIGN_IN_WAIT',
    what: 'You are not signed in.',
    why: 'There were too many tries with a wrong password.',
    remedy: `Try again in ${text}. Whoever looks after Ibidem can give you a new password.`,
  });
}
