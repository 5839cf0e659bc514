import process from 'node:process';
import { postgresPrograms } from './postgres.mjs';
import { install, runOn } from './steps.mjs';

/** Runs every measurement. */
export async function bench() {
  await install();
  process.exit(
    await runOn(process.execPath, ['--import', 'tsx', 'bench/main.ts'], {
      KEYPOST_POSTGRES_BIN: postgresPrograms() ?? '',
    }),
  );
}
