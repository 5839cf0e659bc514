import { mixedJob } from './mixedJob.ts';
import { onPage } from './onPage.ts';

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
  await onPage(
    'The page’s longest block',
    () => mixedJob(500),
    async ({ page, base, id }) => {
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
          for (const { startTime, duration } of list.getEntries())
            blocked.push({ start: startTime, duration });
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
        const max = Math.max(0, ...rows.map(({ duration }) => duration));
        return max ? `${max.toFixed(0)} ms` : 'none above 50 ms';
      };
      console.log('The page while a worker checks 500 points');
      console.log(`  the check takes                       ${((after - posted) / 1000).toFixed(2)} s`);
      console.log(
        `  longest block while the worker runs   ${longest(during.filter(({ start }) => start < after - 100))}`,
      );
      console.log(
        `  longest block while it is drawn       ${longest(during.filter(({ start }) => start >= after - 100))}`,
      );
    },
  );
}
