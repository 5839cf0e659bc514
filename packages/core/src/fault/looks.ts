import { oncePer } from '../lists/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { hasTerminal } from '../analysis/index.ts';
import type { PointState } from '../analysis/index.ts';
import { SIGNALS } from '../catalog/index.ts';
import { nodesOf } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { elementId } from '../network/index.ts';
import { splitRef } from '../model/index.ts';
import { guardLooks } from './guardLooks.ts';
import type { Look, Spot } from './look.ts';
import { elementLooks, inStates, SECONDS, STATES, voltsLook } from './madeLooks.ts';
import { feedWiresOf, ownWiresOf, railsOf } from './ownWires.ts';
import { pointFaults } from './pointFaults.ts';
import { whilePulsing } from './pulseLooks.ts';
import { valueReader } from './valueReader.ts';

/** Everything that can be looked at of a point. */
export const looksOf = oncePer((analysis: Analysis): readonly Look[] =>
  analysis.context.output.drivenBy === 'pulses' ? whilePulsing(steadyLooks(analysis)) : steadyLooks(analysis),
);

/** Each once: a pair of terminals may stand in the way of a signal and be the ends of a load as well. */
const steadyLooks = (analysis: Analysis): readonly Look[] => [
  ...new Map(everyLook(analysis).map((look) => [look.id, look])).values(),
];

const everyLook = (analysis: Analysis): readonly Look[] => [
  ...(analysis.context.output.drivenBy === 'communication' ? talkLooks(analysis) : signalLooks(analysis)),
  ...actLooks(analysis),
  ...guardLooks(analysis),
  ...valueLooks(analysis),
  ...currentLooks(analysis),
  ...deadLooks(analysis),
  ...settingLooks(analysis),
];

/** Volts between two terminals, in each state. */
const volts = (red: string, black: string, spot: Spot): Look[] =>
  inStates((state) => voltsLook(red, black, spot, state));

/** Indicators and volts along the way of a signal that stands still. */
function signalLooks(analysis: Analysis): Look[] {
  const { context, present } = analysis;
  const { device, output, ports } = context;
  const [own] = ports;
  const look = (kind: 'sensorLed' | 'inputLed' | 'bit', spot: Spot) =>
    inStates((state) => ({
      id: `${kind} ${state}`,
      kind,
      state,
      spot,
      seconds: SECONDS[kind],
      power: 'on',
    }));
  const [plus, minus] = railsOf(analysis);
  const seen = (ref: string): boolean => hasTerminal(present, ref);
  const atDevice = terminalsOf(analysis, device.id);
  const [first, ...others] = atDevice;
  const atInput = own ? [`${own.module.id}:${own.port.terminal}`].filter(seen) : [];
  const isAnalog = own?.port.kind === 'analog';
  const ownCommon = own ? [`${own.module.id}:${own.port.common}`].filter(seen) : [];
  return [
    ...(output.indicator === undefined ? [] : look('sensorLed', 'field')),
    ...(present.inputs.length ? [...look('inputLed', 'panel'), ...look('bit', 'screen')] : []),
    ...(isAnalog ? atInput : [plus])
      .filter(seen)
      .flatMap((ref) =>
        ownCommon.filter((common) => common !== ref).flatMap((common) => volts(ref, common, 'panel')),
      ),
    ...atInput.filter(() => seen(minus)).flatMap((ref) => volts(ref, minus, 'panel')),
    ...(seen(minus) ? volts(plus, minus, 'panel') : []),
    // In the field there is no minus but the device's own.
    ...(first === undefined ? [] : others.flatMap((ref) => volts(ref, first, 'field'))),
  ];
}

/** Of a device that talks: its power, and whether it answers. What is on its line changes too quickly for a meter. */
function talkLooks({ present }: Analysis): Look[] {
  return [
    ...fedBy(present).flatMap(({ element, label, a, b }): Look[] => [
      {
        id: `fed ${element}`,
        kind: 'fed',
        element,
        label,
        state: 'any',
        spot: 'field',
        seconds: SECONDS.sensorLed,
        power: 'on',
      },
      ...(hasTerminal(present, a) && hasTerminal(present, b) ? [voltsLook(a, b, 'field', 'any')] : []),
    ]),
    { id: 'talks', kind: 'talks', state: 'any', spot: 'screen', seconds: SECONDS.talks, power: 'on' },
  ];
}

/** Supplies of a device that talks, as its detectors see them. */
const fedBy = ({ loads, netlist: { elements } }: PointState) =>
  loads.flatMap(({ expected }) => {
    const found = elements.find(({ id }) => id === expected.id);
    if (expected.on !== 'always' || found?.kind !== 'detector') return [];
    return [{ element: found.id, label: expected.label, a: found.a, b: found.b }];
  });

/** Loads and coils: whether each acts, and what stands at it. */
function actLooks({ context, present }: Analysis): Look[] {
  if (context.output.drivenBy === 'communication') return [];
  const coils = new Map(context.helpers.map(({ id, tag }) => [elementId(id, 'coil'), tag]));
  const loads = new Map(present.loads.map(({ expected }) => [expected.id, expected.label]));
  return present.netlist.elements.flatMap((found): Look[] => {
    const label = found.kind === 'detector' ? (coils.get(found.id) ?? loads.get(found.id)) : undefined;
    if (label === undefined || found.kind !== 'detector') return [];
    const { a, b, id: element } = found;
    const spot: Spot = element.startsWith(`${context.device.id}/`) ? 'field' : 'panel';
    return [
      ...elementLooks('acts', element, label, spot),
      ...(hasTerminal(present, a) && hasTerminal(present, b) ? volts(a, b, spot) : []),
    ];
  });
}

/** Of a value: what the program has. */
function valueLooks(analysis: Analysis): Look[] {
  const reader = valueReader(analysis);
  if (!reader || !analysis.present.measured.length) return [];
  return inStates((state) => ({
    id: `value ${state}`,
    kind: 'value',
    unit: reader.unit,
    state,
    spot: 'screen',
    seconds: SECONDS.bit,
    power: 'on',
  }));
}

/** The current in the wire at the channel, where it is the signal. */
function currentLooks(analysis: Analysis): Look[] {
  const { context, present } = analysis;
  const { signal } = context.output;
  const [own] = context.ports;
  const isCurrent =
    context.output.drivenBy === 'command'
      ? signal !== undefined && SIGNALS[signal].unit === 'mA'
      : present.measured[0]?.unit === 'mA' && valueReader(analysis) !== undefined;
  const terminal = own && `${own.module.id}:${own.port.terminal}`;
  const wire = ownWiresOf(analysis).find(({ from, to }) => from === terminal || to === terminal);
  if (!isCurrent || !wire) return [];
  return inStates((state) => ({
    id: `milliamps ${wire.id} ${state}`,
    kind: 'milliamps',
    red: wire.from,
    black: wire.to,
    wire: wire.id,
    state,
    spot: 'panel',
    seconds: SECONDS.milliamps,
    power: 'on',
  }));
}

/** Settings beside their sheet, of each part of which one can stand elsewhere. */
function settingLooks(analysis: Analysis): Look[] {
  const { index, device } = analysis.context;
  const parts = new Set(pointFaults(analysis).flatMap(({ shown }) => shown?.setElsewhere ?? []));
  return [...parts].map((part) => ({
    id: `as set ${part}`,
    kind: 'asSet',
    part,
    label: (index.device(part) ?? index.module(part))?.tag ?? part,
    state: 'any',
    spot: part === device.id ? 'field' : index.module(part) ? 'screen' : 'panel',
    seconds: SECONDS.asSet,
    power: 'on',
  }));
}

/** What nobody knows the resistance of while it has no supply. */
const ELECTRONIC: ReadonlySet<string> = new Set(['output', 'transmitter', 'twoWire']);

/** Whether the target itself moves a contact, power or not. */
function contactMoves({ away, present }: Analysis): boolean {
  const closed = ({ elements }: Netlist): string =>
    elements
      .flatMap((one) => (one.kind === 'switch' ? [`${one.id} ${JSON.stringify(one.closed)}`] : []))
      .join();
  return closed(away.netlist) !== closed(present.netlist);
}

/** Ohms with power off: along each wire, and at each part between its terminals; what its contact does, target by target. */
function deadLooks(analysis: Analysis): Look[] {
  const { context, present } = analysis;
  const { device, helpers } = context;
  const inField = (ref: string): boolean => splitRef(ref).item === device.id;
  const electronic = present.netlist.elements.flatMap((element) =>
    ELECTRONIC.has(element.kind) ? [nodesOf(element)] : [],
  );
  const isBlack = ([red, black]: readonly [string, string]): boolean =>
    electronic.some((nodes) => nodes.includes(red) && nodes.includes(black));
  const wires = [...ownWiresOf(analysis), ...feedWiresOf(analysis)].map(
    ({ from, to }) => [from, to] as const,
  );
  const atParts: (readonly [string, string])[] = [
    ...[device, ...helpers].flatMap(({ id }) => {
      const refs = terminalsOf(analysis, id);
      return refs
        .flatMap((red, i) => refs.slice(i + 1).map((black) => [red, black] as const))
        .filter((pair) => !isBlack(pair));
    }),
  ];
  const states = contactMoves(analysis) ? STATES : (['any'] as const);
  // Along the many wires of a guard nothing is measured twice.
  const isGuard = context.output.drivenBy === 'guard';
  return [
    ...wires.map((pair) => ({ pair, at: isGuard ? (['any'] as const) : states })),
    ...atParts.map((pair) => ({ pair, at: states })),
  ]
    .filter(({ pair: [red, black] }) => hasTerminal(present, red) && hasTerminal(present, black))
    .flatMap(({ pair: [red, black], at }) =>
      at.map((state): Look => ({
        id: `ohms ${red} ${black} ${state}`,
        kind: 'ohms',
        red,
        black,
        state,
        spot: inField(red) || inField(black) ? 'field' : 'panel',
        seconds: inField(red) === inField(black) ? SECONDS.ohms : SECONDS.longLead,
        power: 'off',
      })),
    );
}

/** Terminals of a part that are in the circuit, its minus first. */
function terminalsOf({ context, present }: Analysis, item: string): string[] {
  const refs = [
    ...new Set(
      context.scope.wires.flatMap(({ from, to }) => [from, to]).filter((ref) => splitRef(ref).item === item),
    ),
  ].filter((ref) => hasTerminal(present, ref) && splitRef(ref).terminal !== 'PE');
  const minus = refs.findIndex((ref) => /^(BU|-|L-|M|0V|N)$/.test(splitRef(ref).terminal));
  return minus > 0 ? [refs[minus] ?? '', ...refs.filter((_, i) => i !== minus)] : refs;
}
