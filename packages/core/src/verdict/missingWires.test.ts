import { FAMILIES } from '../../test/families.ts';
import { said } from '../../test/said.ts';
import { sure } from '../lists/index.ts';
import type { JobContent, Wire } from '../model/index.ts';
import { analyse } from '../analysis/analysis.ts';
import { applyChange } from '../job/changes.ts';
import { NOBODY } from '../job/changeSchema.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { statusIn } from './judge.ts';
import { verdictOf } from './verdict.ts';

/** Every family without a safety function, with every second of its wires taken out in turn. */
const CASES = Object.entries(FAMILIES).flatMap(([name, make]) => {
  if (/guard/.test(name)) return [];
  const whole = sure(make)();
  return whole.wires
    .filter((_, i) => i % 2 === 0)
    .map((wire): readonly [string, Wire, JobContent] => [
      name,
      wire,
      { ...whole, wires: whole.wires.filter((other) => other !== wire) },
    ]);
});

test('a wire that is missing is found again, in nearly every place that it can be missing from', () => {
  let stopped = 0;
  const without: string[] = [];
  for (const [name, wire, job] of CASES) {
    const { status, remedies } = verdictOf(analyse(new JobIndex(job), 'px-1'));
    if (status !== 'cannot') continue;
    stopped++;
    if (!remedies.length) without.push(`${name}: ${wire.from} ${wire.to}`);
    // What is proposed was solved: done, the point works.
    for (const { change } of remedies)
      expect(statusIn(applyChange(job, change, NOBODY), 'px-1')).toBe('works');
    // No lead is ever led past a barrier.
    if (name === 'transmitter behind a barrier')
      for (const { sentence } of remedies)
        expect(said(sentence)).not.toMatch(/PX-1 [+-] .*to=(\+24 V|0 V|A )/);
  }
  expect(stopped).toBeGreaterThan(50);
  // Past the barrier nothing is proposed.
  expect(without).toEqual(['transmitter behind a barrier: px-1-b:- a:A0+']);
});

/** Every family with every second of its wires led to another of its terminals in turn, a safety function too. */
const MOVED = Object.entries(FAMILIES).flatMap(([name, make]) => {
  const whole = sure(make)();
  const ends = [...new Set(whole.wires.flatMap(({ from, to }) => [from, to]))];
  return whole.wires.flatMap((wire, i): [string, JobContent][] => {
    const to = ends[(i * 5 + 1) % ends.length];
    if (i % 2 || to === undefined || to === wire.from || to === wire.to) return [];
    const wires = whole.wires.map((other) => (other === wire ? { ...wire, to } : other));
    return [[`${name}: ${wire.from} ${wire.to} on ${to}`, { ...whole, wires }]];
  });
});

test('a wire that is elsewhere is led back, and where nothing puts it right that is said', () => {
  let stopped = 0;
  const without: string[] = [];
  for (const [name, job] of MOVED) {
    const { status, remedies, needed } = verdictOf(analyse(new JobIndex(job), 'px-1'));
    // There is a way out, or it is said why there is none: never both, never neither.
    expect([name, needed !== undefined]).toEqual([name, status === 'cannot' && !remedies.length]);
    if (status !== 'cannot') continue;
    stopped++;
    const safety = /guard/.test(name);
    if (needed) expect(said(needed)).toMatch(safety ? /^remedy.none-for-safety/ : /^remedy.none-of-tried/);
    if (needed && !safety) without.push(name);
    for (const { change } of remedies)
      expect([name, statusIn(applyChange(job, change, NOBODY), 'px-1')]).toEqual([name, 'works']);
    // No wire of a safety function is moved by trial.
    if (safety) for (const { sentence } of remedies) expect(said(sentence)).not.toMatch(/move-end/);
  }
  expect(stopped).toBeGreaterThan(40);
  expect(without.length).toBeLessThan(stopped / 20);
});
