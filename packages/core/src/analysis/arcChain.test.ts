import { nth, sure } from '../lists/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import fc from 'fast-check';
import { ACTOR, bareJob, withCoils, withHelper, withModule, withPoint, withWires } from '../../test/jobs.ts';
import { analyse } from './analysis.ts';
import { arcChain, arcChainFaults, MAX_ARC_UNITS } from './arcChain.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import { landSteps } from '../presentation/steps.ts';
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

describe('a job with two units', () => {
  const unit = { typeId: 'arc-unit', output: 'contact', logic: 'no' } as const;
  let job = withModule(bareJob(), 'm', 'di8-both-8', ['-']);
  job = withPoint(job, { ...unit, tag: 'AX-1', at: ['m', 0] });
  job = withPoint(job, { ...unit, tag: 'AX-2', at: ['m', 1] });
  job = withCoils(withCoils(job, 'ax-1'), 'ax-2');

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

describe('the coil sensors of a unit', () => {
  const unit = { typeId: 'arc-unit', output: 'contact', logic: 'no', tag: 'AX-1' } as const;
  const settings = { failSafe: 'safe', address: '1', last: 'on' };
  const bare = withPoint(withModule(bareJob(), 'm', 'di8-both-8', ['-']), { ...unit, settings });
  const told = (job: JobContent) => {
    const { status, reasons } = verdictOf(analyse(new JobIndex(job), 'ax-1'));
    return [status, ...reasons.map(({ sentence }) => said(sentence))];
  };
  const coil = (job: JobContent, id: string, k: string, l: string): JobContent =>
    withHelper(job, 'ax-1', { id, typeId: 'arc-coil' }, [
      ['k', `ax-1-b:${k}`],
      ['l', `ax-1-b:${l}`],
    ]);

  test('are missed on every free pair, and the way out fits them', () => {
    expect(told(bare)).toEqual(['cannot', 'reason.coil-sensor.free device=AX-1 pairs=k1-l1+k2-l2+k3-l3']);
    const [remedy] = verdictOf(analyse(new JobIndex(bare), 'ax-1')).remedies;
    expect(said(remedy?.sentence)).toBe('remedy.coil-sensors pairs=k1-l1+k2-l2+k3-l3');
    const mended = applyChange(bare, sure(remedy).change, ACTOR);
    expect(told(mended)).toEqual(['works']);
  });

  test('are seen where they are landed, whatever the way round', () => {
    expect(told(withCoils(bare, 'ax-1'))).toEqual(['works']);
    expect(told(coil(coil(coil(bare, 'c1', 'k1', 'l1'), 'c2', 'l2', 'k2'), 'c3', 'k3', 'l3'))).toEqual([
      'works',
    ]);
  });

  test('are missed where one lies across two pairs, and where a pair is bridged', () => {
    const crossed = coil(coil(coil(bare, 'c1', 'k1', 'l2'), 'c2', 'k2', 'l1'), 'c3', 'k3', 'l3');
    expect(told(crossed)[1]).toMatch('reason.coil-sensor.free device=AX-1 pairs=k1-l1+k2-l2');
    const bridged = withWires(withCoils(bare, 'ax-1'), ['ax-1-b:k2', 'ax-1-b:l2']);
    expect(told(bridged)).toEqual(['cannot', 'reason.coil-sensor.shorted device=AX-1 pairs=k2-l2']);
  });
});

test('the steps of a unit keep one order: isolation first, power once and at the end', () => {
  const unit = { typeId: 'arc-unit', output: 'contact', logic: 'no', tag: 'AX-1' } as const;
  const settings = { failSafe: 'safe', address: '1', last: 'on' };
  const job = withCoils(
    withPoint(withModule(bareJob(), 'm', 'di8-both-8', ['-']), { ...unit, settings }),
    'ax-1',
  );
  const steps = landSteps(analyse(new JobIndex(job), 'ax-1'));
  const keys = steps.map(({ key }) => key);
  expect(keys[0]).toBe('isolate');
  for (const dead of ['coils', 'screen', 'fibre', 'supply', 'signal', 'tug'])
    expect(keys.indexOf(dead)).toBeLessThan(keys.indexOf('power'));
  expect(keys.indexOf('power')).toBeGreaterThan(0);
  expect(keys.slice(-2)).toEqual(['count', 'follow']);
  expect(said(steps.find(({ key }) => key === 'coils')?.caution)).toMatch(
    'analysis.never-open-secondary-current',
  );
});
