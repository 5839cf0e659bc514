import { readFile } from 'node:fs/promises';
import path from 'node:path';
import process from 'node:process';
import { pathToFileURL } from 'node:url';
import { postgresPrograms } from './postgres.mjs';
import { install, ROOT, run, runOn } from './steps.mjs';

/** Runs every measurement; `siege [MINUTES]`, which takes ten, alone. */
export async function bench([which, minutes = '10'] = []) {
  await install();
  if (which !== 'siege') {
    const code = await run(process.execPath, [await inOneFile('bench/core.ts')]);
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

/**
 * Puts a program and what it takes from this repository into one file, as a build of the app does: a function of the
 * core runs up to half as fast again as when each of its files is loaded alone.
 * @returns where the file is.
 */
async function inOneFile(program) {
  const { build } = await import('esbuild');
  const outfile = path.join(ROOT, '.cache', `${path.basename(program, '.ts')}.mjs`);
  await build({
    entryPoints: [path.join(ROOT, program)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
    plugins: [{ name: 'own', setup: onlyOwn }],
  });
  return outfile;
}

/** Packages of others stay where they are, and a file still finds what lies beside it. */
function onlyOwn({ onResolve, onLoad }) {
  onResolve({ filter: /^[^./]/ }, ({ path: name, kind }) =>
    kind === 'entry-point' || name.startsWith('@keypost/') ? undefined : { external: true },
  );
  onLoad({ filter: /\/here\.ts$/ }, async ({ path: file }) => ({
    contents: (await readFile(file, 'utf8')).replaceAll(
      'import.meta.url',
      JSON.stringify(pathToFileURL(file).href),
    ),
    loader: 'ts',
  }));
}
