import { oncePer } from '../lists/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { hasTerminal } from '../analysis/index.ts';
import { nodesOf } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { splitRef } from '../model/index.ts';
import { ownWiresOf } from './ownWires.ts';
import { valueReader } from './valueReader.ts';

/** Where one stands to look. */
export type Spot = 'field' | 'panel' | 'screen';

/** Something that can be looked at with the target in one state: an indicator, or volts or ohms between two terminals. */
export type Look = {
  readonly id: string;
  /** How the target is to stand; `any` where that changes nothing. */
  readonly state: 'away' | 'present' | 'any';
  readonly spot: Spot;
  /** So long it takes where one stands, s. */
  readonly seconds: number;
  /** Ohms are measured on what is isolated and proven dead. */
  readonly power: 'on' | 'off';
} & (
  | { readonly kind: 'sensorLed' | 'inputLed' | 'bit' }
  /** The value in the program, in its unit. */
  | { readonly kind: 'value'; readonly unit: string }
  /** In the place of a wire that is opened for it. */
  | { readonly kind: 'milliamps'; readonly red: string; readonly black: string; readonly wire: string }
  | { readonly kind: 'volts' | 'ohms'; readonly red: string; readonly black: string }
);

const STATES = ['away', 'present'] as const;

/** Seconds for a look: an LED is seen, a value is found on a screen, two leads are put on, a long lead is laid out. */
const SECONDS = {
  sensorLed: 4,
  inputLed: 4,
  bit: 10,
  volts: 25,
  ohms: 25,
  milliamps: 90,
  longLead: 120,
} as const;

/** Everything that can be looked at of a point on a digital or an analog input. */
export const looksOf = oncePer((analysis: Analysis): readonly Look[] => {
  const { context, present } = analysis;
  const { device, output, supply, ports } = context;
  const [own] = ports;
  const look = (kind: 'sensorLed' | 'inputLed' | 'bit', spot: Spot) =>
    STATES.map((state): Look => ({
      id: `${kind} ${state}`,
      kind,
      state,
      spot,
      seconds: SECONDS[kind],
      power: 'on',
    }));
  const minus = `${supply.id}:-`;
  const volts = (red: string, black: string, spot: Spot) =>
    STATES.map((state): Look => ({
      id: `volts ${red} ${black} ${state}`,
      kind: 'volts',
      red,
      black,
      state,
      spot,
      seconds: SECONDS.volts,
      power: 'on',
    }));
  const seen = (ref: string): boolean => hasTerminal(present, ref);
  const atDevice = terminalsOf(analysis, device.id);
  const [first, ...others] = atDevice;
  const atInput = own ? [`${own.module.id}:${own.port.terminal}`].filter(seen) : [];
  const ownCommon = own?.port.kind === 'analog' ? [`${own.module.id}:${own.port.common}`].filter(seen) : [];
  return [
    ...(output.indicator === undefined ? [] : look('sensorLed', 'field')),
    ...(present.inputs.length ? [...look('inputLed', 'panel'), ...look('bit', 'screen')] : []),
    ...atInput.flatMap((ref) => ownCommon.flatMap((common) => volts(ref, common, 'panel'))),
    ...atInput.filter(() => seen(minus)).flatMap((ref) => volts(ref, minus, 'panel')),
    ...(seen(minus) ? volts(`${supply.id}:+`, minus, 'panel') : []),
    // In the field there is no minus but the device's own.
    ...(first === undefined ? [] : others.flatMap((ref) => volts(ref, first, 'field'))),
    ...valueLooks(analysis),
    ...deadLooks(analysis),
  ];
});

/** Of a value: what the program has, and the current in the wire at its input. */
function valueLooks(analysis: Analysis): Look[] {
  const reader = valueReader(analysis);
  const own = analysis.present.measured[0]?.own;
  if (!reader || !own) return [];
  const isCurrent = analysis.present.measured[0]?.unit === 'mA';
  const terminal = `${own.module.id}:${own.port.terminal}`;
  const wire = ownWiresOf(analysis).find(({ from, to }) => from === terminal || to === terminal);
  return STATES.flatMap((state): Look[] => [
    {
      id: `value ${state}`,
      kind: 'value',
      unit: reader.unit,
      state,
      spot: 'screen',
      seconds: SECONDS.bit,
      power: 'on',
    },
    ...(isCurrent && wire
      ? [
          {
            id: `milliamps ${wire.id} ${state}`,
            kind: 'milliamps',
            red: wire.from,
            black: wire.to,
            wire: wire.id,
            state,
            spot: 'panel',
            seconds: SECONDS.milliamps,
            power: 'on',
          } as const,
        ]
      : []),
  ]);
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
  const pairs: (readonly [string, string])[] = [
    ...ownWiresOf(analysis).map(({ from, to }) => [from, to] as const),
    ...[device, ...helpers].flatMap(({ id }) => {
      const refs = terminalsOf(analysis, id);
      return refs
        .flatMap((red, i) => refs.slice(i + 1).map((black) => [red, black] as const))
        .filter((pair) => !isBlack(pair));
    }),
  ];
  const states = contactMoves(analysis) ? STATES : (['any'] as const);
  return pairs
    .filter(([red, black]) => hasTerminal(present, red) && hasTerminal(present, black))
    .flatMap(([red, black]) =>
      states.map((state): Look => ({
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
  const minus = refs.findIndex((ref) => /^(BU|-|L-|M|0V)$/.test(splitRef(ref).terminal));
  return minus > 0 ? [refs[minus] ?? '', ...refs.filter((_, i) => i !== minus)] : refs;
}
