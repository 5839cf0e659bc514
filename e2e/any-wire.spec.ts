import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
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
  await page.getByRole('button', { name: 'Add the wire' }).click();
  await page.getByLabel('Find a tag, terminal, number or cable').fill('PX-102');
  const added = page.getByRole('button', { name: /^Wire \d+, PX-102 BK to G1/ });
  await expect(added).toHaveCount(1);
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
