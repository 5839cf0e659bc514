import { expect, test } from './site';
import { known } from './story';

test.use({ viewport: { width: 390, height: 844 } });

test.beforeEach(({ page }) => known(page));

test('what switches an output is said, and its wiring is proven by it', async ({ page }) => {
  await page.goto('/job/tern-rock/point/yv-254/prove');
  const row = page.getByRole('link', { name: /What switches it/ });
  await expect(row).toContainText('On while PE-101 and not PE-106, 3 s later off');
  await row.click();
  await page.getByRole('button', { name: 'Without input 2' }).click();
  await page.getByLabel('On after').fill('-1');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText('A wait is not negative.')).toBeVisible();
  await page.getByLabel('On after').fill('1.5');
  await expect(page.getByText('On while PE-101, 1.5 s later on, 3 s later off.')).toBeVisible();
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page).toHaveURL(/prove$/);
  await expect(page.getByText('With PE-101 on', { exact: true })).toBeVisible();
  await expect(page.getByText('bits of the program; look 1.5 s later')).toBeVisible();
});

test('a quantity is shown in the other units by one touch, on every page', async ({ page }) => {
  await page.goto('/job/tern-rock/point/pt-221/scale');
  await expect(page.getByRole('button', { name: /^Pressure: 3\.000 bar/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show in psi' }).click();
  await expect(page.getByRole('button', { name: /^Pressure: 43\.51 psi/ })).toBeVisible();
  await page.getByRole('button', { name: 'Show in bar' }).click();
  await expect(page.getByRole('button', { name: /^Pressure: 3\.000 bar/ })).toBeVisible();
});
