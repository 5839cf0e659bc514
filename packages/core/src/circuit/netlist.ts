import { nth, oncePer } from '../lists/index.ts';
import type { Span } from './span.ts';

/** A node is named; two elements that share a name are joined there. */
export type NodeName = string;

/** Ohmic part, Ω > 0. Current counts from a to b. */
interface Resistor {
  readonly kind: 'resistor';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly ohms: Span;
}

/** Direct voltage source: V, inner resistance in Ω (0 allowed), and a current limit in A. Current counts out of plus. */
interface Source {
  readonly kind: 'source';
  readonly id: string;
  readonly plus: NodeName;
  readonly minus: NodeName;
  readonly volts: Span;
  readonly internalOhms: Span;
  readonly limitAmps: Span;
}

/**
 * What a discrete state hangs on: the present state of a detector, latch or output (`on`), its state before this
 * solution (`was`), and combinations of them. Ids are those of elements of the same netlist.
 */
export type Condition =
  | boolean
  | { readonly on: string }
  | { readonly was: string }
  | { readonly not: Condition }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] };

/** A contact: its resistance in Ω when closed, nothing at all when open. */
interface Switch {
  readonly kind: 'switch';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly closed: Condition;
  readonly ohms: Span;
}

/**
 * Looks at a voltage and takes no current: on from `onVolts` upwards, off from `offVolts` downwards, as it was in
 * between. `either` takes the size of the voltage whatever its sign, as a coil does.
 */
export interface Detector {
  readonly kind: 'detector';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly onVolts: number;
  readonly offVolts: number;
  readonly either?: boolean;
  /** Where a meter reads what it is about, if it looks at a voltage inside its part. */
  readonly outside?: { readonly a: NodeName; readonly b: NodeName };
}

/** A memory: on as soon as `set` holds, and from then on while `hold` does. */
export interface Latch {
  readonly kind: 'latch';
  readonly id: string;
  readonly set: Condition;
  readonly hold: Condition;
}

/**
 * Two-wire sensor in series with its load, either way round. On, it keeps a drop in V with a slope in Ω and needs
 * `leastAmps` through it, or it lets go; off, its electronics still take `leakAmps`.
 */
export interface TwoWire {
  readonly kind: 'twoWire';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly active: boolean;
  readonly dropVolts: Span;
  readonly ohms: Span;
  readonly leakAmps: Span;
  readonly limitAmps: Span;
  readonly minAmps: number;
}

/** Holds a current of `amps` (A > 0) from plus to minus while at least `liftVolts` stand across it; blocks backwards. */
interface Transmitter {
  readonly kind: 'transmitter';
  readonly id: string;
  readonly plus: NodeName;
  readonly minus: NodeName;
  readonly amps: Span;
  readonly liftVolts: Span;
}

/** Diode or lamp diode: a forward drop in V with a slope in Ω; blocks backwards. */
interface Diode {
  readonly kind: 'diode';
  readonly id: string;
  readonly anode: NodeName;
  readonly cathode: NodeName;
  readonly dropVolts: Span;
  readonly ohms: Span;
}

type OutputStyle = 'pnp' | 'npn' | 'pushpull';

/**
 * Transistor output of a sensor. PNP joins out to plus, NPN joins out to minus, push-pull one or the other.
 * Its leakage when off is given at 24 V and falls in proportion. It works only while plus to minus holds at least `leastSupplyVolts`.
 */
export interface Output {
  readonly kind: 'output';
  readonly id: string;
  readonly plus: NodeName;
  readonly out: NodeName;
  readonly minus: NodeName;
  readonly style: OutputStyle;
  readonly active: Condition;
  readonly dropVolts: Span;
  readonly ohms: Span;
  readonly leakAmps: Span;
  readonly limitAmps: Span;
  readonly minSupplyVolts: number;
  /** A second supply that the output's state hangs on, such as that of a light source: without it, `otherwise`. */
  readonly needs?: {
    readonly plus: NodeName;
    readonly minus: NodeName;
    readonly minVolts: number;
    readonly otherwise: boolean;
  };
}

/**
 * Limits of an input as in IEC 61131-2: surely on at or above both `onVolts` and `onAmps`;
 * surely off at or below `offVolts`, or at or below `offAmps` while not above `offVoltsAtLowCurrent`.
 */
export interface InputThresholds {
  readonly onVolts: number;
  readonly onAmps: number;
  readonly offVolts: number;
  readonly offAmps: number;
  readonly offVoltsAtLowCurrent: number;
  readonly maxVolts: number;
}

/** Which way current must pass a channel: in at its terminal (sink), out of it (source), or either. */
export type Sense = 'sink' | 'source' | 'both';

/** Optocoupler input: series resistor and lamp diode, beside a parallel resistor. Current counts from terminal to common. */
export interface Optocoupler {
  readonly kind: 'optocoupler';
  readonly id: string;
  readonly terminal: NodeName;
  readonly common: NodeName;
  readonly sense: Sense;
  readonly ledVolts: Span;
  readonly seriesOhms: Span;
  readonly parallelOhms: Span;
  readonly thresholds: InputThresholds;
}

/** A meter between two nodes. Its resistance in Ω loads the circuit; it does not count as a joint. */
interface Meter {
  readonly kind: 'meter';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly ohms: Span;
}

export type Element =
  | Resistor
  | Source
  | Switch
  | Diode
  | Output
  | Optocoupler
  | Meter
  | Detector
  | Latch
  | TwoWire
  | Transmitter;

export interface Netlist {
  readonly elements: readonly Element[];
  /** The node that counts as 0 V. */
  readonly reference: NodeName;
  /** Detectors and latches that were on before; the others were off. */
  readonly held?: ReadonlySet<string>;
}

/** Whether two circuits have the same reference and as many elements, each like the one at its place in the other. */
export const isAlikeBy = (
  one: Netlist,
  other: Netlist,
  isAlike: (element: Element, before: Element) => boolean,
): boolean =>
  one.reference === other.reference &&
  one.elements.length === other.elements.length &&
  one.elements.every((element, e) => {
    const before = nth(other.elements, e);
    return element === before || isAlike(element, before);
  });

/** The nodes that an element touches, in its own order. */
export function nodesOf(element: Element): NodeName[] {
  switch (element.kind) {
    case 'resistor':
    case 'switch':
    case 'meter':
    case 'detector':
    case 'twoWire':
      return [element.a, element.b];
    case 'source':
    case 'transmitter':
      return [element.plus, element.minus];
    case 'diode':
      return [element.anode, element.cathode];
    case 'output':
      return [
        element.plus,
        element.out,
        element.minus,
        ...(element.needs ? [element.needs.plus, element.needs.minus] : []),
      ];
    case 'optocoupler':
      return [element.terminal, element.common];
    case 'latch':
      return [];
  }
}

/** The same element on other nodes. */
export function onNodes(element: Element, rename: (node: NodeName) => NodeName): Element {
  const fed = <T extends { readonly plus: NodeName; readonly minus: NodeName }>(part: T): T => ({
    ...part,
    plus: rename(part.plus),
    minus: rename(part.minus),
  });
  switch (element.kind) {
    case 'resistor':
    case 'switch':
    case 'meter':
    case 'twoWire':
      return { ...element, a: rename(element.a), b: rename(element.b) };
    case 'detector': {
      const { outside } = element;
      return {
        ...element,
        a: rename(element.a),
        b: rename(element.b),
        ...(outside && { outside: { ...outside, a: rename(outside.a), b: rename(outside.b) } }),
      };
    }
    case 'source':
    case 'transmitter':
      return fed(element);
    case 'diode':
      return { ...element, anode: rename(element.anode), cathode: rename(element.cathode) };
    case 'output': {
      const { needs } = element;
      return { ...fed(element), out: rename(element.out), ...(needs && { needs: fed(needs) }) };
    }
    case 'optocoupler':
      return { ...element, terminal: rename(element.terminal), common: rename(element.common) };
    case 'latch':
      return element;
  }
}

/** The same element under another id, and with the ids in its conditions changed alike. */
export function underId(element: Element, rename: (id: string) => string): Element {
  const next = { ...element, id: rename(element.id) };
  if (next.kind === 'switch') return { ...next, closed: conditionUnder(next.closed, rename) };
  if (next.kind === 'output') return { ...next, active: conditionUnder(next.active, rename) };
  if (next.kind === 'latch')
    return { ...next, set: conditionUnder(next.set, rename), hold: conditionUnder(next.hold, rename) };
  return next;
}

function conditionUnder(condition: Condition, rename: (id: string) => string): Condition {
  if (typeof condition === 'boolean') return condition;
  if ('on' in condition) return { on: rename(condition.on) };
  if ('was' in condition) return { was: rename(condition.was) };
  if ('not' in condition) return { not: conditionUnder(condition.not, rename) };
  if ('all' in condition) return { all: condition.all.map((part) => conditionUnder(part, rename)) };
  return { any: condition.any.map((part) => conditionUnder(part, rename)) };
}

/** The ids that a condition names. */
export function idsIn(condition: Condition): string[] {
  if (typeof condition === 'boolean') return [];
  if ('on' in condition) return [condition.on];
  if ('was' in condition) return [condition.was];
  if ('not' in condition) return idsIn(condition.not);
  return ('all' in condition ? condition.all : condition.any).flatMap(idsIn);
}

/** A condition without what holds, or does not, whatever the circuit does. */
export function settled(condition: Condition): Condition {
  return typeof condition === 'boolean' ? condition : settledOnce(condition);
}

const settledOnce = oncePer((condition: Exclude<Condition, boolean>): Condition => {
  if ('on' in condition || 'was' in condition) return condition;
  if ('not' in condition) {
    const not = settled(condition.not);
    return typeof not === 'boolean' ? !not : { not };
  }
  const isAll = 'all' in condition;
  const parts = (isAll ? condition.all : condition.any).map(settled);
  // One that does not hold decides over all, one that does over any.
  if (parts.includes(!isAll)) return !isAll;
  const open = parts.filter((part) => typeof part !== 'boolean');
  const [only] = open;
  if (only === undefined || open.length === 1) return only ?? isAll;
  return isAll ? { all: open } : { any: open };
});

/** Whether a condition holds, given the present and the former states. */
export function holds(
  condition: Condition,
  on: (id: string) => boolean,
  was: (id: string) => boolean,
): boolean {
  if (typeof condition === 'boolean') return condition;
  if ('on' in condition) return on(condition.on);
  if ('was' in condition) return was(condition.was);
  if ('not' in condition) return !holds(condition.not, on, was);
  if ('all' in condition) return condition.all.every((part) => holds(part, on, was));
  return condition.any.some((part) => holds(part, on, was));
}
