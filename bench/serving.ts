import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { openDatabase } from '../apps/server/src/db/database.ts';
import { DEMO_JOB_ID, seedDemo } from '../apps/server/src/demo/seed.ts';
import { buildServer } from '../apps/server/src/server.ts';
import { bareServer } from '../apps/server/test/bareServer.ts';
import { load } from './load.ts';
import type { Ask, Loaded } from './load.ts';
import { MIGRATIONS } from './places.ts';

const CONNECTIONS = 50;
const SECONDS = 5;

const row = (name: string, { rate, p50, p99, failed }: Loaded): void =>
  console.log(
    `  ${name.padEnd(34)} ${rate.toFixed(0).padStart(6)} a second, p50 ${p50.toFixed(1)} ms, p99 ${p99.toFixed(1)} ms${failed ? `, ${failed} failed` : ''}`,
  );

/** Reading and changing the demo job against bare routes over the same database, at 50 connections, in one run. */
export async function serving(): Promise<void> {
  const directory = mkdtempSync(path.join(os.tmpdir(), 'keypost-bench-'));
  const db = await openDatabase(path.join(directory, 'db'), MIGRATIONS);
  await seedDemo(db);
  const app = await buildServer(db, undefined);
  const bare = await bareServer(db);
  const [ours, theirs] = await Promise.all([
    app.listen({ host: '127.0.0.1', port: 0 }),
    bare.listen({ host: '127.0.0.1', port: 0 }),
  ]);
  const job = `${ours}/api/jobs/${DEMO_JOB_ID}`;
  console.log(
    `The demo job at ${CONNECTIONS} connections, on the disk, against bare routes of the same database`,
  );
  const measure = async (name: string, ask: Ask): Promise<Loaded> => {
    await load(ask, CONNECTIONS, 1);
    const loaded = await load(ask, CONNECTIONS, SECONDS);
    row(name, loaded);
    return loaded;
  };
  const plain = await measure('a bare route with a query', { method: 'GET', url: `${theirs}/bare` });
  const got = await measure('the job, compressed', {
    method: 'GET',
    url: job,
    headers: { 'accept-encoding': 'gzip' },
  });
  const known = (await fetch(job)).headers.get('etag') ?? '';
  await measure('the job, known already', { method: 'GET', url: job, headers: { 'if-none-match': known } });
  const inserted = await measure('a bare insert with an event', {
    method: 'POST',
    url: `${theirs}/bare`,
    stamps: 'pe-101',
  });
  const changed = await measure('a change', { method: 'POST', url: `${job}/changes`, stamps: 'pe-101' });
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
  rmSync(directory, { recursive: true, force: true });
}
