import { sure } from '@keypost/core/lists';
import { Scaling } from '@keypost/core/model';
import { writeJobFile } from '@keypost/core/jobFile';
import type { Change } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { randomUUID } from 'node:crypto';
import { ternRock } from '../src/demo/ternRock.ts';
import type { Simulators } from '../src/simulators/start.ts';
import { simulatorsAnywhere, startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

let server: TestServer;
let simulators: Simulators;
let jobId: string;
const demo = ternRock();

beforeAll(async () => {
  simulators = await simulatorsAnywhere();
  server = await startTestServer(simulators);
  const job = await server.call('importJob', {
    body: { id: randomUUID(), by: 'TT', file: writeJobFile(demo) },
  });
  jobId = job.id;
}, 60000);
afterAll(async () => {
  await server.close();
  await simulators.close();
});

const content = async (): Promise<JobContent> => (await server.call('getJob', { params: { jobId } })).content;
const change = (given: Change) =>
  server.call('changeJob', {
    params: { jobId },
    body: { changeId: randomUUID(), by: 'TT', change: given, expects: [] },
  });

test('chains, calibrations and results with units come back from the database as they were', async () => {
  const stored = await content();
  expect(stored.calibrations).toEqual(demo.calibrations);
  expect(stored.results).toEqual(demo.results);
  expect(stored.points.map(({ scaling }) => scaling)).toEqual(demo.points.map(({ scaling }) => scaling));
});

test('a calibration is added beside those before, with who and when, and is in the log', async () => {
  const before = (await content()).calibrations;
  await change({
    kind: 'calibrate',
    calibrations: [
      {
        id: 'new',
        pointId: 'lt-228',
        body: { kind: 'field', unitIn: 'Ω', unitOut: '%', in: 95, out: 50, note: 'litred in' },
      },
    ],
  });
  const after = (await content()).calibrations;
  expect(after.slice(0, before.length)).toEqual(before);
  expect(after.at(-1)).toMatchObject({ id: 'new', by: 'TT' });
  const events = await server.call('listEvents', { params: { jobId }, query: { limit: 5 } });
  expect(events[0]).toMatchObject({ collection: 'calibrations', rowId: 'new', before: null });
});

test('a chain is chosen and taken back; what is not sound is refused with its field', async () => {
  const scaling = Scaling.parse({ converter: { formatId: 'b12' } });
  await change({ kind: 'setScaling', pointId: 'pt-225', scaling });
  expect(sure((await content()).points.find(({ id }) => id === 'pt-225')).scaling).toEqual(scaling);
  await change({ kind: 'setScaling', pointId: 'pt-225', scaling: null });
  expect((await content()).points.find(({ id }) => id === 'pt-225')).not.toHaveProperty('scaling');
  const wrong = {
    ...scaling,
    bands: { lowFault: 4, underAt: 3, overAt: 20, highFault: 21, delay: 1, reaction: 'hold' },
  };
  await expect(
    change({ kind: 'setScaling', pointId: 'pt-225', scaling: wrong as never }),
  ).rejects.toMatchObject({
    details: { status: 400 },
  });
});

test('the bench source is asked through the server; its refusals come as sentences', async () => {
  const link = `127.0.0.1:${simulators.ports.bench}`;
  const given = await server.call('inject', { body: { link, unit: 'mA', value: 12 } });
  expect(given.injected).toBeCloseTo(12, 1);
  await expect(server.call('inject', { body: { link, unit: 'mA', value: 40 } })).rejects.toMatchObject({
    details: { status: 422, detail: 'The source cannot give 40 mA: that is outside its range.' },
  });
  await expect(
    server.call('inject', { body: { link: '127.0.0.1:1', unit: 'mA', value: 4 } }),
  ).rejects.toMatchObject({
    details: { status: 504 },
  });
});
