import { nth } from '@keypost/core/lists';
import { gunzip, gzip } from 'node:zlib';
import { promisify } from 'node:util';
import type { Database, Queryable } from '../db/connection.ts';
import { StartProblem } from '../db/directoryLock.ts';
import { eachBatch, goOnCounting, putRows, refuseUnlessEmpty, summed, tablesOf } from '../move/tables.ts';
import type { TableSum } from '../move/tables.ts';

const zip = promisify(gzip);
const unzip = promisify(gunzip);

const FORMAT = 'keypost.backup';
const VERSION = 1;

/** The first line of a backup: what its tables hold, and which migrations made them. */
interface Head {
  readonly format: typeof FORMAT;
  readonly version: number;
  readonly at: string;
  readonly migrations: readonly string[];
  readonly tables: readonly ({ readonly table: string } & TableSum)[];
}

async function migrationsOf(db: Queryable): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>('select name from migration order by name');
  return rows.map(({ name }) => name);
}

/**
 * Everything that a database holds at one moment, while others go on with it: lines of JSON, the first one with counts
 * and checksums, compressed by gzip.
 */
export async function backUp(db: Database): Promise<Buffer> {
  const lines = await db.transaction(async (source) => {
    await source.exec("set transaction isolation level repeatable read; set local time zone 'UTC'");
    const tables = await tablesOf(source);
    const sums: Head['tables'][number][] = [];
    for (const table of tables) sums.push({ table, ...(await summed(source, table)) });
    const head: Head = {
      format: FORMAT,
      version: VERSION,
      at: new Date().toISOString(),
      migrations: await migrationsOf(source),
      tables: sums,
    };
    const made = [JSON.stringify(head)];
    for (const table of tables)
      await eachBatch(source, table, (rows) => made.push(JSON.stringify({ table, rows })));
    return made;
  });
  return zip(`${lines.join('\n')}\n`);
}

/** What a backup holds. @throws StartProblem for what is none, is damaged, or breaks off. */
export async function readBackup(file: Buffer): Promise<{
  readonly head: Head;
  readonly parts: readonly { readonly table: string; readonly rows: readonly object[] }[];
}> {
  let lines: unknown[];
  try {
    lines = (await unzip(file))
      .toString('utf8')
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as unknown);
  } catch {
    throw new StartProblem('That is no backup of Key Post, or it is damaged. Nothing was done.');
  }
  const head = lines[0] as Partial<Head> | undefined;
  if (head?.format !== FORMAT || head.version !== VERSION)
    throw new StartProblem(
      'That is no backup of Key Post of a version that this one reads. Nothing was done.',
    );
  const parts = lines.slice(1) as { table: string; rows: object[] }[];
  for (const { table, count } of head.tables ?? []) {
    const there = parts.reduce((sum, part) => sum + (part.table === table ? part.rows.length : 0), 0);
    if (there !== count)
      throw new StartProblem(
        `The backup breaks off: the table ${table} has ${there} of ${count} rows. Nothing was done.`,
      );
  }
  return { head: head as Head, parts };
}

/**
 * Puts a backup into an empty database. All of it is there at the end, counted and with the same checksums, or nothing.
 * @throws StartProblem with the reason.
 */
export async function restore(db: Database, file: Buffer): Promise<Head['tables']> {
  const { head, parts } = await readBackup(file);
  const here = await migrationsOf(db);
  if (here.join() !== head.migrations.join())
    throw new StartProblem(
      `The backup was made by another version of Key Post (${nth(head.migrations, head.migrations.length - 1)}). Restore it with that one, and upgrade then.`,
    );
  return db.transaction(async (target) => {
    await target.exec("set local time zone 'UTC'");
    await refuseUnlessEmpty(target);
    for (const { table, rows } of parts) await putRows(target, table, rows);
    for (const { table, count, checksum } of head.tables) {
      await goOnCounting(target, table);
      const came = await summed(target, table);
      if (came.count !== count || came.checksum !== checksum)
        throw new StartProblem(`The table ${table} did not come back as it was. Nothing was restored.`);
    }
    return head.tables;
  });
}
