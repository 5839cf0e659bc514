import type { Page } from '@playwright/test';
import { expect, test } from './site';
import { BOARD, known } from './story';

test.beforeEach(({ page }) => known(page));

/** Chooses a terminal by what it is called. */
async function end(page: Page, label: string, terminal: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByLabel('Search').fill(terminal);
  await page.getByRole('dialog').getByRole('radio', { name: terminal }).first().click();
}

test('a wire between any two terminals tells what it does before it is stored', async ({ page }) => {
  await page.goto(`${BOARD}/wires`);
  await page.getByRole('button', { name: 'Add a wire' }).click();
  const does = page.getByRole('status', { name: 'What it does' });
  await end(page, 'From', 'G1 0\u00a0V');
  await end(page, 'To', 'G1 +24\u00a0V');
  await expect(does).toContainText('Short circuit in the panel');
  await end(page, 'From', 'PX-102 BK');
  await expect(does).toContainText('PX-102: BK of PX-102 is short-circuited');
  await page.getByLabel('mm² or AWG').fill('thick');
  await expect(page.getByText('Enter mm² such as 0.75 or AWG 18.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add the wire' })).toBeDisabled();
  await page.getByLabel('mm² or AWG').fill('AWG 18');
  await page.getByLabel('Length').fill('6 ft');
  await page.getByRole('button', { name: 'Add the wire' }).click();
  await page.getByLabel('Find a tag, terminal, number or cable').fill('PX-102');
  const added = page.getByRole('button', { name: /^Wire \d+, PX-102 BK to G1/ });
  await expect(added).toHaveCount(1);
  await expect(added).toContainText('0.823\u00a0mm², 1.83\u00a0m');
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(added).toHaveCount(0);
});

test('a wire of a point is taken away, and that is undone', async ({ page }) => {
  await page.goto(`${BOARD}/point/pe-106/wires`);
  const blue = page.getByRole('button', { name: /^Wire \d+, BU, PE-106 BU to G1/ });
  await blue.click();
  await page.getByRole('button', { name: 'Lead it elsewhere, or take it away' }).click();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.getByRole('status', { name: 'What it does' })).toContainText('PE-106:');
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(blue).toHaveCount(0);
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(blue).toBeVisible();
});

test('a wire is drawn by touching its two ends, told what it does, and taken back', async ({ page }) => {
  await page.goto(`${BOARD}/point/pe-101`);
  await page.getByRole('button', { name: /^Add or change a wire/ }).click();
  const form = page.getByRole('group', { name: 'New wire' }).first();
  await expect(form).toContainText('Touch the terminal or rail at which it begins');
  await page.getByRole('button', { name: 'Terminal BK of PE-101' }).click();
  await expect(form).toContainText('Now touch the one at which it ends');
  await page.getByRole('button', { name: '0 V rail of G1' }).click();
  await expect(page.getByRole('status', { name: 'What it does' })).toContainText('PE-101');
  await page.getByRole('button', { name: 'Add the wire' }).click();
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('short');
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Works.');

  // Both ends of a wire that is there: it is led elsewhere or taken away.
  await page.getByRole('button', { name: /^Add or change a wire/ }).click();
  await page.getByRole('button', { name: 'Terminal BU of PE-101' }).click();
  await page.getByRole('button', { name: '0 V rail of G1' }).click();
  await expect(page.getByRole('button', { name: 'Take it away' })).toBeVisible();
});

test('the drawing shows volts, and grows by its buttons and by the keyboard', async ({ page }) => {
  await page.goto(`${BOARD}/point/pe-101`);
  await page.getByRole('button', { name: 'Show the volts of every terminal' }).click();
  await expect(page.locator('svg').getByText('24.1\u00a0V', { exact: true }).first()).toBeVisible();
  const drawing = page.getByRole('group', { name: /PE-101/ }).first();
  const width = async () => (await drawing.boundingBox())?.width ?? 0;
  const first = await width();
  await page.getByRole('button', { name: 'Draw it larger' }).click();
  expect(await width()).toBeGreaterThan(1.2 * first);
  await page.getByRole('button', { name: 'Terminal BU of PE-101' }).press('-');
  expect(await width()).toBeCloseTo(first, 0);
});
