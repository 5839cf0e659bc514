import { readFile, rm } from 'node:fs/promises';
import path from 'node:path';
import process from 'node:process';
import { pathToFileURL } from 'node:url';

const ROOT = path.resolve(import.meta.dirname, '..');

/**
 * Puts a program and what it takes from this repository into one file, as a build of the app does: it answers a
 * quarter sooner than when each of its files is loaded alone, and the core runs up to half as fast again.
 * @param program path from the root of the repository.
 * @returns where the file is; of this process alone, since others may be starting the same.
 */
async function inOneFile(program) {
  const { build, stop } = await import('esbuild');
  const name = program.replace(/\.ts$/, '').replaceAll(/[^a-z]+/gi, '-');
  const outfile = path.join(ROOT, '.cache', `${name}-${process.pid}.mjs`);
  await build({
    entryPoints: [path.join(ROOT, program)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
    plugins: [{ name: 'own', setup: onlyOwn }],
  });
  await stop();
  return outfile;
}

/** Packages of others stay where they are, and a file of the server still finds what lies beside it. */
function onlyOwn({ onResolve, onLoad }) {
  onResolve({ filter: /^[^./]/ }, ({ path: name, kind }) =>
    kind === 'entry-point' || name.startsWith('@keypost/') ? undefined : { external: true },
  );
  onLoad({ filter: /apps\/server\/src\/.*\.ts$/ }, async ({ path: file }) => ({
    contents: (await readFile(file, 'utf8')).replaceAll(
      'import.meta.url',
      JSON.stringify(pathToFileURL(file).href),
    ),
    loader: 'ts',
  }));
}

/** Runs a program as if it had been started with what follows its name: `node scripts/oneFile.mjs PROGRAM …`. */
const [node, , program, ...args] = process.argv;
const file = await inOneFile(program);
process.argv = [node, file, ...args];
try {
  await import(pathToFileURL(file).href);
} finally {
  await rm(file, { force: true });
}
