import { nth, sure } from '@keypost/core/lists';
import { expect, test } from './site';
import { BOARD, known } from './story';

test.use({ viewport: { width: 1280, height: 800 }, hasTouch: false });
test.beforeEach(({ page }) => known(page));

test('a point stands between the board and its steps', async ({ page }) => {
  await page.goto(`${BOARD}/point/pe-101`);
  const board = page.getByRole('list', { name: 'Points' });
  const loop = page.getByRole('group', { name: /Loop of PE-101/ });
  const steps = page.getByRole('group', { name: 'Steps' });
  const [left, middle, right] = await Promise.all(
    [board, loop, steps].map(async (part) => sure(await part.boundingBox())),
  );
  expect(sure(left).x + sure(left).width).toBeLessThanOrEqual(sure(middle).x);
  expect(sure(middle).x + sure(middle).width).toBeLessThanOrEqual(sure(right).x);
  await page.getByRole('link', { name: /^LX-107/ }).click();
  await expect(page.getByRole('group', { name: /Loop of LX-107/ })).toBeVisible();
  await expect(board).toBeVisible();
});

test('the panel shows modules side by side, and a turned common stops its sensors at once', async ({
  page,
}) => {
  await page.goto(`${BOARD}/panel`);
  const boxes = await Promise.all(
    ['PLC', 'DI 1'].map(async (tag) =>
      sure(await page.getByRole('group', { name: tag, exact: true }).boundingBox()),
    ),
  );
  expect(nth(boxes, 0).x + nth(boxes, 0).width).toBeLessThanOrEqual(nth(boxes, 1).x);
  const row = page.getByRole('link', { name: /DI 3 channel 0, .*PE-106/ });
  await expect(row.getByRole('img')).toHaveAccessibleName('failed');
  const common = page.getByRole('radiogroup', { name: 'Common 1 of DI 3' });
  await common.getByRole('radio', { name: /no rail/ }).click();
  await expect(row.getByRole('img')).toHaveAccessibleName('cannot work');
  await common.getByRole('radio', { name: /on 0/ }).click();
  await expect(row.getByRole('img')).toHaveAccessibleName('failed');
});

test('a form uses the width, and stands in one column on the phone', async ({ page }) => {
  const left = async (label: string): Promise<number> =>
    (await page.getByLabel(label, { exact: true }).boundingBox())?.x ?? NaN;
  await page.goto(`${BOARD}/new-point`);
  await expect(page.getByLabel('Tag', { exact: true })).toBeVisible();
  expect((await left('Channel')) - (await left('Tag'))).toBeGreaterThan(300);
  await page.setViewportSize({ width: 390, height: 844 });
  // A field and a choice differ by the width of their edge.
  await expect.poll(async () => Math.abs((await left('Channel')) - (await left('Tag')))).toBeLessThan(3);
});

const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
  { width: 360, height: 740 },
];

for (const path of [
  '',
  '/panel',
  '/point/px-104',
  '/point/pe-106/prove',
  '/log',
  '/about',
  '/new-point',
  '/point/wt-222/scale',
  '/point/at-223/scale/setup',
  '/point/pt-221/scale/code',
  '/point/at-223/switch',
  '/point/at-223/switch/ladder',
  '/point/at-223/switch/play',
  '/point/pt-221/prove',
  '/point/yv-254/program',
]) {
  test(`nothing is wider than the screen: the job${path}`, async ({ page }) => {
    await page.goto(`${BOARD}${path}`);
    for (const size of SIZES) {
      await page.setViewportSize(size);
      await expect(page.getByRole('heading').first()).toBeVisible();
      const overflow = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      await expect.poll(overflow, { message: `${size.width} pixels wide` }).toBe(0);
    }
  });
}
