import { nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { bareJob, jobWith, withModule } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import { checkIntegrity } from './integrity.ts';
import { JobIndex, otherEnd } from './jobIndex.ts';
import { commonWire, contactRail, numbering, proposeWires } from './propose.ts';

const sound = jobWith(
  'di8-both-4-4',
  ['-', '+'],
  { tag: 'PX-1' },
  { tag: 'PX-2', output: 'npn', at: ['m', 4] },
);
const found = (change: Partial<JobContent>) =>
  checkIntegrity({ ...sound, ...change }).map(({ path, message }) => `${said(path)}: ${said(message)}`);

describe('integrity', () => {
  test('a sound job has nothing to say', () => expect(checkIntegrity(sound)).toEqual([]));

  test('names the place of each trouble, and finds several at once', () => {
    const [p1, p2] = sound.points;
    const problems = found({
      points: [
        { ...sure(p1), tag: 'G1' },
        { ...sure(p2), deviceId: 'px-1-b' },
      ],
    });
    expect(problems).toEqual([
      'points[0].tag: job.tag-used-already-choose tag=G1 first=(job.the-supply s=G1)',
      'points[1].deviceId: job.claim-same-device tag=PX-2 other=G1',
    ]);
  });

  test('ids are distinct over supplies, modules and devices, and within every other list', () => {
    const [d1, d2] = sound.devices;
    expect(found({ devices: [sure(d1), { ...sure(d2), id: 'm' }] })[0]).toMatch(
      'devices[1].id: job.id-used-already-each id=m first=modules[0].id',
    );
    const [w1, ...rest] = sound.wires;
    expect(
      found({ wires: [sure(w1), ...rest.map((w, i) => (i === 0 ? { ...w, id: sure(w1).id } : w))] })[0],
    ).toMatch('wires[1].id');
  });

  test('a point without its device, a stamp without its point', () => {
    const [p1, p2] = sound.points;
    expect(found({ points: [{ ...sure(p1), deviceId: 'gone' }, sure(p2)] })[0]).toMatch(
      'job.names-device-job-does tag=PX-1 id=gone',
    );
    const stamp = {
      id: 's',
      pointId: 'gone',
      step: 'tug',
      fingerprint: {},
      by: 'MR',
      at: '2026-01-01T00:00:00Z',
    };
    expect(found({ stamps: [stamp] })[0]).toMatch('stamps[0].pointId: job.job-holds-point pointId=gone');
  });

  test('addresses of modules do not overlap, whatever their sizes', () => {
    const two = withModule(sound, 'n', 'di16-both-16', [null], 1);
    const third = { id: 'o', tag: 'O', typeId: 'di8-both-8', firstByte: 2 };
    const problems = checkIntegrity({ ...two, modules: [...two.modules, third] });
    expect(said(nth(problems, 0).message)).toBe('job.use-byte-which-uses module=O area=I byte=2 first=N');
  });

  test('two devices on one channel, and two wires of one', () => {
    const onto = sound.wires.map((wire) => (wire.id === 'px-2-b-BK' ? { ...wire, to: 'm:I0' } : wire));
    expect(found({ wires: onto })[0]).toMatch(
      'job.taken-needs-free-channel label=M channel 0 names=PX-1 names2=PX-2',
    );
  });
});

describe('looking up', () => {
  const index = new JobIndex(sound);

  test('a channel’s device, its neighbours, its common and the rail of that', () => {
    expect(sure(index.deviceAt({ moduleId: 'm', channel: 4 })).tag).toBe('PX-2');
    expect(index.deviceAt({ moduleId: 'm', channel: 3 })).toBeUndefined();
    expect(index.commonOf({ moduleId: 'm', channel: 4 })).toBe('COM2');
    expect(sure(index.railOf('m', 'COM2')).rail).toBe('+');
    expect(index.mates({ moduleId: 'm', channel: 1 }).map(({ tag }) => tag)).toEqual(['PX-1']);
    expect(sure(index.pointFor('px-2-b')).tag).toBe('PX-2');
  });

  test('what is not there is said', () => {
    expect(() => index.point('none')).toThrow(/no point "none"/);
    expect(() => index.deviceOf({ ...nth(sound.points, 0), deviceId: 'none' })).toThrow(/no device "none"/);
    expect(index.railOf('m', 'COM9')).toBeUndefined();
  });

  test('a wire has two ends', () => {
    const wire = sure(sound.wires.find(({ id }) => id === 'px-1-b-BK'));
    expect(otherEnd(wire, 'm:I0')).toBe('px-1-b:BK');
    expect(otherEnd(wire, 'px-1-b:BK')).toBe('m:I0');
  });
});

describe('proposing wires', () => {
  test('numbers go on from the highest, whatever else stands on wires', () => {
    const job = withModule(bareJob(), 'm', 'di8-both-8', ['-']);
    const named = {
      ...job,
      wires: [
        { ...nth(job.wires, 0), number: '41' },
        { ...nth(job.wires, 0), id: 'x', number: 'W7a' },
      ],
    };
    const next = numbering(named);
    expect([next(), next()]).toEqual(['42', '43']);
  });

  test('a contact’s first side goes to the rail that lets current pass', () => {
    const rails = (typeId: string, common: '+' | '-' | null) =>
      contactRail(withModule(bareJob(), 'm', typeId, [common]), { moduleId: 'm', channel: 0 });
    expect([rails('di8-both-8', '-'), rails('di8-both-8', '+'), rails('di8-both-8', null)]).toEqual([
      '+',
      '-',
      '+',
    ]);
    expect([rails('di8-sink-8', '+'), rails('di8-source-8', '-')]).toEqual(['+', '-']);
  });

  test('a through-beam pair gets wires for its emitter too', () => {
    const job = withModule(bareJob(), 'm', 'di8-both-8', ['-']);
    const point = { id: 'p', tag: 'P', name: 'P', deviceId: 'd', bit: 'direct' as const };
    const devices = [{ id: 'd', tag: 'D', typeId: 'through-beam-3w' }];
    const wires = proposeWires({ ...job, devices, points: [point] }, point, { moduleId: 'm', channel: 2 });
    expect(wires.map(({ from, to }) => `${from} ${to}`)).toEqual([
      'd:BN g1:+',
      'd:BU g1:-',
      'd:BK m:I2',
      'd:E-BN g1:+',
      'd:E-BU g1:-',
    ]);
  });

  test('the wire of a common has the colour of its rail', () => {
    const job = withModule(bareJob(), 'm', 'di8-both-8', [null]);
    expect(commonWire(job, 'm', 'COM1', '+', nth(job.supplies, 0))).toMatchObject({
      from: 'm:COM1',
      to: 'g1:+',
      colour: 'RD',
    });
    expect(commonWire(job, 'm', 'COM1', '-', nth(job.supplies, 0))).toMatchObject({
      to: 'g1:-',
      colour: 'BU',
    });
  });
});
