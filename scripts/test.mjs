import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import process from 'node:process';
import { chromium } from './chromium.mjs';
import { build, Friendly, install, ROOT, run } from './steps.mjs';

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

/** One check that passes or fails as a whole. */
function whole(name, command, args) {
  console.log(`\n${name}`);
  const passed = run(command, args) === 0;
  console.log(passed ? 'passed' : 'FAILED');
  return { passed: passed ? 1 : 0, failed: passed ? 0 : 1 };
}

function unit() {
  console.log('\nUnit tests');
  const code = run(
    'npx',
    ['jest', '--maxWorkers=2', '--testTimeout=60000', '--json', '--outputFile=test-results/unit.json'],
    {
      NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
      CI: 'true',
    },
  );
  const report = read('unit.json');
  if (!report) return { passed: 0, failed: 1 };
  const failed = report.numFailedTests + report.numRuntimeErrorTestSuites;
  return { passed: report.numPassedTests, failed: failed || (code === 0 ? 0 : 1) };
}

function browser(executable) {
  console.log('\nBrowser tests');
  const code = run('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
    KEYPOST_CHROMIUM: executable,
  });
  const stats = read('browser.json')?.stats;
  if (!stats) return { passed: 0, failed: 1 };
  return { passed: stats.expected + stats.flaky, failed: stats.unexpected || (code === 0 ? 0 : 1) };
}

/** Runs everything and ends with the line that says how it went. */
export async function test() {
  install();
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  const parts = [
    whole('Types of core, server and tests', 'npx', ['tsc', '-p', 'tsconfig.json']),
    whole('Types of the interface', 'npx', ['tsc', '-p', 'apps/app/tsconfig.json']),
    whole('Lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
    whole('Circles and layers', 'npx', ['depcruise', '--config', '.dependency-cruiser.cjs', ...SOURCES]),
    whole('Unused exports, files and packages', 'npx', ['knip']),
    whole('Format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']),
    unit(),
  ];
  try {
    const executable = chromium();
    build();
    parts.push(browser(executable));
  } catch (error) {
    if (!(error instanceof Friendly)) throw error;
    console.error(error.message);
    parts.push({ passed: 0, failed: 1 });
  }
  const sum = (key) => parts.reduce((total, part) => total + part[key], 0);
  console.log(`\n${sum('passed')} passed, ${sum('failed')} failed`);
  process.exit(sum('failed') === 0 ? 0 : 1);
}
