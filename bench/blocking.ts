import { mixedJob } from './mixedJob.ts';
import { onPage } from './onPage.ts';

/** A stretch in which the page could not answer, ms. */
interface Blocked {
  readonly start: number;
  readonly duration: number;
}

/**
 * The longest time for which the page cannot answer while a worker checks a job of 500 points, against the time that
 * the check takes: from handing the job to the worker to its answer.
 */
export async function blocking(): Promise<void> {
  await onPage(
    'The page’s longest block',
    () => mixedJob(500),
    async ({ page, base, id }) => {
      await page.addInitScript(() => {
        const blocked: Blocked[] = [];
        const times = { posted: 0, answered: 0 };
        Object.assign(window, { blocked, times });
        const { Worker } = window;
        window.Worker = class extends Worker {
          constructor(url: string | URL) {
            super(url);
            this.addEventListener('message', () => (times.answered ||= performance.now()));
          }
          override postMessage(...given: [unknown]): void {
            super.postMessage(...given);
            times.posted ||= performance.now();
          }
        };
        new PerformanceObserver((list) => {
          for (const { startTime, duration } of list.getEntries())
            blocked.push({ start: startTime, duration });
        }).observe({ type: 'longtask', buffered: true });
      });
      await page.goto(`${base}/job/${id}`);
      await page.getByRole('list', { name: 'Points' }).getByRole('link').first().waitFor();
      const read = () =>
        page.evaluate(() => {
          const { blocked: all, times } = window as unknown as {
            blocked: Blocked[];
            times: { posted: number; answered: number };
          };
          return { blocked: all, ...times };
        });
      while ((await read()).answered === 0) await page.waitForTimeout(250);
      await page.waitForTimeout(2000);
      const { blocked, posted, answered: after } = await read();
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
