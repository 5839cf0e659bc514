import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from './site';
import { addModule, addPoint, known, newJob } from './story';

test.beforeEach(({ page }) => known(page));

const METER = path.resolve(import.meta.dirname, '../apps/server/src/demo/pictures/meter.jpg');

/** The meter as a phone's camera would give it: with a note of where it was taken (EXIF). */
function asTaken(): Buffer {
  const file = readFileSync(METER);
  const note = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), Buffer.alloc(40, 'SECRET-PLACE ')]);
  const head = Buffer.from([0xff, 0xe1, 0, note.length + 2]);
  return Buffer.concat([file.subarray(0, 2), head, note, file.subarray(2)]);
}

async function choosePicture(page: Page, buffer: Buffer, mimeType = 'image/jpeg') {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a picture' }).click(),
  ]);
  await chooser.setFiles({ name: 'taken.jpg', mimeType, buffer });
}

test('a photo is added by thumb at a step, found at the point and in the job, and removed with a reason', async ({
  page,
}) => {
  await newJob(page, 'Photo job');
  await addModule(page, '4-channel DC input, sink or source, selectable, one common', ['On 0 V']);
  await page.getByRole('link', { name: /channel 0, common 1, free/ }).click();
  await addPoint(page, { tag: 'PX-1', name: 'Door', output: 'PNP', channel: 'DI 1 channel 0' });
  await page
    .getByRole('button', { name: /^Add a photo of / })
    .first()
    .click();

  // What is no picture is said, and nothing is sent.
  await choosePicture(page, Buffer.from('no picture'));
  await expect(page.getByText('This browser cannot read that picture.', { exact: false })).toBeVisible();
  await choosePicture(page, asTaken());
  await page.getByLabel('What it shows').fill('Meter on the rails');
  const sent = page.waitForRequest((request) => request.url().endsWith('/photos'));
  await page.getByRole('button', { name: 'Store the photo' }).click();
  const body = (await sent).postDataJSON() as { picture: string };
  const picture = Buffer.from(body.picture, 'base64');
  expect(picture.includes('SECRET-PLACE')).toBe(false);
  expect(picture.length).toBeLessThanOrEqual(300 * 1024);

  const mark = page.getByRole('button', { name: /^Photo 1 of .*: Meter on the rails$/ });
  await expect(mark).toBeVisible();
  const shown = page.waitForResponse((answer) => /\/photos\/[0-9a-f]{64}$/.test(answer.url()));
  await page.reload();
  expect((await shown).headers()['content-type']).toBe('image/jpeg');
  await mark.click();
  await expect(page.getByRole('img', { name: 'Meter on the rails' })).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('link', { name: 'Photos: one' }).click();
  await page.getByRole('button', { name: 'Open the photo: Meter on the rails' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await page.getByRole('button', { name: 'Remove the photo' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Say why' })).toBeVisible();
  await page.getByLabel('Why is it removed?').fill('Shows a face');
  await page.getByRole('button', { name: 'Remove the photo' }).click();
  await expect(page.getByText(/^Removed .* by MR: Shows a face$/)).toBeVisible();
  await page.getByRole('link', { name: 'Job', exact: true }).click();
  await page.getByRole('link', { name: /^Photos: / }).click();
  await expect(page.getByText(/^Removed .* by MR: Shows a face$/)).toBeVisible();
});
