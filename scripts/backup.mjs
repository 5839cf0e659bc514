import path from 'node:path';
import process from 'node:process';
import { install, ROOT, runOn } from './steps.mjs';

/** Files and directories are meant from where the command was called. */
const placed = (value, before) =>
  value.startsWith('-') || before === '--port' || before === '--database'
    ? value
    : path.resolve(process.env.KEYPOST_CALLED_FROM ?? ROOT, value);

/** Makes a backup, puts one back, or says whether a Key Post runs. */
export async function backup(what, args) {
  await install();
  process.exit(
    await runOn(process.execPath, [
      'scripts/oneFile.mjs',
      'apps/server/src/backup/main.ts',
      what,
      ...args.map((value, i) => placed(value, args[i - 1])),
    ]),
  );
}
