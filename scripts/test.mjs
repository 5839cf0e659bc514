import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import process from 'node:process';
import { chromium } from './chromium.mjs';
import { postgres } from './postgres.mjs';
import { build, Friendly, hear, install, ROOT } from './steps.mjs';

/** What the layers are looked at in. */
const SOURCES = ['packages', 'apps/app/src', 'apps/app/app', 'apps/server/src', 'e2e', 'bench'];

const RESULTS = path.join(ROOT, 'test-results');

function read(file) {
  try {
    return JSON.parse(readFileSync(path.join(RESULTS, file), 'utf8'));
  } catch {
    return undefined;
  }
}

/** Checks that each pass or fail as a whole, the longest first. */
const CHECKS = [
  ['Lint', 'eslint', ['.', '--max-warnings', '0']],
  ['Types of core, server and tests', 'tsc', ['-p', 'tsconfig.json']],
  ['Types of the interface', 'tsc', ['-p', 'apps/app/tsconfig.json']],
  ['Circles and layers', 'depcruise', ['--config', '.dependency-cruiser.cjs', ...SOURCES]],
  ['Format', 'prettier', ['--check', '--log-level', 'warn', '.']],
  ['Unused exports, files and packages', 'knip', []],
];

async function whole([name, command, args]) {
  const { code, said } = await hear('npx', [command, ...args]);
  console.log(`\n${name}\n${code === 0 ? 'passed' : `${said.trim()}\nFAILED`}`);
  return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
}

/** Does the checks, two at a time. */
async function checks() {
  const waiting = [...CHECKS];
  const done = [];
  const lane = async () => {
    for (let check = waiting.shift(); check; check = waiting.shift()) done.push(await whole(check));
  };
  await Promise.all([lane(), lane()]);
  return done;
}

/** Tests that mostly wait for processes of their own: they run while the interface is built. */
const WAITING = '/(durability|upgrade|postgres)\\.test\\.ts$';
const OTHERS = `^(?!.*${WAITING})`;

const JEST_ENV = { NODE_OPTIONS: '--experimental-vm-modules --no-warnings', CI: 'true' };

/** Unit tests whose paths match, by so many workers. */
async function unit(name, pattern, workers) {
  const report = `test-results/${name}.json`;
  const options = [`--maxWorkers=${workers}`, '--testTimeout=60000', '--json', `--outputFile=${report}`];
  const { code, said } = await hear('npx', ['jest', ...options, pattern], JEST_ENV);
  console.log(`\nUnit tests: ${name}\n${said.trim()}`);
  const result = read(`${name}.json`);
  if (!result) return { passed: 0, failed: 1 };
  const failed = result.numFailedTests + result.numRuntimeErrorTestSuites;
  return { passed: result.numPassedTests, failed: failed || (code === 0 ? 0 : 1) };
}

async function browser(executable) {
  const { code, said } = await hear('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
    KEYPOST_CHROMIUM: executable,
  });
  console.log(`\nBrowser tests\n${said.trim()}`);
  const stats = read('browser.json')?.stats;
  if (!stats) return { passed: 0, failed: 1 };
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected || (code === 0 ? 0 : 1) };
}

/** Builds the interface. @returns the browser to test it with; nothing, when there is none or it cannot be built. */
async function built() {
  try {
    await build();
    return await chromium();
  } catch (error) {
    if (!(error instanceof Friendly)) throw error;
    console.error(error.message);
    return undefined;
  }
}

/** Runs everything and ends with the line that says how it went. */
export async function test() {
  await install();
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  if (!(await postgres()))
    console.log(
      'PostgreSQL cannot be installed here: what is tested against a PostgreSQL server is skipped.',
    );
  const parts = [...(await checks()), await unit('unit', OTHERS, 2)];
  const [processes, executable] = await Promise.all([unit('processes', WAITING, 1), built()]);
  parts.push(processes, executable ? await browser(executable) : { passed: 0, failed: 1 });
  const sum = (key) => parts.reduce((total, part) => total + part[key], 0);
  console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`);
  process.exit(sum('failed') === 0 ? 0 : 1);
}
