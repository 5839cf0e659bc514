import { expect } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';

/** Address of the demo's board. */
export const BOARD = '/job/tern-rock';

/** Gives this browser its user's initials before any page is opened. */
export async function known(page: Page, by = 'MR'): Promise<void> {
  await page.addInitScript((initials) => {
    if (!localStorage.getItem('keypost.settings'))
      localStorage.setItem('keypost.settings', JSON.stringify({ by: initials, theme: 'light' }));
  }, by);
}

/** What a page says of whether a point works. */
export const verdict = (page: Page): Locator => page.getByRole('region', { name: 'Verdict' });

/** Chooses one of several by its name, or by its value: in the platform's own list or in a page of their own. */
export async function choose(page: Page, field: string, what: string | { value: string }): Promise<void> {
  const box = page.getByLabel(field, { exact: true });
  if ((await box.evaluate(({ tagName }) => tagName)) === 'SELECT') {
    await box.selectOption(typeof what === 'string' ? { label: what } : what.value);
    return;
  }
  await box.click();
  const list = page.getByRole('dialog');
  if (typeof what === 'string') await list.getByRole('radio', { name: what, exact: true }).click();
  else await list.getByTestId(what.value).click();
}

/** Makes a new job through the first page and stands in its panel. */
export async function newJob(page: Page, name: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Site').fill('Test quay');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { name: 'Panel', exact: true })).toBeVisible();
}

export async function addModule(page: Page, kind: string, commons: readonly string[]): Promise<void> {
  await page.getByRole('button', { name: 'Add a module' }).click();
  await choose(page, 'Kind', kind);
  for (const [i, common] of commons.entries())
    await page
      .getByRole('radiogroup', { name: new RegExp(`^Common ${i + 1},`) })
      .getByRole('radio', { name: common })
      .click();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('button', { name: 'Add a module' })).toBeVisible();
}

export async function addPoint(
  page: Page,
  { tag, name, output, channel }: { tag: string; name: string; output: string; channel: string },
): Promise<void> {
  await page.getByLabel('Tag').fill(tag);
  await page.getByLabel('What it is for').fill(name);
  await page.getByRole('radio', { name: output }).click();
  await choose(page, 'Channel', channel);
  await page.getByRole('button', { name: 'Add the point' }).click();
  await expect(page.getByRole('heading', { name: tag })).toBeVisible();
}

/** The meter's figure as a number. */
export async function meterVolts(page: Page): Promise<number> {
  const text = await page.getByTestId('meter-volts').innerText();
  const figure = Number(text.replace('−', '-').replace(/[^\d.-]/g, ''));
  return text.includes('mV') ? figure / 1000 : figure;
}
