import process from 'node:process';
import { postgresPrograms } from './postgres.mjs';
import { install, runOn } from './steps.mjs';

/** Runs every measurement; `siege [MINUTES]`, which takes ten, alone. */
export async function bench([which, minutes = '10'] = []) {
  await install();
  process.exit(
    await runOn(
      process.execPath,
      ['--import', 'tsx', ...(which === 'siege' ? ['bench/siege.ts', minutes] : ['bench/main.ts'])],
      {
        KEYPOST_POSTGRES_BIN: postgresPrograms() ?? '',
      },
    ),
  );
}
