import { nth, sure } from '@keypost/core/lists';
import { patchJob } from '@keypost/api';
import { analyse } from '@keypost/core/analysis';
import { applyChange, JobIndex } from '@keypost/core/job';
import { readJobFile, writeJobFile } from '@keypost/core/jobFile';
import { judge } from '@keypost/core/verdict';
import type { Change } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { randomUUID } from 'node:crypto';
import { FAMILIES, relayJob } from '../../../packages/core/test/families.ts';
import { startTestServer } from './server.ts';
import type { TestServer } from './server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60000);
afterAll(() => server.close());

/** Ids of wires in the families’ jobs hold signs that an id must not; the file and the server hold to that. */
const sound = (job: JobContent): JobContent => ({
  ...job,
  wires: job.wires.map((wire) => ({ ...wire, id: wire.id.replace(/[^\w.-]/g, '_') })),
});

const bring = (job: JobContent) =>
  server.call('importJob', { body: { id: randomUUID(), by: 'TT', file: writeJobFile(sound(job)) } });

test.each(Object.keys(FAMILIES))(
  '%s: in as a file, read from the database, out again, the same',
  async (name) => {
    const job = sound(sure(FAMILIES[name])());
    const { id } = await bring(job);
    const { content } = await server.call('getJob', { params: { jobId: id } });
    expect(content).toEqual(job);
    const file = await server.call('exportJob', { params: { jobId: id } });
    expect(readJobFile(file).job).toEqual(job);
    expect(judge(analyse(new JobIndex(content), 'px-1')).status).toBe('works');
  },
);

describe('changes of parts', () => {
  const changes: [string, Change][] = [
    [
      'a branch',
      {
        kind: 'addSupply',
        supply: {
          id: 'f1',
          tag: 'F1',
          kind: 'dc',
          volts: 24,
          tolerancePercent: 3,
          internalOhms: 0,
          limitAmps: 2,
          otherAmps: 0.4,
          feed: { from: 'g1', protection: 'breaker', lengthM: 30, mm2: 1.5 },
        },
      },
    ],
    ['the volts of what feeds it', { kind: 'editSupply', id: 'g1', patch: { volts: 26 } }],
    ['a switch', { kind: 'editDevice', id: 'k1', patch: { settings: { suppressor: 'varistor' } } }],
    [
      'a resistor with its wires',
      {
        kind: 'addHelper',
        pointId: 'px-1',
        device: {
          id: 'r1',
          tag: 'R1',
          typeId: 'resistor',
          settings: { ohms: '2200' },
        },
        wires: [
          { id: 'r1-1', number: '90', from: 'r1:1', to: 'k1:A1', colour: 'BK', lengthM: 1, mm2: 0.75 },
          { id: 'r1-2', number: '91', from: 'r1:2', to: 'k1:A2', colour: 'BK', lengthM: 1, mm2: 0.75 },
        ],
      },
    ],
    ['a wire found elsewhere', { kind: 'landWire', wireId: 'r1-1', asFound: { to: 'k1:12', colour: 'GY' } }],
    ['its cable', { kind: 'editWire', wireId: 'r1-2', patch: { cable: 'W1', core: '2', ferrule: 'WH' } }],
    ['the wire as planned again', { kind: 'landWire', wireId: 'r1-1', asFound: null }],
    ['a range', { kind: 'editPoint', id: 'px-1', patch: { range: { low: 0, high: 6, unit: 'bar' } } }],
    ['no range', { kind: 'editPoint', id: 'px-1', patch: { range: null } }],
    ['colours', { kind: 'editJob', patch: { colours: 'japan' } }],
    ['the resistor gone', { kind: 'removeHelper', id: 'r1' }],
    ['the branch gone', { kind: 'removeSupply', id: 'f1' }],
  ];

  test('leave server, patched copy and pure function with the same job, one after another', async () => {
    let view = await bring(relayJob());
    let pure = view.content;
    for (const [what, change] of changes) {
      const answer = await server.call('changeJob', {
        params: { jobId: view.id },
        body: { changeId: randomUUID(), by: 'TT', change, expects: [] },
      });
      pure = applyChange(pure, change, { by: 'TT', at: '2026-01-01T00:00:00.000Z' });
      view = sure(patchJob(view, answer));
      const stored = await server.call('getJob', { params: { jobId: view.id } });
      expect([what, stored.content]).toEqual([what, pure]);
      expect([what, view.content]).toEqual([what, pure]);
    }
  });

  test('are in the log, each with who and what', async () => {
    const view = await bring(relayJob());
    await server.call('changeJob', {
      params: { jobId: view.id },
      body: { changeId: randomUUID(), by: 'MR', change: nth(changes, 2)[1], expects: [] },
    });
    const events = await server.call('listEvents', { params: { jobId: view.id }, query: { limit: 10 } });
    expect(events[0]).toMatchObject({ by: 'MR', collection: 'devices' });
  });
});
