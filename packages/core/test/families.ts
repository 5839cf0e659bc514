import { sure } from '../src/lists/index.ts';
import type { JobContent } from '../src/model/collections.ts';
import { after, bareJob, withHelper, withModule, withPoint, withWires } from './jobs.ts';

/** The mains supply of the jobs below. */
export const withMains = (job: JobContent): JobContent =>
  after(job, {
    kind: 'addSupply',
    supply: {
      id: 'mains',
      tag: 'Q1',
      kind: 'ac',
      volts: 230,
      tolerancePercent: 10,
      internalOhms: 0.5,
      limitAmps: 16,
    },
  });

export const inputs = (rail: '+' | '-' = '-', type = 'di8-both-8'): JobContent =>
  withModule(bareJob(), 'm', type, [rail]);

/** A two-wire sensor on an input of the given IEC 61131-2 type. */
export const twoWireOn = (typeId: string, moduleType: string): JobContent =>
  withPoint(withModule(bareJob(), 'm', moduleType, moduleType.includes('8-8') ? ['-', '-'] : ['-']), {
    typeId,
    output: 'twowire',
  });

/** An AC two-wire sensor in series with a relay's coil, perhaps with a resistor beside it. */
export function acRelay(relay: string, ohms?: string, watts = '10'): JobContent {
  const point = withPoint(withMains(bareJob()), { typeId: 'inductive-2w-ac', output: 'twowire', at: null });
  const fed = withWires(point, ['px-1-b:BN', 'mains:L']);
  const wired = withHelper(fed, 'px-1', { id: 'k1', typeId: relay }, [
    ['A1', 'px-1-b:BK'],
    ['A2', 'mains:N'],
  ]);
  return ohms === undefined
    ? wired
    : withHelper(wired, 'px-1', { id: 'r1', typeId: 'resistor', settings: { ohms, watts } }, [
        ['1', 'k1:A1'],
        ['2', 'k1:A2'],
      ]);
}

/** A PNP sensor on a DC relay: a fan and a lamp on the first pole, a contact to the controller on the second. */
export function relayJob(
  settings: Record<string, string> = { suppressor: 'diode' },
  relay = 'relay-2co-24dc',
): JobContent {
  let job = withMains(inputs());
  job = withPoint(job, { at: null });
  job = withWires(job, ['px-1-b:BN', 'g1:+'], ['px-1-b:BU', 'g1:-']);
  job = withHelper(job, 'px-1', { id: 'k1', typeId: relay, settings }, [
    ['A1', 'px-1-b:BK'],
    ['A2', 'g1:-'],
    ['11', 'mains:L'],
    ['21', 'g1:+'],
    ['24', 'm:I0'],
  ]);
  job = withHelper(job, 'px-1', { id: 'fan', typeId: 'fan-230', settings: { duty: 'present' } }, [
    ['1', 'k1:14'],
    ['2', 'mains:N'],
  ]);
  return withHelper(job, 'px-1', { id: 'h1', typeId: 'lamp-230', settings: { duty: 'away' } }, [
    ['1', 'k1:12'],
    ['2', 'mains:N'],
  ]);
}

export const namurJob = (direction = 'normal'): JobContent => {
  let job = withPoint(inputs(), { typeId: 'namur-2w', output: 'twowire', at: null });
  job = withHelper(job, 'px-1', { id: 'n1', typeId: 'namur-amplifier-1ch', settings: { direction } }, [
    ['1+', 'px-1-b:BN'],
    ['3-', 'px-1-b:BU'],
    ['A1', 'g1:+'],
    ['A2', 'g1:-'],
    ['11', 'g1:+'],
    ['14', 'm:I0'],
  ]);
  return job;
};

/** A guard switch on a safety relay with reset button, contactor and feedback; its auxiliary contact on an input. */
export function guardJob(settings: Record<string, string> = {}, typeId = 'guard-2c'): JobContent {
  let job = withModule(inputs(), 's', 'safety-relay-2', [], 10);
  if (Object.keys(settings).length) job = after(job, { kind: 'editModule', id: 's', patch: { settings } });
  job = withPoint(job, {
    typeId,
    output: typeId === 'guard-transistor' ? 'pnp' : 'contact',
    logic: 'nc',
    at: ['s', 0],
  });
  job = withHelper(job, 'px-1', { id: 'reset', typeId: 'reset-button' }, [
    ['13', 's:T1'],
    ['14', 's:RI'],
  ]);
  job = withHelper(
    job,
    'px-1',
    { id: 'km', typeId: 'contactor-24dc', settings: { suppressor: 'diode', duty: 'present' } },
    [
      ['A1', 's:14'],
      ['A2', 'g1:-'],
      ['21', 's:T1'],
      ['22', 's:FB'],
    ],
  );
  return withWires(job, ['s:13', 'g1:+']);
}

/** Two guard sensors in a chain: the first one's outputs feed the second one's safe inputs. */
export function chainJob(): JobContent {
  let job = guardJob({}, 'guard-transistor');
  job = withPoint(job, { tag: 'PX-2', typeId: 'guard-transistor', output: 'pnp', logic: 'nc', at: null });
  const inPlus = job.wires.filter(({ from }) => ['px-1-b:WH', 'px-1-b:PK'].includes(from));
  job = after(job, ...inPlus.map(({ id }) => ({ kind: 'removeWire', wireId: id }) as const));
  return withWires(
    job,
    ['px-2-b:BN', 'g1:+'],
    ['px-2-b:BU', 'g1:-'],
    ['px-2-b:WH', 'g1:+'],
    ['px-2-b:PK', 'g1:+'],
    ['px-2-b:GN', 'px-1-b:WH'],
    ['px-2-b:YE', 'px-1-b:PK'],
  );
}

export const driveStopJob = (): JobContent => {
  const job = withModule(bareJob(), 'd', 'drive', ['-', '-', '-']);
  return withPoint(withWires(job, ['d:SC', 'g1:-']), {
    typeId: 'guard-transistor',
    output: 'pnp',
    logic: 'nc',
    at: ['d', 9],
  });
};

/** A device that measures, on an analog input under the given settings. */
export function analogJob(
  typeId: string,
  settings: Record<string, string> = {},
  moduleType = 'ai4-switch',
): JobContent {
  const commons = moduleType === 'drive' ? (['-', '-', '-'] as const) : (['-', '-', '-', '-'] as const);
  let job = withModule(
    bareJob(),
    'a',
    moduleType,
    moduleType.startsWith('ai') || moduleType === 'drive' ? [...commons] : [],
  );
  if (Object.keys(settings).length) job = after(job, { kind: 'editModule', id: 'a', patch: { settings } });
  return withPoint(job, {
    typeId,
    output: typeId === 'ultrasonic-switch-analog' ? 'pnp' : 'none',
    logic: typeId === 'ultrasonic-switch-analog' ? 'no' : 'none',
    at: ['a', moduleType === 'drive' ? 5 : 0],
  });
}

/** A loop with digital communication behind a barrier, with a resistor of 250 Ω in its return or without. */
export function barrierLoop(lengthM: number, extra: '250' | '470' | undefined = undefined): JobContent {
  let job = analogJob('transmitter-2w-digital');
  const [plus, minus] = ['+', '-'].map((end) => sure(job.wires.find(({ from }) => from === `px-1-b:${end}`)));
  job = after(
    job,
    { kind: 'removeWire', wireId: sure(plus).id },
    { kind: 'removeWire', wireId: sure(minus).id },
  );
  const field = (from: string, to: string) => ({
    kind: 'addWire' as const,
    wire: {
      id: `f-${from}`.replace(/[^\w.-]/g, '_'),
      number: '70',
      from,
      to,
      colour: 'WH' as const,
      lengthM,
      mm2: 0.5,
    },
  });
  job = withHelper(job, 'px-1', { id: 'z1', typeId: 'barrier-1ch' }, [['S1', 'g1:+']]);
  if (extra)
    job = withHelper(job, 'px-1', { id: 'r1', typeId: 'resistor', settings: { ohms: extra, watts: '0.5' } }, [
      ['2', 'a:A0+'],
    ]);
  return after(job, field('px-1-b:+', 'z1:H1'), field('px-1-b:-', extra ? 'r1:1' : 'a:A0+'));
}

/** A load on an output. */
export const outputJob = (moduleType: string, channel: number, typeId: string): JobContent => {
  const job = withModule(bareJob(), 'q', moduleType, moduleType === 'drive' ? ['-', '-', '-'] : []);
  const wired =
    moduleType === 'ro4'
      ? withWires(job, ['q:11', 'g1:+'])
      : moduleType === 'drive'
        ? withWires(job, ['q:11', 'g1:+'])
        : job;
  return withPoint(wired, { typeId, output: 'none', logic: 'none', at: ['q', channel] });
};

/** A contact on an input of a universal controller. */
export const universalJob = (channel: number, active: 'minus' | 'plus' | 'open' = 'minus'): JobContent => {
  let job = withModule(bareJob(), 'u', 'universal-controller', []);
  if (channel < 6)
    job = after(job, {
      kind: 'editModule',
      id: 'u',
      patch: { settings: { [`U${channel + 1}.active`]: active } },
    });
  // The analog inputs wet a contact with so little that only a sealed or gilded one stays clean.
  const typeId = channel < 6 ? 'limit-switch' : 'dry-contact';
  return withPoint(job, { typeId, output: 'contact', at: ['u', channel] });
};

/** A passive pulse output that pulls a counter input down, with a pull-up resistor or without. */
export function pulseJob(ohms?: string, watts = '2', hertz = 200, filter = '1000'): JobContent {
  let job = withModule(bareJob(), 'c', 'counter2', ['-']);
  job = after(job, { kind: 'editModule', id: 'c', patch: { settings: { 'C1.filter': filter } } });
  job = withPoint(job, {
    typeId: 'flow-pulse-passive',
    output: 'contact',
    at: ['c', 0],
    range: { low: 0, high: hertz, unit: 'Hz' },
  });
  const emitter = sure(job.wires.find(({ from }) => from === 'px-1-b:P-'));
  job = after(job, { kind: 'moveWire', wireId: emitter.id, to: 'g1:-' });
  return ohms === undefined
    ? job
    : withHelper(job, 'px-1', { id: 'r1', typeId: 'resistor', settings: { ohms, watts } }, [
        ['1', 'g1:+'],
        ['2', 'c:C1'],
      ]);
}

export const activePulseJob = (): JobContent =>
  withPoint(withModule(bareJob(), 'c', 'counter2', ['-']), {
    typeId: 'flow-pulse-active',
    output: 'pnp',
    at: ['c', 0],
    range: { low: 0, high: 200, unit: 'Hz' },
  });

export const fieldbusJob = (
  typeId: string,
  moduleType: string,
  channel = 0,
  settings?: Record<string, string>,
): JobContent =>
  withPoint(withModule(bareJob(), 't', moduleType, []), {
    typeId,
    output: 'none',
    logic: 'none',
    at: ['t', channel],
    settings,
  });

/** Every family in a right wiring, by name; the point is `px-1`. */
export const FAMILIES: Readonly<Record<string, () => JobContent>> = {
  'four-wire sensor': () => withPoint(inputs(), { typeId: 'inductive-4w' }),
  'two-wire DC sensor': () => twoWireOn('inductive-2w-dc', 'di8-sink-8'),
  'two-wire AC sensor on a relay': () => acRelay('relay-1co-230ac', '22000'),
  'NAMUR sensor': () => namurJob(),
  'interposing relay': () => relayJob(),
  'guard switch': () => guardJob(),
  'chained guard sensors': chainJob,
  'guard sensor on a safe-stop pair': driveStopJob,
  'two-wire transmitter': () => analogJob('transmitter-2w'),
  'transmitter behind a barrier': () => barrierLoop(50),
  'three-wire transmitter, V': () =>
    analogJob('transmitter-3w-v', { 'A0.switch': 'V', 'A0.range': '0-10 V' }),
  'three-wire transmitter, mA': () => analogJob('transmitter-3w-ma'),
  'four-wire transmitter': () => analogJob('transmitter-4w-ma'),
  'three-wire RTD': () => analogJob('rtd-3w', { 'R0.wires': '3' }, 'rtd2'),
  'four-wire RTD': () => analogJob('rtd-4w', { 'R0.wires': '4' }, 'rtd2'),
  thermocouple: () => analogJob('thermocouple-k', {}, 'tc2'),
  'resistive sender': () => analogJob('sender-2w', {}, 'rtd2'),
  'potentiometer on a drive': () =>
    analogJob('potentiometer-3w', { 'A1.switch': 'V', 'A1.range': '0-10 V' }, 'drive'),
  'switching and analog wire': () => analogJob('ultrasonic-switch-analog'),
  'set-point of a drive': () => analogJob('transmitter-4w-ma', {}, 'drive'),
  'sensor on a drive': () => withPoint(withModule(bareJob(), 'm', 'drive', ['-', '-', '-']), {}),
  'relay output of a drive': () => outputJob('drive', 8, 'horn-24'),
  'analog output of a drive': () => outputJob('drive', 7, 'indicator-ma'),
  'load on an output': () => outputJob('do8-high', 0, 'valve-24'),
  'load on an output that switches minus': () => outputJob('do8-low', 3, 'valve-24'),
  'indicator on an analog output': () => outputJob('ao4', 1, 'indicator-ma'),
  'load on a relay output': () => outputJob('ro4', 0, 'valve-24'),
  'contact on a universal controller': () => universalJob(0),
  'analog input as a switch': () => universalJob(6),
  'high-side output': () => outputJob('universal-controller', 9, 'valve-24'),
  'low-side output': () => outputJob('universal-controller', 12, 'horn-24'),
  'passive pulse output': () => pulseJob('2200'),
  'active pulse output': activePulseJob,
  'IO-Link device, class A': () => fieldbusJob('io-link-a', 'iol-aaaa'),
  'IO-Link actuator, class B': () => fieldbusJob('io-link-b', 'iol-aabb', 2),
  'unit on a serial line': () => fieldbusJob('serial-unit', 'serial-master', 0, { terminator: 'on' }),
  'device on Ethernet': () => fieldbusJob('net-device', 'net-switch-5'),
};
