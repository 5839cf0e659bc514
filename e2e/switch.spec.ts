import { readFileSync } from 'node:fs';
import { expect, test } from './site.ts';
import { BOARD, known } from './story.ts';
import { Thumb } from './thumb.ts';

test.beforeEach(({ page }) => known(page));

test('two levels with delays, lamp and key: made, played, checked, coded and planned in under 25 taps', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/pt-242/scale`);
  const thumb = new Thumb(page);
  await thumb.tap(page.getByRole('link', { name: /^Switch:/ }));
  await thumb.tap(page.getByRole('link', { name: /^Pause, then stop/ }));
  await thumb.type(page.getByRole('group', { name: 'Pause' }).getByLabel('Above'), '2.2 bar');
  await thumb.type(page.getByRole('group', { name: 'Pause' }).getByLabel('Delay'), '20');
  await thumb.type(page.getByRole('group', { name: 'Stop' }).getByLabel('Above'), '2,6');
  await thumb.type(page.getByRole('group', { name: 'Stop' }).getByLabel('Delay'), '3');
  await expect(page.getByRole('status', { name: 'What the check found' })).toContainText('Nothing found');
  await thumb.tap(page.getByRole('button', { name: 'Keep the alarms' }));
  await thumb.tap(page.getByRole('link', { name: /^Play:/ }));
  await thumb.tap(page.getByRole('radio', { name: '×60' }));
  await thumb.tap(page.getByRole('button', { name: 'Play', exact: true }));
  await expect(page.getByText('kept until the key is turned').first()).toBeVisible();
  await thumb.tap(page.getByRole('link', { name: /^Back/ }));
  await thumb.tap(page.getByRole('link', { name: /^Code:/ }));
  await thumb.tap(page.getByRole('button', { name: /^Execute/ }));
  await expect(page.getByText(/All outputs equal at each of 1.000.000 steps/)).toBeVisible({
    timeout: 200_000,
  });
  await thumb.tap(page.getByRole('link', { name: /^Back/ }));
  await thumb.tap(page.getByRole('link', { name: /^Test plan:/ }));
  await expect(page.getByText('Up through the alarms, slowly')).toBeVisible();
  await expect(page.getByText('Stop goes with the key')).toBeVisible();
  expect(thumb.taps + thumb.fields).toBeLessThan(25);
});

test('what is wrong with a ladder is said while it is typed, with the way there', async ({ page }) => {
  await page.goto(`${BOARD}/point/at-223/switch/ladder`);
  const found = page.getByRole('status', { name: 'What the check found' });
  await expect(found).toContainText('Nothing found');
  await page.getByRole('button', { name: 'What it does, who clears it' }).last().click();
  await page
    .getByRole('radiogroup', { name: 'Who clears it' })
    .getByRole('radio', { name: 'An operator' })
    .click();
  await expect(found).toContainText('Stopped locks, and is left without the key');
  await expect(found).toContainText('an operator clears it');
  await page.getByRole('group', { name: 'Stopped' }).getByLabel('Above', { exact: true }).fill('0.5 mol');
  await page.getByRole('button', { name: 'Keep the alarms' }).click();
  await expect(page.getByText('Some fields are not right yet.')).toBeVisible();
});

test('a lock is played: an operator does not open it, its key does once the value is back', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/at-223/switch/play`);
  const moment = page.getByRole('slider', { name: 'Moment' });
  const lock = page.getByRole('group', { name: /^AT-223 at/ });
  await moment.fill('210');
  await page.getByRole('button', { name: 'Turn the key' }).click();
  await expect(lock).toContainText('stop, lock');
  await moment.fill('340');
  await page.getByRole('button', { name: 'Clear as operator' }).click();
  await expect(lock).toContainText('kept until the key is turned');
  await page.getByRole('button', { name: 'Turn the key' }).click();
  await expect(lock).not.toContainText('kept until the key is turned');
  await page
    .getByRole('list', { name: 'What happens' })
    .getByRole('button', { name: 'Take out: The key is turned' })
    .last()
    .click();
  await expect(lock).toContainText('kept until the key is turned');
});

test('a course is drawn by hand, or read from a record', async ({ page }) => {
  await page.goto(`${BOARD}/point/at-223/switch/play`);
  await page.getByRole('radio', { name: 'Drawn by hand' }).click();
  const sheet = page.getByRole('img', { name: /^Draw the course here/ });
  await sheet.scrollIntoViewIfNeeded();
  const box = await sheet.boundingBox();
  if (!box) throw new Error('no sheet');
  const at = (x: number, y: number) => [box.x + x * box.width, box.y + y * box.height] as const;
  await page.mouse.move(...at(0.2, 0.8));
  await page.mouse.down();
  for (let i = 1; i <= 12; i++) await page.mouse.move(...at(0.2 + i * 0.06, i < 4 ? 0.8 : 0.2));
  await page.mouse.up();
  const log = page.getByRole('list', { name: 'What happens' });
  await expect(log).toContainText('Stopped comes');
  await page.getByRole('radio', { name: 'From a record' }).click();
  await page.getByRole('textbox', { name: 'Record' }).fill('0;0.2\n100;wet');
  await page.getByRole('button', { name: 'Play it' }).click();
  await expect(page.getByText(/Line 2 is no reading/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Record' }).fill('s;mg/l\n0;0.2\n100;0.2\n120;0,8\n400;0,8');
  await page.getByRole('button', { name: 'Play it' }).click();
  await expect(log).toContainText('Warning comes');
  await expect(log).not.toContainText('Stopped');
});

test('the code comes as PLCopen XML, and what is often written wrong is seen executed', async ({ page }) => {
  await page.goto(`${BOARD}/point/at-223/switch/code`);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PLCopen XML' }).click();
  const xml = readFileSync(await (await saved).path(), 'utf8');
  expect(xml).toMatch(/^<\?xml/);
  expect(xml).toContain('pouType="functionBlock"');
  await page.getByLabel('Written').selectOption({ label: 'Latch without a reset' });
  await page.getByRole('button', { name: /^Execute/ }).click();
  await expect(page.getByText(/Another output at/)).toBeVisible({ timeout: 200_000 });
});

test('a threshold by a relay: how surely, what faults make of it, kept, and set at the relay', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/wt-236/switch`);
  await page.getByRole('link', { name: /^A threshold/ }).click();
  await page.getByLabel('Name').fill('Hopper empty');
  await page.getByRole('radio', { name: /^By a relay/ }).click();
  await page.getByLabel('On at').fill('7');
  await page.getByLabel('Off again at').fill('8');
  await expect(page.getByRole('status', { name: 'How surely it switches' })).toContainText(
    'By a relay of ±0.5 %',
  );
  await page.getByRole('button', { name: 'Output, delays, faults' }).click();
  await page.getByRole('radio', { name: 'Its output on' }).click();
  await expect(page.getByRole('img', { name: 'not on the safe side' }).first()).toBeVisible();
  await page.getByRole('radiogroup', { name: 'What protects' }).getByRole('radio').first().click();
  await page.getByRole('button', { name: 'Keep the threshold' }).click();
  await expect(page.getByRole('link', { name: /^Hopper empty: on at 7 mA, off at 8 mA/ })).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Undo: Hopper empty is set at its relay' })).toBeVisible();
});

test('a level is read from its device: while it moves it is not taught, and its alarms follow it', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/lt-270/switch/teach`);
  await page.getByLabel('Margin').fill('0.1');
  await page.getByRole('button', { name: 'Read the device 10 times' }).click();
  await expect(page.getByText(/^Read 10 times, every [1-9][\d.]* s\.$/)).toBeVisible();
  await expect(page.getByText(/Not to be taught: it moves/)).toBeVisible();
  await page.goto(`${BOARD}/point/lt-270/switch/ladder?kind=warn`);
  await page.getByRole('button', { name: 'Keep the alarms' }).click();
  await page.getByRole('link', { name: /^Play:/ }).click();
  await page.getByRole('radio', { name: 'As it is now, live' }).click();
  await page.getByRole('button', { name: 'Follow the device' }).click();
  await expect(page.getByText(/^Now −?\d/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop following' }).click();
  await expect(page.getByText(/^Last −?\d/)).toBeVisible();
});

test('a diffuse sensor is taught by its adjuster, beside everything that was taught before', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/pe-113`);
  await page.getByRole('link', { name: /^Sensitivity/ }).click();
  await page.getByLabel('Full scale of the adjuster').fill('10');
  await page.getByLabel('Object lost at').fill('3');
  await page.getByLabel('Background seen at').fill('8,0');
  await expect(page.getByText('Set it to 5.5 of 10', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Keep it at the point' }).click();
  await expect(page.getByText('Set to 5.5 of 10')).toBeVisible();
});
