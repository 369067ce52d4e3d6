import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import { ProblemError } from '../problem-error';
import { settings } from '../settings';

/** One pool serves the application, sign-in and the queue. */
export interface Database {
  readonly pool: pg.Pool;
  readonly orm: NodePgDatabase;
}

// Development servers load modules anew at every change; the pool must outlive that.
const shared = globalThis as { ibidemDatabase?: Database };

/** The database of this process, connected when first asked. */
export function database(): Database {
  shared.ibidemDatabase ??= connect(settings().databaseUrl);
  return shared.ibidemDatabase;
}

/** Ends the connections of {@link database}, where it has any; who asks it again gets new ones. */
export async function closeDatabase(): Promise<void> {
  const held = shared.ibidemDatabase;
  delete shared.ibidemDatabase;
  await held?.pool.end();
}

/** Connects to a database by its address. */
export function connect(url: string): Database {
  // Compiling a query pays for reports over millions of rows; to lists that answer at once it only adds.
  // And the errata of a large site are grouped in memory: in the 4 MB that the server gives by itself they go through files.
  const options = '-c jit=off -c work_mem=32MB';
  // A server that is not there refuses at once; on a machine that is busy with pictures one that is may take its time.
  const pool = new pg.Pool({ connectionString: url, max: 12, connectionTimeoutMillis: 20_000, options });
  // A connection that the server closed: the pool replaces it, and the next query tells if it can't.
  const say = (error: Error) => void process.stderr.write(`database: ${error.message}\n`);
  pool.on('error', say);
  pool.on('connect', (client) => void client.on('error', say));
  return { pool, orm: drizzle(pool) };
}

const UNREACHABLE =
  /ECONNREFUSED|ENOENT|ETIMEDOUT|EHOSTUNREACH|terminated|timeout|57P0[123]|the database system is/;

/** A database error as a problem, where it is one of reaching the server; otherwise the error itself. */
export function databaseProblem(error: unknown): unknown {
  // What is known already is told as what it is: a web address that refuses is no database.
  if (error instanceof ProblemError) return error;
  const text = errorTexts(error).join(' ');
  if (!UNREACHABLE.test(text)) return error;
  return new ProblemError(
    {
      code: 'DATABASE_DOWN',
      what: 'The database does not answer.',
      why: 'PostgreSQL is stopped or can’t be reached from here.',
      remedy: 'Start it (bin/demo does) and try again; what was saved before is safe.',
    },
    { cause: error },
  );
}

function errorTexts(error: unknown): string[] {
  if (error instanceof AggregateError) return error.errors.flatMap(errorTexts);
  if (!(error instanceof Error)) return [];
  const code = 'code' in error ? String(error.code) : '';
  return [error.message, code, ...errorTexts(error.cause)];
}
