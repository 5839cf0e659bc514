import { chromium } from '@playwright/test';
import { writeJobFile } from '@keypost/core';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort, startServer, stopServer } from '../e2e/serve.ts';
import { mixedJob } from './mixedJob.ts';

const BROWSER = process.env.KEYPOST_CHROMIUM ?? '/usr/bin/chromium';

/** A stretch in which the page could not answer, ms. */
interface Blocked {
  readonly start: number;
  readonly duration: number;
}

/**
 * The longest time for which the page cannot answer while a worker checks a job of 500 points, against the time that
 * the check takes: from handing the job to the worker to all marks on the Board.
 */
export async function blocking(): Promise<void> {
  if (!existsSync(BROWSER)) {
    console.log(`The page’s longest block is not measured: there is no browser at ${BROWSER}.`);
    return;
  }
  const data = mkdtempSync(path.join(os.tmpdir(), 'keypost-bench-'));
  const port = await freePort();
  const server = await startServer(data, port);
  const browser = await chromium.launch({ executablePath: BROWSER, args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const base = `http://127.0.0.1:${port}`;
    const answer = await fetch(`${base}/api/jobs/import?by=BN`, {
      method: 'POST',
      headers: { 'content-type': 'text/plain' },
      body: writeJobFile(mixedJob(500)),
    });
    const { id } = (await answer.json()) as { id: string };
    const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
    await page.addInitScript(() => {
      const blocked: Blocked[] = [];
      Object.assign(window, { blocked, posted: 0 });
      const { Worker } = window;
      window.Worker = class extends Worker {
        override postMessage(...given: [unknown]): void {
          super.postMessage(...given);
          Object.assign(window, { posted: performance.now() });
        }
      };
      new PerformanceObserver((list) => {
        for (const { startTime, duration } of list.getEntries()) blocked.push({ start: startTime, duration });
      }).observe({ type: 'longtask', buffered: true });
    });
    await page.goto(`${base}/job/${id}`);
    await page.getByRole('list', { name: 'Points' }).getByRole('link').first().waitFor();
    const after = await page.evaluate(() => performance.now());
    await page.waitForTimeout(2000);
    const { blocked, posted } = await page.evaluate(() => {
      const { blocked: all, posted: at } = window as unknown as { blocked: Blocked[]; posted: number };
      return { blocked: all, posted: at };
    });
    const during = blocked.filter(({ start }) => start > posted);
    const longest = (rows: readonly Blocked[]): string => {
      const most = Math.max(0, ...rows.map(({ duration }) => duration));
      return most ? `${most.toFixed(0)} ms` : 'none above 50 ms';
    };
    console.log('The page while a worker checks 500 points');
    console.log(`  the check takes                       ${((after - posted) / 1000).toFixed(2)} s`);
    console.log(
      `  longest block while the worker runs   ${longest(during.filter(({ start }) => start < after - 100))}`,
    );
    console.log(
      `  longest block while it is drawn       ${longest(during.filter(({ start }) => start >= after - 100))}`,
    );
  } finally {
    await browser.close();
    await stopServer(server);
    rmSync(data, { recursive: true, force: true });
  }
}
