import { build } from 'esbuild';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';

/** Files whose name changes with what is in them need no mark of their own. */
const HASHED = /^\/(?:_expo|assets)\//;
const SHELL = /\.(?:js|css|html|woff2|wasm|svg|webmanifest)$/;

/** Builds the service worker into a built application, with the list of the files that it keeps. */
export async function buildServiceWorker(source, folder) {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((name) => `/${name.split(path.sep).join('/')}`)
    .filter((url) => url !== '/sw.js' && SHELL.test(url) && statSync(path.join(folder, url)).isFile())
    .sort()
    .map((url) => ({
      url,
      revision: HASHED.test(url)
        ? null
        : createHash('sha256')
            .update(readFileSync(path.join(folder, url)))
            .digest('hex')
            .slice(0, 16),
    }));
  await build({
    entryPoints: [source],
    outfile: path.join(folder, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { FILES: JSON.stringify(files), 'process.env.NODE_ENV': '"production"' },
    logLevel: 'error',
  });
}
