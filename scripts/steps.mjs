import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import path from 'node:path';
import process from 'node:process';
import { clearInterval, setInterval } from 'node:timers';
import { compressAll } from './compress.mjs';
import { firstScripts } from './firstScripts.mjs';
import { writeNotices } from './notices.mjs';

export const ROOT = path.resolve(import.meta.dirname, '..');

/** An error whose message is meant for the person at the terminal. */
export class Friendly extends Error {
  friendly = true;
}

/** Runs a command to its end; what it says goes to the terminal beside the answer. @returns its exit code. */
export function run(command, args, env = {}) {
  const child = spawn(command, args, {
    cwd: ROOT,
    stdio: ['inherit', 2, 2],
    env: { ...process.env, ...env },
  });
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** Runs a command beside others. @returns its exit code and all that it said. */
export function hear(command, args, env = {}) {
  const child = spawn(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  const said = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('close', (code) => resolve({ code: code ?? 1, said: Buffer.concat(said).toString() }));
  });
}

/** Runs a long-lived command and hands signals on; ends with its exit code. */
export function runOn(command, args, env = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  const hand = (signal) => () => child.kill(signal);
  process.on('SIGINT', hand('SIGINT'));
  process.on('SIGTERM', hand('SIGTERM'));
  return new Promise((resolve) => child.on('exit', (code) => resolve(code ?? 1)));
}

function hashOf(paths) {
  const hash = createHash('sha256');
  const visit = (file) => {
    if (!existsSync(file)) return;
    if (statSync(file).isDirectory()) {
      for (const name of readdirSync(file).sort())
        if (!['node_modules', 'dist', '.expo'].includes(name) && !/\.test\.tsx?$/.test(name))
          visit(path.join(file, name));
    } else hash.update(path.relative(ROOT, file)).update(readFileSync(file));
  };
  paths.forEach((p) => visit(path.join(ROOT, p)));
  return hash.digest('hex');
}

/** Does a step unless nothing that it depends on has changed since it was last done. */
async function unlessDone(name, paths, outcome, step) {
  const mark = path.join(ROOT, '.cache', `${name}.done`);
  const hash = hashOf(paths);
  if (existsSync(path.join(ROOT, outcome)) && existsSync(mark) && readFileSync(mark, 'utf8') === hash) return;
  await step();
  mkdirSync(path.dirname(mark), { recursive: true });
  writeFileSync(mark, hash);
}

/** Installs the packages of the lock file. */
export function install() {
  return unlessDone('install', ['package-lock.json'], 'node_modules/.package-lock.json', async () => {
    console.error('Installing packages from the lock file …');
    const code = await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
    if (code !== 0) throw new Friendly('The packages could not be installed. npm says why above.');
  });
}

/** Of two processors the bundler would leave one idle, and take twice as long. */
const ON_ALL = ['--max-workers', String(availableParallelism())];

/** Builds the interface. */
export function build() {
  return unlessDone(
    'build',
    [
      'apps/app',
      'packages',
      'package-lock.json',
      'scripts/compress.mjs',
      'scripts/firstScripts.mjs',
      'scripts/notices.mjs',
      'scripts/serviceWorker.mjs',
    ],
    'apps/app/dist/index.html',
    async () => {
      console.error('Building the interface: 1 to 4 minutes on a laptop, 8 on a slow machine …');
      const started = Date.now();
      const ticking = setInterval(
        () => console.error(`  still building, ${Math.round((Date.now() - started) / 1000)} s`),
        30_000,
      );
      const code = await run(
        'npm',
        ['exec', '--workspace', '@keypost/app', '--', 'expo', 'export', '--platform', 'web', ...ON_ALL],
        {
          EXPO_OFFLINE: '1',
          EXPO_NO_TELEMETRY: '1',
          CI: '1',
        },
      ).finally(() => clearInterval(ticking));
      if (code !== 0) throw new Friendly('The interface could not be built. The messages above say why.');
      console.error('Compressing what was built …');
      const dist = path.join(ROOT, 'apps/app/dist');
      firstScripts(dist);
      // Only here, for its packages may not be installed before.
      const { buildServiceWorker } = await import('./serviceWorker.mjs');
      await buildServiceWorker(path.join(ROOT, 'apps/app/worker/serviceWorker.ts'), dist);
      writeNotices(ROOT, dist);
      await compressAll(dist);
      console.error(
        `Built in ${Math.round((Date.now() - started) / 1000)} s; it is built again only after a change.`,
      );
    },
  );
}
