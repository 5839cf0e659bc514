import type { Span } from './span.ts';

/** A node is named; two elements that share a name are joined there. */
export type NodeName = string;

/** Ohmic part, Ω > 0. Current counts from a to b. */
export interface Resistor {
  readonly kind: 'resistor';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly ohms: Span;
}

/** Direct voltage source: V, inner resistance in Ω (0 allowed), and a current limit in A. Current counts out of plus. */
export interface Source {
  readonly kind: 'source';
  readonly id: string;
  readonly plus: NodeName;
  readonly minus: NodeName;
  readonly volts: Span;
  readonly innerOhms: Span;
  readonly limitAmps: Span;
}

/** A contact: its resistance in Ω when closed, nothing at all when open. */
export interface Switch {
  readonly kind: 'switch';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly closed: boolean;
  readonly ohms: Span;
}

/** Diode or lamp diode: a forward drop in V with a slope in Ω; blocks backwards. */
export interface Diode {
  readonly kind: 'diode';
  readonly id: string;
  readonly anode: NodeName;
  readonly cathode: NodeName;
  readonly dropVolts: Span;
  readonly ohms: Span;
}

export type OutputStyle = 'pnp' | 'npn' | 'pushpull';

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
  readonly active: boolean;
  readonly dropVolts: Span;
  readonly ohms: Span;
  readonly leakAmps: Span;
  readonly limitAmps: Span;
  readonly leastSupplyVolts: number;
  /** A second supply that the output's state hangs on, such as that of a light source: without it, `otherwise`. */
  readonly needs?: {
    readonly plus: NodeName;
    readonly minus: NodeName;
    readonly leastVolts: number;
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
  readonly mostVolts: number;
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
export interface Meter {
  readonly kind: 'meter';
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
  readonly ohms: Span;
}

export type Element = Resistor | Source | Switch | Diode | Output | Optocoupler | Meter;

export interface Netlist {
  readonly elements: readonly Element[];
  /** The node that counts as 0 V. */
  readonly reference: NodeName;
}

/** The nodes that an element touches, in its own order. */
export function nodesOf(element: Element): NodeName[] {
  switch (element.kind) {
    case 'resistor':
    case 'switch':
    case 'meter':
      return [element.a, element.b];
    case 'source':
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
  }
}
