import path from 'node:path';
import process from 'node:process';
import { install, ROOT, runOn } from './steps.mjs';

/** Checks a job file; the exit code says the outcome. */
export async function check(args) {
  await install();
  const resolved = args.map((arg) =>
    arg.startsWith('--') ? arg : path.resolve(process.env.KEYPOST_CALLED_FROM ?? ROOT, arg),
  );
  process.exit(
    await runOn(process.execPath, ['scripts/oneFile.mjs', 'apps/server/src/check/main.ts', ...resolved]),
  );
}
