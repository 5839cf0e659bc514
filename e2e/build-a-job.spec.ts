import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from './site';
import { scratch } from './serve';
import { addModule, addPoint, known, newJob } from './story';

test('a first user makes a job, is told at once what is wrong, mends it, and takes it away and back', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('Give the job a name.')).toBeVisible();
  await page.getByLabel('Name').fill('Pump room 2');
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByLabel('Your initials').fill('JT');
  await page.getByRole('button', { name: 'Keep and go on' }).click();
  await addModule(page, '8-channel DC input, sink or source, selectable, two commons', ['On 0 V', 'On plus']);
  await page.getByRole('link', { name: /channel 1, common 1, free/ }).click();
  await page.getByRole('radio', { name: 'NPN' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'both pull to 0' })).toBeVisible();
  await addPoint(page, { tag: 'PX-1', name: 'Valve shut', output: 'NPN', channel: 'DI 1 channel 1' });
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText('both pull to 0');
  const way = page.getByRole('list', { name: 'Ways out' }).getByRole('button').first();
  await expect(way).toHaveAccessibleName(/Put common 1 of DI 1 on \+24/);
  await way.click();
  await expect(verdict).toContainText('Works.');

  await page.getByRole('link', { name: 'Job', exact: true }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the job as a file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('pump-room-2.keypost.json');
  const file = path.join(scratch(), download.suggestedFilename());
  await download.saveAs(file);
  await page.goto('/');
  await page.getByLabel('Job file').setInputFiles(file);
  await expect(page.getByRole('link', { name: /PX-1 Valve shut/ })).toBeVisible();
  const { job } = JSON.parse(readFileSync(file, 'utf8')) as { job: { wires: unknown[] } };
  expect(job.wires).toHaveLength(5);
});

test.describe('bad input', () => {
  test.beforeEach(({ page }) => known(page));

  test('a bad file is refused with line or field, and nothing is stored', async ({ page }) => {
    const folder = scratch();
    const bring = async (name: string, text: string) => {
      writeFileSync(path.join(folder, name), text);
      await page.getByLabel('Job file').setInputFiles(path.join(folder, name));
    };
    await page.goto('/');
    const jobs = page.getByRole('group', { name: 'Jobs' }).getByRole('link');
    await expect(jobs.first()).toBeVisible();
    const before = await jobs.count();
    const alert = page.getByRole('alert');
    await bring('torn.json', '{ "format": "keypost-job",\n "version": 2,\n "job": {');
    await expect(alert).toContainText('line 3');
    await bring('newer.json', '{ "format": "keypost-job", "version": 4, "job": {} }');
    await expect(alert).toContainText('version 4; this Key Post reads up to 2');
    await bring('other.json', '{ "shopping": ["bread"] }');
    await expect(alert).toContainText('not a Key Post job');
    await page.reload();
    await expect(jobs).toHaveCount(before);
  });

  test('tags and numbers that cannot be are refused at their field, and what was typed stays', async ({
    page,
  }) => {
    await newJob(page, 'Refusals');
    await addModule(page, '4-channel DC input, sink or source, selectable, one common', ['On 0 V']);
    await page.getByRole('link', { name: /channel 0, common 1, free/ }).click();
    await page.getByRole('button', { name: 'Add the point' }).click();
    await expect(page.getByText('A tag cannot be empty.')).toBeVisible();
    await addPoint(page, { tag: 'PX-1', name: 'One', output: 'PNP', channel: 'DI 1 channel 0' });
    await page.getByRole('link', { name: 'Board' }).click();
    await page.getByRole('link', { name: 'Add a point' }).click();
    await page.getByLabel('Tag').fill('px-1');
    await page.getByLabel('What it is for').fill('Two');
    await page.getByRole('button', { name: 'Add the point' }).click();
    await expect(page.getByText('The tag px-1 is used already').first()).toBeVisible();
    await expect(page.getByLabel('What it is for')).toHaveValue('Two');
    await page.getByRole('link', { name: 'Job', exact: true }).click();
    await page.getByLabel('Supply G1').fill('0');
    await page.getByRole('button', { name: 'Store' }).click();
    await expect(page.getByText('A supply has at least 10 V.')).toBeVisible();
  });

  test('two browsers edit the same point: the second is offered both', async ({ page, context }) => {
    await newJob(page, 'Two hands');
    await addModule(page, '4-channel DC input, sink or source, selectable, one common', ['On 0 V']);
    await page.getByRole('link', { name: /channel 0, common 1, free/ }).click();
    await addPoint(page, { tag: 'PX-1', name: 'One', output: 'PNP', channel: 'DI 1 channel 0' });
    await page.getByRole('link', { name: 'Edit PX-1' }).click();
    await expect(page.getByLabel('What it is for')).toHaveValue('One');
    const other = await context.newPage();
    await other.goto(page.url());
    await other.getByLabel('What it is for').fill('Theirs');
    await other.getByRole('button', { name: 'Store' }).click();
    await expect(other.getByRole('region', { name: 'Verdict' })).toBeVisible();
    await page.getByLabel('What it is for').fill('Mine');
    await page.getByRole('button', { name: 'Store' }).click();
    await expect(page.getByRole('alert')).toContainText('Somebody changed this while you worked on it');
    await expect(page.getByRole('alert')).toContainText('Theirs');
    await page.getByRole('button', { name: 'Keep mine' }).click();
    await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible();
    await other.reload();
    await expect(other.getByText('Mine').first()).toBeVisible();
  });
});
