import type { Locator, Page } from '@playwright/test';
import { expect, test } from './site';
import { BOARD, known } from './story';

test.beforeEach(({ page }) => known(page));

/** Presses Tab until the element with this name has the focus. */
async function tabTo(page: Page, role: string, name: RegExp): Promise<void> {
  for (let n = 0; n < 300; n++) {
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
  const target = (name: string): Locator => page.getByRole('radio', { name });
  // Once the page has settled: before that a key may come upon what is drawn anew.
  await expect(async () => {
    await target('Target away').focus();
    await page.keyboard.press('ArrowRight');
    await expect(target('Target present')).toBeChecked({ timeout: 1000 });
  }).toPass();
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

/** What has the keyboard. */
const here = (page: Page) =>
  page.evaluate(() => {
    const { tagName, ariaLabel, innerText, ariaInvalid } = document.activeElement as HTMLElement;
    return { tagName, words: ariaLabel ?? innerText, wrong: ariaInvalid === 'true' };
  });

test('the keyboard goes on at the name of a page, and past what stands on all of them', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Recirculation hall/ })).toBeVisible();
  await page.keyboard.press('Tab');
  expect((await here(page)).words).toBe('Skip to the page');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await here(page)).tagName).toBe('H1');
  await page.getByRole('link', { name: /Recirculation hall/ }).click();
  await expect.poll(async () => (await here(page)).words).toContain('Recirculation hall');
  await page.getByRole('link', { name: /PX-104/ }).click();
  await expect.poll(async () => (await here(page)).words).toMatch(/^PX-104/);
});

test('Enter stores a form, what is refused gets the keyboard, Escape leaves it', async ({ page }) => {
  await page.goto(`${BOARD}/supplies`);
  await expect(page.getByRole('button', { name: 'Add a DC supply' })).toBeVisible();
  await tabTo(page, 'button', /^Add a DC supply$/);
  await page.keyboard.press('Enter');
  const tag = page.getByLabel('Tag');
  // The form that came instead of the button has the keyboard.
  await expect.poll(async () => (await here(page)).tagName).toBe('INPUT');
  await tag.fill('');
  await page.keyboard.press('Enter');
  await expect.poll(() => here(page)).toMatchObject({ tagName: 'INPUT', wrong: true });
  await expect(page.getByRole('alert').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(tag).toHaveCount(0);
  await expect.poll(async () => (await here(page)).tagName).not.toBe('BODY');
});

test('a common is put on another rail, and back, with the keyboard alone', async ({ page }) => {
  await page.goto(`${BOARD}/panel`);
  await expect(page.getByRole('radio', { name: /^Common 1 of DI 1 on / }).first()).toBeVisible();
  await tabTo(page, 'radio', /^Common 1 of DI 1 on /);
  const before = (await here(page)).words;
  const [there, back] = /on 0\sV/.test(before) ? ['ArrowRight', 'ArrowLeft'] : ['ArrowLeft', 'ArrowRight'];
  await page.keyboard.press(there);
  await expect(page.getByTestId('undo')).toBeVisible();
  expect((await here(page)).words).not.toBe(before);
  await page.keyboard.press(back);
  await expect(page.getByRole('radio', { name: before })).toBeChecked();
});

test('a calibration is entered and stored with the keyboard alone', async ({ page }) => {
  await page.goto(`${BOARD}/point/pt-221/scale/calibrate`);
  await expect(page.getByLabel('Read at 100 %')).toBeVisible();
  for (const share of [0, 25, 50, 75, 100]) {
    const milliamps = String(4 + 0.16 * share);
    await tabTo(page, 'textbox', new RegExp(`^Injected at ${share} %$`));
    await page.keyboard.press('Control+a');
    await page.keyboard.type(milliamps);
    await tabTo(page, 'textbox', new RegExp(`^Read at ${share} %$`));
    await page.keyboard.type(String((10 * share) / 100));
  }
  await tabTo(page, 'button', /^Store as found$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('MR').first()).toBeVisible();
});
