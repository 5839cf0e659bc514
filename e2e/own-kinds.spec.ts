import { expect, test } from './site';
import { addModule, choose, known, newJob, verdict } from './story';

test.beforeEach(({ page }) => known(page));

test('a sensor that is not in the list is made from its datasheet, and serves two points', async ({
  page,
}) => {
  await newJob(page, 'Not in any list');
  await addModule(page, '8-channel DC input, sink or source, selectable, one common', ['On 0 V']);
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  await page.getByRole('link', { name: /^Not in the list/ }).click();
  await choose(page, 'Comes nearest to', 'Capacitive proximity sensor, three-wire');
  await page.getByRole('button', { name: 'Start from it' }).click();
  await page
    .getByRole('group', { name: 'What it is' })
    .getByLabel('Name')
    .fill('Capacitive level sensor, two outputs');
  await page.getByRole('button', { name: 'Add an output' }).click();
  await page.getByLabel('Name of terminal WH').fill('BK');
  await expect(page.getByText('Taken already.')).toBeVisible();
  await page.getByLabel('Name of terminal WH').fill('GY');
  await page.getByRole('button', { name: 'Store the kind' }).click();
  await expect(page.getByRole('group', { name: 'In this job' })).toContainText(
    'Capacitive level sensor, two outputs',
  );
  await page.getByRole('button', { name: 'Keep in your library' }).click();
  await expect(page.getByRole('group', { name: 'In your library' })).toContainText('two outputs');

  await page.getByRole('link', { name: 'Board' }).click();
  await page.getByRole('link', { name: 'Add a point' }).click();
  await page.getByLabel('Tag').fill('LS-1');
  await page.getByLabel('What it is for').fill('Tank full');
  await choose(page, 'Device', 'Capacitive level sensor, two outputs');
  await choose(page, 'Channel', 'DI 1 channel 0');
  await page.getByRole('button', { name: 'Add the point' }).click();
  await expect(verdict(page)).toContainText('Works.');

  await page.getByRole('link', { name: 'Board' }).click();
  await page.getByRole('link', { name: 'Add a point' }).click();
  await choose(page, 'On which device', 'LS-1: Output 2');
  await page.getByLabel('Tag').fill('LS-2');
  await page.getByLabel('What it is for').fill('Tank empty');
  await choose(page, 'Channel', 'DI 1 channel 1');
  await expect(page.getByText('It would work on this channel.')).toBeVisible();
  await page.getByRole('button', { name: 'Add the point' }).click();
  await expect(page.getByRole('heading', { name: 'LS-2' })).toBeVisible();
  await expect(verdict(page)).toContainText('Works.');
});

test('a figure of one sensor’s own datasheet is solved with at once, told in the log, and taken back', async ({
  page,
}) => {
  await page.goto('/job/tern-rock/point/px-201/parts');
  await expect(verdict(page)).toContainText('Works.');
  const figures = page.getByRole('group', { name: 'Figures of PX-201' });
  await figures.getByRole('button', { name: 'From its datasheet' }).click();
  await figures.getByRole('button', { name: 'Enter' }).nth(1).click();
  await figures.getByLabel('Usual').fill('-1');
  await figures.getByRole('button', { name: 'Store' }).click();
  await expect(figures.getByText('This figure is 0 or more.', { exact: true })).toBeVisible();
  await figures.getByLabel('Usual').fill('2.6');
  await figures.getByLabel('Maximum').fill('2.8');
  await figures.getByLabel('Where it stands').fill('datasheet, page 2');
  await figures.getByRole('button', { name: 'Store' }).click();
  await expect(figures).toContainText(/datasheet, page 2; \w+/);
  await expect(verdict(page)).toContainText(/the sensor leaks while it is off/);
  await page.goto('/job/tern-rock/point/px-201/log');
  await expect(
    page.getByText(/Leakage while off 2\.6\smA, at most 2\.8, from datasheet, page 2/),
  ).toBeVisible();
  await page.goto('/job/tern-rock/point/px-201/parts');
  await figures.getByRole('button', { name: 'Back to the typical figure' }).click();
  await expect(verdict(page)).toContainText('Works.');
});
