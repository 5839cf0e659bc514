import { nth } from '../lists/index.ts';
import { jobWith, withWires } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { wireAt } from '../../test/safetyJobs.ts';
import { JobProblem } from '../model/index.ts';
import type { Change } from '../job/index.ts';
import { effectsOf } from './effects.ts';

const job = jobWith('di8-both-8', ['-'], { tag: 'PX-1' }, { tag: 'PX-2', at: ['m', 1] });
const wire = (from: string, to: string): Change => ({
  kind: 'addWire',
  wire: { id: 'new', number: '99', from, to, colour: 'BK', lengthM: 1, mm2: 0.75 },
});

test('a wire between rails is a short, told before it is stored', () => {
  const { joins } = effectsOf(job, wire('g1:+', 'g1:-'));
  expect(said(nth(joins, 0))).toMatch(/^reason.rails.short/);
});

test('a wire that joins two signals turns both points; the third goes on', () => {
  const three = jobWith(
    'di8-both-8',
    ['-'],
    {},
    { tag: 'PX-2', at: ['m', 1] },
    { tag: 'PX-3', at: ['m', 2] },
  );
  const { turned, joins } = effectsOf(three, wire('px-1-b:BK', 'g1:+'));
  expect(joins).toEqual([]);
  expect(turned.map(({ tag, before, after }) => [tag, before, after])).toEqual([['PX-1', 'works', 'cannot']]);
});

test('a common that is led to the other rail stops every sensor of its group', () => {
  const common = wireAt(job, 'm:COM1');
  const end = common.from === 'm:COM1' ? 'to' : 'from';
  const { turned, unmoved } = effectsOf(job, { kind: 'moveWire', wireId: common.id, [end]: 'g1:+' });
  expect(turned.map(({ tag, after }) => [tag, after])).toEqual([
    ['PX-1', 'cannot'],
    ['PX-2', 'cannot'],
  ]);
  expect(unmoved).toEqual([]);
});

test('a second wire beside one that is there changes nothing, and the points in its circuit are named', () => {
  const { turned, unmoved } = effectsOf(job, wire('px-1-b:BK', 'm:I0'));
  expect(turned).toEqual([]);
  expect(unmoved).toEqual(['PX-1']);
});

test('a wire put back mends what its absence stopped', () => {
  const signal = wireAt(job, 'px-1-b:BK');
  const removed = effectsOf(job, { kind: 'removeWire', wireId: signal.id });
  expect(removed.turned.map(({ after }) => after)).toEqual([expect.not.stringMatching('works')]);
  const without = { ...job, wires: job.wires.filter(({ id }) => id !== signal.id) };
  expect(withWires(without, ['px-1-b:BK', 'm:I0']).wires).toHaveLength(job.wires.length);
  expect(effectsOf(without, wire('px-1-b:BK', 'm:I0')).turned.map(({ after }) => after)).toEqual(['works']);
});

test('a wire to a terminal that is not there is refused', () => {
  expect(() => effectsOf(job, wire('px-1-b:XX', 'g1:+'))).toThrow(JobProblem);
});

test('a third wire on a clamp is told, a seventh refused; a rail takes as many as there are', () => {
  const more = (count: number) =>
    Array.from({ length: count }, (_, i) => ['px-1-b:BK', `px-2-b:${i % 2 ? 'BN' : 'BK'}`] as const).reduce(
      (now, pair) => withWires(now, [...pair]),
      job,
    );
  const crowded = (from: number) => effectsOf(more(from), wire('px-1-b:BK', 'px-2-b:BU')).crowded.map(said);
  expect(crowded(0)).toEqual([]);
  expect(crowded(1)).toEqual([expect.stringMatching(/terminal-bears terminal=PX-1 BK count=3/)]);
  expect(effectsOf(job, wire('g1:+', 'px-1-b:BN')).crowded).toEqual([]);
  expect(() => effectsOf(more(5), wire('px-1-b:BK', 'px-2-b:BU'))).toThrow(JobProblem);
});
