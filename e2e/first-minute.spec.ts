import { expect, test } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';
import type { ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { freePort, scratch, startServer, stopServer } from './serve';
import { verdict } from './story';

let server: ChildProcess;
let home: string;
const data = scratch();

test.beforeAll(async () => {
  const port = await freePort();
  server = await startServer(data, port, true);
  home = `http://127.0.0.1:${port}/`;
});
test.afterAll(async () => {
  await stopServer(server);
  rmSync(data, { recursive: true, force: true });
});

/** A thumb that counts what it does. */
class Thumb {
  taps = 0;
  fields = 0;
  readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }

  async tap(what: Locator): Promise<void> {
    this.taps++;
    await what.click();
  }

  async type(what: Locator, text: string): Promise<void> {
    this.fields++;
    await what.fill(text);
  }

  /** Finds a device by a word and takes it. */
  async takeDevice(word: string, name: RegExp): Promise<void> {
    await this.tap(this.page.getByRole('combobox', { name: 'Device', exact: true }));
    await this.type(this.page.getByLabel('Search'), word);
    await this.tap(this.page.getByRole('dialog').getByRole('radio', { name }));
  }
}

/** Opens the question of an empty store on a device that knows nobody. */
async function asked(page: Page): Promise<Thumb> {
  await page.goto(home);
  const thumb = new Thumb(page);
  await thumb.tap(page.getByRole('link', { name: /^Will it work together/ }));
  return thumb;
}

test('an empty store shows three ways in, and each leads somewhere', async ({ page }) => {
  await page.goto(home);
  await expect(page.getByRole('link', { name: /^Will it work together/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
  await page.getByRole('button', { name: 'Look around in a made-up job' }).click();
  await expect(page.getByRole('link', { name: /^PE-101 / })).toBeVisible();
});

test('a sensor on an input: a right verdict in 6 taps, kept with two fields', async ({ page }) => {
  const thumb = await asked(page);
  await thumb.takeDevice('prox', /^Inductive proximity sensor, three-wire/);
  await expect(verdict(page)).toContainText('Works.');
  await thumb.tap(page.getByRole('radio', { name: 'NPN' }));
  await expect(verdict(page)).toContainText('both pull to 0');
  await thumb.tap(page.getByRole('radio', { name: /sink or source/ }));
  await thumb.tap(page.getByRole('radio', { name: 'On +24 V' }));
  await expect(verdict(page)).toContainText('Works. The sensor pulls the input to 0');
  expect(thumb.taps).toBeLessThanOrEqual(6);

  // Only the search was typed so far, and that could be left out.
  thumb.fields = 0;
  await page.getByLabel('Your initials').fill('JT');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await thumb.type(page.getByLabel('Tag'), 'PX-1');
  await thumb.type(page.getByLabel('What it is for'), 'Tray at infeed');
  await thumb.tap(page.getByRole('button', { name: 'Keep it' }));
  await expect(page.getByRole('heading', { name: /^PX-1/ })).toBeVisible();
  await expect(verdict(page)).toContainText('Works. The sensor pulls the input to 0');
  expect(thumb.taps).toBeLessThanOrEqual(10);
  expect(thumb.fields).toBe(2);
});

test('on a supply and a meter a sensor shows what must be seen, and nothing is judged', async ({ page }) => {
  const thumb = await asked(page);
  await thumb.tap(page.getByRole('radio', { name: 'A supply and a meter' }));
  await expect(verdict(page)).toContainText('nothing is judged');
  await expect(page.getByRole('group', { name: 'Both states' })).toContainText('24.0 V');
  expect(thumb.taps).toBeLessThanOrEqual(6);
});

test('a pressure transmitter: works, and 12.00 mA in the middle, in 10 taps', async ({ page }) => {
  const thumb = await asked(page);
  await thumb.takeDevice('pressure', /^Pressure transmitter/);
  await expect(verdict(page)).toContainText('Works.');
  await thumb.tap(page.getByRole('link', { name: /^Calibrate it/ }));
  await expect(page.getByText('12.00 (11.92 to 12.08)')).toBeVisible();
  expect(thumb.taps).toBeLessThanOrEqual(10);
});

test('a thermometer transmitter: the five ohms to inject, in 8 taps', async ({ page }) => {
  const thumb = await asked(page);
  await thumb.takeDevice('thermometer', /^Temperature transmitter/);
  await thumb.tap(page.getByRole('radio', { name: 'Multimeter on the bench, mA or volts' }));
  await thumb.tap(page.getByRole('link', { name: /^Calibrate it/ }));
  // Pt100 of IEC 60751 at 0 to 100 °C in quarters.
  for (const ohms of ['100', '109.73', '119.4', '128.99', '138.51'])
    await expect(page.getByText(`inject ${ohms}\u00a0Ω`)).toBeVisible();
  expect(thumb.taps).toBeLessThanOrEqual(8);
});
