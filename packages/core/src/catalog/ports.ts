import type { InputThresholds, Sense } from '../circuit/index.ts';
import type { TerminalRole } from './description/terminals.ts';

interface PortBase {
  readonly channel: number;
  /** Its name in words of the trade, such as `channel 3` or `analog input 1`. */
  readonly label: string;
  /** Name of its element in the module's circuit. */
  readonly name: string;
  readonly terminal: string;
  /** The terminal, or node inside, against which it works. */
  readonly common: string;
  /** Where its common is inside the module: the sense of a rail, and its volts. */
  readonly inside?: { readonly rail: '+' | '-'; readonly volts: number };
  /** What each lead of a device wants here. */
  readonly roles: Readonly<Partial<Record<TerminalRole, string>>>;
  /** Elements that are drawn for it besides its own. */
  readonly draws?: readonly string[];
  /** The behaviour of the module that measures or senses here. */
  readonly input?: string;
}

/** An input that is on or off. */
export interface DigitalPort extends PortBase {
  readonly kind: 'digital';
  readonly sense: Sense;
  readonly iecType?: number;
  /** Volts r.m.s. that it is made for, where it takes alternating current. */
  readonly acVolts?: number;
  readonly thresholds: InputThresholds;
  readonly seriesOhms: number;
  /** Shortest pulse, s, and most pulses a second that it counts; counters only. */
  readonly counter?: { readonly minPulse: number; readonly maxHertz: number };
}

/** An input that measures; what it makes of the volts between its terminals hangs on its range. */
export interface AnalogPort extends PortBase {
  readonly kind: 'analog';
  readonly measures: 'signal' | 'resistance' | 'thermocouple' | 'ratio';
  /** Settings that hold its switch and its range, where it has them. */
  readonly switchKey?: string;
  readonly rangeKey?: string;
  /** Resistance between its terminals as it is switched, Ω, and that of its shunt while switched to current. */
  readonly burdenOhms: number;
  readonly shuntOhms: number;
  /** Resistance: current through the element, A, and how many wires it uses. */
  readonly excitationAmps?: number;
  readonly wiresKey?: string;
  readonly maxAmps?: number;
}

/** An output that the program or the device itself switches. */
interface OutputPort extends PortBase {
  readonly kind: 'output';
  readonly drives: 'high' | 'low' | 'contact' | 'analog';
  readonly ratedAmps: number;
}

/** A port of a fieldbus: what it needs is the right terminals on the right wires. */
interface FieldbusPort extends PortBase {
  readonly kind: 'io-link' | 'serial' | 'ethernet';
  readonly portClass?: 'A' | 'B';
}

/** Two channels for a safety device: what detects each, what is on only while both are, and what it releases. */
export interface SafetyPort extends PortBase {
  readonly kind: 'safety';
  readonly detectors: readonly [string, string];
  readonly both: string;
  readonly released: string;
  /** Safe contacts that it closes; nothing where the part itself is what stops. */
  readonly gives?: readonly string[];
  /** Where its reset and its feedback are led to, and from where. */
  readonly starts?: { readonly from: string; readonly reset: string; readonly feedback: string };
}

export type Port = DigitalPort | AnalogPort | OutputPort | FieldbusPort | SafetyPort;
