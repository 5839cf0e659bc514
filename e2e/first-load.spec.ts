import { expect, test } from '@playwright/test';
import { gzipSync } from 'node:zlib';

/** Most JavaScript, kB gzipped, before the board can be used; workers run beside the page and do not count. */
const BUDGET = 450;

test('the board can be used after 450 kB of program, gzipped', async ({ page }) => {
  const asked: Promise<number>[] = [];
  page.on('response', (response) => {
    const { pathname } = new URL(response.url());
    if (pathname.endsWith('.js') && !/\/(planning|progress)-/.test(pathname))
      asked.push(response.body().then((body) => gzipSync(body).length / 1000));
  });
  await page.goto('/job/tern-rock');
  await expect(page.getByRole('link', { name: /^PE-101 / })).toBeVisible();
  const before = [...asked];
  const kilobytes = (await Promise.all(before)).reduce((sum, size) => sum + size, 0);
  console.log(`first load: ${kilobytes.toFixed(0)} kB of JavaScript, gzipped`);
  expect(kilobytes).toBeGreaterThan(100);
  expect(kilobytes).toBeLessThanOrEqual(BUDGET);
});
