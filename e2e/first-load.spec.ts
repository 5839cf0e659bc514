import { gzipSync } from 'node:zlib';
import { expect, test } from './site';

/** Most JavaScript, kB gzipped, before the board can be used; workers run beside the page and do not count. */
const BUDGET = 400;

test('the board can be used after 400 kB of program, gzipped', async ({ page }) => {
  // The moment at which the board is there is taken in the page itself: what is asked for later does not count.
  await page.addInitScript(() => {
    const watch = new MutationObserver(() => {
      if (!document.querySelector('a[aria-label^="PE-101 "]')) return;
      const rows = Array.from(document.querySelectorAll('a[aria-label]'), (row) =>
        row.getAttribute('aria-label'),
      );
      performance.mark('board', { detail: rows });
      watch.disconnect();
    });
    watch.observe(document, { childList: true, subtree: true });
  });
  await page.goto('/job/tern-rock');
  await expect(page.getByRole('link', { name: /^PE-101 / })).toBeVisible();
  const { before, rows } = await page.evaluate(() => {
    const [board] = performance.getEntriesByName('board') as PerformanceMark[];
    const asked = performance
      .getEntriesByType('resource')
      .filter(
        ({ name, startTime }) =>
          new URL(name).pathname.endsWith('.js') && startTime < (board?.startTime ?? 0),
      )
      .map(({ name }) => name);
    return { before: asked, rows: board?.detail as string[] };
  });
  // What is not worded yet is left out; its code is nothing to read.
  expect(rows.filter((row) => /\b[a-z]+\.[a-z]+(-[a-z]+)*\b/.test(row))).toEqual([]);
  expect(rows.length).toBeGreaterThan(5);
  const asked = before.filter((url) => !/\/(planning|progress)-/.test(url));
  const sizes = await Promise.all(
    asked.map(async (url) => gzipSync(await (await page.request.get(url)).body()).length / 1000),
  );
  const kilobytes = sizes.reduce((sum, size) => sum + size, 0);
  console.log(`first load: ${kilobytes.toFixed(0)} kB of JavaScript, gzipped`);
  expect(kilobytes).toBeGreaterThan(100);
  expect(kilobytes).toBeLessThanOrEqual(BUDGET);
});

test('a drawing stands before any schema is made', async ({ page }) => {
  await page.addInitScript(() => {
    const watch = new MutationObserver(() => {
      if (!document.querySelector('[role=group][aria-label] svg')) return;
      watch.disconnect();
      // The library of the schemas keeps this from when it is first run.
      performance.mark('drawing', { detail: '__zod_globalConfig' in globalThis });
    });
    watch.observe(document, { childList: true, subtree: true });
  });
  const hasSchemas = () =>
    page.evaluate(() => (performance.getEntriesByName('drawing') as PerformanceMark[])[0]?.detail as boolean);
  await page.goto('/job/tern-rock/point/pe-101');
  await expect.poll(hasSchemas).toBe(false);
  // They come when something needs them: here a kind of the job's own among what a channel can be.
  await expect.poll(() => page.evaluate(() => '__zod_globalConfig' in globalThis)).toBe(true);
});
