import type { Page } from '@playwright/test';
import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { expect, test } from './site';
import { freePort } from '../apps/server/test/freePort.ts';
import { scratch, startServer, stopServer } from './serve';
import { addModule, addPoint, BOARD, known, newJob } from './story';

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

test('board and point follow what somebody else stores, and what is being typed stays', async ({
  page,
  context,
}) => {
  const board = await context.newPage();
  await board.goto(BOARD);
  await expect(board.getByText('Drum filter, rotation')).toBeVisible();
  await page.goto(`${BOARD}/point/px-102/prove`);
  await page.getByRole('textbox', { name: 'Target present: Signal' }).fill('22.9');
  const stored = await page.request.post('/api/jobs/tern-rock/changes', {
    data: {
      changeId: randomUUID(),
      by: 'AB',
      change: { kind: 'editPoint', id: 'px-102', patch: { name: 'Drum filter, turned' } },
    },
  });
  expect(stored.ok()).toBe(true);
  await expect(board.getByText('Drum filter, turned')).toBeVisible();
  await expect(page.getByText('Drum filter, turned').first()).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Target present: Signal' })).toHaveValue('22.9');
});

test('what was typed and not stored is there again after leaving, a reload, and in a second tab', async ({
  page,
  context,
}) => {
  await page.goto(`${BOARD}/point/pe-101/prove`);
  const typed = (p: Page) => p.getByRole('textbox', { name: /present: Signal/ });
  await typed(page).fill('23.1');
  await page.getByRole('link', { name: 'Board' }).click();
  await page.goto(`${BOARD}/point/pe-101/prove`);
  await expect(typed(page)).toHaveValue('23.1');
  const second = await context.newPage();
  await second.goto(`${BOARD}/point/pe-101/prove`);
  await expect(typed(second)).toHaveValue('23.1');
  await page.goto(`${BOARD}/new-point`);
  await page.getByLabel('Tag').fill('PX-77');
  await page.reload();
  await expect(page.getByText('What was typed here before is not stored yet.')).toBeVisible();
  await expect(page.getByLabel('Tag')).toHaveValue('PX-77');
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(page.getByLabel('Tag')).toHaveValue('');
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
