import '@keypost/core/messages/all';
import { sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from './site';
import { ROOT, scratch } from './serve';
import { BOARD, known, meterVolts } from './story';

test.beforeEach(({ page }) => known(page));

test('the board shows every point, what stops it, and its stages', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Recirculation hall/ }).click();
  const rows = page.getByRole('list', { name: 'Points' }).getByRole('link');
  const { content } = (await (await page.request.get('/api/jobs/tern-rock')).json()) as {
    content: { points: unknown[] };
  };
  expect(content.points.length).toBeGreaterThan(60);
  await expect(rows).toHaveCount(content.points.length);
  await expect(rows.first()).toHaveAccessibleName(/PX-104 Hatch door shut, cannot work: Group mixed/);
  await expect(page.getByRole('link', { name: /UX-109 .* on no rail/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /PX-108 .* can only take current in/ })).toBeVisible();
  await expect(
    page.getByRole('link', { name: /PE-106 .* failed: Signal without target 14\.2 V/ }),
  ).toBeVisible();
  await expect(page.getByRole('group', { name: '9 can’t work' })).toBeVisible();
});

test('the target moves path, lamps, bit and meter', async ({ page }) => {
  await page.goto(`${BOARD}/point/px-102`);
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText(
    'Works. The sensor pulls the input to 0',
  );
  await expect(page.getByRole('group', { name: /Loop of PX-102.*no current/ })).toBeVisible();
  expect(await meterVolts(page)).toBeGreaterThan(20);
  await page.getByRole('radio', { name: 'Target present' }).click();
  await expect(
    page.getByRole('group', { name: /current flows from the signal wire into the device/ }),
  ).toBeVisible();
  expect(await meterVolts(page)).toBeLessThan(2);
  await expect(page.getByText('%IX1.0 = 1')).toBeVisible();
});

test('any two terminals can be touched, and the meter reads between them with its band', async ({ page }) => {
  await page.goto(`${BOARD}/point/pe-101`);
  const meter = page.getByRole('group', { name: 'Meter' });
  await page.getByRole('button', { name: 'Terminal BN of PE-101' }).click();
  await expect(meter).toContainText('PE-101 BN');
  await page.getByRole('button', { name: '0 V rail of G1' }).click();
  await expect(meter).toContainText(/− G1 0\sV/);
  expect(await meterVolts(page)).toBeCloseTo(24.1, 0);
  await expect(meter).toContainText(/23\.\d to 24\.\d/);
  await page.getByRole('button', { name: 'Exchange the leads' }).click();
  expect(await meterVolts(page)).toBeCloseTo(-24.1, 0);
});

test('a node that hangs on nothing is named as floating', async ({ page }) => {
  await page.goto(`${BOARD}/point/ux-109`);
  await expect(page.getByRole('group', { name: 'Meter' })).toContainText('hangs on nothing');
});

test('both vocabularies and the rule stand beside the drawing', async ({ page }) => {
  await page.goto(`${BOARD}/point/pe-101`);
  const rule = page.getByRole('group', { name: 'The rule' });
  await expect(rule).toContainText('PNP switches plus: put the group’s common on 0 V.');
  await expect(rule).toContainText('Sinking input: current goes in at its terminal');
  await expect(rule).toContainText('Other words');
});

test('the board and the check command agree on every point', async ({ page, request }) => {
  const file = path.join(scratch(), 'job.json');
  writeFileSync(file, await (await request.get('/api/jobs/tern-rock/file')).text());
  const { status, stdout } = spawnSync('./keypost', ['check', file, '--json'], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  expect(status).toBe(1);
  const { points } = JSON.parse(stdout) as {
    points: { progress: { tag: string; line: string; verdict: { status: string } } }[];
  };
  await page.goto(BOARD);
  const links = page.getByRole('list', { name: 'Points' }).getByRole('link');
  await expect(links).toHaveCount(points.length);
  const plain = (text: string): string => text.replace(/\s+/g, ' ');
  await expect(async () => {
    const rows = await links.evaluateAll((all) => all.map((row) => [row.ariaLabel ?? '', row.textContent]));
    for (const { progress } of points) {
      const [name, text] = sure(rows.find(([said]) => said?.startsWith(`${progress.tag} `)));
      expect(plain(text ?? '')).toContain(plain(textOf(progress.line)));
      expect([name, /cannot work/.test(name ?? '')]).toEqual([name, progress.verdict.status === 'cannot']);
    }
  }).toPass();
});

test('the check command says 0 for a sound job and 2 for a bad file', async ({ request }) => {
  const created = await request.post('/api/jobs', {
    data: { id: crypto.randomUUID(), name: 'Sound', site: '', by: 'TT' },
  });
  const { id } = (await created.json()) as { id: string };
  const folder = scratch();
  const sound = path.join(folder, 'sound.json');
  writeFileSync(sound, await (await request.get(`/api/jobs/${id}/file`)).text());
  const bad = path.join(folder, 'bad.json');
  writeFileSync(bad, '{"format": "keypost-job", "version": 7}');
  const check = (...args: string[]) =>
    spawnSync('./keypost', ['check', ...args], { cwd: ROOT, encoding: 'utf8' });
  expect(check(sound)).toMatchObject({ status: 0, stdout: expect.stringContaining('Every point can work.') });
  expect(check(bad)).toMatchObject({ status: 2, stderr: expect.stringContaining('version 7') });
  expect(check(path.join(folder, 'none.json'))).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('cannot be read'),
  });
  expect(check()).toMatchObject({ status: 2, stderr: expect.stringContaining('Usage') });
});
