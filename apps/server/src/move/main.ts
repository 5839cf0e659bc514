import { existsSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { databaseFrom } from '../config.ts';
import type { Config } from '../config.ts';
import { StartProblem } from '../db/directoryLock.ts';
import { openData } from '../db/openData.ts';
import { startSentence } from '../startSentence.ts';
import { moveAll } from './moveAll.ts';

const USAGE =
  'Usage: ./keypost move --from DIRECTORY --to postgres://USER@HOST:PORT/DATABASE, or the other way round';

/** @throws StartProblem with a sentence for what is no place. */
function placeFrom(text: string | undefined): Config['database'] {
  if (!text) throw new StartProblem(USAGE);
  return text.includes('://') ? databaseFrom(text, undefined) : databaseFrom(undefined, text);
}

function placesFrom(args: string[]): { from: Config['database']; to: Config['database'] } {
  let values: { from?: string; to?: string };
  try {
    ({ values } = parseArgs({ args, options: { from: { type: 'string' }, to: { type: 'string' } } }));
  } catch {
    throw new StartProblem(USAGE);
  }
  return { from: placeFrom(values.from), to: placeFrom(values.to) };
}

async function main(): Promise<void> {
  const { from, to } = placesFrom(process.argv.slice(2));
  if ('directory' in from && !existsSync(path.join(from.directory, 'db', 'PG_VERSION')))
    throw new StartProblem(`There is no data of Key Post in ${from.directory}.`);
  const source = await openData(from);
  const target = await openData(to);
  const moved = await moveAll(source, target);
  await target.close();
  await source.close();
  for (const { table, count, checksum } of moved)
    console.log(`${table.padEnd(14)} ${String(count).padStart(8)} rows  ${checksum}`);
  const rows = moved.reduce((sum, { count }) => sum + count, 0);
  console.log(
    `${rows} rows of ${moved.length} tables moved; counts and checksums are the same on both sides. What they came from is as it was.`,
  );
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(startSentence(error));
    process.exit(1);
  },
);
