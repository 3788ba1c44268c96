import { createHash } from 'node:crypto';
import pg from 'pg';
import { migrate } from './migrate';
import { isRetryable } from './refusals';

/** A transaction of one firm: everything it reads or writes is that firm's. */
export interface Db {
  rows<T extends pg.QueryResultRow>(sql: string, values?: unknown[]): Promise<T[]>;
  row<T extends pg.QueryResultRow>(sql: string, values?: unknown[]): Promise<T | undefined>;
}

// A date is a day, not a moment in some time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (day) => day);

const shared = globalThis as typeof globalThis & { undrelPool?: Promise<pg.Pool> };

async function open(): Promise<pg.Pool> {
  const pool = new pg.Pool({
    connectionString: await migrate(),
    application_name: 'undrel',
    // Statements of a case read a dozen tables: planning one anew each time takes longer than reading.
    options: '-c plan_cache_mode=force_generic_plan',
    max: Number(process.env.DATABASE_CONNECTIONS ?? 10),
    // A server that is there but busy answers late; one that is not there refuses at once.
    connectionTimeoutMillis: 20_000,
    idleTimeoutMillis: 30_000,
  });
  // A connection that dies while idle is replaced on next use; without a listener it would end the process.
  pool.on('error', (error) => console.error(`database connection lost: ${error.message}`));
  return pool;
}

/** The pool of this process; the first call brings the schema up to date. */
export function pool(): Promise<pg.Pool> {
  shared.undrelPool ??= open().catch((error: unknown) => {
    delete shared.undrelPool;
    throw error;
  });
  return shared.undrelPool;
}

/** Closes the connections of this process; whoever asks next opens others. */
export async function closePool(): Promise<void> {
  const opened = shared.undrelPool;
  delete shared.undrelPool;
  await (await opened)?.end();
}

/** How often work is begun anew when the database could not bring it in order with other work. */
const TRIES = 4;

async function transaction<T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await once(work);
    } catch (error) {
      if (attempt === TRIES || !isRetryable(error)) throw error;
      await new Promise((done) => setTimeout(done, 10 * attempt * (1 + Math.random())));
    }
  }
}

async function once<T>(work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await (await pool()).connect();
  let broken: Error | undefined;
  // A connection that dies under work fails the work; without a listener it would end the process.
  const lost = (error: Error) => (broken = error);
  client.on('error', lost);
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch(lost);
    throw error;
  } finally {
    client.off('error', lost);
    client.release(broken);
  }
}

const names = new Map<string, string>();

/** All SQL of the application is written down once, so each statement is prepared once for each connection. */
function prepared(text: string, values: unknown[] = []): pg.QueryConfig {
  let name = names.get(text);
  if (!name) names.set(text, (name = createHash('sha1').update(text).digest('hex')));
  return { name, text, values };
}

const dbOf = (client: pg.PoolClient): Db => ({
  rows: async (sql, values) => (await client.query(prepared(sql, values))).rows,
  row: async (sql, values) => (await client.query(prepared(sql, values))).rows[0],
});

/** A transaction in which no firm is set: row-level security shows nothing; only the sign-in functions answer. */
export const withoutFirm = <T>(work: (db: Db) => Promise<T>): Promise<T> =>
  transaction((client) => work(dbOf(client)));

/**
 * Opens all the connections that there may be, and has them stay: who comes when many do waits for none to open. Work is
 * done on each in no firm, so that its statements are planned there.
 */
export async function keepConnected(work: (db: Db) => Promise<unknown>): Promise<void> {
  const { options } = await pool();
  options.min = options.max;
  await Promise.all(Array.from({ length: options.max }, () => withoutFirm(work)));
}

/** A transaction for a firm and user that are already known. */
export const asUser = <T>(firmId: string, userId: string, work: (db: Db) => Promise<T>): Promise<T> =>
  transaction(async (client) => {
    await client.query(`select set_config('undrel.firm', $1, true), set_config('undrel.user', $2, true)`, [
      firmId,
      userId,
    ]);
    return work(dbOf(client));
  });
