import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { readFunction } from '../packages/core/test/structuredText.ts';
import { expect, test } from './site.ts';
import { BOARD, choose, known } from './story.ts';

test.beforeEach(({ page }) => known(page));

/** Moves a link of a chain to what is typed. */
async function move(page: Page, link: string, text: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${link}:`) }).click();
  const entry = page.getByRole('group', { name: `Change ${link}` });
  await entry.getByLabel(link, { exact: true }).fill(text);
  await entry.getByRole('button', { name: `Move ${link}` }).click();
}

test('the chain is moved at both ends, and the rest follows', async ({ page }) => {
  await page.goto(`${BOARD}/point/pt-242/scale`);
  await move(page, 'Pressure', '150 kPa');
  await expect(page.getByRole('button', { name: 'Panel screen: 1.50 bar' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Counts: 10\s368/ })).toBeVisible();
  await move(page, 'Panel screen', '3,0');
  await expect(page.getByRole('button', { name: 'At the sensor: 16.00 mA' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Pressure: 3.000 bar' })).toBeVisible();
  await page.getByRole('button', { name: /^At the input:/ }).click();
  await page
    .getByRole('group', { name: 'Change At the input' })
    .getByLabel('At the input', { exact: true })
    .fill('90');
  await page.getByRole('button', { name: 'Move At the input' }).click();
  await expect(page.getByText(/the input never sees 90 mA/)).toBeVisible();
  await move(page, 'At the sensor', '3.5');
  await expect(page.getByRole('button', { name: /^Panel screen: .*wire break/ })).toBeVisible();
});

test('a wrong switch shows in the chain', async ({ page }) => {
  await page.goto(`${BOARD}/point/wt-222/scale`);
  await expect(page.getByRole('alert')).toContainText('Hoist screen shows 2354 kg where there are 0 kg');
  await expect(page.getByRole('button', { name: /^At the input: 55\.\d+ mA, short/ })).toBeVisible();
  await expect(page.getByText('The converter stops at its top')).toBeVisible();
});

test('what a drive makes of each value of its set-point, and its scaling is taken over', async ({ page }) => {
  await page.goto(`${BOARD}/point/sc-245/scale`);
  const rows = page.getByRole('list', { name: 'What becomes of each value' }).getByRole('listitem');
  await expect(rows).toHaveCount(5);
  await expect(rows.nth(1)).toContainText(/12\.50.Hz.*Raw 6.912, gives 8\.00.mA/);
  await page.goto(`${BOARD}/point/sc-245/set`);
  await page.getByRole('button', { name: /Value at top of range/ }).click();
  await page
    .getByRole('group', { name: /^At Value at top/ })
    .getByLabel('What it shows')
    .fill('60');
  await page.getByRole('button', { name: 'Found so' }).click();
  await page.goto(`${BOARD}/point/sc-245/scale`);
  await expect(page.getByRole('alert')).toContainText('SC-245 makes 60 Hz of it');
});

test('a field point is added, beside the workshop’s table, and can be put in force', async ({ page }) => {
  await page.goto(`${BOARD}/point/lt-228/scale/tables`);
  await page.getByLabel('Signal').fill('wet');
  await page.getByRole('button', { name: 'Add the point' }).click();
  await expect(page.getByText('“wet” is not a number')).toBeVisible();
  for (const [signal, value] of [
    ['42', '15'],
    ['112', '60'],
  ] as const) {
    await page.getByLabel('Signal').fill(signal);
    await page.getByLabel('Known value').fill(value);
    await page.getByLabel('By what it is known').fill('litred in');
    await page.getByRole('button', { name: 'Add the point' }).click();
    await expect(page.getByRole('button', { name: `Field point at ${signal} Ω` })).toBeVisible();
  }
  await page.getByRole('radio', { name: 'field' }).click();
  await expect(page.getByText('Largest step 45 %, from 42 to 112 Ω.')).toBeVisible();
  await page.getByRole('link', { name: 'Back' }).click();
  await expect(page.getByText('the field table is in force')).toBeVisible();
});

test('two displays are reconciled, and the screen’s span is changed', async ({ page }) => {
  await page.goto(`${BOARD}/point/pt-225/scale/displays`);
  await page.getByLabel('Step of what can be set').fill('0.1');
  await page.getByLabel('First shows', { exact: true }).fill('100');
  await page.getByLabel('Second shows', { exact: true }).fill('104');
  const result = page.getByRole('status', { name: 'Result' });
  await expect(result).toContainText('0 … 400 to 0 … 384.6');
  await expect(result).toContainText('From one pair only');
  await page.getByRole('button', { name: 'Another pair' }).click();
  await page.getByLabel('First shows, row 2').fill('300');
  await page.getByLabel('Second shows, row 2').fill('308');
  await expect(result).toContainText('390.2');
  await page.getByRole('button', { name: 'It is changed so' }).click();
  await expect(page.getByText(/0 … 400 → .* … 390\.\d mbar/)).toBeVisible();
});

test('a transmitter is calibrated, as found and as left', async ({ page }) => {
  await page.goto(`${BOARD}/point/pt-242/scale/calibrate`);
  const read = async (values: readonly string[]): Promise<void> => {
    for (const [i, value] of values.entries()) await page.getByLabel(`Read at ${i * 25} %`).fill(value);
  };
  await read(['4.16', '8.15', '12.15', '16.14', '20.12']);
  await expect(page.getByRole('group', { name: 'Beyond its limit' })).toContainText('Move zero by −0.160 mA');
  await page.getByRole('button', { name: 'Store as found' }).click();
  await expect(page.getByRole('group', { name: 'Stored' })).toContainText('As found');
  await page.getByRole('radio', { name: 'as left' }).click();
  await read(['4.00', '8.01', '12.01', '16.00', '20.00']);
  await page.getByLabel(/^Sensor opened/).fill('3.55');
  await expect(page.getByRole('group', { name: 'Within its limit' })).toContainText('as wanted: 3.55 mA');
  await page.getByRole('button', { name: 'Store as left' }).click();
  const stored = page.getByRole('group', { name: 'Stored' });
  await expect(stored).toContainText('As left');
  // The first stays beside the second.
  await expect(stored.getByRole('img', { name: 'failed' })).toHaveCount(1);
  await expect(stored.getByRole('img', { name: 'done' })).toHaveCount(1);
});

test('an analog proof fails, then passes; the source tells what it truly gives', async ({ page }) => {
  await page.goto(`${BOARD}/point/pt-242/prove`);
  await page.getByRole('button', { name: 'Inject 8.000 mA, 25 %, rising' }).click();
  await page.getByRole('button', { name: 'Give 8.000 mA' }).click();
  await expect(page.getByText(/The source gives 8\.00\d\d mA/)).toBeVisible();
  await page.getByLabel('Controller, 25 %, rising', { exact: true }).fill('1.3');
  await expect(page.getByText(/^Fail: 1\.30/)).toBeVisible();
  await page.getByRole('button', { name: 'Store 1 reading' }).click();
  await expect(page.getByText(/^Failed: 1\.3\sbar, .* above/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'failed' }).first()).toBeVisible();
  await page.getByLabel('Controller, 25 %, rising', { exact: true }).fill('1.0');
  await expect(page.getByText(/^Pass: 1\.00/)).toBeVisible();
  await page.getByRole('button', { name: 'Store 1 reading' }).click();
  await expect(page.getByText(/^Passed: 1\sbar/)).toBeVisible();
  const stored = page.getByRole('group', { name: 'Stored results' });
  await expect(stored).toContainText('1.3 bar');
  await expect(stored).toContainText('1 bar');
});

test('code is executed over every count, and goes out as a file that works', async ({ page }) => {
  await page.goto(`${BOARD}/point/pt-221/scale/code`);
  await page.getByRole('radio', { name: 'Integer, 16 bit' }).click();
  await page.getByRole('button', { name: /^Execute/ }).click();
  const does = page.getByRole('status', { name: 'What the code does' });
  await expect(does).toContainText(/Overflows at .* the product would be/s);
  await page.getByRole('radio', { name: 'Integer, safe' }).click();
  await page.getByRole('button', { name: /^Execute/ }).click();
  await expect(does).toContainText('No overflow at any of');
  await page.getByRole('radio', { name: 'LREAL' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Text file' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const { call } = readFunction(text.slice(0, text.indexOf('END_FUNCTION') + 12));
  expect(call({ Raw: 13824, RawLow: 0, RawHigh: 27648, ValueLow: 0, ValueHigh: 6 })).toBe(3);
  const second = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PLCopen XML' }).click();
  expect(readFileSync(await (await second).path(), 'utf8')).toContain(
    '<pou name="ScaleLinear" pouType="function">',
  );
});

test('a tool works without a job, remembers, and sends its result to a point', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /^Tools/ }).click();
  await page.getByRole('link', { name: /^Low-flow cut-off/ }).click();
  await page.getByRole('textbox', { name: 'Cut-off' }).fill('1');
  await page.getByLabel('Full flow').fill('wet');
  await expect(page.getByText('“wet” is not a number')).toBeVisible();
  await page.getByLabel('Full flow').fill('60');
  await expect(page.getByRole('status', { name: 'Result' })).toContainText('0.6 m³/h');
  await page.reload();
  await expect(page.getByLabel('Full flow')).toHaveValue('60');
  await page.getByRole('button', { name: 'Send to a point' }).click();
  await choose(page, 'Point', 'FT-233  Return main flow');
  await page.getByRole('button', { name: 'Send to FT-233' }).click();
  await page.getByRole('link', { name: 'Open FT-233' }).click();
  await expect(page.getByText(/Low-flow cut-off: 1 % hides what is below 0\.6/)).toBeVisible();
  await page.getByRole('tab', { name: 'Set' }).click();
  await page.getByRole('radio', { name: 'In order' }).click();
  await expect(page.getByRole('button', { name: /^Low-flow cut-off: 1\s%/ })).toBeVisible();
});

test('a result for a point without a chain stands in its log', async ({ page }) => {
  await page.goto('/tools/contacts');
  // What follows from an example is nobody's result.
  await expect(page.getByText('An example. Type your own numbers.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Send to a point' })).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Power' }).fill('60');
  await page.getByRole('button', { name: 'Send to a point' }).click();
  await choose(page, 'Point', 'PE-101  Tray at infeed');
  await page.getByRole('button', { name: 'Send to PE-101' }).click();
  await page.getByRole('link', { name: 'Open PE-101' }).click();
  await expect(page.getByText('PE-101: Relay contacts: This contact can do it')).toBeVisible();
});

test('a chain of one’s own: format, bands, screen; nonsense is refused where it is typed', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/ft-231/scale/setup`);
  await choose(page, 'Raw format', 'one of your own');
  await page.getByLabel('Counts at top').fill('0');
  await page.getByLabel('Break at').fill('5');
  await page.getByLabel('Shows at the top').fill('0');
  await page.getByRole('button', { name: 'Store', exact: true }).click();
  await expect(page.getByText('The counts at the top are more than those at the bottom.')).toBeVisible();
  await expect(page.getByText(/From low to high the limits stand in this order/)).toBeVisible();
  await expect(page.getByText('The span of a panel screen needs two different ends.')).toBeVisible();
  await page.getByLabel('Counts at top').fill('20000');
  await page.getByLabel('Maximum counts').fill('22000');
  await page.getByLabel('Minimum counts').fill('0');
  await page.getByLabel('Break at').fill('3.6');
  await page.getByLabel('Shows at the top').fill('250');
  await page.getByRole('button', { name: 'Store', exact: true }).click();
  await expect(
    page.getByText('0 to 20000 counts over 4 to 20 mA are 0 to 250 m³/h in a straight line.'),
  ).toBeVisible();
});

test('one program for the controller holds all points of a job, and says what it leaves out', async ({
  page,
}) => {
  await page.goto(`${BOARD}/about`);
  await page.getByRole('link', { name: /^Code for the controller: / }).click();
  await page.getByRole('button', { name: 'Write the code' }).click();
  const status = page.getByRole('status', { name: 'What is in it' });
  await expect(status).toContainText(/\d+ points scaled, \d+ with their alarms/);
  const saved = async (name: string): Promise<string> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name }).click(),
    ]);
    return readFileSync(await download.path(), 'utf8');
  };
  const text = await saved('Text file');
  expect(text).toContain('PROGRAM Points');
  expect(text.match(/^END_PROGRAM$/gm)).toHaveLength(1);
  const xml = await saved('PLCopen XML');
  for (const name of (await status.innerText()).match(/\b[A-Z]{2}-\d{3}\b/g) ?? ['none'])
    expect([xml.includes(`${name.replace('-', '_')}_Value`), name]).toEqual([true, name]);
});
