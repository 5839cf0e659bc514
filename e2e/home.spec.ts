import type { Page } from '@playwright/test';
import { Resvg } from '@resvg/resvg-js';
import { readFileSync } from 'node:fs';
import { expect, test } from './site';
import { BOARD } from './story';

const SETTINGS = ['keypost.settings', JSON.stringify({ by: 'JT', theme: 'light' })] as const;

test.beforeEach(async ({ page }) => {
  await page.addInitScript(([key, value]) => localStorage.setItem(key, value), SETTINGS);
});

test('files with a name of their own are kept for good, the page is asked for anew, a missing one is missing', async ({
  request,
}) => {
  const head = async (path: string) => {
    const answer = await request.get(path, { headers: { 'accept-encoding': 'br' } });
    const headers = answer.headers();
    return { status: answer.status(), kept: headers['cache-control'], packed: headers['content-encoding'] };
  };
  for (const path of ['/', '/index.html', '/job/tern-rock', '/manifest.webmanifest', '/sw.js'])
    expect([path, await head(path)]).toMatchObject([path, { status: 200, kept: 'no-cache' }]);
  const page = await (await request.get('/')).text();
  const scripts = [...page.matchAll(/src="(\/_expo\/[^"]+)"/g)].map(([, path = '']) => path);
  expect(scripts.length).toBeGreaterThan(1);
  for (const path of scripts) {
    const kept = { status: 200, kept: 'public, max-age=31536000, immutable' };
    // The lines that start it fit into one packet.
    const packed = /\/(?:start|ahead)-/.test(path) ? {} : { packed: 'br' };
    expect([path, await head(path)]).toMatchObject([path, { ...kept, ...packed }]);
  }
  expect((await head('/_expo/static/js/web/gone.js')).status).toBe(404);
  const manifest = (await (await request.get('/manifest.webmanifest')).json()) as {
    icons: { src: string }[];
  };
  for (const { src } of manifest.icons) expect((await head(src)).status).toBe(200);
});

test('the page stands before its fonts are in, and they are small', async ({ page }) => {
  await page.route('**/*.woff2', () => undefined);
  await page.goto('/job/tern-rock');
  await expect(page.getByRole('link', { name: /^PE-101 / })).toBeVisible();
  await page.unroute('**/*.woff2');
  await page.reload();
  const sizes = () =>
    page.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter(({ name }) => name.endsWith('.woff2'))
        .map(({ decodedBodySize }) => decodedBodySize),
    );
  await expect.poll(async () => (await sizes()).length).toBeGreaterThan(2);
  for (const size of await sizes()) expect(size).toBeLessThan(20_000);
});

test('nothing that the page begins with breaks the rules it was served with', async ({ page }) => {
  await page.addInitScript(() => {
    const broken: string[] = [];
    document.addEventListener('securitypolicyviolation', ({ violatedDirective, blockedURI }) =>
      broken.push(`${violatedDirective} ${blockedURI}`),
    );
    Object.assign(window, { broken });
  });
  for (const path of ['/', '/job/tern-rock', '/job/tern-rock/point/pe-101']) {
    await page.goto(path);
    await expect(page.getByRole('link').first()).toBeVisible();
    expect(await page.evaluate(() => (window as unknown as { broken: string[] }).broken)).toEqual([]);
  }
});

test('each page has its title, and the Board is found again where it was left', async ({ page }) => {
  await page.goto('/job/tern-rock');
  // Once it is worked out how far each is: that orders the list.
  const row = page.getByRole('link', { name: /^LT-270 .*Next/ });
  await row.scrollIntoViewIfNeeded();
  await row.click();
  await expect(page).toHaveTitle(/^LT-270 Land, Header tank level/);
  // Stages are parts of one page: they do not fill the history.
  await page.getByRole('tab', { name: 'Prove' }).click();
  await expect(page).toHaveTitle(/^LT-270 Prove, Header tank level/);
  await page.goBack();
  await expect(page).toHaveTitle(/^Board, Recirculation hall/);
  await expect(row).toBeInViewport();
  await page.reload();
  await expect(row).toBeInViewport();
});

/** How many pages of paper a page of the application takes, printed as the browser does. */
const pagesOf = async (page: Page): Promise<number> =>
  Number(/\/Count (\d+)/.exec((await page.pdf({ format: 'A4' })).toString('latin1'))?.[1]);

test('a page is printed whole, in black on white, and labels with their codes', async ({ page }) => {
  await page.addInitScript(() =>
    localStorage.setItem('keypost.settings', JSON.stringify({ by: 'JT', theme: 'dark' })),
  );
  await page.goto(BOARD);
  await expect(page.getByRole('link', { name: /PX-104/ })).toBeVisible();
  expect(await pagesOf(page)).toBeGreaterThan(3);
  await page.goto(`${BOARD}/point/pt-221/scale`);
  await expect(page.getByText('Error budget')).toBeAttached();
  expect(await pagesOf(page)).toBeGreaterThan(1);
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await page.emulateMedia({ media: 'print' });
  const paper = await page.evaluate(() => ({
    ground: getComputedStyle(document.body).backgroundColor,
    words: getComputedStyle(document.querySelector('main h1') as Element).color,
    high: document.documentElement.scrollHeight,
  }));
  expect(paper).toMatchObject({ ground: 'rgb(255, 255, 255)', words: 'rgb(0, 0, 0)' });
  expect(paper.high).toBeGreaterThan(1500);
  await expect(page.getByRole('navigation')).toBeHidden();
  await page.emulateMedia({ media: null });

  await page.goto(`${BOARD}/about`);
  await page.getByRole('link', { name: /Labels with codes/ }).click();
  await page.getByLabel('Address of this server').fill('hall');
  await expect(page.getByRole('alert')).toContainText('begins with http');
  await page.getByLabel('Address of this server').fill('http://192.168.10.5:4100');
  await expect(page.getByRole('img', { name: /Page 1 of 7/ })).toBeVisible();
  expect(await pagesOf(page)).toBe(7);
});

test('a group of radios is one stop of the tab key; arrows choose, the space bar ticks', async ({ page }) => {
  await page.goto('/job/tern-rock/point/pe-101');
  const [away, present] = [
    page.getByRole('radio', { name: 'Target away' }),
    page.getByRole('radio', { name: 'Target present' }),
  ];
  await expect(away).toBeChecked();
  // Once the page has settled: before that a key may come upon what is drawn anew.
  await expect(async () => {
    await away.focus();
    await page.keyboard.press('ArrowRight');
    await expect(present).toBeChecked({ timeout: 1000 });
  }).toPass();
  await expect(present).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(away).not.toBeFocused();
  await page.goto('/job/tern-rock/allocate');
  await page.getByRole('button', { name: 'Pin some' }).click();
  const tick = page.getByRole('checkbox').first();
  await tick.focus();
  await page.keyboard.press('Space');
  await expect(tick).toBeChecked();
});

test.describe('without network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('jobs that were open can be read, and the page says from when it is', async ({ page, context }) => {
    await page.goto('/job/tern-rock');
    await expect(page.getByRole('link', { name: /^PE-101 / })).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // From now on what is read goes through it.
    await page.reload();
    await expect(page.getByRole('link', { name: /^PE-101 / })).toBeVisible();
    await expect
      .poll(() => page.evaluate(async () => (await (await caches.open('keypost-read')).keys()).length))
      .toBeGreaterThan(0);
    await context.setOffline(true);
    await page.goto('/job/tern-rock/point/pe-101');
    await expect(page.getByRole('status').filter({ hasText: 'No network' })).toContainText(
      'It is as it was on',
    );
    await expect(page.getByRole('radio', { name: 'Target present' })).toBeVisible();
    await context.setOffline(false);
    await page.reload();
    await expect(page.getByRole('radio', { name: 'Target present' })).toBeVisible();
    await expect(page.getByText('No network')).toHaveCount(0);
  });
});

/** The share of squares of 8 pixels that are of another grey in two pictures of one size, 0 to 1. */
const differing = (page: Page, pictures: readonly string[]): Promise<number> =>
  page.evaluate(async (sources) => {
    const greys = await Promise.all(
      sources.map(async (source) => {
        const image = new Image();
        image.src = source;
        await image.decode();
        const [width, height] = [Math.round(image.width / 8), Math.round(image.height / 8)];
        const canvas = document.createElement('canvas');
        Object.assign(canvas, { width, height });
        const context = canvas.getContext('2d');
        if (!context) throw new Error('no canvas');
        context.imageSmoothingQuality = 'high';
        context.drawImage(image, 0, 0, width, height);
        const { data } = context.getImageData(0, 0, width, height);
        return Array.from({ length: width * height }, (_, i) => (data[4 * i] ?? 0) + (data[4 * i + 1] ?? 0));
      }),
    );
    const [a = [], b = []] = greys;
    if (a.length !== b.length) throw new Error(`${a.length} and ${b.length} squares`);
    return a.filter((grey, i) => Math.abs(grey - (b[i] ?? 0)) > 100).length / a.length;
  }, pictures);

test('a drawing that was saved looks alike in a browser and in a renderer without our letters', async ({
  page,
  context,
}) => {
  const blank = await context.newPage();
  await blank.goto('about:blank');
  const uri = (type: string, bytes: Buffer) => `data:${type};base64,${bytes.toString('base64')}`;
  for (const id of ['pe-101', 'ft-233', 'gs-212']) {
    await page.goto(`${BOARD}/point/${id}`);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save the drawing' }).click(),
    ]);
    const svg = readFileSync(await download.path(), 'utf8');
    const width = Number(/ width="([\d.]+)"/.exec(svg)?.[1]);
    expect(svg).not.toMatch(/style=|currentColor|var\(|<(image|foreignObject|script)/);
    const drawn = new Resvg(svg, { font: { loadSystemFonts: true } }).render().asPng();
    const shown = uri('image/svg+xml', Buffer.from(svg));
    const share = await differing(blank, [uri('image/png', drawn), shown]);
    expect([id, width > 100, share]).toEqual([id, true, expect.any(Number)]);
    expect(share).toBeLessThan(0.02);
    // What is told apart here: the same without its letters.
    const bare = new Resvg(svg.replace(/<text[\s\S]*?<\/text>/g, '')).render().asPng();
    expect(await differing(blank, [uri('image/png', bare), shown])).toBeGreaterThan(0.02);
  }
});
