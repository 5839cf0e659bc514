import { nth } from '@keypost/core/lists';
import type { Database, Queryable, Transaction } from '../db/connection.ts';
import { StartProblem } from '../db/directoryLock.ts';
import { WORKING } from '../db/postgres.ts';

/** A table that was moved: how many rows, and the checksum that both sides agree on. */
export interface MovedTable {
  readonly table: string;
  readonly count: number;
  readonly checksum: string;
}

/** Rows that are read and written at a time. */
const BATCH = 50;

/**
 * Moves every row of every table to an empty database whose tables are as up to date. All of it is there at the end, or
 * nothing: rows are counted and checksums compared before it is kept. What is moved from stays as it is.
 * @throws StartProblem when one of them is in use, the other is not empty, or they differ at the end.
 */
export function moveAll(from: Database, to: Database): Promise<MovedTable[]> {
  return from.transaction(async (source) => {
    await source.exec('set transaction isolation level repeatable read');
    return to.transaction(async (target) => {
      for (const side of [source, target]) await prepare(side);
      await refuseUnlessEmpty(target);
      const tables = await tablesOf(source);
      for (const table of tables) await copy(source, target, table);
      for (const table of tables) await goOnCounting(target, table);
      const moved: MovedTable[] = [];
      for (const table of tables) {
        const [sent, came] = [await summed(source, table), await summed(target, table)];
        if (sent.count !== came.count || sent.checksum !== came.checksum)
          throw new StartProblem(
            `The table ${table} did not come over as it was (${sent.count} rows sent, ${came.count} came). Nothing was moved.`,
          );
        moved.push({ table, ...came });
      }
      return moved;
    });
  });
}

/** Takes a side for itself, and has times written alike on both. */
async function prepare(side: Transaction): Promise<void> {
  const { rows } = await side.query<{ free: boolean }>(
    `select pg_try_advisory_xact_lock(${WORKING}) as free`,
  );
  if (!nth(rows, 0).free)
    throw new StartProblem('A Key Post is using that database. Stop every one of them, then move.');
  await side.exec("set local time zone 'UTC'");
}

async function refuseUnlessEmpty(target: Queryable): Promise<void> {
  const { rows } = await target.query<{ jobs: number; events: number }>(
    'select (select count(*)::int from job) as jobs, (select count(*)::int from event) as events',
  );
  const { jobs, events } = nth(rows, 0);
  if (jobs || events)
    throw new StartProblem(
      `What is moved to has to be empty, and it holds ${jobs} jobs and ${events} events. Choose another.`,
    );
}

/** The name of a table with its schema: some are called as types of PostgreSQL are. */
const full = (table: string): string => `public."${table}"`;

/** Names of the tables, those first that others refer to. */
async function tablesOf(db: Queryable): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables
      where table_schema = 'public' and table_type = 'BASE TABLE' and table_name <> 'migration'
      order by table_name <> 'job', table_name`,
  );
  return rows.map(({ name }) => name);
}

async function copy(source: Transaction, target: Queryable, table: string): Promise<void> {
  await source.exec(`declare moved cursor for select to_jsonb(t) as row from ${full(table)} t`);
  for (;;) {
    const { rows } = await source.query<{ row: object }>(`fetch ${BATCH} from moved`);
    if (!rows.length) break;
    await target.query(
      `insert into ${full(table)} select * from jsonb_populate_recordset(null::${full(table)}, $1::jsonb)`,
      [JSON.stringify(rows.map(({ row }) => row))],
    );
  }
  await source.exec('close moved');
}

/** What counts itself goes on after the highest that came. */
async function goOnCounting(target: Queryable, table: string): Promise<void> {
  const { rows } = await target.query<{ name: string }>(
    `select column_name as name from information_schema.columns
      where table_schema = 'public' and table_name = $1 and column_default like 'nextval%'`,
    [table],
  );
  for (const { name } of rows)
    await target.query(
      `select setval(pg_get_serial_sequence($1, $2), max("${name}")) from ${full(table)} having max("${name}") is not null`,
      [full(table), name],
    );
}

async function summed(db: Queryable, table: string): Promise<Omit<MovedTable, 'table'>> {
  const { rows } = await db.query<Omit<MovedTable, 'table'>>(
    `select count(*)::int as count, md5(coalesce(string_agg(sum, '' order by sum collate "C"), '')) as checksum
       from (select md5(to_jsonb(t)::text) as sum from ${full(table)} t) as rows`,
  );
  return nth(rows, 0);
}
