import { nth, sure } from '../lists/index.ts';
import type { AnalogPort, DeviceOutput } from '../catalog/index.ts';
import { solvedOnce } from '../circuit/index.ts';
import type { InputState, Netlist, Quantity, Solution, Span } from '../circuit/index.ts';
import { assemble, elementId, signalLeads, supplyNodes } from '../network/index.ts';
import type { OwnPort, PointContext } from '../network/index.ts';
import { expectedStatesOf } from './expectedStates.ts';
import type { ExpectedState } from './expectedStates.ts';
import { measuredOf, measuredQuantity } from './measure.ts';
import { inputQuantities, readInput } from './readInput.ts';
import type { OwnInput } from './readInput.ts';
import type { Measured } from './measure.ts';
import type { Situation } from './situations.ts';

/** A digital input in one state of the point. */
export interface InputReading {
  readonly own: OwnInput;
  /** Across the input in the sense in which it takes current, V and A. */
  readonly volts: Span;
  readonly amps: Span;
  /** What the input does over the whole tolerance band. */
  readonly input: InputState;
  /** The input's lamp at nominal values. */
  readonly led: InputState;
  /** What the program reads; absent when the lamp is undecided. */
  readonly bit?: 0 | 1;
  /** The output is on whose own lead ends here; that of the point where a further part stands between. */
  readonly outputOn: boolean;
}

/** An analog input in one state of the point. */
export interface AnalogReading extends Measured {
  readonly own: OwnPort & { readonly port: AnalogPort };
}

/** A load or listening device in one state of the point. */
export interface LoadReading {
  readonly expected: ExpectedState;
  readonly on: boolean;
  /** Across the element that counts, V, as its detector sees it. */
  readonly volts: Span;
  /** Between its terminals, V, as a meter on them reads. */
  readonly across: Span;
  readonly onVolts: number;
  readonly offVolts: number;
  /** Whether only the size of the voltage counts. */
  readonly either: boolean;
}

/** The five things that must be kept apart, and the numbers behind them, for one state of the target. */
export interface PointState {
  readonly situation: Situation;
  readonly present: boolean;
  /** Whether the other devices on a loose common have their targets; says nothing while there are none. */
  readonly othersPresent: boolean;
  readonly netlist: Netlist;
  readonly solution: Solution;
  /** Supply at the device, V; absent for one without. */
  readonly supplyVolts?: Span;
  readonly powered: boolean;
  /** The sensor's output is on (or the contact closed), and so is its lamp. */
  readonly outputOn: boolean;
  /** What the meter shows on the signal, V: against 0 V, or across the device. */
  readonly signalVolts: number;
  readonly signalFloating: boolean;
  /** Every digital input on which the point is landed. */
  readonly inputs: readonly InputReading[];
  /** Of the first of them; absent off a digital input. */
  readonly inputVolts?: Span;
  readonly inputAmps?: Span;
  readonly input?: InputState;
  readonly led?: InputState;
  readonly bit?: 0 | 1;
  readonly measured: readonly AnalogReading[];
  readonly loads: readonly LoadReading[];
  /** Volts at every relay coil among the helpers, by device. */
  readonly coils: ReadonlyMap<string, Span>;
}

type Sought =
  | { readonly what: 'supply'; readonly quantity: Quantity }
  | {
      readonly what: 'inputVolts' | 'inputAmps' | 'measured';
      readonly own: OwnPort;
      readonly quantity: Quantity;
    }
  | {
      readonly what: 'load';
      readonly expected: ExpectedState;
      readonly onVolts: number;
      readonly offVolts: number;
      readonly either: boolean;
      readonly quantity: Quantity;
    }
  | { readonly what: 'across'; readonly id: string; readonly quantity: Quantity }
  | { readonly what: 'coil'; readonly deviceId: string; readonly quantity: Quantity };

/** The circuit of a point with its target away and with it present. */
export interface Nets {
  readonly away: Netlist;
  readonly present: Netlist;
  /** Of a guard that is reset by hand: closed, and the button held down. */
  readonly pressed?: Netlist;
}

/** Whether worst cases are worked out too. */
export type Wanted = 'bands' | 'nominal';

/** A point's circuit while one thing is done to it. @param held detectors and latches that were on before. */
export function netlistOf(
  { index, scope, device }: PointContext,
  situation: Omit<Situation, 'key' | 'words'>,
  held?: ReadonlySet<string>,
): Netlist {
  const own = situation.present ? [device.id] : [];
  return assemble(index, scope, {
    present: new Set([...own, ...(situation.others ? scope.mateIds : [])]),
    levels: new Map([[device.id, situation.level]]),
    forced: situation.forced,
    joined: situation.joined,
    held,
  });
}

/**
 * Solves a point's circuit for one thing that is done to it.
 * @param held detectors and latches that were on before.
 */
export function solveState(
  context: PointContext,
  situation: Situation,
  held?: ReadonlySet<string>,
  wanted: Wanted = 'bands',
): PointState {
  const { ports } = context;
  const netlist = netlistOf(context, situation, held);
  const sought = [...portsSought(context), ...othersSought(context, netlist)];
  const quantities = sought.map(({ quantity }) => quantity);
  // A loose common stops the point whatever the tolerances are, so its neighbours' need not be searched.
  const loose = ports.some(({ port, rail }) => port.kind === 'digital' && rail === undefined);
  const { solution, bands } = solvedOnce(netlist, quantities, loose ? 'nominal' : wanted);
  const leads = signalLeads(context, netlist.reference);
  const zero = leads.across ? leads.black : netlist.reference;
  const banded = sought.map((item, i) => ({ item, band: nth(bands, i) }));
  const inputs = ports.flatMap((port) => {
    const { outputOn } = sensorSide(context, { output: port.landed ?? context.output }, netlist, solution);
    return inputReading(context, port, banded, outputOn);
  });
  const [first] = inputs;
  return {
    situation,
    present: situation.present,
    othersPresent: situation.others,
    netlist,
    solution,
    supplyVolts: banded.find(({ item }) => item.what === 'supply')?.band,
    signalVolts: solution.volts(leads.red) - solution.volts(zero),
    signalFloating: !leads.across && solution.floating(leads.red),
    ...sensorSide(context, context, netlist, solution),
    inputs,
    ...(first && {
      inputVolts: first.volts,
      inputAmps: first.amps,
      input: first.input,
      led: first.led,
      bit: first.bit,
    }),
    measured: banded.flatMap(({ item, band }) =>
      item.what === 'measured' ? [analogReading(item.own, band)] : [],
    ),
    loads: loadReadings(banded, solution),
    coils: new Map(
      banded.flatMap(({ item, band }) => (item.what === 'coil' ? [[item.deviceId, band] as const] : [])),
    ),
  };
}

function loadReadings(
  banded: readonly { readonly item: Sought; readonly band: Span }[],
  solution: Solution,
): LoadReading[] {
  const across = (id: string): Span | undefined =>
    banded.find(({ item }) => item.what === 'across' && item.id === id)?.band;
  return banded.flatMap(({ item, band }) =>
    item.what === 'load'
      ? [
          {
            ...item,
            on: solution.active(item.expected.id),
            volts: band,
            across: across(item.expected.id) ?? band,
          },
        ]
      : [],
  );
}

function portsSought(context: PointContext): Sought[] {
  const { ports } = context;
  const supplied = supplyNodes(context);
  return [
    ...(supplied
      ? [{ what: 'supply', quantity: { kind: 'volts', a: supplied.plus, b: supplied.minus } } as const]
      : []),
    ...ports.flatMap((own): Sought[] => {
      const { port, module, settings } = own;
      if (port.kind === 'analog')
        return [{ what: 'measured', own, quantity: measuredQuantity(module.id, port, settings) }];
      if (port.kind !== 'digital') return [];
      const { volts, amps } = inputQuantities(own as OwnInput);
      return [
        { what: 'inputVolts', own, quantity: volts },
        { what: 'inputAmps', own, quantity: amps },
      ];
    }),
  ];
}

function othersSought(context: PointContext, netlist: Netlist): Sought[] {
  const detectors = new Map(
    netlist.elements.flatMap((el) => (el.kind === 'detector' ? [[el.id, el] as const] : [])),
  );
  const across = (id: string) => {
    const found = detectors.get(id);
    return found && { found, quantity: { kind: 'volts', a: found.a, b: found.b } as const };
  };
  return [
    ...expectedStatesOf(context).flatMap((expected): Sought[] => {
      const at = across(expected.id);
      return at
        ? [
            {
              what: 'load',
              expected,
              quantity: at.quantity,
              onVolts: at.found.onVolts,
              offVolts: at.found.offVolts,
              either: at.found.either ?? false,
            },
            ...(at.found.outside
              ? [
                  {
                    what: 'across' as const,
                    id: expected.id,
                    quantity: { kind: 'volts', ...at.found.outside } as const,
                  },
                ]
              : []),
          ]
        : [];
    }),
    ...context.helpers.flatMap(({ id }): Sought[] => {
      const at = across(elementId(id, 'coil'));
      return at ? [{ what: 'coil', deviceId: id, quantity: at.quantity }] : [];
    }),
  ];
}

/** Whether a point's device has its supply, and whether its output is on. */
export function sensorSide(
  { device }: PointContext,
  { output }: { readonly output: DeviceOutput },
  netlist: Netlist,
  solution: Solution,
): { powered: boolean; outputOn: boolean } {
  const find = (local: string | undefined) =>
    netlist.elements.find(({ id }) => local !== undefined && id === elementId(device.id, local));
  const switching = find(output.element);
  const fed = find('fed');
  const isOn = switching && (solution.active(switching.id) || solution.closed(switching.id));
  const powered =
    switching?.kind === 'output' ? solution.powered(switching.id) : fed ? solution.active(fed.id) : true;
  return { powered, outputOn: powered && (isOn ?? false) };
}

function inputReading(
  { point }: PointContext,
  own: OwnPort,
  banded: readonly { item: Sought; band: Span }[],
  outputOn: boolean,
): InputReading[] {
  const { port } = own;
  if (port.kind !== 'digital') return [];
  const band = (what: Sought['what']): Span =>
    sure(banded.find(({ item }) => item.what === what && 'own' in item && item.own === own)).band;
  const input = own as OwnInput;
  return [{ own: input, outputOn, ...readInput(input, band('inputVolts'), band('inputAmps'), point.bit) }];
}

function analogReading(own: OwnPort, band: Span): AnalogReading {
  const port = own.port as AnalogPort;
  return { own: own as AnalogReading['own'], ...measuredOf(port, own.settings, band) };
}
