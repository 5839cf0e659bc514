import type { Browser, Page } from '@playwright/test';
import type { JobContent } from '@keypost/core/model';
import { madeJob } from './madeJob.ts';
import { mixedJob } from './mixedJob.ts';
import { onPage } from './onPage.ts';

/** A phone of some years in a hall with a weak net: Mbit/s, ms there and back, and how many times slower it computes. */
const NET = { megabits: 1.6, latency: 150 } as const;
const SLOWER = 4;

/** A page on such a phone; the first of a context has nothing in its store. */
async function onPhone(page: Page): Promise<() => number> {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: NET.latency,
    downloadThroughput: (NET.megabits * 1e6) / 8,
    uploadThroughput: (NET.megabits * 1e6) / 8,
  });
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  let bytes = 0;
  session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  return () => bytes;
}

/** Layout shift of a page until now, as the web counts it. */
const shiftOf = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((done) => {
        let sum = 0;
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries() as (PerformanceEntry & {
            value: number;
            hadRecentInput: boolean;
          })[])
            if (!entry.hadRecentInput) sum += entry.value;
        }).observe({ type: 'layout-shift', buffered: true });
        setTimeout(() => done(sum), 300);
      }),
  );

interface Loaded {
  readonly seconds: number;
  readonly again: number;
  readonly kilobytes: number;
  readonly shift: number;
}

/** How long a view takes from nothing until something of it can be seen, and when it is opened once more. */
async function load(browser: Browser, url: string, seen: (page: Page) => Promise<void>): Promise<Loaded> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  try {
    const once = async () => {
      const page = await context.newPage();
      page.setDefaultTimeout(120_000);
      const bytes = await onPhone(page);
      const start = performance.now();
      await page.goto(url, { waitUntil: 'commit' });
      await seen(page);
      const seconds = (performance.now() - start) / 1000;
      const kilobytes = bytes() / 1000;
      const shift = await shiftOf(page);
      // What is kept for reading without network follows in its own time; the next load finds it.
      await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
      await page.waitForTimeout(3000);
      await page.close();
      return { seconds, kilobytes, shift };
    };
    const first = await once();
    const { seconds: again } = await once();
    return { ...first, again };
  } finally {
    await context.close();
  }
}

const told = (name: string, { seconds, again, kilobytes, shift }: Loaded, wanted: string): void =>
  console.log(
    `  ${name.padEnd(38)}${seconds.toFixed(1)} s (${wanted}), ${kilobytes.toFixed(0)} kB; again ${again.toFixed(1)} s; shift ${shift.toFixed(3)}`,
  );

/** The first row of a job's Board. */
const firstRow = (page: Page): Promise<void> =>
  page.getByRole('list', { name: 'Points' }).getByRole('link').first().waitFor();

/** Loads with an empty store on a slow phone in a slow net, and the Board of large jobs on this machine. */
export async function coldLoads(): Promise<void> {
  console.log(`Cold loads: ${NET.megabits} Mbit/s, ${NET.latency} ms, processor ${SLOWER} times slower`);
  await onPage(
    'Cold loads',
    () => mixedJob(60),
    async ({ page, base, id }) => {
      const browser = page.context().browser();
      if (!browser) return;
      const jobs = await load(browser, base, (own) => own.getByText('Mixed job of 60').first().waitFor());
      told('job list', jobs, 'wanted 5');
      told('Board', await load(browser, `${base}/job/${id}`, firstRow), 'wanted 7');
      const rows = await fetch(`${base}/api/jobs/${id}`);
      const { content } = (await rows.json()) as { content: JobContent };
      const [point] = content.points;
      const drawing = (own: Page) => own.getByRole('group', { name: /./ }).locator('svg').first().waitFor();
      told(
        'drawing of a point',
        await load(browser, `${base}/job/${id}/point/${point?.id ?? ''}`, drawing),
        'wanted 7',
      );
    },
  );
  for (const count of [488, 1769])
    await onPage(
      `The Board of ${count} points`,
      () => madeJob(count),
      async ({ page, base, id }) => {
        const start = performance.now();
        await page.goto(`${base}/job/${id}`, { waitUntil: 'commit' });
        await firstRow(page);
        const seconds = (performance.now() - start) / 1000;
        const nodes = await page.evaluate(() => document.querySelectorAll('*').length);
        console.log(
          `  ${`Board of ${count} points, first row`.padEnd(38)}${seconds.toFixed(1)} s (wanted 1), ${nodes} nodes; not throttled`,
        );
      },
    );
}
