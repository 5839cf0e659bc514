import { expect, test } from './site';

test.beforeEach(async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('keypost.settings', JSON.stringify({ by: 'JT' })));
});

test('what was just stored is undone and done again, and so from the log', async ({ page }) => {
  await page.goto('/job/tern-rock/point/pe-101/edit');
  await page.getByLabel('What it is for').fill('Tray somewhere else');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText('Tray somewhere else')).toBeVisible();
  const bar = page.getByRole('status').filter({ hasText: 'Point PE-101 changed' });
  await bar.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Tray at infeed')).toBeVisible();
  await bar.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByText('Tray somewhere else')).toBeVisible();
  await page.getByRole('link', { name: 'Log' }).first().click();
  const row = page.getByRole('listitem').filter({ hasText: 'Tray somewhere else' });
  // The oldest of them: what followed rests on it.
  await row.last().getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await row.last().getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('alert')).toContainText('Changed again since: Point PE-101.');
  await page.getByRole('alert').getByRole('button', { name: 'Close' }).click();
  await page.goto('/job/tern-rock/point/pe-101');
  await expect(page.getByText('Tray at infeed')).toBeVisible();
});
