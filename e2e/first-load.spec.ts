import { expect, test } from '@playwright/test';
import { gzipSync } from 'node:zlib';

/** Most JavaScript, kB gzipped, before the board can be used; workers run beside the page and do not count. */
const BUDGET = 450;

test('the board can be used after 450 kB of program, gzipped', async ({ page }) => {
  // The moment at which the board is there is taken in the page itself: what is asked for later does not count.
  await page.addInitScript(() => {
    const watch = new MutationObserver(() => {
      if (!document.querySelector('a[aria-label^="PE-101 "]')) return;
      performance.mark('board');
      watch.disconnect();
    });
    watch.observe(document, { childList: true, subtree: true });
  });
  await page.goto('/job/tern-rock');
  await expect(page.getByRole('link', { name: /^PE-101 / })).toBeVisible();
  const before = await page.evaluate(() => {
    const [board] = performance.getEntriesByName('board');
    return performance
      .getEntriesByType('resource')
      .filter(
        ({ name, startTime }) =>
          new URL(name).pathname.endsWith('.js') && startTime < (board?.startTime ?? 0),
      )
      .map(({ name }) => name);
  });
  const asked = before.filter((url) => !/\/(planning|progress)-/.test(url));
  const sizes = await Promise.all(
    asked.map(async (url) => gzipSync(await (await page.request.get(url)).body()).length / 1000),
  );
  const kilobytes = sizes.reduce((sum, size) => sum + size, 0);
  console.log(`first load: ${kilobytes.toFixed(0)} kB of JavaScript, gzipped`);
  expect(kilobytes).toBeGreaterThan(100);
  expect(kilobytes).toBeLessThanOrEqual(BUDGET);
});
