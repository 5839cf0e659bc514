import { nth } from '@keypost/core/lists';
import type { Queryable, Transaction } from '../db/connection.ts';
import { StartProblem } from '../db/directoryLock.ts';

/** Rows of a table, counted, and a checksum that is the same wherever they are the same. */
export interface TableSum {
  readonly count: number;
  readonly checksum: string;
}

/** The name of a table with its schema: some are called as types of PostgreSQL are. */
const full = (table: string): string => `public."${table}"`;

/** Names of the tables, those first that others refer to. */
export async function tablesOf(db: Queryable): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>(
    `select table_name as name from information_schema.tables
      where table_schema = 'public' and table_type = 'BASE TABLE' and table_name <> 'migration'
      order by table_name <> 'job', table_name`,
  );
  return rows.map(({ name }) => name);
}

/** @throws StartProblem where there are jobs or events already. */
export async function refuseUnlessEmpty(target: Queryable): Promise<void> {
  const { rows } = await target.query<{ jobs: number; events: number }>(
    'select (select count(*)::int from job) as jobs, (select count(*)::int from event) as events',
  );
  const { jobs, events } = nth(rows, 0);
  if (jobs || events)
    throw new StartProblem(
      `What it is to go to has to be empty, and it holds ${jobs} jobs and ${events} events. Choose another.`,
    );
}

/** Rows that are read and written at a time. */
const BATCH = 50;

/** Goes through the rows of a table as JSON, some at a time. */
export async function eachBatch(
  source: Transaction,
  table: string,
  take: (rows: readonly object[]) => unknown,
): Promise<void> {
  await source.exec(`declare batch cursor for select to_jsonb(t) as row from ${full(table)} t`);
  for (;;) {
    const { rows } = await source.query<{ row: object }>(`fetch ${BATCH} from batch`);
    if (!rows.length) break;
    await take(rows.map(({ row }) => row));
  }
  await source.exec('close batch');
}

/** Puts rows into a table. */
export const putRows = (target: Queryable, table: string, rows: readonly object[]): Promise<unknown> =>
  target.query(
    `insert into ${full(table)} select * from jsonb_populate_recordset(null::${full(table)}, $1::jsonb)`,
    [JSON.stringify(rows)],
  );

/** What counts itself goes on after the highest that came. */
export async function goOnCounting(target: Queryable, table: string): Promise<void> {
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

export async function summed(db: Queryable, table: string): Promise<TableSum> {
  const { rows } = await db.query<TableSum>(
    `select count(*)::int as count, md5(coalesce(string_agg(sum, '' order by sum collate "C"), '')) as checksum
       from (select md5(to_jsonb(t)::text) as sum from ${full(table)} t) as rows`,
  );
  return nth(rows, 0);
}
