import process from 'node:process';
import { postgresPrograms } from './postgres.mjs';
import { install, run, runOn } from './steps.mjs';

/** Runs every measurement; `siege [MINUTES]`, which takes ten, alone. */
export async function bench([which, minutes = '10'] = []) {
  await install();
  if (which !== 'siege') {
    const code = await run(process.execPath, ['scripts/oneFile.mjs', 'bench/core.ts']);
    if (code !== 0) process.exit(code);
  }
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
