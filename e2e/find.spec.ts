import { expect, test } from './site';
import { BOARD, choose, known } from './story';

test.beforeEach(({ page }) => known(page));

test('a point is found, filtered and grouped, and the board stays so when one comes back', async ({
  page,
}) => {
  await page.goto(BOARD);
  const points = page.getByRole('list', { name: 'Points' });
  await page.getByLabel('Find a point').fill('hoist');
  await expect(points.getByRole('link')).toHaveCount(6);
  await points.getByRole('link', { name: /^WT-222/ }).click();
  await page.goBack();
  await expect(page.getByText(/^6 of \d+ points$/)).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: 'Filter', exact: true }).click();
  await choose(page, 'Area', 'Tray line');
  await choose(page, 'In groups by', 'module');
  await expect(points.getByRole('heading', { name: /^DI 1/ })).toBeVisible();
  await expect(points.getByRole('link', { name: /^PX-203/ })).toBeVisible();
  await expect(points.getByRole('link', { name: /^LT-270/ })).toHaveCount(0);
});

test('an area is given to a point and found by', async ({ page }) => {
  await page.goto(`${BOARD}/point/pt-229/edit`);
  await page.getByLabel('Area').fill('Workshop');
  await page.getByRole('button', { name: 'Store', exact: true }).click();
  await page.goto(BOARD);
  await page.getByLabel('Find a point').fill('workshop');
  await expect(page.getByRole('list', { name: 'Points' }).getByRole('link')).toHaveCount(1);
});

test.describe('with a keyboard on a wide screen', () => {
  test.use({ viewport: { width: 1280, height: 800 } });

  test('keys find, go on, change stages, add, store and undo; ? lists them', async ({ page }) => {
    await page.goto(`${BOARD}/point/px-104`);
    await expect(page.getByRole('heading', { name: /^PX-104/ })).toBeVisible();
    const second = page.getByRole('list', { name: 'Points' }).getByRole('link').nth(1);
    await expect(second).toHaveAccessibleName(/^PX-108/);
    await page.keyboard.press('n');
    await expect(page).toHaveURL(/point\/px-108/);
    await page.keyboard.press('p');
    await expect(page).toHaveURL(/point\/px-104$/);
    await page.keyboard.press('1');
    await expect(page.getByRole('tab', { name: /^Fit/ })).toHaveAttribute('aria-selected', 'true');
    await page.keyboard.press('/');
    await page.keyboard.type('pe-101');
    await expect(page.getByRole('list', { name: 'Points' }).getByRole('link')).toHaveCount(1);
    await page.keyboard.press('Tab');
    await page.keyboard.press('?');
    const keys = page.getByRole('dialog', { name: 'Keys' });
    await expect(keys).toContainText('next point of the board');
    // The library listens for this key a moment after the sheet is there.
    await expect(async () => {
      await page.keyboard.press('Escape');
      await expect(keys).toHaveCount(0, { timeout: 1000 });
    }).toPass();

    await page.goto(`${BOARD}/point/pe-105/edit`);
    await page.getByLabel('What it is for').fill('Tray at the very end');
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('heading', { name: /Tray at the very end/ })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Undo', exact: true }).first()).toBeVisible();
    await page.locator('body').press('u');
    await expect(page.getByRole('heading', { name: /Tray at outfeed/ })).toBeVisible();
    await page.keyboard.press('a');
    await expect(page).toHaveURL(/new-point$/);
  });
});
