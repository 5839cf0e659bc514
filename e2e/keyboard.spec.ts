import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { known } from './story';

test.beforeEach(({ page }) => known(page));

/** Presses Tab until the element with this name has the focus. */
async function tabTo(page: Page, role: string, name: RegExp): Promise<void> {
  for (let n = 0; n < 120; n++) {
    await page.keyboard.press('Tab');
    const here = await page.evaluate(() => {
      const e = document.activeElement;
      const role = e?.getAttribute('role') ?? (e?.tagName === 'INPUT' ? 'textbox' : undefined);
      return { role, name: e?.getAttribute('aria-label') ?? '' };
    });
    if (here.role === role && name.test(here.name)) return;
  }
  throw new Error(`No ${role} ${name} was reached.`);
}

test('from the first page to a stored reading with the keyboard alone', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Recirculation hall/ })).toBeVisible();
  await tabTo(page, 'link', /Recirculation hall/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /PX-112/ })).toBeVisible();
  await tabTo(page, 'link', /PX-112/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Works.');
  await tabTo(page, 'button', /Terminal BN of PX-112/);
  const outline = await page.evaluate(
    () => getComputedStyle(document.activeElement ?? document.body).outlineStyle,
  );
  expect(outline).toBe('solid');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Meter' })).toContainText('PX-112 BN');
  // A group of radios is one stop; arrows go on in it.
  await tabTo(page, 'radio', /Target away/);
  await page.keyboard.press('ArrowRight');
  await expect(
    page.getByRole('group', { name: /current flows out of the device into the signal wire/ }),
  ).toBeVisible();
  await tabTo(page, 'button', /^Done$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Steps' })).toContainText('5 of 7');
  await tabTo(page, 'tab', /^Prove$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Target away: Signal' })).toBeVisible();
  await tabTo(page, 'textbox', /Target away: Signal/);
  await page.keyboard.type('0.1');
  await tabTo(page, 'button', /Store 1 entry/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('group', { name: 'Stored results' })).toContainText('0.1 V');
});
