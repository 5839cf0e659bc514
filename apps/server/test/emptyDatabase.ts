import { PGlite } from '@electric-sql/pglite';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../../..');

/**
 * Makes the files of an empty embedded PostgreSQL once for all suites, each of which begins with a copy: to set one up
 * takes five times as long.
 */
export default async function make(): Promise<void> {
  const folder = path.join(ROOT, '.cache');
  const about = readFileSync(path.join(ROOT, 'node_modules/@electric-sql/pglite/package.json'), 'utf8');
  const { version } = JSON.parse(about) as { version: string };
  const file = path.join(folder, `empty-database-${version}.tar`);
  process.env.KEYPOST_TEST_EMPTY_DATABASE = file;
  if (existsSync(file)) return;
  const db = await PGlite.create();
  const files = await db.dumpDataDir('none');
  await db.close();
  mkdirSync(folder, { recursive: true });
  writeFileSync(`${file}.new`, Buffer.from(await files.arrayBuffer()));
  renameSync(`${file}.new`, file);
}
