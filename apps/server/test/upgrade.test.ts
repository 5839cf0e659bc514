import { openDatabase } from '../src/db/database.ts';
import type { Database } from '../src/db/connection.ts';
import { readJob } from '../src/db/store.ts';
import { openJobFile } from '@keypost/core/proving';
import { COLLECTION_NAMES, COLLECTIONS, columnOf } from '@keypost/core/model';
import type { CollectionDescriptor } from '@keypost/core/model';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

const MIGRATIONS = path.resolve(__dirname, '../src/db/migrations');
const FILE = readFileSync(path.resolve(__dirname, 'fixtures/version1.keypost.json'), 'utf8');
type Row = Record<string, unknown>;
const OLD = (JSON.parse(FILE) as { job: Row & Record<string, Row[]> }).job;

const TABLES: Readonly<Record<string, string>> = {
  supplies: 'supply',
  modules: 'module',
  devices: 'device',
  points: 'point',
  wires: 'wire',
  stamps: 'stamp',
  results: 'result',
  entries: 'entry',
  descriptions: 'description',
  plans: 'plan',
  calibrations: 'calibration',
};
const columnName = (field: string): string =>
  field === 'from' || field === 'to'
    ? `${field}_terminal`
    : field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** A data directory as version 1 left it: its migrations alone, its demo job, and what its log said of a result. */
async function version1(): Promise<string> {
  const directory = mkdtempSync(path.join(tmpdir(), 'keypost-v1-'));
  const old = mkdtempSync(path.join(tmpdir(), 'keypost-migrations-'));
  for (const name of readdirSync(MIGRATIONS).filter((file) => file < '0006'))
    cpSync(path.join(MIGRATIONS, name), path.join(old, name));
  const db = await openDatabase({ directory }, old);
  await db.query('insert into job (id, name, site, colours, mains_hertz) values ($1, $2, $3, $4, $5)', [
    'j',
    OLD.name,
    OLD.site,
    OLD.colours,
    OLD.mainsHertz,
  ]);
  for (const [name, table] of Object.entries(TABLES))
    for (const row of OLD[name] ?? []) {
      const fields = Object.keys(row);
      const values = fields.map((field) => {
        const value = row[field];
        return typeof value === 'object' || field === 'measured' ? JSON.stringify(value) : value;
      });
      await db.query(
        `insert into ${table} (job_id, ${fields.map((field) => `"${columnName(field)}"`).join(', ')})
         values ('j', ${fields.map((_, i) => `$${i + 1}`).join(', ')})`,
        values,
      );
    }
  await db.query(
    `insert into event (job_id, change_id, by, what, shelf, row_id, after, revision)
     values ('j', 'c', 'JT', 'record', 'results', 'r', $1, 2)`,
    [JSON.stringify({ check: 'away.volts', subject: 'Signal', expected: { text: 'off' }, measured: false })],
  );
  await db.close();
  rmSync(old, { recursive: true });
  return directory;
}

test('a database of version 1 opens as its job file does, and its log can still be told', async () => {
  const directory = await version1();
  const db = await openDatabase({ directory }, MIGRATIONS);
  const stored = await readJob(db, 'j');
  expect(stored?.content).toEqual(openJobFile(FILE));
  const { rows } = await db.query<{ collection: string; after: Row }>('select collection, after from event');
  expect(rows).toEqual([
    { collection: 'results', after: { check: 'away.volts', expected: { seen: false }, measured: false } },
  ]);
  await db.close();
  rmSync(directory, { recursive: true });
}, 60_000);

test('the migrated tables have a column for each field of each collection, and none besides', async () => {
  const db: Database = await openDatabase('memory', MIGRATIONS);
  for (const name of COLLECTION_NAMES) {
    const { table, fields } = COLLECTIONS[name] as CollectionDescriptor;
    const { rows } = await db.query<{ column_name: string; data_type: string }>(
      'select column_name, data_type from information_schema.columns where table_name = $1',
      [table],
    );
    const kept = rows.filter(({ column_name }) => !['job_id', 'seq', 'revision'].includes(column_name));
    expect(kept.map(({ column_name }) => column_name).sort()).toEqual(
      Object.entries(fields)
        .map(([field, descriptor]) => columnOf(field, descriptor))
        .sort(),
    );
    expect(
      kept
        .filter(({ data_type }) => data_type === 'jsonb')
        .map((row) => row.column_name)
        .sort(),
    ).toEqual(
      Object.entries(fields)
        .filter(([, { json }]) => json)
        .map(([field, descriptor]) => columnOf(field, descriptor))
        .sort(),
    );
  }
  await db.close();
}, 60_000);
