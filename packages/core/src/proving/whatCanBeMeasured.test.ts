import { nth, sure } from '../lists/index.ts';
import { FAMILIES } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { checkKeys, proofPlan, statesPlan } from './plan.ts';
import { judgeCheck } from './judge.ts';

const of = (job: JobContent) => analyse(new JobIndex(job), 'px-1');
const family = (name: string): JobContent => sure(FAMILIES[name])();
const checks = (job: JobContent) => statesPlan(of(job)).groups.flatMap((group) => group.checks);
const keys = (name: string): string[] => checks(family(name)).map(({ key }) => key);
const METER = { name: 'meter', percent: 0.5, fixed: 0.02 };

describe('a proof asks only for what can be measured', () => {
  test('no level of a line that talks: its live value and its bits', () => {
    for (const name of ['IO-Link device, class A', 'unit on a serial line', 'device on Ethernet']) {
      expect(keys(name)).toEqual(
        expect.arrayContaining(['supply.volts', 'talks.live', 'talks.bits', 'talks.led']),
      );
      expect(keys(name)).not.toContain('present.volts');
      expect(keys(name)).not.toContain('present.inputLamp');
    }
  });

  test('no average of pulses: counts, and none without pulses', () => {
    for (const name of ['passive pulse output', 'active pulse output'])
      expect(keys(name).filter((key) => key !== 'supply.volts')).toEqual(['pulses.counted', 'pulses.rest']);
    const counted = sure(
      checks(family('passive pulse output')).find(({ key }) => key === 'pulses.counted'),
    ).expected;
    expect([99, 101, 98, 200].map((n) => judgeCheck(counted, n, METER).pass)).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });

  test('a current signal in mA, in series, within what the solved loop gives', () => {
    for (const name of ['two-wire transmitter', 'four-wire transmitter', 'three-wire transmitter, mA']) {
      const found = checks(family(name)).filter(({ key }) => key.endsWith('.amps'));
      expect(found.map(({ expected }) => expected.kind)).toEqual(['reading', 'reading', 'reading']);
      const noms = found.map(({ expected }) => (expected.kind === 'reading' ? expected.nom : NaN));
      noms.forEach((mA, i) => expect(mA).toBeCloseTo([4, 12, 20][i] ?? NaN, 2));
      expect(keys(name).some((key) => /(away|present)\.volts$/.test(key))).toBe(false);
    }
  });

  test('no volts of an element that its input feeds, nor of a couple', () => {
    for (const name of ['three-wire RTD', 'four-wire RTD', 'thermocouple', 'resistive sender']) {
      expect(keys(name).filter((key) => key.endsWith('volts'))).toEqual([]);
      expect(keys(name).some((key) => key.startsWith('present.reading'))).toBe(true);
    }
  });

  test('nothing of an output that is not wired', () => {
    expect(keys('four-wire sensor').join(' ')).not.toMatch(/complement|second|normallyClosed/);
  });

  test('what the input of a controller was given to do, by what is required of it', () => {
    const wired = family('contact on a universal controller');
    const job = after(wired, {
      kind: 'require',
      itemId: nth(wired.modules, 0).id,
      key: 'U1.action',
      override: { value: 'stop', reason: 'shutdown input' },
    });
    const does = checks(job).filter(({ key }) => key.startsWith('does.'));
    expect(does.map(({ key, expected }) => [key, expected.kind === 'yesno' && expected.yes])).toEqual([
      ['does.active-U1', 'To minus'],
      ['does.action-U1', 'stop'],
    ]);
    expect(judgeCheck(nth(does, 1).expected, false, METER).pass).toBe(false);
    // What it means is asked once somebody said what that is to be.
    const meant = after(job, {
      kind: 'require',
      itemId: nth(wired.modules, 0).id,
      key: 'U1.function',
      override: { value: 'oil', reason: 'as the engine’s sheet says' },
    });
    expect(checks(meant).find(({ key }) => key === 'does.function-U1')?.expected).toMatchObject({
      kind: 'yesno',
      yes: 'oil pressure low',
    });
  });

  test.each(Object.keys(FAMILIES))('%s: keys are known without solving, each once', (name) => {
    const analysis = of(family(name));
    const planned = proofPlan(analysis).groups.flatMap((group) => group.checks.map(({ key }) => key));
    expect(planned).toEqual(checkKeys(analysis));
    expect(new Set(planned).size).toBe(planned.length);
  });
});
