import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

const SCRIPTS = path.resolve(import.meta.dirname, '../apps/app/dist/_expo/static/js/web');

/** Sizes of the built interface, kB gzipped: what comes before the board, what follows it, and the two workers. */
export function firstLoad(): void {
  let names: string[] = [];
  try {
    names = readdirSync(SCRIPTS).filter((name) => name.endsWith('.js'));
  } catch {
    console.log('first load: not built yet');
    return;
  }
  for (const name of names.sort()) {
    const kilobytes = gzipSync(readFileSync(path.join(SCRIPTS, name))).length / 1000;
    const first = name.startsWith('entry-') || name.startsWith('__common');
    console.log(
      `${name.replace(/-[0-9a-f]+\.js$/, '').padEnd(12)} ${kilobytes.toFixed(0).padStart(4)} kB gzipped${first ? ', before the board' : ''}`,
    );
  }
}
