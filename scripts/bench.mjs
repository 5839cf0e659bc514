import process from 'node:process';
import { install, runOn } from './steps.mjs';

/** Runs every measurement. */
export async function bench() {
  await install();
  process.exit(await runOn(process.execPath, ['--import', 'tsx', 'bench/main.ts']));
}
