import { lastOf, nth, sure } from '../lists/index.ts';
import { refusalOf, said } from '../../test/said.ts';
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
  expect(units.map(({ fibreFrom, fibreTo }) => [said(fibreFrom), said(fibreTo)])).toEqual([
    ['analysis.out-main-unit', 'analysis.in-of tag=AX-2'],
    ['analysis.out-of tag=AX-1', 'analysis.in-of tag=AX-3'],
    ['analysis.out-of tag=AX-2', 'analysis.main-unit'],
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
        expect(said(nth(units, i).fibreFrom)).toBe(`analysis.out-of tag=${nth(units, i - 1).tag}`);
    }),
  );
});

test('no unit and more than the main unit takes are refused with the limit', () => {
  expect(refusalOf(() => arcChain([]))).toMatch('units: analysis.chain-1-units-these maxArcUnits=30 tags=');
  expect(refusalOf(() => arcChain(tags(31)))).toMatch('analysis.chain-1-units-these');
});

test('the caution stands at the step that can hurt', () => {
  const steps = arcSteps(arcChain(tags(2)));
  expect(said(nth(steps, 0).caution)).toMatch('analysis.isolate-earth-prove-dead');
  expect(
    said(sure(steps.find(({ sentence }) => sentence.code === 'analysis.close-coil-sensors-round')).caution),
  ).toMatch('analysis.never-open-secondary-current');
  expect(said(lastOf(steps).sentence)).toMatch('analysis.switch-main-unit-must n=2');
});

describe('a job with two units', () => {
  const unit = { typeId: 'arc-unit', output: 'contact', logic: 'no' } as const;
  let job = withModule(bareJob(), 'm', 'di8-both-8', ['-']);
  job = withPoint(job, { ...unit, tag: 'AX-1', at: ['m', 0] });
  job = withPoint(job, { ...unit, tag: 'AX-2', at: ['m', 1] });

  test('with factory switches has the same address twice, and the way out sets both', () => {
    const { status, sentence, remedies } = verdictOf(analyse(new JobIndex(job), 'ax-2'));
    expect(status).toBe('cannot');
    expect(said(sentence)).toMatch(
      'reason.chain sentence=(analysis.has-the-address-of tag=AX-2 twin=AX-1 address=1)',
    );
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
        .faults.map(({ sentence }) => said(sentence))
        .join(' '),
    ).toMatch('analysis.unit-address-stands i=1 tag=AX-2 address=4');
  });
});
