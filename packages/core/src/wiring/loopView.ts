import { deviceType, moduleType, terminalWithRole } from '../catalog/index.ts';
import type { DeviceTerminal } from '../catalog/index.ts';
import type { InputState } from '../circuit/index.ts';
import type { Wire, WireColour } from '../model/job.ts';
import { splitRef } from '../model/job.ts';
import { formatMilliamps, formatVolts } from '../units/quantity.ts';
import { elementIds } from './assemble.ts';
import { otherEnd } from './jobIndex.ts';
import { commonWords, deviceWords, placeWords } from './sentences.ts';
import { stopWords } from './reasons.ts';
import type { Reason } from './reasons.ts';
import { signalNode } from './states.ts';
import type { PointContext, PointState } from './states.ts';

/** Less than this, A, is no path but leakage. */
const PATH_AMPS = 0.0003;

/** A terminal of the drawing. `ref` names it for the meter. */
export interface LoopTerminal {
  readonly ref: string;
  readonly name: string;
  readonly floating: boolean;
  /** The wire on it, and where that goes: to a rail, to the other plate, or elsewhere. */
  readonly wire?: LoopWire;
}

export interface LoopWire {
  readonly id: string;
  readonly number: string;
  readonly colour: WireColour;
  readonly to: '+' | '-' | 'input' | 'device' | 'elsewhere';
  /** Whether the signal current takes this wire. */
  readonly onPath: boolean;
}

/** What the loop drawing shows of a solved state; its places are the layout's business. */
export interface LoopView {
  readonly rails: {
    readonly name: string;
    readonly plusVolts: string;
    readonly plusRef: string;
    readonly minusRef: string;
  };
  readonly device: {
    readonly tag: string;
    readonly words: string;
    readonly plus?: LoopTerminal;
    readonly minus?: LoopTerminal;
    readonly signal: LoopTerminal;
    /** Second side of a contact. */
    readonly side?: LoopTerminal;
    readonly emitter?: { readonly plus: LoopTerminal; readonly minus: LoopTerminal };
    /** Rails to which the device has a switching element, and whether it is closed. */
    readonly high?: boolean;
    readonly low?: boolean;
    readonly contact?: boolean;
    readonly powered: boolean;
    readonly lampOn: boolean;
    readonly hasLamp: boolean;
  };
  readonly input?: {
    readonly title: string;
    readonly address: string;
    readonly bit: string;
    readonly terminal: LoopTerminal;
    readonly common: LoopTerminal;
    readonly commonName: string;
    readonly kilohms: string;
    readonly lamp: InputState;
    /** Why no current can pass here, in two or three words. */
    readonly stopped?: string;
  };
  /** The signal wire's plates. */
  readonly volts: string;
  readonly amps: string;
  /** Sense of the conventional current in the signal wire, seen from the device. */
  readonly flow: 'toInput' | 'fromInput' | 'none';
  /** The device's element that carries the current. */
  readonly through?: 'high' | 'low' | 'contact';
}

/** Reads the drawing's content off a solved state. @param reasons why the point does not work, if it does not. */
export function loopView(
  context: PointContext,
  state: PointState,
  reasons: readonly Reason[] = [],
): LoopView {
  const { supply } = context;
  const flow = flowOf(context, state);
  const through = throughOf(context, state, flow);
  const volts = state.solution.volts(signalNode(context.device));
  return {
    rails: {
      name: supply.tag,
      plusVolts: `+${formatVolts(state.solution.volts(`${supply.id}:+`))}`,
      plusRef: `${supply.id}:+`,
      minusRef: `${supply.id}:-`,
    },
    device: deviceView(context, state, flow, through),
    input: inputView(context, state, flow, reasons[0] && stopWords(reasons[0], context)),
    volts: state.signalFloating ? 'floating' : formatVolts(volts),
    amps: formatMilliamps(Math.abs(state.inputAmps?.nom ?? 0)),
    flow,
    through,
  };
}

function flowOf({ place }: PointContext, state: PointState): LoopView['flow'] {
  if (!place) return 'none';
  const amps = state.solution.amps(elementIds.channel(place.moduleId, place.channel));
  if (Math.abs(amps) < PATH_AMPS) return 'none';
  return amps > 0 ? 'toInput' : 'fromInput';
}

function throughOf({ device }: PointContext, state: PointState, flow: LoopView['flow']): LoopView['through'] {
  if (flow === 'none') return undefined;
  if (device.output === 'contact') return 'contact';
  return flow === 'toInput' ? 'high' : 'low';
}

function terminalView(
  context: PointContext,
  state: PointState,
  itemId: string,
  name: string,
  onPath: boolean,
): LoopTerminal {
  const ref = `${itemId}:${name}`;
  const wire = context.index.wiresAt(ref)[0];
  return {
    ref,
    name,
    floating: state.solution.floating(ref),
    wire: wire && wireView(context, wire, ref, onPath),
  };
}

function wireView(
  { index, device, place }: PointContext,
  wire: Wire,
  ref: string,
  onPath: boolean,
): LoopWire {
  const far = otherEnd(wire, ref);
  const { item, terminal } = splitRef(far);
  const rail = index.supply(item) ? (terminal === '+' ? '+' : '-') : undefined;
  const to =
    rail ??
    (item === device.id
      ? 'device'
      : item === place?.moduleId && terminal === `I${place.channel}`
        ? 'input'
        : 'elsewhere');
  return { id: wire.id, number: wire.number, colour: wire.colour, to, onPath };
}

function deviceView(
  context: PointContext,
  state: PointState,
  flow: LoopView['flow'],
  through: LoopView['through'],
): LoopView['device'] {
  const { device } = context;
  const type = deviceType(device.typeId);
  const flows = flow !== 'none';
  const view = (terminal: DeviceTerminal | undefined, onPath: boolean): LoopTerminal | undefined =>
    terminal && terminalView(context, state, device.id, terminal.name, onPath);
  const contact = type.behaviour.kind === 'contact';
  const emitterPlus = view(terminalWithRole(type, 'emitterPlus'), false);
  const emitterMinus = view(terminalWithRole(type, 'emitterMinus'), false);
  const on = state.outputOn;
  return {
    tag: device.tag,
    words: deviceWords(context),
    plus: view(terminalWithRole(type, 'plus'), through === 'high'),
    minus: view(terminalWithRole(type, 'minus'), through === 'low'),
    signal: view(terminalWithRole(type, contact ? 'sideB' : 'out'), flows)!,
    side: view(terminalWithRole(type, 'sideA'), flows),
    emitter: emitterPlus && emitterMinus && { plus: emitterPlus, minus: emitterMinus },
    high: device.output === 'pnp' || device.output === 'pushpull' ? on : undefined,
    low: device.output === 'npn' ? on : device.output === 'pushpull' ? state.powered && !on : undefined,
    contact: contact ? on : undefined,
    powered: state.powered,
    lampOn: on,
    hasLamp: !contact,
  };
}

function inputView(
  context: PointContext,
  state: PointState,
  flow: LoopView['flow'],
  stopped: string | undefined,
): LoopView['input'] {
  const { place, module, common } = context;
  if (!place || !module) return undefined;
  const type = moduleType(module.typeId);
  const { seriesOhms } = type.input;
  return {
    title: placeWords(context),
    address: context.address!,
    bit: state.bit === undefined ? '?' : String(state.bit),
    terminal: terminalView(context, state, module.id, `I${place.channel}`, flow !== 'none'),
    common: terminalView(context, state, module.id, common!, flow !== 'none'),
    commonName: commonWords(context).toLowerCase(),
    kilohms: `${(seriesOhms.nom / 1000).toFixed(1)} kΩ`,
    lamp: state.lamp!,
    stopped,
  };
}
