import { nth } from '@keypost/core/lists';
import type { Database, Transaction } from '../db/connection.ts';
import { StartProblem } from '../db/directoryLock.ts';
import { WORKING } from '../db/postgres.ts';
import { eachBatch, goOnCounting, putRows, refuseUnlessEmpty, summed, tablesOf } from './tables.ts';
import type { TableSum } from './tables.ts';

/** A table that was moved: how many rows, and the checksum that both sides agree on. */
export interface MovedTable extends TableSum {
  readonly table: string;
}

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
      for (const table of tables) await eachBatch(source, table, (rows) => putRows(target, table, rows));
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
