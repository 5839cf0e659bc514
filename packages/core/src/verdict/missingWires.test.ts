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
