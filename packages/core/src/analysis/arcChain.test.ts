import { lastOf, nth, sure } from '../lists/index.ts';
import { textOf } from '../messages/index.ts';
import fc from 'fast-check';
import { ACTOR, bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { analyse } from './analysis.ts';
import { arcChain, arcChainFaults, arcSteps, MAX_ARC_UNITS } from './arcChain.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { verdictOf } from '../verdict/verdict.ts';

const tags = (n: number): string[] => Array.from({ length: n }, (_, i) => `AX-${i + 1}`);

test('three units: addresses 1, 2, 3 in binary, the last switch on the third, the fibre a ring', () => {
  const units = arcChain(tags(3));
  expect(units.map(({ address }) => address.map(Number).join(''))).toEqual(['10000', '01000', '11000']);
  expect(units.map(({ last }) => last)).toEqual([false, false, true]);
  expect(units.map(({ fibreFrom, fibreTo }) => [textOf(fibreFrom), textOf(fibreTo)])).toEqual([
    ['OUT of the main unit', 'IN of AX-2'],
    ['OUT of AX-1', 'IN of AX-3'],
    ['OUT of AX-2', 'IN of the main unit'],
  ]);
});

test('for any number of units the switches give each its own address, and one only is the last', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: MAX_ARC_UNITS }), (n) => {
      const units = arcChain(tags(n));
      const addresses = units.map(({ address }) =>
        address.reduce((sum, on, bit) => sum + (on ? 2 ** bit : 0), 0),
      );
      expect(addresses).toEqual(tags(n).map((_, i) => i + 1));
      expect(units.filter(({ last }) => last)).toHaveLength(1);
      // Each fibre that leaves a unit arrives at the next.
      for (let i = 1; i < n; i++)
        expect(textOf(nth(units, i).fibreFrom)).toBe(`OUT of ${nth(units, i - 1).tag}`);
    }),
  );
});

test('no unit and more than the main unit takes are refused with the limit', () => {
  expect(() => arcChain([])).toThrow(/1 to 30 units; these are 0/);
  expect(() => arcChain(tags(31))).toThrow(/1 to 30 units; these are 31/);
});

test('the caution stands at the step that can hurt', () => {
  const steps = arcSteps(arcChain(tags(2)));
  expect(textOf(nth(steps, 0).caution)).toMatch(/local rules/);
  expect(textOf(sure(steps.find(({ sentence }) => /coil sensors/.test(textOf(sentence)))).caution)).toMatch(
    /current transformer/,
  );
  expect(textOf(lastOf(steps).sentence)).toMatch(/count 2 units/);
});

describe('a job with two units', () => {
  const unit = { typeId: 'arc-unit', output: 'contact', logic: 'no' } as const;
  let job = withModule(bareJob(), 'm', 'di8-both-8', ['-']);
  job = withPoint(job, { ...unit, tag: 'AX-1', at: ['m', 0] });
  job = withPoint(job, { ...unit, tag: 'AX-2', at: ['m', 1] });

  test('with factory switches has the same address twice, and the way out sets both', () => {
    const { status, sentence, remedies } = verdictOf(analyse(new JobIndex(job), 'ax-2'));
    expect(status).toBe('cannot');
    expect(textOf(sentence)).toMatch(/AX-2 has the address of AX-1, 1/);
    const mended = applyChange(job, nth(remedies, 0).change, ACTOR);
    expect(arcChainFaults(new JobIndex(mended)).faults).toEqual([]);
    for (const id of ['ax-1', 'ax-2'])
      expect(verdictOf(analyse(new JobIndex(mended), id)).status).toBe('works');
  });

  test('a gap in the addresses is named', () => {
    const gap = applyChange(
      job,
      { kind: 'editDevice', id: 'ax-2-b', patch: { settings: { address: '4', last: 'on' } } },
      ACTOR,
    );
    expect(
      arcChainFaults(new JobIndex(gap))
        .faults.map(({ sentence }) => textOf(sentence))
        .join(' '),
    ).toMatch(/No unit has the address 2; AX-2 is set to 4/);
  });
});
