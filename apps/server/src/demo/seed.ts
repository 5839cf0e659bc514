import type { Database } from '../db/connection.ts';
import { readJob } from '../db/store.ts';
import { makeJob } from '../jobs/makeJob.ts';
import type { SimulatorPorts } from '../simulators/start.ts';
import { demoJob } from './demoJob.ts';

export const DEMO_JOB_ID = 'tern-rock';

/** Puts the demo job into an empty data directory. What a user changed in it stays. */
export async function seedDemo(db: Database, ports?: SimulatorPorts): Promise<void> {
  await db.transaction(async (tx) => {
    if (await readJob(tx, DEMO_JOB_ID)) return;
    const auditEntry = {
      jobId: DEMO_JOB_ID,
      changeId: 'demo-seed',
      by: 'Demo',
      at: '2026-09-14T07:30:00.000Z',
      what: 'importJob',
    };
    await makeJob(tx, DEMO_JOB_ID, demoJob(ports), auditEntry);
  });
}
