import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { databaseFrom } from '../config.ts';
import { StartProblem } from '../db/directoryLock.ts';
import { openData } from '../db/openData.ts';
import { startSentence } from '../startSentence.ts';
import { backUp, readBackup, restore } from './backupFile.ts';

const USAGE =
  'Usage: ./keypost backup FILE [--port PORT] [--data DIRECTORY], ./keypost restore FILE --data DIRECTORY, ./keypost status [--port PORT]';

const OPTIONS = { port: { type: 'string' }, data: { type: 'string' }, database: { type: 'string' } } as const;

interface Asked {
  readonly what: string;
  readonly file: string | undefined;
  readonly base: string;
  readonly data: string | undefined;
  readonly database: string | undefined;
}

function askedFor(args: string[]): Asked {
  try {
    const { values, positionals } = parseArgs({ args, options: OPTIONS, allowPositionals: true });
    const [what = '', file] = positionals;
    const { port = process.env.KEYPOST_PORT ?? '4070', data, database } = values;
    return { what, file, base: `http://127.0.0.1:${port}`, data, database };
  } catch {
    throw new StartProblem(USAGE);
  }
}

/** What a server that runs on this machine says; nothing where none does. */
async function answerOf(base: string, route: string): Promise<Response | undefined> {
  try {
    return await fetch(base + route);
  } catch {
    return undefined;
  }
}

const rowsIn = (tables: readonly { readonly count: number }[]): number =>
  tables.reduce((sum, { count }) => sum + count, 0);

/** From a server that runs, or from a directory of which none does; there at once or not at all, and read once more. */
async function makeBackup({ file, base, data, database }: Asked): Promise<string> {
  if (!file) throw new StartProblem(USAGE);
  const bytes = data || database ? await fromPlace(data, database) : await fromServer(base);
  writeFileSync(`${file}.part`, bytes);
  const { head } = await readBackup(readFileSync(`${file}.part`));
  renameSync(`${file}.part`, file);
  return `${rowsIn(head.tables)} rows of ${head.tables.length} tables are in ${file}, as they were on ${head.at}; it was read once more.`;
}

async function fromServer(base: string): Promise<Buffer> {
  const answer = await answerOf(base, '/api/backup');
  if (!answer)
    throw new StartProblem(
      `No Key Post answers at ${base}. Say its --port, or where its data lies with --data DIRECTORY.`,
    );
  if (!answer.ok)
    throw new StartProblem(`${base} gives no backup: ${answer.status}. Is it a Key Post of this version?`);
  return Buffer.from(await answer.arrayBuffer());
}

async function fromPlace(data: string | undefined, database: string | undefined): Promise<Buffer> {
  const place = databaseFrom(database, data);
  if ('directory' in place && !existsSync(path.join(place.directory, 'db', 'PG_VERSION')))
    throw new StartProblem(`There is no data of Key Post in ${place.directory}.`);
  const db = await openData(place);
  const bytes = await backUp(db);
  await db.close();
  return bytes;
}

async function putBack({ file, data, database }: Asked): Promise<string> {
  if (!file || !(data || database)) throw new StartProblem(USAGE);
  if (!existsSync(file)) throw new StartProblem(`There is no file ${file}.`);
  const bytes = readFileSync(file);
  await readBackup(bytes);
  const db = await openData(databaseFrom(database, data));
  try {
    const tables = await restore(db, bytes);
    return `${rowsIn(tables)} rows of ${tables.length} tables are back; counts and checksums are as they were.`;
  } finally {
    await db.close();
  }
}

async function status({ base }: Asked): Promise<string> {
  const answer = await answerOf(base, '/api/health');
  if (!answer?.ok) throw new StartProblem(`No Key Post answers at ${base}.`);
  const { version } = (await answer.json()) as { version: string };
  const jobs = (await (await fetch(`${base}/api/jobs`)).json()) as unknown[];
  return `Key Post ${version} answers at ${base}, with ${jobs.length === 1 ? '1 job' : `${jobs.length} jobs`}.`;
}

const DONE: Readonly<Record<string, (asked: Asked) => Promise<string>>> = {
  backup: makeBackup,
  restore: putBack,
  status,
};

async function main(): Promise<void> {
  const asked = askedFor(process.argv.slice(2));
  const act = DONE[asked.what];
  if (!act) throw new StartProblem(USAGE);
  console.log(await act(asked));
}

main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(startSentence(error));
    process.exit(1);
  },
);
