import { nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { guardJob, relayJob } from '../../test/families.ts';
import { ACTOR, after, bareJob, jobWith, withModule } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import type { Supply } from '../model/job.ts';
import { JobProblem } from '../model/problem.ts';
import { partTypesOf, settingsOf } from '../catalog/index.ts';
import { analyse } from '../analysis/analysis.ts';
import { judge } from '../verdict/judge.ts';
import { applyChange } from './changes.ts';
import { Change } from './changeSchema.ts';
import { JobIndex } from './jobIndex.ts';

const BOTH8 = 'di8-both-8';

function refusal(job: JobContent, change: Change): string {
  try {
    applyChange(job, change, ACTOR);
  } catch (error) {
    if (error instanceof JobProblem)
      return error.problems
        .map(({ message }) => message)
        .map(said)
        .join(' ');
    throw error;
  }
  return 'not refused';
}

const mains: Supply = {
  id: 'q',
  tag: 'Q1',
  kind: 'ac',
  volts: 230,
  tolerancePercent: 10,
  internalOhms: 0.5,
  limitAmps: 16,
};

describe('supplies', () => {
  test('are added, changed, and removed with the wires on them', () => {
    const job = after(jobWith(BOTH8, ['-'], { tag: 'PX-1' }), { kind: 'addSupply', supply: mains });
    expect(nth(after(job, { kind: 'editSupply', id: 'q', patch: { volts: 115 } }).supplies, 1).volts).toBe(
      115,
    );
    expect(after(job, { kind: 'removeSupply', id: 'q' }).supplies).toHaveLength(1);
    const without = after(job, { kind: 'removeSupply', id: 'g1' });
    expect(without.wires.some(({ to }) => to.startsWith('g1:'))).toBe(false);
    expect(without.wires.some(({ to }) => to === 'm:I0')).toBe(true);
  });

  test.each([
    ['the last one', { kind: 'removeSupply', id: 'g1' } as const, 'job.job-needs-supply-add'],
    [
      'a tag that is taken',
      { kind: 'addSupply', supply: { ...mains, tag: 'G1' } } as const,
      'job.tag-used-already-choose tag=G1 first=(job.the-supply s=G1)',
    ],
    [
      'mains volts as DC',
      { kind: 'addSupply', supply: { ...mains, kind: 'dc' } } as const,
      'job.dc-control-supply-60 tag=Q1',
    ],
    [
      'one that is gone',
      { kind: 'editSupply', id: 'zz', patch: { volts: 24 } } as const,
      'job.job-holds-may-been what=supply id=zz',
    ],
  ])('%s is refused', (_, change, message) => {
    expect(refusal(bareJob(), change)).toMatch(message);
  });

  test.each([
    [{ volts: 5 }, /supply-least-10-v/],
    [{ limitAmps: 0 }, /supply-must-able-give/],
    [{ internalOhms: -1 }, /inner-resistance-negative/],
    [{ otherAmps: -1 }, /current-other-loads-0/],
    [{ feed: { from: 'g1', protection: 'fuse', lengthM: 0, mm2: 1 } }, /feeder-longer-0-m/],
    [{ feed: { from: 'g1', protection: 'hope', lengthM: 1, mm2: 1 } }, /fuse/],
  ])('%j is refused where it is entered', (patch, message) => {
    const parsed = Change.safeParse({ kind: 'editSupply', id: 'g1', patch });
    expect(parsed.success).toBe(false);
    expect(JSON.stringify(sure(parsed.error).issues)).toMatch(message);
  });
});

describe('parts of a point', () => {
  const job = relayJob();

  test('belong to it, and go with their wires alone', () => {
    const { helperIds } = nth(job.points, 0);
    expect(helperIds).toEqual(['k1', 'fan', 'h1']);
    const without = after(job, { kind: 'removeHelper', id: 'fan' });
    expect(nth(without.points, 0).helperIds).toEqual(['k1', 'h1']);
    expect(without.wires.some(({ from }) => from.startsWith('fan:'))).toBe(false);
    expect(without.wires).toHaveLength(job.wires.length - 2);
  });

  test('go with the point', () => {
    const without = after(job, { kind: 'removePoint', id: 'px-1' });
    expect(without.devices).toEqual([]);
    expect(without.wires.every(({ from }) => from.startsWith('m:'))).toBe(true);
  });

  test('keep their wires when another type of the same terminals is chosen, and lose them otherwise', () => {
    const wiresAt = (of: JobContent): number =>
      of.wires.filter(({ from, to }) => `${from} ${to}`.includes('k1:')).length;
    const alike = after(job, {
      kind: 'editDevice',
      id: 'k1',
      patch: { typeId: 'relay-2co-24ac', settings: {} },
    });
    expect(wiresAt(alike)).toBe(wiresAt(job));
    const other = after(job, {
      kind: 'editDevice',
      id: 'k1',
      patch: { typeId: 'relay-1co-24dc', settings: {} },
    });
    expect(wiresAt(other)).toBe(0);
  });

  test.each([
    [
      'a setting that the type has not',
      { magic: 'on' },
      'job.has-no-setting typeName=Plug-in relay, two poles, coil 24 V DC key=magic',
    ],
    ['a choice that it does not offer', { suppressor: 'hope' }, 'job.cannot-be-allowed'],
  ])('%s is refused', (_, settings, message) => {
    expect(refusal(job, { kind: 'editDevice', id: 'k1', patch: { settings } })).toMatch(message);
  });

  test('a resistor has any resistance from 0.1 Ω to 10 MΩ, of the usual row or not', () => {
    const resistor = (ohms: string): Change => ({
      kind: 'addHelper',
      pointId: 'px-1',
      device: { id: 'r1', tag: 'R1', typeId: 'resistor', settings: { ohms } },
      wires: [],
    });
    const circuit = (ohms: string) => {
      const added = after(job, resistor(ohms));
      const type = partTypesOf(added).device({ typeId: 'resistor' });
      const own = sure(added.devices.find(({ id }) => id === 'r1'));
      const settings = settingsOf(type, own.settings);
      return type.circuit({ settings, outputs: new Map(), present: false, level: 0, forced: new Set() });
    };
    for (const ohms of ['68', '120', '0.1'])
      expect(circuit(ohms)).toMatchObject([{ ohms: { nom: Number(ohms), max: Number(ohms) * 1.05 } }]);
    for (const ohms of ['0', '-5', '2e7', '', 'many'])
      expect(refusal(job, resistor(ohms))).toMatch(/job.cannot-be-allowed.*setting.from-to/);
  });

  test('cannot be added to a point that is not there, nor twice', () => {
    const device = { id: 'k9', tag: 'K9', typeId: 'relay-1co-24dc' } as const;
    expect(refusal(job, { kind: 'addHelper', pointId: 'zz', device, wires: [] })).toMatch(
      'job.job-holds-point-may pointId=zz',
    );
    const twice = { ...device, id: 'k1' };
    expect(refusal(job, { kind: 'addHelper', pointId: 'px-1', device: twice, wires: [] })).toMatch(
      'job.id-used-already-each',
    );
  });
});

describe('wires as found', () => {
  const job = relayJob();
  const coil = sure(job.wires.find(({ from }) => from === 'k1:A1'));

  test('count where they were found; the plan stays', () => {
    const found = after(job, { kind: 'landWire', wireId: coil.id, asFound: { from: 'k1:12' } });
    const index = new JobIndex(found);
    expect(index.wiresAt('k1:A1')).toEqual([]);
    expect(index.plannedAt('k1:A1').map(({ id }) => id)).toEqual([coil.id]);
    expect(index.wiresAt('k1:12').map(({ id }) => id)).toContain(coil.id);
    expect(judge(analyse(index, 'px-1')).status).toBe('cannot');
    const back = after(found, { kind: 'landWire', wireId: coil.id, asFound: null });
    expect(back).toEqual(job);
  });

  test('nothing other is no difference: the row is as if it had never been touched', () => {
    expect(after(job, { kind: 'landWire', wireId: coil.id, asFound: {} })).toEqual(job);
  });

  test('on a terminal that is not there are refused', () => {
    const to = (asFound: object): string =>
      refusal(job, { kind: 'landWire', wireId: coil.id, asFound } as Change);
    expect(to({ to: 'k1:99' })).toMatch('job.wire-ends-terminal');
    expect(to({ to: 'zz:1' })).toMatch('job.wire-ends-which-job number=k10 item=zz');
    expect(to({ from: coil.to })).toMatch('job.wire-begins-ends-same number=k10');
  });

  test('go back to the plan when what they were found on is removed', () => {
    const found = after(withModule(job, 'n', BOTH8, ['-'], 8), {
      kind: 'landWire',
      wireId: coil.id,
      asFound: { to: 'n:I3' },
    });
    const without = after(found, { kind: 'removeModule', id: 'n' });
    expect(without.wires.find(({ id }) => id === coil.id)).toEqual(coil);
  });
});

describe('settings of a module', () => {
  test('are stored with it, and refused where it has none such', () => {
    const job = guardJob();
    const set = after(job, { kind: 'editModule', id: 's', patch: { settings: { selector: 'either' } } });
    expect(sure(set.modules.find(({ id }) => id === 's')).settings).toEqual({ selector: 'either' });
    expect(refusal(job, { kind: 'editModule', id: 'm', patch: { settings: { selector: 'both' } } })).toMatch(
      'job.has-no-setting',
    );
  });
});

test('a job’s colours are one of the conventions, and new panel wires follow them', () => {
  const job = after(bareJob(), { kind: 'editJob', patch: { colours: 'north-america' } });
  const common = sure(withModule(job, 'm', BOTH8, ['-']).wires.find(({ from }) => from === 'm:COM1'));
  expect(common.colour).toBe('WH');
  expect(Change.safeParse({ kind: 'editJob', patch: { colours: 'moon' } }).success).toBe(false);
});

test('a range needs two different ends, and null takes it away', () => {
  const job = jobWith(BOTH8, ['-'], { tag: 'PX-1' });
  const range = { low: 0, high: 6, unit: 'bar' };
  const ranged = after(job, { kind: 'editPoint', id: 'px-1', patch: { range } });
  expect(nth(ranged.points, 0).range).toEqual(range);
  expect(
    after(ranged, { kind: 'editPoint', id: 'px-1', patch: { range: null } }).points[0],
  ).not.toHaveProperty('range');
  const flat = Change.safeParse({
    kind: 'editPoint',
    id: 'px-1',
    patch: { range: { low: 1, high: 1, unit: '' } },
  });
  expect(JSON.stringify(sure(flat.error).issues)).toMatch(/model\.range-needs-two-different/);
});
