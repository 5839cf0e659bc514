import { analogJob } from '../../../test/families.ts';
import { after } from '../../../test/jobs.ts';
import { said } from '../../../test/said.ts';
import { analyse } from '../../analysis/analysis.ts';
import { JobIndex } from '../../job/jobIndex.ts';
import type { LadderPlan } from '../../model/switching.ts';
import { wiringFaults } from '../wiringFaults.ts';
import { ladderOf } from './pointLadder.ts';
import { proposeLadder } from './proposeLadder.ts';

const RANGE = { low: 0, high: 10, unit: 'bar' };

const analysed = (
  typeId: string,
  settings: Record<string, string>,
  kind: Parameters<typeof proposeLadder>[0],
) => {
  const ladder: LadderPlan = proposeLadder(kind, RANGE.unit, RANGE, () => 0.05);
  const job = after(
    analogJob(typeId, settings),
    { kind: 'editPoint', id: 'px-1', patch: { range: RANGE } },
    { kind: 'setSwitching', pointId: 'px-1', switching: { ladder } },
  );
  return analyse(new JobIndex(job), 'px-1');
};
const ladder = (...given: Parameters<typeof analysed>) => {
  const found = ladderOf(analysed(...given));
  if (!found || 'problem' in found) throw new Error('a ladder');
  return found;
};

test('4 to 20 mA: each wire off, the supply gone and a short are seen, and all of it goes to the safe side', () => {
  const found = ladder('pressure-2w', {}, 'pauseStop');
  expect(
    found.outcomes.map(({ fault: { what, seen }, safe }) => [said(what).split(' ')[0], seen, safe]),
  ).toEqual([
    ['switching.fault-wire', true, true],
    ['switching.fault-wire', true, true],
    ['switching.fault-wire', true, true],
    ['switching.fault-supply', true, true],
    ['switching.fault-leads', true, true],
    ['switching.fault-input', true, true],
  ]);
  expect(found.unsafe).toEqual([]);
});

test('0 to 10 V: a wire that is off reads as the bottom of the range, which no upper alarm sees', () => {
  const found = ladder('transmitter-3w-v', { 'A0.switch': 'V', 'A0.range': '0-10 V' }, 'pauseStop');
  const wires = found.outcomes.filter(({ fault: { what } }) => said(what).startsWith('switching.fault-wire'));
  expect(wires.length).toBeGreaterThan(2);
  for (const { fault, comes, safe } of wires) {
    expect(fault.input).toBeCloseTo(0, 2);
    expect([fault.seen, comes, safe]).toEqual([false, [], false]);
  }
  expect(found.unsafe.map(({ sentence }) => sentence.code)).toEqual(['switching.fault-unsafe']);
  // A lower alarm takes the same for too little.
  expect(ladder('transmitter-3w-v', { 'A0.switch': 'V', 'A0.range': '0-10 V' }, 'stopBelow').unsafe).toEqual(
    [],
  );
});

test('a level that does nothing on a fault is told, though the controller sees it', () => {
  const plan = proposeLadder('warn', RANGE.unit, RANGE, () => 0.05);
  const job = after(
    analogJob('pressure-2w'),
    { kind: 'editPoint', id: 'px-1', patch: { range: RANGE } },
    {
      kind: 'setSwitching',
      pointId: 'px-1',
      switching: {
        ladder: { ...plan, levels: plan.levels.map((level) => ({ ...level, onFault: 'rests' as const })) },
      },
    },
  );
  const found = ladderOf(analyse(new JobIndex(job), 'px-1'));
  if (!found || 'problem' in found) throw new Error('a ladder');
  expect(found.unsafe.map(({ sentence }) => sentence.code)).toEqual(['switching.fault-does-nothing']);
});

test('a point without a chain has no faults of its signal', () => {
  expect(wiringFaults(analyse(new JobIndex(analogJob('pressure-2w')), 'px-1'))).toEqual([]);
});
