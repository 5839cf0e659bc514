import { moduleType, terminalWithRole, deviceType } from '../catalog/index.ts';
import { driving, judgeInput, judgeInputBand, solveNominal, solveWithBands } from '../circuit/index.ts';
import type { InputState, Netlist, Quantity, Solution, Span } from '../circuit/index.ts';
import type { Device, Module, Point, Supply } from '../model/job.ts';
import { addressOf } from './jobIndex.ts';
import type { ChannelPlace, JobIndex } from './jobIndex.ts';
import { assemble, elementIds } from './assemble.ts';
import { scopeOf } from './scope.ts';
import type { Scope } from './scope.ts';

/** Everything about where a point stands, found once. */
export interface PointContext {
  readonly index: JobIndex;
  readonly point: Point;
  readonly device: Device;
  readonly place?: ChannelPlace;
  readonly module?: Module;
  readonly common?: string;
  readonly rail?: '+' | '-';
  readonly address?: string;
  readonly supply: Supply;
  readonly scope: Scope;
}

export function contextOf(index: JobIndex, pointId: string): PointContext {
  const point = index.point(pointId);
  const device = index.deviceOf(point);
  const place = index.placeOf(device);
  const module = place && index.module(place.moduleId);
  const common = place && index.commonOf(place);
  const rail = place && index.railOf(place.moduleId, common!);
  return {
    index,
    point,
    device,
    place,
    module,
    common,
    rail: rail?.rail,
    address: module && place ? addressOf(module, place.channel) : undefined,
    supply: rail?.supply ?? index.job.supplies[0]!,
    scope: scopeOf(index, device.id),
  };
}

/** The five things that must be kept apart, and the numbers behind them, for one state of the target. */
export interface PointState {
  readonly present: boolean;
  /** Whether the other devices on a loose common have their targets; says nothing while there are none. */
  readonly othersPresent: boolean;
  readonly netlist: Netlist;
  readonly solution: Solution;
  /** Supply at the device, V; absent for a contact. */
  readonly supplyVolts?: Span;
  readonly powered: boolean;
  /** The sensor's output is on (or the contact closed), and so is its lamp. */
  readonly outputOn: boolean;
  /** Signal terminal against 0 V, V, where the meter's black lead goes. */
  readonly signalVolts: number;
  readonly signalFloating: boolean;
  /** Across the input in the sense in which it takes current, V and A; absent off a channel. */
  readonly inputVolts?: Span;
  readonly inputAmps?: Span;
  /** What the input does over the whole tolerance band. */
  readonly input?: InputState;
  /** The input's lamp at nominal values. */
  readonly lamp?: InputState;
  /** What the program reads; absent when the lamp is undecided. */
  readonly bit?: 0 | 1;
}

/** Solves a point's circuit for one state of its target. */
export function solveState(context: PointContext, present: boolean, othersPresent = false): PointState {
  const { index, scope, device, place } = context;
  const targets = new Set([...(present ? [device.id] : []), ...(othersPresent ? scope.mateIds : [])]);
  const netlist = assemble(index, scope, targets);
  const signal = signalNode(device);
  const quantities: Quantity[] = [];
  const supplied = supplyNodes(device);
  if (supplied) quantities.push({ kind: 'volts', a: supplied.plus, b: supplied.minus });
  if (place) {
    const terminal = `${place.moduleId}:I${place.channel}`;
    quantities.push({ kind: 'volts', a: terminal, b: `${place.moduleId}:${context.common}` });
    quantities.push({ kind: 'amps', element: elementIds.channel(place.moduleId, place.channel) });
  }
  // A loose common stops the point whatever the tolerances are, so its neighbours' need not be searched.
  const loose = place !== undefined && context.rail === undefined;
  const { solution, bands } = loose ? solveNominal(netlist, quantities) : solveWithBands(netlist, quantities);
  const rest = bands.slice(supplied ? 1 : 0);
  return {
    present,
    othersPresent,
    netlist,
    solution,
    supplyVolts: supplied ? bands[0] : undefined,
    signalVolts: solution.volts(signal) - solution.volts(netlist.reference),
    signalFloating: solution.floating(signal),
    ...sensorSide(device, netlist, solution),
    ...(place ? inputSide(context, rest[0]!, rest[1]!) : {}),
  };
}

function sensorSide(
  device: Device,
  netlist: Netlist,
  solution: Solution,
): { powered: boolean; outputOn: boolean } {
  const contact = netlist.elements.find(({ id }) => id === elementIds.contact(device.id));
  if (contact?.kind === 'switch') return { powered: true, outputOn: solution.closed(contact.id) };
  const id = elementIds.output(device.id);
  return { powered: solution.powered(id), outputOn: solution.active(id) };
}

function inputSide(
  { module, point }: PointContext,
  volts: Span,
  amps: Span,
): Pick<PointState, 'inputVolts' | 'inputAmps' | 'input' | 'lamp' | 'bit'> {
  const type = moduleType(module!.typeId);
  const turn = (band: Span): Span =>
    type.sense === 'both' && volts.nom < 0 ? driving(band, 'source') : driving(band, type.sense);
  const inputVolts = turn(volts);
  const inputAmps = turn(amps);
  const lamp = judgeInput(inputVolts.nom, inputAmps.nom, type.thresholds);
  const on = lamp === 'on';
  return {
    inputVolts,
    inputAmps,
    input: judgeInputBand(inputVolts, inputAmps, type.thresholds),
    lamp,
    bit: lamp === 'undecided' ? undefined : on === (point.bit === 'direct') ? 1 : 0,
  };
}

/** The node of the signal wire at the device. */
export function signalNode(device: Device): string {
  const type = deviceType(device.typeId);
  return `${device.id}:${(terminalWithRole(type, 'out') ?? terminalWithRole(type, 'sideB'))!.name}`;
}

/** The device's own supply terminals, if it has any. */
export function supplyNodes(device: Device): { plus: string; minus: string } | undefined {
  const type = deviceType(device.typeId);
  const plus = terminalWithRole(type, 'plus');
  const minus = terminalWithRole(type, 'minus');
  return plus && minus
    ? { plus: `${device.id}:${plus.name}`, minus: `${device.id}:${minus.name}` }
    : undefined;
}
