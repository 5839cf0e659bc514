import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import type { ChildProcess } from 'node:child_process';
import { freePort, scratch, startServer, stopServer } from './serve';
import { addModule, addPoint, known, newJob } from './story';

test.beforeEach(({ page }) => known(page));

async function jobWithPoint(page: Page, name: string): Promise<void> {
  await newJob(page, name);
  await addModule(page, '8-channel DC input, sink or source, selectable, one common', ['On 0 V']);
  await page.getByRole('link', { name: /channel 0, common 1, free/ }).click();
  await addPoint(page, { tag: 'PX-1', name: 'Valve shut', output: 'PNP', channel: 'DI 1 channel 0' });
}

test('steps are stamped one by one, and undone with a reason', async ({ page }) => {
  await jobWithPoint(page, 'Landing');
  await expect(page.getByText('Next Isolate, lock off, prove dead')).toBeVisible();
  await expect(page.getByText('Follow the site’s lock-off rules').first()).toBeVisible();
  const done = page.getByRole('button', { name: 'Done' });
  for (let n = 1; n <= 7; n++) {
    await done.click();
    await expect(page.getByRole('group', { name: 'Steps' })).toContainText(`${n} of 7`);
  }
  await expect(done).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo: Tug all wires of PX-1 at both ends' }).click();
  await page.getByRole('button', { name: 'Undo this step' }).click();
  await expect(page.getByText('Say why, such as: wire came loose.')).toBeVisible();
  await page.getByLabel('Why is it undone?').fill('BK came loose');
  await page.getByRole('button', { name: 'Undo this step' }).click();
  await expect(page.getByRole('group', { name: 'Steps' })).toContainText('6 of 7');
  await page.getByRole('tab', { name: 'Log' }).click();
  await expect(page.getByText('Why: BK came loose')).toBeVisible();
});

test('a wrong reading fails with the difference, a right one passes later, both are kept', async ({
  page,
}) => {
  await jobWithPoint(page, 'Proving');
  await page.getByRole('tab', { name: 'Prove' }).click();
  await page.getByRole('textbox', { name: 'Target present: Signal' }).fill('14,2');
  await expect(page.getByText(/Fail: 14\.2\sV, \d\.\d\sV below the limits/)).toBeVisible();
  await page.getByRole('radio', { name: 'Target present: Input LED: off' }).click();
  await page.getByRole('button', { name: 'Store 2 entries' }).click();
  const results = page.getByRole('group', { name: 'Stored results' });
  await expect(results).toContainText('14.2 V');
  await page.getByRole('tab', { name: 'Land' }).click();
  await page.getByRole('link', { name: 'Board' }).click();
  await expect(page.getByRole('link', { name: /PX-1 .*failed/ })).toBeVisible();
  await page.getByRole('link', { name: /PX-1/ }).click();
  await page.getByRole('tab', { name: 'Prove' }).click();
  await page.getByRole('textbox', { name: 'Target present: Signal' }).fill('22.9');
  await page.getByRole('radio', { name: 'Target present: Input LED: on' }).click();
  await page.getByRole('button', { name: 'Store 2 entries' }).click();
  await expect(results).toContainText('22.9 V');
  await expect(results).toContainText('14.2 V');
  await page.reload();
  await expect(results).toContainText('14.2 V');
});

test('what is wired wrongly cannot be proven', async ({ page }) => {
  await page.goto('/job/tern-rock/point/px-108/prove');
  await expect(page.getByRole('alert')).toContainText('Mend this in Land before you prove it.');
});

let running: ChildProcess | undefined;
test.afterEach(async () => {
  if (running && running.exitCode === null) await stopServer(running);
});

test('a server that is away keeps the entry on the screen, and a restart keeps what was stored', async ({
  page,
}) => {
  const data = scratch();
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  running = await startServer(data, port);
  await page.goto(`${address}/job/tern-rock/point/zs-110/prove`);
  await page.getByRole('textbox', { name: 'Actuated: Signal' }).fill('0.1');
  await stopServer(running);
  await page.getByRole('button', { name: 'Store 1 entry' }).click();
  await expect(page.getByRole('alert')).toContainText('The server does not answer');
  await expect(page.getByRole('textbox', { name: 'Actuated: Signal' })).toHaveValue('0.1');
  running = await startServer(data, port);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('group', { name: 'Stored results' })).toContainText('0.1 V');
  await stopServer(running);
  running = await startServer(data, port);
  await page.goto(`${address}/job/tern-rock/point/zs-110/log`);
  await expect(page.getByText('Pass: Signal with target 0.1 V')).toBeVisible();
});
