import type { Element, InputThresholds, Sense } from '../circuit/index.ts';
import type { Logic, OutputKind, Settings, WireColour } from '../model/index.ts';
import type { Handling } from './handling/handling.ts';
import type { Parameter, Setting } from './parameters.ts';

/** What a terminal is for; a port of a module says which of its terminals takes which role. */
export type TerminalRole =
  | 'plus'
  | 'minus'
  | 'out'
  | 'complement'
  | 'sideA'
  | 'sideB'
  | 'emitterPlus'
  | 'emitterMinus'
  | 'line'
  | 'neutral'
  | 'earth'
  | 'loopPlus'
  | 'loopMinus'
  | 'signal'
  | 'signalReturn'
  | 'element'
  | 'elementReturn'
  | 'sense'
  | 'senseReturn'
  | 'wiper'
  | 'excitation'
  | 'channel1'
  | 'channel1Return'
  | 'channel2'
  | 'channel2Return'
  | 'safeIn1'
  | 'safeIn2'
  | 'aux'
  | 'auxReturn'
  | 'pulse'
  | 'pulseReturn'
  | 'lineA'
  | 'lineB'
  | 'lineCommon'
  | 'dataLine'
  | 'extraPlus'
  | 'extraMinus'
  | 'socket'
  | 'loadPlus'
  | 'loadMinus';

/** Where a stacked terminal stands: its row, and its level in that row. */
interface Stacking {
  readonly row: 'top' | 'bottom';
  readonly level: 'front' | 'back';
}

export interface PartTerminal {
  readonly name: string;
  readonly role?: TerminalRole;
  /** What it is, in two or three words. */
  readonly words?: string;
  /** Pin of the M12 connector, where there is one (IEC 60947-5-2, IEC 61076-2-101). */
  readonly pin?: number;
  readonly colour?: WireColour;
  /** Its number in the other usual style, as printed on sockets. */
  readonly other?: string;
  readonly stacking?: Stacking;
}

export type DeviceTerminal = PartTerminal;

/** What the world, the program and its settings make of a part at one moment. */
export interface PartNow {
  readonly style: OutputKind;
  /** Whether the sensing side calls for the output to be on. */
  readonly called: boolean;
  readonly present: boolean;
  /** Logic of the device. */
  readonly logic: Logic;
  /** Measured value as a share of the range, 0 to 1. */
  readonly level: number;
  /** Chosen value of every setting. */
  readonly settings: Settings;
  /** Outputs that the program has on, and what is pressed or broken, by the part's own names. */
  readonly forced: ReadonlySet<string>;
}

/** A light or state that a technician sees on a part; `id` names an element of the part that is on or closed. */
interface Indicator {
  readonly id: string;
  readonly label: string;
  readonly kind: 'lamp' | 'coil' | 'contact' | 'load' | 'state';
}

/** What stands between two terminals in the drawing of a part; `id` names the element that says its state and current. */
export interface FaceGlyph {
  readonly kind: 'slot' | 'resistor' | 'coil' | 'opto' | 'diode' | 'lamp' | 'signal' | 'state' | 'line';
  readonly id?: string;
  readonly text?: string;
}

/** One line of a part's drawing: terminals at its two ends, perhaps one in the middle, and what stands between. */
export interface FaceRow {
  readonly a?: string;
  readonly b?: string;
  readonly middle?: string;
  /** Between a and b, or between a and the middle. */
  readonly glyph?: FaceGlyph;
  /** Between the middle and b. */
  readonly second?: FaceGlyph;
}

/** Anything with terminals. Its circuit uses terminal names as nodes, `~name` for nodes inside, ids of its own. */
export interface PartType {
  readonly id: string;
  readonly name: string;
  readonly terminals: readonly PartTerminal[];
  readonly settings?: readonly Setting[];
  /** What it is set to besides, on which no circuit hangs. */
  readonly parameters?: readonly Parameter[];
  readonly circuit: (now: PartNow) => readonly Element[];
  readonly indicators?: readonly Indicator[];
  /** How it is drawn, where that does not follow from its elements. */
  readonly face?: readonly FaceRow[];
  /** Cautions, each for the step at which it belongs. */
  readonly cautions?: { readonly isolate?: string; readonly supply?: string; readonly follow?: string };
}

export type DeviceFamily =
  | 'three-wire'
  | 'contact'
  | 'two-wire'
  | 'namur'
  | 'relay'
  | 'load'
  | 'safety'
  | 'transmitter'
  | 'resistance'
  | 'thermocouple'
  | 'pulse'
  | 'io-link'
  | 'serial'
  | 'ethernet'
  | 'between';

/** What is done to a device to prove it: a target that comes and goes, a value that moves, a guard, or a command. */
type Stimulus = 'target' | 'value' | 'guard' | 'command' | 'talk' | 'none';

export interface DeviceType extends PartType {
  readonly family: DeviceFamily;
  /** How it is fitted, what its name-plate says and what it is set to, beyond what its circuit needs. */
  readonly handling?: Handling;
  readonly principle: string;
  readonly outputs: readonly OutputKind[];
  readonly logics: readonly Logic[];
  /** Whether the device sees light while the target is present; photoelectric types only. */
  readonly lightWithTarget?: boolean;
  readonly stimulated: Stimulus;
  readonly words: { readonly present: string; readonly away: string };
  readonly stimulus: string;
  /** What the device's supply must be, V; absent where it has none. */
  readonly supply?: { readonly least: number; readonly most: number };
  /** Most current that its switching side carries, A. */
  readonly ratedAmps?: number;
  /** Least volts and amperes that keep its contact clean. */
  readonly wetting?: { readonly volts: number; readonly amps: number };
  /** What a relay's contacts may carry. */
  readonly contacts?: ContactRating;
  /** What a load takes. */
  readonly load?: LoadRating;
  /** The analog signal that it gives. */
  readonly signal?: SignalKind;
  readonly resistance?: ResistanceElement;
  /** Its resistance where that hangs on how it is built. */
  readonly resistanceFor?: (settings: Settings) => ResistanceElement;
  readonly couple?: Couple;
  readonly coil?: CoilRating;
  /** Elements of its own that must be on: always, only in the first and only in the last state of its stimulus. */
  readonly follows?: {
    readonly always?: readonly string[];
    readonly away?: readonly string[];
    readonly present?: readonly string[];
  };
}

export interface ContactRating {
  readonly poles: number;
  /** Continuous current at resistive load, A, and the most at the moment of closing, A. */
  readonly amps: number;
  readonly inrushAmps: number;
  readonly mostVolts: number;
  readonly leastVolts: number;
  readonly leastAmps: number;
}

export interface CoilRating {
  readonly kind: 'dc' | 'ac' | 'any';
  readonly volts: number;
  readonly ohms: number;
  /** Surely in at this share of its volts, surely out at that one (IEC 61810-1). */
  readonly pickUp: number;
  readonly dropOut: number;
}

export interface LoadRating {
  readonly kind: 'resistive' | 'motor' | 'filament' | 'led' | 'coil';
  readonly volts: number;
  readonly watts: number;
  readonly current: 'dc' | 'ac' | 'any';
  /** How many times its running current it draws at the start. */
  readonly inrush: number;
}

export type SignalKind = '4-20 mA' | '0-20 mA' | '0-10 V' | '2-10 V';

/** A resistance that stands for a value: ohms at both ends of its range. */
export interface ResistanceElement {
  readonly kind: 'rtd' | 'sender' | 'potentiometer';
  readonly lowOhms: number;
  readonly highOhms: number;
  readonly low: number;
  readonly high: number;
  readonly unit: string;
  /** Ω for each unit near its low end. */
  readonly perUnit?: number;
}

/** A thermocouple by its letter, and what it gives from 0 to 100 °C, mV (IEC 60584-1). */
export interface Couple {
  readonly letter: 'B' | 'E' | 'J' | 'K' | 'N' | 'R' | 'S' | 'T';
  readonly millivolts: number;
}

export interface ModuleGroup {
  readonly common: string;
  readonly channels: readonly number[];
}

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
  readonly roles: Partial<Record<TerminalRole, string>>;
}

/** An input that is on or off. */
export interface DigitalPort extends PortBase {
  readonly kind: 'digital';
  readonly sense: Sense;
  readonly iecType?: 1 | 2 | 3;
  readonly thresholds: InputThresholds;
  readonly seriesOhms: number;
  /** Shortest pulse, s, and most pulses a second that it counts; counters only. */
  readonly counter?: { readonly leastPulse: number; readonly mostHertz: number };
}

/** An input that measures; what it makes of the volts between its terminals hangs on its range. */
export interface AnalogPort extends PortBase {
  readonly kind: 'analog';
  readonly measures: 'signal' | 'resistance' | 'thermocouple' | 'ratio';
  /** Settings that hold its switch and its range, where it has them. */
  readonly switchKey?: string;
  readonly rangeKey?: string;
  readonly burdenOhms: number;
  /** Resistance: current through the element, A, and how many wires it uses. */
  readonly excitationAmps?: number;
  readonly wiresKey?: string;
  readonly mostAmps?: number;
}

/** An output that the program or the device itself switches. */
export interface OutputPort extends PortBase {
  readonly kind: 'output';
  readonly drives: 'high' | 'low' | 'contact' | 'analog';
  readonly ratedAmps: number;
}

/** A port that talks: what it needs is the right terminals on the right wires. */
export interface TalkingPort extends PortBase {
  readonly kind: 'io-link' | 'serial' | 'ethernet';
  readonly portClass?: 'A' | 'B';
}

/** Two channels for a safety device: detectors of the two, and what is on only while both are. */
export interface SafetyPort extends PortBase {
  readonly kind: 'safety';
  readonly detectors: readonly [string, string];
  readonly both: string;
}

export type Port = DigitalPort | AnalogPort | OutputPort | TalkingPort | SafetyPort;

export type ModuleFamily =
  | 'inputs'
  | 'outputs'
  | 'analog inputs'
  | 'drive'
  | 'universal controller'
  | 'safety relay'
  | 'counter'
  | 'io-link master'
  | 'serial master'
  | 'switch';

export interface ModuleType extends PartType {
  readonly family: ModuleFamily;
  readonly groups: readonly ModuleGroup[];
  /** Its ports under the given settings, by channel. */
  readonly ports: (settings: Settings) => readonly Port[];
}
