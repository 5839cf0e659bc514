import { lastOf, nth, sure } from '../../lists/index.ts';
import { refusalOf, said } from '../../../test/said.ts';
import { inputs, withMains } from '../../../test/families.ts';
import { ACTOR, withModule, withPoint } from '../../../test/jobs.ts';
import { RELAY_TYPES } from '../../catalog/catalog.ts';
import type { JobContent } from '../../model/collections.ts';
import { analyse } from '../../analysis/analysis.ts';
import { judge } from '../../verdict/judge.ts';
import { applyChange } from '../../job/changes.ts';
import { JobIndex } from '../../job/jobIndex.ts';
import { findRemedies } from '../../verdict/remedies/findRemedies.ts';
import { planRelay } from './planRelay.ts';
import type { RelayTask, RelayRequest } from './relayRequest.ts';

const fan = (bothLines = false): RelayTask => ({
  kind: 'load',
  tag: 'FAN',
  typeId: 'fan-230',
  on: 'present',
  bothLines,
});
const led = (tag: string, on: 'present' | 'away'): RelayTask => ({
  kind: 'load',
  tag,
  typeId: 'lamp-230',
  on,
  bothLines: false,
});
const toInput: RelayTask = { kind: 'input', moduleId: 'm', channel: 0, on: 'present' };
const request = (...tasks: RelayTask[]): RelayRequest => ({ tag: 'K1', tasks, suppressor: 'diode' });
const start = withMains(inputs());
const pnp = withPoint(start, { at: null });

/** The job with the plan in it, and its point solved. */
function planned(job: JobContent, asked: RelayRequest) {
  const plan = planRelay(job, 'px-1', asked);
  if (!plan.change) throw new Error('no relay was found');
  const after = applyChange(job, plan.change, ACTOR);
  const analysis = analyse(new JobIndex(after), 'px-1');
  const on = (tag: string, state: 'away' | 'present', element = 'load'): boolean => {
    const id = sure(after.devices.find((device) => device.tag === tag)).id;
    return analysis[state].solution.active(`${id}/${element}`);
  };
  return { plan, after, analysis, on, verdict: judge(analysis) };
}

test('line and neutral, both lamps and a contact to the controller take three poles, by their rails', () => {
  const { plan, verdict, on, analysis } = planned(
    pnp,
    request(fan(true), led('H1', 'present'), led('H2', 'away'), toInput),
  );
  expect(plan.poles.map(({ rail, no, nc }) => [rail, no.length, nc.length])).toEqual([
    ['mains:L', 2, 1],
    ['mains:N', 1, 0],
    ['g1:+', 1, 0],
  ]);
  expect(plan.chosen).toBe('relay-3co-24dc');
  expect(verdict.status).toBe('works');
  expect([on('FAN', 'away'), on('FAN', 'present')]).toEqual([false, true]);
  expect([on('H1', 'away'), on('H2', 'away')]).toEqual([false, true]);
  expect([on('H1', 'present'), on('H2', 'present')]).toEqual([true, false]);
  expect([nth(analysis.away.inputs, 0).led, nth(analysis.present.inputs, 0).led]).toEqual(['off', 'on']);
});

test('terminals come under both numberings with what lands on each', () => {
  const { plan } = planned(pnp, request(fan(), led('H2', 'away'), toInput));
  const landed = Object.fromEntries(
    plan.terminals.map(({ name, printed, landed: l }) => [name, [printed, l.map(said).join()]]),
  );
  // Sockets of two poles: coil 13 and 14; common 9, NC 1, NO 5; common 12, NC 4, NO 8.
  expect(landed).toEqual({
    A1: ['13', 'PX-1 BK'],
    A2: ['14', '0 V'],
    11: ['9', 'L 230 V'],
    12: ['1', 'H2'],
    14: ['5', 'FAN'],
    21: ['12', '+24 V'],
    22: ['4', ''],
    24: ['8', 'M channel 0'],
  });
});

test('the smallest relay that bears the load is chosen, and the smaller ones say why not', () => {
  const pump: RelayTask = { kind: 'load', tag: 'P1', typeId: 'pump-230', on: 'present', bothLines: false };
  const { plan, verdict } = planned(pnp, request(pump));
  expect(plan.chosen).toBe('relay-1co-24dc');
  expect(nth(plan.tried, 0).typeId).toBe('relay-slim-24dc');
  // 750 W at 230 V is 3.3 A, six times that at the start; a mains 10 % high and a motor 10 % low make it more.
  expect(said(nth(plan.tried, 0).sentence)).toMatch(
    'text.sentences parts=(reason.contact-rating.inrush name=K1 11-14 inrush=19.5368 inrushAmps=10)',
  );
  expect(verdict.status).toBe('works');
});

test('a normally closed sensor turns the contacts round', () => {
  const nc = withPoint(start, { at: null, logic: 'nc' });
  const { plan, on } = planned(nc, request(fan()));
  expect([plan.coilInPresent, nth(plan.poles, 0).nc.length]).toEqual([false, 1]);
  expect([on('FAN', 'away'), on('FAN', 'present')]).toEqual([false, true]);
});

test('an NPN sensor holds the coil from plus', () => {
  const { plan, verdict } = planned(withPoint(start, { at: null, output: 'npn' }), request(fan()));
  expect(
    plan.terminals
      .slice(0, 2)
      .map(({ landed }) => landed[0])
      .map(said),
  ).toEqual(['+24 V', 'PX-1 BK']);
  expect(verdict.status).toBe('works');
});

test('a two-wire mains sensor gets a relay with a mains coil', () => {
  const ac = withPoint(start, { at: null, typeId: 'inductive-2w-ac', output: 'twowire' });
  const { plan, after, verdict } = planned(ac, request(fan()));
  expect(RELAY_TYPES.find(({ id }) => id === plan.chosen)?.coil?.volts).toBe(230);
  expect(plan.coilVolts).toBe('230 V AC');
  // What leaks through the open sensor keeps the coil in; the way out is the resistor, and it is solved.
  expect(verdict.status).toBe('cannot');
  const { remedies: ways } = findRemedies(analyse(new JobIndex(after), 'px-1').context);
  expect(said(nth(ways, 0).sentence)).toMatch(
    'remedy.resistor words=22 kΩ, 10 W at=(remedy.coil relay=K1) burnt=2.9095',
  );
});

test.each(['minus', 'plus'] as const)('tiers of a stack light with common %s light as asked', (common) => {
  const tier = (n: number, on: 'present' | 'away'): RelayTask => ({
    kind: 'tier',
    tag: 'SL1',
    tier: n,
    on,
    common,
  });
  const { plan, on, verdict } = planned(pnp, request(tier(1, 'away'), tier(3, 'present')));
  expect(plan.poles.map(({ rail }) => rail)).toEqual([common === 'minus' ? 'g1:+' : 'g1:-']);
  expect([on('SL1', 'away', 'tier1'), on('SL1', 'present', 'tier1')]).toEqual([true, false]);
  expect([on('SL1', 'away', 'tier3'), on('SL1', 'present', 'tier3')]).toEqual([false, true]);
  expect(verdict.status).not.toBe('cannot');
});

test('the input that the sensor is on goes to a contact of the relay', () => {
  const { after, verdict } = planned(withPoint(start, {}), request(toInput, fan()));
  const atInput = new JobIndex(after).across('m:I0').map((ref) => ref.split(':')[1]);
  expect(atInput).toEqual(['14']);
  expect(verdict.status).toBe('works');
});

test('more poles than a relay has are refused with the number, and nothing is proposed', () => {
  const withNpnGroup = withModule(start, 'n', 'di8-both-4-4', ['+', '+'], 20);
  const tasks = [
    fan(true),
    toInput,
    { kind: 'input', moduleId: 'n', channel: 0, on: 'present' } as const,
    led('H1', 'present'),
  ];
  expect(planRelay(withPoint(withNpnGroup, { at: null }), 'px-1', request(...tasks)).poles).toHaveLength(4);
  const second = applyChange(
    withNpnGroup,
    {
      kind: 'addSupply',
      supply: { ...nth(start.supplies, 0), id: 'g2', tag: 'G2' },
    },
    ACTOR,
  );
  const common = sure(second.wires.find(({ from }) => from === 'n:COM2'));
  const moved = applyChange(second, { kind: 'moveWire', wireId: common.id, to: 'g2:+' }, ACTOR);
  const plan = planRelay(
    withPoint(moved, { at: null }),
    'px-1',
    request(...tasks, { kind: 'input', moduleId: 'n', channel: 4, on: 'present' }),
  );
  expect(plan.poles).toHaveLength(5);
  expect(plan.chosen).toBeUndefined();
  expect(plan.change).toBeUndefined();
  expect(said(lastOf(plan.tried).sentence)).toMatch('planning.it-has-are-needed poles=4 poles2=5');
});

test('a load without its supply, and a device that switches nothing, are refused', () => {
  const noMains = withPoint(inputs(), { at: null });
  expect(refusalOf(() => planRelay(noMains, 'px-1', request(fan())))).toMatch(
    'planning.runs-job-such-supply tag=FAN kind=ac',
  );
});
