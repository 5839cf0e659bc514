import { nth, sure } from '../lists/index.ts';
import { textOf } from '../messages/index.ts';
import { said } from '../../test/said.ts';
import * as F from '../../test/families.ts';
import { guardOnInput, moved, wireAt } from '../../test/safetyJobs.ts';
import { after, bareJob, withModule, withPoint, withWires } from '../../test/jobs.ts';
import type { JobContent } from '../model/collections.ts';
import { analyse } from '../analysis/analysis.ts';
import { judge } from './judge.ts';
import { applyChange } from '../job/changes.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { ReasonCode } from './reasons/reason.ts';
import { verdictOf } from './verdict.ts';

/** The wire on a terminal found missing. */
const gone = (job: JobContent, ...refs: string[]): JobContent =>
  refs.reduce(
    (next, ref) =>
      after(next, { kind: 'landWire', wireId: wireAt(next, ref).id, asFound: { missing: true } }),
    job,
  );

/** Two leads found exchanged at their far ends. */
function exchanged(job: JobContent, a: string, b: string): JobContent {
  const [one, two] = [wireAt(job, a), wireAt(job, b)];
  return after(
    job,
    { kind: 'landWire', wireId: one.id, asFound: { to: two.to } },
    { kind: 'landWire', wireId: two.id, asFound: { to: one.to } },
  );
}

const rtd = (wires: 2 | 3 | 4, set: string) => F.analogJob(`rtd-${wires}w`, { 'R0.wires': set }, 'rtd2');
const volts = { 'A1.switch': 'V', 'A1.range': '0-10 V' };
const serial = () => F.fieldbusJob('serial-unit', 'serial-master', 0, { terminator: 'on' });

type Row = readonly [what: string, job: () => JobContent, code: ReasonCode, status?: 'doubtful'];

const ROWS: readonly Row[] = [
  // Two-wire sensors
  ['leakage on a type 1 input', () => F.twoWireOn('float-2w-dc', 'di16-sink-16'), 'leak-holds'],
  [
    'two-wire sensor and common on one rail',
    () => moved(F.twoWireOn('inductive-2w-dc', 'di8-both-8'), 'px-1-b:BN', 'g1:-'),
    'starved',
  ],
  ['AC leakage keeps a plug-in relay in', () => F.acRelay('relay-1co-230ac'), 'kept-in'],
  ['AC leakage keeps a slim relay in', () => F.acRelay('relay-slim-230'), 'kept-in'],
  ['a bleeder of too little power', () => F.acRelay('relay-1co-230ac', '22000', '1'), 'resistor-power'],
  ['NAMUR leads exchanged', () => exchanged(F.namurJob(), 'n1:1+', 'n1:3-'), 'loop-open'],
  ['NAMUR leads touch', () => withWires(F.namurJob(), ['px-1-b:BN', 'px-1-b:BU']), 'short-circuit'],
  ['NAMUR amplifier without supply', () => gone(F.namurJob(), 'n1:A1'), 'no-supply'],
  // Relays
  ['AC on a DC coil', () => F.acRelay('relay-1co-24dc', '22000'), 'coil-kind'],
  ['DC on an AC coil', () => F.relayJob({}, 'relay-2co-24ac'), 'coil-kind'],
  ['no suppressor', () => F.relayJob({ suppressor: 'none' }), 'coil-suppressor', 'doubtful'],
  ['a diode the wrong way round', () => F.relayJob({ suppressor: 'diode-turned' }), 'coil-suppressor'],
  ['the fan on the NC contact', () => moved(F.relayJob(), 'fan:1', 'k1:12'), 'duty-unmet'],
  ['the coil at plus', () => moved(F.relayJob(), 'k1:A2', 'g1:+'), 'coil-volts'],
  ['the control supply on a mains load', () => moved(F.relayJob(), 'k1:11', 'g1:+'), 'ac-dc'],
  // Safety
  ['a bridged channel', () => withWires(F.guardJob(), ['px-1-b:11', 'px-1-b:12']), 'safety-channel'],
  ['channels joined', () => withWires(F.guardJob(), ['s:1A', 's:1B']), 'safety-channel'],
  ['a channel missing', () => gone(F.guardJob(), 'px-1-b:22'), 'safety-channel'],
  [
    'both channels fed from the rail',
    () => moved(moved(F.guardJob(), 'px-1-b:11', 'g1:+'), 'px-1-b:21', 'g1:+'),
    'safety-cross',
    'doubtful',
  ],
  ['no feedback', () => gone(F.guardJob(), 'km:22'), 'safety-feedback'],
  [
    'feedback linked past the contactor',
    () => withWires(gone(F.guardJob(), 'km:22'), ['s:T1', 's:FB']),
    'safety-feedback',
    'doubtful',
  ],
  ['no reset', () => gone(F.guardJob(), 'reset:14'), 'safety-reset'],
  ['the selector at both inputs', () => F.guardJob({ selector: 'both' }), 'safety-channel'],
  ['a guard on normal inputs', guardOnInput, 'safety-bypass'],
  [
    'the auxiliary contact as a channel',
    () =>
      withWires(gone(F.guardJob(), 'px-1-b:21', 'px-1-b:22'), ['px-1-b:33', 's:T2'], ['px-1-b:34', 's:1B']),
    'safety-bypass',
  ],
  ['one open channel in a chain', () => gone(F.chainJob(), 'px-2-b:GN'), 'safety-channel'],
  ['a chain’s first inputs open', () => gone(F.chainJob(), 'px-2-b:WH'), 'safety-channel'],
  ['half a safe stop', () => gone(F.driveStopJob(), 'px-1-b:YE'), 'safety-channel'],
  // Analog
  [
    'a loop the wrong way round',
    () => exchanged(F.analogJob('transmitter-2w'), 'px-1-b:+', 'px-1-b:-'),
    'loop-open',
  ],
  ['an open loop', () => gone(F.analogJob('transmitter-2w'), 'a:A0-'), 'loop-open'],
  ['4-20 mA into volts', () => F.analogJob('transmitter-2w', { 'A0.switch': 'V' }), 'signal-switch'],
  ['0-10 V into mA', () => F.analogJob('transmitter-3w-v'), 'signal-switch'],
  ['the wrong range', () => F.analogJob('transmitter-4w-ma', { 'A0.range': '0-20 mA' }), 'signal-switch'],
  [
    'signal minus nowhere',
    () => gone(F.analogJob('transmitter-4w-ma'), 'px-1-b:S-', 'a:A0-'),
    'signal-reading',
  ],
  ['too much in the loop', () => F.barrierLoop(1200, '470'), 'loop-volts'],
  ['the leads of two wires', () => rtd(2, '2'), 'lead-error', 'doubtful'],
  ['four wires set, three landed', () => rtd(3, '4'), 'sense-open'],
  ['an element open', () => gone(rtd(3, '3'), 'px-1-b:3'), 'signal-reading'],
  [
    'a couple the wrong way round',
    () => exchanged(F.analogJob('thermocouple-k', {}, 'tc2'), 'px-1-b:+', 'px-1-b:-'),
    'signal-reading',
  ],
  ['a couple open', () => gone(F.analogJob('thermocouple-k', {}, 'tc2'), 'px-1-b:+'), 'signal-reading'],
  ['a potentiometer into mA', () => F.analogJob('potentiometer-3w', {}, 'drive'), 'signal-reading'],
  [
    'a potentiometer’s ends exchanged',
    () => exchanged(F.analogJob('potentiometer-3w', volts, 'drive'), 'px-1-b:1', 'px-1-b:3'),
    'signal-reading',
  ],
  // Drives
  [
    'a PNP sensor on a drive with its common on plus',
    () => withPoint(withModule(bareJob(), 'm', 'drive', ['+', '-', '-'])),
    'same-pull',
  ],
  [
    'a drive’s analog output open',
    () => gone(F.outputJob('drive', 7, 'indicator-ma'), 'px-1-b:-'),
    'duty-unmet',
  ],
  [
    'a drive’s relay without its common',
    () => gone(F.outputJob('drive', 8, 'horn-24'), 'q:11'),
    'duty-unmet',
  ],
  // Universal controllers
  [
    'plus on an input that may see minus only',
    () => moved(F.universalJob(6), 'px-1-b:1', 'g1:+'),
    'over-voltage',
  ],
  ['the active state against the wiring', () => moved(F.universalJob(0), 'px-1-b:1', 'g1:+'), 'same-pull'],
  [
    'too much for a low-side output',
    () => F.outputJob('universal-controller', 12, 'valve-24'),
    'output-overload',
  ],
  [
    'a load at minus on a low-side output',
    () => moved(F.outputJob('universal-controller', 11, 'valve-24'), 'px-1-b:1', 'g1:-'),
    'duty-unmet',
  ],
  // Pulses
  ['no pull-up', () => F.pulseJob(), 'pulse-resistor'],
  ['a pull-up that is too large', () => F.pulseJob('22000'), 'pulse-resistor'],
  ['a pull-up that gets too hot', () => F.pulseJob('470', '0.25'), 'resistor-power'],
  ['more pulses than the filter lets through', () => F.pulseJob('2200', '2', 2000), 'pulse-speed'],
  ['an output stage without supply', () => gone(F.activePulseJob(), 'px-1-b:U+'), 'no-supply'],
  // Talking
  [
    'IO-Link supply exchanged',
    () => exchanged(F.fieldbusJob('io-link-a', 'iol-aaaa'), 'px-1-b:1', 'px-1-b:3'),
    'supply-reversed',
  ],
  [
    'C/Q on pin 2',
    () => exchanged(F.fieldbusJob('io-link-a', 'iol-aaaa'), 'px-1-b:4', 'px-1-b:2'),
    'short-circuit',
  ],
  [
    'a class A device with pin 2 on a class B port',
    () => withWires(F.fieldbusJob('io-link-a', 'iol-aabb', 2), ['px-1-b:2', 't:3.2']),
    'port-class',
  ],
  ['class B without its power', () => gone(F.fieldbusJob('io-link-b', 'iol-aabb', 2), 't:P+'), 'duty-unmet'],
  ['the two lines exchanged', () => exchanged(serial(), 'px-1-b:D1', 'px-1-b:D0'), 'line-swapped'],
  ['one terminator', () => F.fieldbusJob('serial-unit', 'serial-master'), 'line-terminators', 'doubtful'],
  [
    'no bias',
    () => after(serial(), { kind: 'editModule', id: 't', patch: { settings: { bias: 'off' } } }),
    'line-bias',
    'doubtful',
  ],
  ['no network cable', () => gone(F.fieldbusJob('net-device', 'net-switch-5'), 'px-1-b:X1'), 'duty-unmet'],
  [
    'too long a network cable',
    () =>
      after(F.fieldbusJob('net-device', 'net-switch-5'), {
        kind: 'editWire',
        wireId: 'px-1-b-X1',
        patch: { lengthM: 140 },
      }),
    'cable-length',
  ],
  // Outputs
  [
    'a load at plus on a high-side output',
    () => moved(F.outputJob('do8-high', 0, 'valve-24'), 'px-1-b:2', 'g1:+'),
    'duty-unmet',
  ],
  [
    'a load on the next output',
    () => moved(F.outputJob('do8-high', 0, 'valve-24'), 'px-1-b:2', 'q:Q1'),
    'duty-unmet',
  ],
];

test.each(ROWS.map(([what, make, code, status]) => [what, make, code, status ?? 'cannot'] as const))(
  '%s',
  (_, make, code, status) => {
    const job = make();
    const verdict = verdictOf(analyse(new JobIndex(job), 'px-1'));
    expect(verdict.status).toBe(status);
    expect(verdict.reasons.map((reason) => reason.code)).toContain(code);
    for (const { change } of verdict.remedies) {
      const next = applyChange(job, change, { by: 'TT', at: '2026-01-02T03:04:05.000Z' });
      expect(verdictOf(analyse(new JobIndex(next), 'px-1')).status).toBe('works');
    }
  },
);

test('what a guard’s relay is set to is never proposed', () => {
  for (const job of [gone(F.guardJob(), 'reset:14'), F.guardJob({ selector: 'both' })]) {
    const { remedies } = verdictOf(analyse(new JobIndex(job), 'px-1'));
    expect(remedies.filter(({ change }) => change.kind === 'editModule')).toEqual([]);
  }
});

test('a relay that feeds itself through its own NC contact chatters, and that is said', () => {
  const job = withWires(gone(F.relayJob(), 'k1:A1', 'k1:24'), ['px-1-b:BK', 'k1:21'], ['k1:22', 'k1:A1']);
  const apart = gone(job, 'k1:21');
  const { reasons } = verdictOf(analyse(new JobIndex(apart), 'px-1'));
  expect(nth(reasons, 0).code).toBe('no-solution');
  expect(said(nth(reasons, 0).sentence)).toMatch('reason.no-solution');
});

test('wires found elsewhere are put back as planned', () => {
  const job = exchanged(F.analogJob('transmitter-2w'), 'px-1-b:+', 'px-1-b:-');
  const { remedies } = verdictOf(analyse(new JobIndex(job), 'px-1'));
  expect(said(nth(remedies, 0).sentence)).toBe('remedy.land-as-planned single=2 point=PX-1');
});

test('a guard beside another on one safety relay is told of its own channel, not of the other’s', () => {
  let job = F.guardJob({ selector: 'both' });
  job = withPoint(job, { tag: 'GS-2', typeId: 'guard-transistor', output: 'pnp', logic: 'nc', at: ['s', 1] });
  const wire = sure(job.wires.find(({ from }) => from === 'gs-2-b:YE'));
  const loose = after(job, { kind: 'landWire', wireId: wire.id, asFound: { missing: true } });
  const reasons = (of: JobContent, id: string) => judge(analyse(new JobIndex(of), id)).sentence;
  expect(said(reasons(job, 'gs-2'))).toMatch('verdict.wired-as-meant device=GS-2 module=S');
  expect(said(reasons(loose, 'gs-2'))).toMatch(
    'reason.safety-channel.not-reaching dead=1 device=GS-2 module=S portLabel=input 2 mate=KM+RESET+PX-1',
  );
  // What the selector is set to is never proposed to be lowered.
  expect(said(reasons(loose, 'px-1'))).toMatch('reason.safety-channel.selector module=S dark=2');
  for (const id of ['gs-2', 'px-1'])
    for (const { sentence } of verdictOf(analyse(new JobIndex(loose), id)).remedies)
      expect(textOf(sentence)).not.toMatch(/selector/i);
});

test('no reading is told that cannot be one: what lies beyond its range is said to be no signal', () => {
  const numbers = (job: JobContent): number[] =>
    judge(analyse(new JobIndex(job), 'px-1')).reasons.flatMap(({ sentence }) =>
      [...textOf(sentence).matchAll(/(-?\d+(?:\.\d+)?) %/g)].map(([, share]) => Number(share)),
    );
  for (const [, job] of ROWS)
    for (const share of numbers(job())) {
      expect(share).toBeGreaterThanOrEqual(-5);
      expect(share).toBeLessThanOrEqual(120);
    }
});

test('a switch on the wrong signal is the first cause, before what it makes of the value', () => {
  const { sentence } = nth(
    judge(analyse(new JobIndex(F.analogJob('transmitter-2w', { 'A0.switch': 'V' })), 'px-1')).reasons,
    0,
  );
  const [first] = (sentence.values as { parts?: { code: string }[] } | undefined)?.parts ?? [];
  expect(first?.code).toBe('reason.signal-switch');
});

test('an arc unit that is silent without supply does not pass', () => {
  const arc = (failSafe: string): JobContent =>
    withPoint(F.inputs(), {
      typeId: 'arc-unit',
      output: 'contact',
      logic: 'no',
      settings: { failSafe, address: '1', last: 'on' },
    });
  const codes = (job: JobContent) =>
    judge(analyse(new JobIndex(job), 'px-1')).reasons.map(({ code }) => code);
  expect(codes(arc('trip'))).toContain('setting-risk');
  expect(codes(arc('safe'))).not.toContain('setting-risk');
});
