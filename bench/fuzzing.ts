import { seeded } from '@keypost/core/lists';
import { randomUUID } from 'node:crypto';
import { createClient } from '@keypost/api';
import { openDatabase } from '../apps/server/src/db/database.ts';
import { buildServer } from '../apps/server/src/server.ts';
import { descriptionFiles, jobFiles } from '../apps/server/test/fuzz/files.ts';
import { sendMutated } from '../apps/server/test/fuzz/requests.ts';
import { MIGRATIONS, ROOT } from './places.ts';

const REQUESTS = 20_000;
const FILES = 2_000;

/** Replays mutated requests against a server, and mutated files against their readers; what broke is shown. */
export async function fuzzing(): Promise<void> {
  console.log('Mutated input, seeded: the same in every run');
  await requests();
  files('job files', jobFiles(ROOT));
  files('device descriptions', descriptionFiles());
}

async function requests(): Promise<void> {
  const db = await openDatabase('memory', MIGRATIONS);
  const app = await buildServer(db, undefined);
  const address = await app.listen({ host: '127.0.0.1', port: 0 });
  const call = createClient(address);
  const { id } = await call('createJob', { body: { id: randomUUID(), name: 'Fuzz', site: '', by: 'FZ' } });
  const random = seeded(1);
  const count = { taken: 0, refused: 0, broken: 0 };
  let slowest = 0;
  for (let i = 0; i < REQUESTS; i++) {
    const { status, ms, text, asked } = await sendMutated(random, address, id);
    slowest = Math.max(slowest, ms);
    if (status < 400) count.taken++;
    else if (status < 500 || status === 504) count.refused++;
    else {
      count.broken++;
      if (count.broken <= 5) console.log(`  ${status} ${asked}\n    ${text.slice(0, 200)}`);
    }
  }
  const { damaged } = await call('getJob', { params: { jobId: id } });
  await app.close();
  await db.close();
  console.log(
    `  requests             ${REQUESTS}: ${count.taken} taken, ${count.refused} refused, ${count.broken} broken (wanted 0), ${damaged.length} rows damaged, slowest ${slowest.toFixed(0)} ms`,
  );
}

function files(what: string, one: ReturnType<typeof jobFiles>): void {
  const random = seeded(2);
  const count = { taken: 0, refused: 0, raw: 0 };
  let slowest = 0;
  for (let i = 0; i < FILES; i++) {
    const started = performance.now();
    const { outcome } = one(random);
    slowest = Math.max(slowest, performance.now() - started);
    count[outcome.kind]++;
    if (outcome.kind === 'raw' && count.raw <= 5)
      console.log(`  ${what}: ${String(outcome.error).slice(0, 300)}`);
  }
  console.log(
    `  ${what.padEnd(20)} ${FILES}: ${count.taken} taken, ${count.refused} refused, ${count.raw} raw errors (wanted 0), slowest ${slowest.toFixed(0)} ms`,
  );
}
