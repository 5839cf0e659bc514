import path from 'node:path';
import process from 'node:process';
import { install, ROOT, runOn } from './steps.mjs';

/** Directories are meant from where the command was called. */
const placed = (value, before) =>
  (before === '--from' || before === '--to') && !value.includes('://')
    ? path.resolve(process.env.KEYPOST_CALLED_FROM ?? ROOT, value)
    : value;

/** Moves all data from one database to another. */
export async function move(args) {
  await install();
  const placedArgs = args.map((value, i) => placed(value, args[i - 1]));
  process.exit(
    await runOn(process.execPath, ['scripts/oneFile.mjs', 'apps/server/src/move/main.ts', ...placedArgs]),
  );
}
