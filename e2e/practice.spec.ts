import { expect, test } from './site.ts';
import { BOARD, choose, known } from './story.ts';

test.beforeEach(({ page }) => known(page));

test('a round is begun by its code, found, looked back at, and nothing of the job is touched', async ({
  page,
}) => {
  await page.goto(`${BOARD}/practice`);
  await page.getByRole('textbox', { name: 'Code' }).fill('g00 c00 cwr');
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByText(/No round of this job has this code/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Code' }).fill('f00 c00 cjy');
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByText(/from an earlier version of Key Post/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Code' }).fill('g00 c00 cwq');
  await page.getByRole('button', { name: 'Open it' }).click();
  // Lit without a target: its output stays on.
  await page.getByRole('button', { name: 'LED of PX-112' }).click();
  await expect(page.getByRole('group', { name: 'Done so far' }).getByText('lit')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('group', { name: 'Done so far' }).getByText('lit')).toBeVisible();
  await choose(page, 'Where it is', 'PX-112');
  await choose(page, 'What it is', 'The output of PX-112 stays on');
  await page.getByRole('button', { name: 'That is it' }).click();
  await expect(page.getByRole('group', { name: 'Found' })).toContainText(
    'It was: The output of PX-112 stays on',
  );
  await page.getByRole('button', { name: 'Next step' }).click();
  await page.goto(`${BOARD}/practice`);
  await expect(page.getByRole('link', { name: /Easy: PX-112.*found in/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'All rounds as CSV' }).click();
  expect((await download).suggestedFilename()).toBe('practice.csv');
  await page.goto(`${BOARD}/log`);
  await expect(page.getByText('Newest first')).toBeVisible();
  await expect(page.getByText(/PX-112.*stays on/)).toHaveCount(0);
});

test('ohms on a live circuit end a round and say why', async ({ page }) => {
  await page.goto(`${BOARD}/practice/G00-700-BSH`);
  await page.getByRole('radio', { name: 'Ω' }).click();
  await page.getByRole('button', { name: 'Measure' }).click();
  await expect(page.getByRole('alert')).toContainText(/Ohms on a live circuit/);
  await expect(page.getByRole('group', { name: 'Not found' })).toContainText('It was:');
});
