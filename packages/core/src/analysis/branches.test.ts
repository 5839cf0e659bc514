import { nth, sure } from '../lists/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import { ACTOR, additionOf, bareJob, withModule, withPoint } from '../../test/jobs.ts';
import type { Supply } from '../model/job.ts';
import { analyse } from './analysis.ts';
import { statusIn } from '../verdict/judge.ts';
import { applyChange } from '../job/changes.ts';
import type { Change } from '../job/changeSchema.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { supplyBudgets } from '../planning/supplyBudget.ts';
import { verdictOf } from '../verdict/verdict.ts';

const branch = (other: Partial<Supply> = {}): Supply => ({
  id: 'f1',
  tag: 'F1',
  kind: 'dc',
  volts: 24,
  tolerancePercent: 3,
  internalOhms: 0,
  limitAmps: 2,
  feed: { from: 'g1', protection: 'breaker', lengthM: 50, mm2: 0.75 },
  ...other,
});

const start = withModule(bareJob(), 'm', 'di8-both-4-4', ['-', '-']);
const after = (...changes: Change[]) =>
  changes.reduce((job, change) => applyChange(job, change, ACTOR), start);
const onBranch: Change = { kind: 'moveWire', wireId: 'px-1-b-BN', to: 'f1:+' };

/** Copper at 20 °C, there and back. */
const FEEDER_OHMS = (0.0175 * 2 * 50) / 0.75;

describe('a branch of a supply', () => {
  test('the drop of its feeder is in the solution of the loop', () => {
    const others = 1.2;
    const job = after({ kind: 'addSupply', supply: branch({ otherAmps: others }) }, additionOf(), onBranch);
    const { solution } = analyse(new JobIndex(job), 'px-1').present;
    const own = Math.abs(solution.amps('px-1-b-BN'));
    const internalOhms = nth(start.supplies, 0).internalOhms;
    const loadOhms = 24 / others;
    // One loop by hand: source, feeder and inner resistance; the other loads and the sensor’s own current.
    const volts = (24 - own * (FEEDER_OHMS + internalOhms)) / (1 + (FEEDER_OHMS + internalOhms) / loadOhms);
    expect(solution.volts('f1:+') - solution.volts('f1:-')).toBeCloseTo(volts, 3);
    expect(volts).toBeLessThan(21.5);
  });

  test('a sensor starves at the end of a long thin feeder, and is fed through a short thick one', () => {
    const far = branch({
      otherAmps: 2,
      limitAmps: 4,
      feed: { from: 'g1', protection: 'fuse', lengthM: 400, mm2: 0.75 },
    });
    const starved = after({ kind: 'addSupply', supply: far }, additionOf(), onBranch);
    expect(statusIn(starved, 'px-1')).not.toBe('works');
    const near: Change = {
      kind: 'editSupply',
      id: 'f1',
      patch: { feed: { from: 'g1', protection: 'fuse', lengthM: 5, mm2: 2.5 } },
    };
    expect(statusIn(applyChange(starved, near, ACTOR), 'px-1')).toBe('works');
  });

  test('more other loads than its breaker lets through are an overload, said with both numbers', () => {
    const job = after({ kind: 'addSupply', supply: branch({ otherAmps: 2.4 }) }, additionOf(), onBranch);
    const { status, reasons } = verdictOf(analyse(new JobIndex(job), 'px-1'));
    expect(status).toBe('cannot');
    expect(reasons.map(({ code }) => code)).toContain('overload');
    expect(said(sure(reasons.find(({ code }) => code === 'overload')).sentence)).toMatch(
      'reason.overload.branch tag=F1 amps=2.0 otherAmps=2.4 protection=breaker',
    );
  });

  test('its load counts on what feeds it, and its copper is held against its breaker', () => {
    const job = after({ kind: 'addSupply', supply: branch({ otherAmps: 1 }) }, additionOf(), onBranch);
    const budgetOf = (id: string) => supplyBudgets(job).find(({ supply }) => supply.id === id);
    const [g1, f1] = [budgetOf('g1'), budgetOf('f1')];
    expect(
      sure(f1)
        .draws.map(({ tag }) => tag)
        .map(said),
    ).toEqual(['planning.other-loads', 'PX-1']);
    expect(sure(sure(g1).draws.find(({ tag }) => tag === 'F1')).amps).toBeCloseTo(sure(f1).amps, 9);
    expect(sure(f1).feeder).toMatchObject({ from: 'G1', bears: 8.6, protects: true });
    expect(sure(sure(f1).feeder).drop).toBeCloseTo(sure(f1).amps * FEEDER_OHMS * 1.25, 6);
    const thick = applyChange(job, { kind: 'editSupply', id: 'f1', patch: { limitAmps: 10 } }, ACTOR);
    expect(sure(sure(supplyBudgets(thick).find(({ supply }) => supply.id === 'f1')).feeder).protects).toBe(
      false,
    );
  });

  test('it follows the volts of what feeds it, and a ring or a missing feeder is refused', () => {
    const job = after({ kind: 'addSupply', supply: branch() });
    const changed = applyChange(job, { kind: 'editSupply', id: 'g1', patch: { volts: 48 } }, ACTOR);
    expect(sure(changed.supplies.find(({ id }) => id === 'f1')).volts).toBe(48);
    const ring = branch({ feed: { from: 'f1', protection: 'fuse', lengthM: 1, mm2: 1 } });
    expect(refusalOf(() => after({ kind: 'addSupply', supply: ring }))).toMatch(
      'job.must-fed-another-supply tag=F1',
    );
    expect(refusalOf(() => applyChange(job, { kind: 'removeSupply', id: 'g1' }, ACTOR))).toMatch(
      'job.must-fed-another-supply tag=F1',
    );
  });

  test('a contact and a sensor of a group on a branch are proposed on that branch', () => {
    const job = after({ kind: 'addSupply', supply: branch() });
    const common = sure(job.wires.find(({ from }) => from === 'm:COM1'));
    const moved = applyChange(job, { kind: 'moveWire', wireId: common.id, to: 'f1:-' }, ACTOR);
    const wires = withPoint(moved).wires.filter(({ from }) => from.startsWith('px-1-b:'));
    expect(wires.map(({ to }) => to)).toEqual(expect.arrayContaining(['f1:+', 'f1:-']));
  });
});

test('a mechanical switch on an input that wets it with a milliampere is doubtful, and says how much it takes', () => {
  const job = withPoint(withModule(bareJob(), 'u', 'universal-controller', []), {
    typeId: 'limit-switch',
    output: 'contact',
    at: ['u', 6],
  });
  const { status, reasons } = verdictOf(analyse(new JobIndex(job), 'px-1'));
  expect(status).toBe('doubtful');
  expect(said(nth(reasons, 0).sentence)).toMatch(
    'reason.contact-wetting.device device=PX-1 amps=0.00242744 amps2=0.003 volts=12',
  );
});
