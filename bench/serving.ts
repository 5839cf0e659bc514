import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { openDatabase } from '../apps/server/src/db/database.ts';
import type { DatabasePlace } from '../apps/server/src/db/database.ts';
import { DEMO_JOB_ID, seedDemo } from '../apps/server/src/demo/seed.ts';
import { buildServer } from '../apps/server/src/server.ts';
import { PostgresServer } from '../apps/server/test/postgresServer.ts';
import { bareServer } from '../apps/server/test/bareServer.ts';
import { load } from './load.ts';
import type { Ask, Loaded } from './load.ts';
import { MIGRATIONS } from './places.ts';
import { startServer } from './serverProcess.ts';

const CONNECTIONS = 50;
const SECONDS = 5;

const row = (name: string, { rate, p50, p99, failed }: Loaded): void =>
  console.log(
    `  ${name.padEnd(34)} ${rate.toFixed(0).padStart(6)} a second, p50 ${p50.toFixed(1)} ms, p99 ${p99.toFixed(1)} ms${failed ? `, ${failed} failed` : ''}`,
  );

/**
 * Reading and changing the demo job against bare routes over the same database, at 50 connections, in one run: on the
 * embedded database, and on a PostgreSQL server where there is one.
 */
export async function serving(): Promise<void> {
  const directory = mkdtempSync(path.join(os.tmpdir(), 'keypost-bench-'));
  await against('embedded, on the disk', { directory: path.join(directory, 'db') });
  rmSync(directory, { recursive: true, force: true });
  if (!process.env.KEYPOST_POSTGRES_BIN) return console.log('No PostgreSQL server here: not measured on one');
  const postgres = await PostgresServer.start();
  await against('of a PostgreSQL server', { address: await postgres.database('one') });
  await shared(await postgres.database('two'));
  await postgres.remove();
}

async function against(what: string, place: DatabasePlace): Promise<void> {
  const db = await openDatabase(place, MIGRATIONS);
  await seedDemo(db);
  const app = await buildServer(db, undefined);
  const bare = await bareServer(db);
  const [ours, theirs] = await Promise.all([
    app.listen({ host: '127.0.0.1', port: 0 }),
    bare.listen({ host: '127.0.0.1', port: 0 }),
  ]);
  const job = `${ours}/api/jobs/${DEMO_JOB_ID}`;
  console.log(
    `The demo job at ${CONNECTIONS} connections, ${what}, against bare routes of the same database`,
  );
  const measure = async (name: string, ask: Ask): Promise<Loaded> => {
    await load(ask, CONNECTIONS, 1);
    const loaded = await load(ask, CONNECTIONS, SECONDS);
    row(name, loaded);
    return loaded;
  };
  const plain = await measure('a bare route with a query', { method: 'GET', url: `${theirs}/bare` });
  const got = await measure('the job, compressed', readOf(job));
  const known = (await fetch(job)).headers.get('etag') ?? '';
  await measure('the job, known already', { method: 'GET', url: job, headers: { 'if-none-match': known } });
  await measure('where it stands, as pages ask', { method: 'GET', url: `${job}/revision` });
  const inserted = await measure('a bare insert with an event', {
    method: 'POST',
    url: `${theirs}/bare`,
    stamps: 'pe-101',
  });
  const changed = await measure('a change', changeOf(job));
  console.log(
    `  GET against the bare route            ${(got.rate / plain.rate).toFixed(2)} (wanted at least 0.33)`,
  );
  console.log(
    `  a change against the bare insert      ${(changed.rate / inserted.rate).toFixed(2)} (wanted at least 0.25)`,
  );
  console.log(
    `  p99 over p50                          GET ${(got.p99 / got.p50).toFixed(1)}, change ${(changed.p99 / changed.p50).toFixed(1)} (wanted at most 10)`,
  );
  await Promise.all([app.close(), bare.close()]);
  await db.close();
}

const readOf = (job: string): Ask => ({ method: 'GET', url: job, headers: { 'accept-encoding': 'gzip' } });
const changeOf = (job: string): Ask => ({ method: 'POST', url: `${job}/changes`, stamps: 'pe-101' });

/** One server process on a PostgreSQL database, then two that share it, each asked by half of the connections. */
async function shared(address: string): Promise<void> {
  const place = ['--database', address];
  const one = await startServer([...place, '--demo'], 4880);
  const two = await startServer(place, 4900);
  console.log('Server processes on one PostgreSQL database, and this machine’s cores shared by all');
  const asks = [
    ['the job, compressed', readOf],
    ['a change', changeOf],
  ] as const;
  for (const [name, ask] of asks) {
    const rates: number[] = [];
    for (const all of [[one], [one, two]]) {
      const loads = await Promise.all(
        all.map(({ base }) =>
          load(ask(`${base}/api/jobs/${DEMO_JOB_ID}`), CONNECTIONS / all.length, SECONDS),
        ),
      );
      loads.forEach((loaded, i) => row(`${name}, process ${i + 1} of ${all.length}`, loaded));
      rates.push(loads.reduce((sum, { rate }) => sum + rate, 0));
    }
    console.log(`  two against one                       ${((rates[1] ?? 0) / (rates[0] ?? 1)).toFixed(2)}`);
  }
  await Promise.all([one.end('SIGTERM'), two.end('SIGTERM')]);
}
