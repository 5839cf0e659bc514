import type { Page } from '@playwright/test';
import type { ChildProcess } from 'node:child_process';
import { cpSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from './site';
import { freePort } from '../apps/server/test/freePort.ts';
import { ROOT, scratch, startServer, stopServer } from './serve';

test.use({ serviceWorkers: 'allow' });

const folder = scratch();
const web = path.join(folder, 'web');
let server: ChildProcess | undefined;
let base = '';

test.beforeAll(async () => {
  cpSync(path.join(ROOT, 'apps/app/dist'), web, { recursive: true });
  const port = await freePort();
  base = `http://127.0.0.1:${port}`;
  server = await startServer(path.join(folder, 'data'), port, false, web);
});

test.afterAll(async () => {
  if (server) await stopServer(server);
  rmSync(folder, { recursive: true, force: true });
});

/** Puts another make of the program in the place of the one that is served: the page bears its number. */
function upgrade(make: number): void {
  const write = (name: string, change: (text: string) => string) => {
    const file = path.join(web, name);
    const text = readFileSync(file, 'utf8');
    const changed = change(text);
    expect(changed).not.toBe(text);
    writeFileSync(file, changed);
    for (const kind of ['br', 'gz']) rmSync(`${file}.${kind}`, { force: true });
  };
  write('index.html', (text) =>
    text
      .replace(/<meta name="make"[^>]*>/, '')
      .replace('<head>', `<head><meta name="make" content="${make}">`),
  );
  write('sw.js', (text) =>
    text.replace(/(url:"\/index\.html",revision:")[^"]*/, (_, before: string) => `${before}${make}`),
  );
}

const makeOf = (page: Page) => page.locator('meta[name="make"]').getAttribute('content', { timeout: 1000 });

test('a newer program is taken up: at once, or when it is told to where somebody works', async ({ page }) => {
  const job = `${base}/job/tern-rock`;
  const firstRow = page.getByRole('link', { name: /^PE-101 / });
  await page.goto(job);
  await expect(firstRow).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  upgrade(2);
  // The page is shown as it was kept, and gives way by itself as soon as the newer one is here.
  await page.goto(job);
  await expect(page.locator('meta[name="make"][content="2"]')).toBeAttached();
  await expect(firstRow).toBeVisible();

  await page.keyboard.press('Shift');
  upgrade(3);
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await expect(page.getByText('A newer Key Post has come')).toBeVisible();
  expect(await makeOf(page)).toBe('2');
  await page.getByRole('button', { name: 'Load the newer one' }).click();
  await expect(page.locator('meta[name="make"][content="3"]')).toBeAttached();
  await expect(firstRow).toBeVisible();
  await expect(page.getByText('A newer Key Post has come')).toHaveCount(0);
});

test('a file and the interface for programs are no page', async ({ page }) => {
  await page.goto(`${base}/`);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.goto(`${base}/api/health`);
  await expect(page.locator('body')).toContainText('"ok":true');
  const missing = await page.goto(`${base}/missing.pdf`);
  expect(missing?.status()).toBe(404);
});

test('a page that does not arrive says so, and what to do; it is not just white', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.route(/\/pages-\w+\.js/, (route) => route.abort());
  await page.goto(`${base}/job/tern-rock`);
  const row = page.getByRole('link', { name: /^PE-101 / });
  const lost = page.getByRole('heading', { name: 'This page did not arrive' });
  // The Board stands without what lies beside it, and says so.
  await expect(page.getByText('A part of this page did not arrive')).toBeVisible();
  await row.click();
  await expect(lost).toBeVisible();
  await page.goBack();
  await row.click();
  await expect(lost).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('what you typed stays on this device');
  await page.unroute(/\/pages-\w+\.js/);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page).toHaveURL(/\/point\/pe-101$/);
  await expect(page.getByRole('radio', { name: 'Target present' })).toBeVisible();
  await context.close();
});
