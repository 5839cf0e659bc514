import { pathsTo, sure } from '../lists/index.ts';
import type { Port } from '../catalog/index.ts';
import { nodesOf } from '../circuit/index.ts';
import type { Element, Netlist } from '../circuit/index.ts';
import { elementId } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import type { Module } from '../model/index.ts';
import { safetyTarget } from './safetyTarget.ts';

/** Something that must get no energy while a safety function is demanded: a coil, a motor, a safe-stop input. */
export interface StoppedInput {
  readonly itemId: string;
  readonly tag: string;
  /** What of it, where it has more than one: the terminal of a safe-stop input. */
  readonly terminal?: string;
  /** The detector that sees its energy. */
  readonly detector: string;
  /** The element that moves something while it is on: the coil itself, or what both safe-stop inputs release. */
  readonly actuator: string;
  readonly plus: string;
  readonly minus: string;
}

/**
 * What a guard or an emergency stop takes the energy from: every coil and motor that hangs on its safety function or
 * is named as stopped by it, and every safe-stop input.
 */
export function stoppedInputs(context: PointContext, netlist: Netlist): StoppedInput[] {
  const { index, scope } = context;
  const detectors = new Map(
    netlist.elements.flatMap((element) =>
      element.kind === 'detector' ? [[element.id, element] as const] : [],
    ),
  );
  const seen = (
    itemId: string,
    tag: string,
    local: string,
    more: Partial<StoppedInput> = {},
  ): StoppedInput[] => {
    const detector = detectors.get(elementId(itemId, local));
    if (!detector) return [];
    const { id, a: plus, b: minus } = detector;
    return [{ itemId, tag, detector: id, actuator: id, plus, minus, ...more }];
  };
  return [
    ...[...scope.deviceIds].flatMap((id) => {
      const device = index.device(id);
      const moves = device && index.deviceType(device).description.moves;
      return device && moves !== undefined ? seen(id, device.tag, moves) : [];
    }),
    ...[...scope.parts.keys()].flatMap((id) => {
      const module = index.module(id);
      return module ? index.portsOf(id).flatMap((port) => safeStops(module, port, seen)) : [];
    }),
  ];
}

/** The two inputs of a safe-stop pair: a safety port that gives no safe contacts on, but stops what it is part of. */
function safeStops(
  { id, tag }: Module,
  port: Port,
  seen: (itemId: string, tag: string, local: string, more: Partial<StoppedInput>) => StoppedInput[],
): StoppedInput[] {
  if (port.kind !== 'safety' || port.gives) return [];
  const actuator = elementId(id, port.released);
  return [port.roles.channel1Return, port.roles.channel2Return].flatMap((terminal, i) =>
    seen(id, tag, i === 0 ? port.detectors[0] : port.detectors[1], { terminal, actuator }),
  );
}

/** Ids of the elements that a safety function opens: the safe contacts of its relay, or a guard's own channels where it stops something directly. */
export function safeElements(context: PointContext): ReadonlySet<string> {
  const target = safetyTarget(context);
  if (!target) return new Set();
  const { device, output } = context;
  const { gives } = target.port;
  return new Set(
    gives
      ? gives.map((local) => elementId(target.module.id, local))
      : (output.carries ?? []).map((local) => elementId(device.id, local)),
  );
}

/** Ohms up to which a part hands on enough energy to be counted, such as a lamp in series with a coil. */
const CARRIES_OHMS = 1000;

interface Way {
  readonly to: string;
  readonly element: Element;
}

/** Where energy can come from: one pole of a source. Everything that is earthed counts as one. */
type Pole = string;

/**
 * The elements over which energy can reach an input whatever state every contact and output is in, except those that
 * are `opened`; nothing where none can. Beginning at the pole, ending at the input.
 */
export function energyPast(
  { elements }: Netlist,
  input: StoppedInput,
  opened: ReadonlySet<string>,
): readonly Element[] | undefined {
  const ways = waysOf(elements, input, opened);
  const poles = polesOf(elements);
  const [first, second] = [input.plus, input.minus].map((node) => reachOf(node, ways, poles));
  for (const [pole, path] of first ?? [])
    for (const [other, back] of second ?? [])
      if (pole !== other) return pole === EARTHED ? [...back].reverse() : [...path].reverse();
  return undefined;
}

const EARTHED: Pole = 'earthed';

function polesOf(elements: readonly Element[]): ReadonlyMap<string, Pole> {
  const poles = new Map<string, Pole>();
  for (const element of elements)
    if (element.kind === 'source') {
      poles.set(element.plus, element.id);
      poles.set(element.minus, EARTHED);
    }
  return poles;
}

function waysOf(
  elements: readonly Element[],
  { plus, minus }: StoppedInput,
  opened: ReadonlySet<string>,
): ReadonlyMap<string, readonly Way[]> {
  const ways = new Map<string, Way[]>();
  const add = (a: string, b: string, element: Element): void => {
    for (const [from, to] of [
      [a, b],
      [b, a],
    ] as const)
      ways.set(from, [...(ways.get(from) ?? []), { to, element }]);
  };
  for (const element of elements) {
    if (opened.has(element.id)) continue;
    if (element.kind === 'output') {
      if (element.style !== 'npn') add(element.plus, element.out, element);
      if (element.style !== 'pnp') add(element.minus, element.out, element);
      continue;
    }
    const carries =
      element.kind === 'switch' ||
      element.kind === 'diode' ||
      element.kind === 'twoWire' ||
      (element.kind === 'resistor' && element.ohms.min <= CARRIES_OHMS);
    const [a, b] = nodesOf(element);
    // What stands across the input itself feeds nothing into it.
    const own = (a === plus && b === minus) || (a === minus && b === plus);
    if (carries && !own && a !== undefined && b !== undefined) add(a, b, element);
  }
  return ways;
}

/** The poles that can be reached from a node, each with the way there; a pole ends the way. */
function reachOf(
  start: string,
  ways: ReadonlyMap<string, readonly Way[]>,
  poles: ReadonlyMap<string, Pole>,
): ReadonlyMap<Pole, readonly Element[]> {
  const found = new Map<Pole, readonly Element[]>();
  const stepsAt = (node: string) => (ways.get(node) ?? []).map(({ to, element }) => [to, element] as const);
  for (const [node, path] of pathsTo(start, stepsAt, (at) => poles.has(at))) {
    const pole = sure(poles.get(node));
    if (!found.has(pole)) found.set(pole, path);
  }
  return found;
}

/** The safe elements of which each alone, while all others stay open, lets energy reach an input. */
export const feedsOf = (
  netlist: Netlist,
  input: StoppedInput,
  safe: ReadonlySet<string>,
): readonly string[] =>
  [...safe].filter((one) => energyPast(netlist, input, new Set([...safe].filter((id) => id !== one))));
