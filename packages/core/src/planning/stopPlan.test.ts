import { after, bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { judge, statusIn } from '../verdict/index.ts';
import { stopPlan } from './stopPlan.ts';

const IDS = { button: 'b', contactors: ['k1', 'k2'] };
const guarded = (typeId: string) =>
  withPoint(withModule(bareJob(), 's', 'safety-relay-2', [], 10), {
    tag: 'GS-1',
    typeId,
    output: typeId === 'guard-transistor' ? 'pnp' : 'contact',
    logic: 'nc',
    at: ['s', 0],
  });

test.each(['guard-2c', 'estop-2c', 'guard-transistor'])(
  '%s: contactors, feedback and reset in one change, and every demand and fault is survived',
  (typeId) => {
    const job = guarded(typeId);
    expect(statusIn(job, 'gs-1')).not.toBe('works');
    const plan = stopPlan(new JobIndex(job), 'gs-1', IDS);
    if (!plan) throw new Error('no plan');
    const done = after(job, plan);
    const analysis = analyse(new JobIndex(done), 'gs-1');
    expect(judge(analysis).status).toBe('works');
    const energy = (id: string, key: string): boolean => {
      const state = [...analysis.shown, ...analysis.staged].find(({ situation }) => situation.key === key);
      return state?.solution.active(`${id}/load`) ?? true;
    };
    for (const id of IDS.contactors) {
      expect(energy(id, 'present')).toBe(true);
      for (const key of ['away', 'open1', 'open2', 'stuck1', 'stuck2']) expect(energy(id, key)).toBe(false);
    }
    // One welded contactor is seen in the feedback: nothing starts again.
    expect(energy('k2', 'welded0')).toBe(false);
    expect(energy('k1', 'welded1')).toBe(false);
  },
);

test('a reset that is wired stays, tags and numbers are free', () => {
  const job = after(guarded('guard-2c'), {
    kind: 'addHelper',
    pointId: 'gs-1',
    device: { id: 'r', tag: 'S1', typeId: 'reset-button' },
    wires: [
      { id: 'r13', number: '90', from: 'r:13', to: 's:T1', colour: 'BK', lengthM: 1, mm2: 0.75 },
      { id: 'r14', number: '91', from: 'r:14', to: 's:RI', colour: 'BK', lengthM: 1, mm2: 0.75 },
    ],
  });
  const plan = stopPlan(new JobIndex(job), 'gs-1', IDS);
  if (!plan) throw new Error('no plan');
  const { devices, wires } = after(job, plan);
  expect(devices.filter(({ typeId }) => typeId === 'reset-button')).toHaveLength(1);
  expect(devices.map(({ tag }) => tag)).toEqual(['GS-1', 'S1', 'K1', 'K2']);
  expect(new Set(wires.map(({ number }) => number)).size).toBe(wires.length);
});

test('a guard that is on no safety relay gets no such plan', () => {
  const job = withPoint(withModule(bareJob(), 'm', 'di8-both-8', ['-']), {
    typeId: 'guard-2c',
    output: 'contact',
    logic: 'nc',
    at: null,
  });
  expect(stopPlan(new JobIndex(job), 'px-1', IDS)).toBeUndefined();
});
