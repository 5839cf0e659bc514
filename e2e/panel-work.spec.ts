import { sure } from '@keypost/core/lists';
import type { APIRequestContext } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from './site';
import { scratch } from './serve';
import { BOARD, choose, known, verdict } from './story';

test.beforeEach(({ page }) => known(page));

test('a relay is planned from what it is to switch, and the loads follow it', async ({ page }) => {
  await page.goto(`${BOARD}/point/ls-114`);
  await page.getByRole('link', { name: /Plan a relay/ }).click();
  await choose(page, 'Load', 'Fan, 230 V AC, 45 W');
  await page.getByRole('radio', { name: 'Line and neutral' }).click();
  await page.getByRole('radiogroup', { name: 'OFF lamp' }).getByRole('radio', { name: '230 V' }).click();
  await choose(page, 'Contact to the controller', 'DI 3 channel 5');
  const plan = page.getByRole('group', { name: 'Contact plan' });
  await expect(plan).toContainText('3 poles');
  await expect(plan).toContainText('11-14 closes: M1');
  await expect(plan).toContainText('11-12 opens: H2');
  const relay = page.getByRole('group', { name: 'Relay', exact: true });
  await expect(relay).toContainText('Plug-in relay, three poles');
  await expect(relay).toContainText('It has one pole; 3 are needed.');
  // The coil under both numberings, as on sockets of three poles.
  await expect(page.getByRole('group', { name: 'Terminals' })).toContainText(/A1\s*2\s*coil/);
  await expect(page.getByText(/isolate, lock off and prove dead/).first()).toBeVisible();
  await page.getByRole('button', { name: /^Put K\d+ into the job$/ }).click();
  await expect(verdict(page)).toContainText('Works.');
  await page.getByRole('radio', { name: 'Actuated' }).click();
  const states = page.getByRole('group', { name: 'Both states' });
  await expect(states).toContainText('M1');
  await expect(states).toContainText('Bit %IX4.5');
});

test('a guard with one channel off is held, every screen says what the check is not', async ({ page }) => {
  await page.goto(`${BOARD}/point/gs-211`);
  await expect(verdict(page)).toContainText('Wired as meant');
  await expect(verdict(page)).toContainText('belong to a competent person');
  await page.getByRole('link', { name: /Wires as found/ }).click();
  await expect(verdict(page)).toContainText('belong to a competent person');
  await page.getByRole('button', { name: /^Wire \d+, YE/ }).click();
  await page.getByRole('radio', { name: 'It is missing' }).click();
  await page.getByRole('button', { name: 'Store as found' }).click();
  await expect(verdict(page)).toContainText(/[Cc]hannel 2 of GS-211/);
  await page.getByRole('button', { name: /is as planned now/ }).click();
  await expect(verdict(page)).toContainText('Wired as meant');
  await page.getByRole('link', { name: 'Back' }).click();
  await page.getByRole('tab', { name: 'Prove' }).click();
  await expect(page.getByText(/belong to a competent person/).first()).toBeVisible();
});

test('the loop’s budget tells the longest cable, and a longer one starves the transmitter', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/pt-221`);
  const budget = page.getByRole('group', { name: 'Loop budget' });
  await expect(budget).toContainText(/to spare: the cable may be \d+ m long/);
  await expect(budget).toContainText('Z221');
  await expect(budget).toContainText(/needs 250 Ω/);
  const longest = Number(sure(/may be (\d+) m/.exec(await budget.innerText()))[1]);
  await page.getByRole('link', { name: /Wires as found/ }).click();
  for (const end of [/^Wire \d+, .*PT-221 \+/, /^Wire \d+, .*PT-221 -/]) {
    await page.getByRole('button', { name: end }).click();
    await page.getByRole('button', { name: 'Change the plan of this wire' }).click();
    await page.getByLabel('Length').fill('2000');
    await page.getByLabel('Section').fill('AWG 26');
    await page.getByRole('button', { name: 'Store the plan' }).click();
    await expect(page.getByRole('button', { name: end })).toContainText('2000 m');
    await page.getByRole('button', { name: end }).click();
  }
  await page.getByRole('link', { name: 'Back' }).click();
  expect(longest).toBeLessThan(2000);
  await expect(budget).toContainText('too few at the top current');
  await expect(verdict(page)).not.toContainText('Works.');
});

test('a wire that was found elsewhere turns the verdict, and is listed until it is put back', async ({
  page,
}) => {
  await page.goto(`${BOARD}/point/pe-101/wires`);
  await expect(page.getByRole('group', { name: 'Other than planned' })).toContainText('as the plan says');
  await page.getByRole('button', { name: /^Wire \d+, BK, PE-101 BK to PLC channel 0/ }).click();
  await choose(page, 'It ends on', 'PLC channel 7');
  await choose(page, 'Its colour', { value: 'GY' });
  await page.getByRole('button', { name: 'Store as found' }).click();
  const list = page.getByRole('group', { name: 'Other than planned' });
  await expect(list).toContainText(/ends on PLC channel 7 instead of PLC channel 0 and is GY instead of BK/);
  await page.getByRole('link', { name: 'Back' }).click();
  await expect(page.getByRole('link', { name: /Wires as found: 1 other than planned/ })).toBeVisible();
  await page.getByRole('link', { name: /Wires as found/ }).click();
  await page.getByRole('button', { name: /is as planned now/ }).click();
  await expect(verdict(page)).toContainText('Works.');
  await page.getByRole('button', { name: 'Add a resistor' }).click();
  await choose(page, 'One end on', { value: 'pe-101-b:BK' });
  await choose(page, 'The other on', { value: 'g1:-' });
  await page.getByLabel('Resistance', { exact: true }).fill('118 Ω');
  await page.getByRole('button', { name: 'Put it in' }).click();
  // 24 V over 118 Ω is more than the sensor's output bears.
  await expect(verdict(page)).not.toContainText('Works.');
});

/** A job with one module of two commons, and sensors that share them badly. */
async function badlyShared(request: APIRequestContext): Promise<string> {
  const created = await request.post('/api/jobs', {
    data: { id: crypto.randomUUID(), name: 'Shared badly', site: '', by: 'TT' },
  });
  const { id } = (await created.json()) as { id: string };
  const module = { id: 'm', tag: 'DI 1', typeId: 'di8-both-4-4', firstByte: 0 };
  const point = (tag: string, kind: string, channel: number) => ({
    kind: 'addPoint',
    point: { id: tag.toLowerCase(), tag, name: 'Tray', deviceId: `${tag.toLowerCase()}-b`, bit: 'direct' },
    device: {
      id: `${tag.toLowerCase()}-b`,
      tag,
      typeId: 'inductive-3w',
      outputs: { output: { kind, logic: 'no' } },
    },
    place: { moduleId: 'm', channel },
  });
  const changes = [
    { kind: 'addModule', module, commons: ['-', '-'] },
    point('PX-1', 'pnp', 0),
    point('PX-2', 'npn', 1),
    point('PX-3', 'pnp', 4),
  ];
  const answer = await request.post(`/api/jobs/${id}/changes`, {
    data: { changeId: crypto.randomUUID(), by: 'TT', change: { kind: 'batch', changes }, expects: [] },
  });
  expect(answer.ok()).toBe(true);
  return id;
}

test('an allocation is shown as a change: left, nothing moves; accepted, every sensor works', async ({
  page,
  request,
}) => {
  const id = await badlyShared(request);
  await page.goto(`/job/${id}/panel`);
  await page.getByRole('link', { name: /Allocate channels/ }).click();
  await page.getByRole('button', { name: 'Work it out' }).click();
  const outcome = page.getByRole('group', { name: 'Outcome' });
  await expect(outcome).toContainText('3 devices on 1 module with 2 commons');
  await expect(outcome).toContainText('Fewer cannot do');
  await expect(page.getByText(/NPN needs common \d on plus/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(outcome).toBeHidden();
  await page.goto(`/job/${id}`);
  await expect(page.getByRole('link', { name: /PX-2 Tray, cannot work/ })).toBeVisible();
  await page.goto(`/job/${id}/allocate`);
  await page.getByRole('button', { name: 'Work it out' }).click();
  await page.getByRole('button', { name: 'Accept the change' }).click();
  await expect(page.getByRole('heading', { name: 'Panel', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Board' }).click();
  await expect(page.getByRole('link', { name: /PX-2 Tray/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /cannot work/ })).toHaveCount(0);
});

test('a device that fits nowhere is named with a way out, and can be left as it is', async ({ page }) => {
  await page.goto(`${BOARD}/allocate`);
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByRole('group', { name: 'Outcome' })).toContainText('LS-202 works on no free input');
  await expect(page.getByRole('group', { name: 'Outcome' })).toContainText('interposing relay');
  await page.getByRole('button', { name: 'Leave LS-202 as it is and go on' }).click();
  await expect(page.getByRole('group', { name: 'Outcome' })).toContainText(/devices on \d modules/);
});

test('the wire list goes out as CSV and comes back with what was edited', async ({ page }) => {
  await page.goto(`${BOARD}/wires`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the list as CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('recirculation-hall-wires.csv');
  const file = path.join(scratch(), 'wires.csv');
  await download.saveAs(file);
  const text = readFileSync(file, 'utf8');
  expect(text).toContain('\r\n');
  const line = sure(text.split('\r\n').find((row) => row.includes(',PX-112,BK,')));
  const bring = async (changed: string) => {
    writeFileSync(file, changed);
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Read a list' }).click(),
    ]);
    await chooser.setFiles(file);
  };
  await bring(text.replace(line, line.replace(/,,,BK,/, ',W112,3,BU,')));
  const changes = page.getByRole('group', { name: 'Changes read' });
  await expect(changes).toContainText('1 wire changes');
  await expect(changes).toContainText('cable none to W112, core none to 3, colour BK to BU');
  await page.getByRole('button', { name: 'Take the changes' }).click();
  await page.getByLabel(/Find a tag/).fill('W112');
  await expect(page.getByRole('group', { name: 'By terminal' })).toContainText('cable W112, core 3');
  await bring(text.replace(line, line.replace(/,,,BK,/, ',,,PINK,')));
  await expect(page.getByRole('alert')).toContainText(/line \d+, colour: “PINK” is no colour/);
});

test('a device is moved with the keyboard, and the circuit says beforehand what comes of it', async ({
  page,
  request,
}) => {
  const id = await badlyShared(request);
  await page.goto(`/job/${id}/panel`);
  const press = async (name: RegExp | string) => {
    await page.getByRole('button', { name }).focus();
    await page.keyboard.press('Enter');
  };
  await press('Move a device');
  await expect(page.getByText('Touch the device that moves.')).toBeVisible();
  await press(/DI 1 channel 0, .*PX-1/);
  await press(/DI 1 channel 5, .*free/);
  await expect(page.getByText(/PX-1 on DI 1 channel 5: it would work/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('link', { name: /DI 1 channel 0, .*PX-1/ })).toBeVisible();
  await press('Move a device');
  await press(/DI 1 channel 0, .*PX-1/);
  await press(/DI 1 channel 5, .*free/);
  await press('Move it here');
  await expect(page.getByRole('link', { name: /DI 1 channel 5, .*PX-1/ })).toBeVisible();
});

test('a branch shows its load, its feeder’s drop, and what its copper bears', async ({ page }) => {
  await page.goto(`${BOARD}/supplies`);
  await page.getByRole('button', { name: 'Add a branch with a fuse or breaker' }).click();
  await page.getByRole('radio', { name: 'Fuse' }).click();
  await page.getByLabel('Feeder').fill('40');
  await page.getByLabel('Section').fill('AWG 20');
  await page.getByLabel('It lets through').fill('10');
  await page.getByLabel('Other loads').fill('2');
  await page.getByRole('button', { name: 'Add it' }).click();
  const branch = page.getByRole('group', { name: 'F2', exact: true });
  await expect(branch).toContainText('2.0 A at worst of 10.0 A');
  // 80 m of 0.518 mm² at 2 A, warm: 6.8 V.
  await expect(branch).toContainText(/loses 6\.8\sV at worst/);
  await expect(branch).toContainText('does not protect it');
});

test('the drawing goes out as a file that stands alone', async ({ page }) => {
  await page.goto(`${BOARD}/point/pe-105`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the drawing' }).click(),
  ]);
  const file = path.join(scratch(), 'loop.svg');
  await download.saveAs(file);
  const text = readFileSync(file, 'utf8');
  expect(text).toMatch(/^<\?xml version="1.0" encoding="UTF-8"\?>\n<svg /);
  await page.goto(`file://${file}`);
  await expect(page.locator('svg text').first()).toBeVisible();
  expect(await page.locator('svg').innerHTML()).toContain('PE-105');
});

test('a wire from plus to minus is told on the board, on the panel and at each point', async ({
  page,
  request,
}) => {
  const id = await badlyShared(request);
  const wire = { id: 'slip', number: '99', from: 'g1:+', to: 'g1:-', colour: 'BK', lengthM: 1, mm2: 0.75 };
  const answer = await request.post(`/api/jobs/${id}/changes`, {
    data: { changeId: crypto.randomUUID(), by: 'TT', change: { kind: 'addWire', wire }, expects: [] },
  });
  expect(answer.ok()).toBe(true);
  await page.goto(`/job/${id}`);
  const told = page.getByRole('region', { name: 'The panel as a whole' });
  await expect(told).toContainText(/Short circuit in the panel: wire 99 joins \+24.V to 0.V/);
  await expect(page.getByRole('link', { name: /PX-1 Tray, cannot work: Short circuit/ })).toBeVisible();
  await page.getByRole('link', { name: 'Panel', exact: true }).click();
  await expect(told).toContainText('wire 99');
});
