import type { Message, Text } from '../../messages/index.ts';
import type { FaceGlyph } from '../../catalog/index.ts';
import type { WireColour } from '../../model/index.ts';
import type { Rail } from '../../job/index.ts';

/** Less than this, A, is no path but leakage. */
export const PATH_AMPS = 0.0003;

/** A terminal of the drawing. `ref` names it for the meter. */
export interface ViewTerminal {
  readonly ref: string;
  readonly name: string;
  /** The number printed on it where that is another. */
  readonly printed?: string;
  /** Row and level of a stacked terminal. */
  readonly stack?: Text;
  /** Against the reference; `floats` where nothing holds it. */
  readonly volts: string;
  readonly floating: boolean;
  readonly wired: boolean;
  /** It should have a wire: without one it is drawn as a stub in the air. */
  readonly needed: boolean;
}

export interface ViewGlyph {
  readonly kind: FaceGlyph['kind'];
  readonly text?: string;
  /** Closed, on, or lit. */
  readonly on: boolean;
  /** From the row's first end to its second, A. */
  readonly amps: number;
  /** Why no current can pass here, in two or three words. */
  readonly stopped?: Text;
}

export interface ViewRow {
  readonly a?: ViewTerminal;
  readonly b?: ViewTerminal;
  readonly middle?: ViewTerminal;
  readonly glyph?: ViewGlyph;
  readonly second?: ViewGlyph;
}

export interface ViewLed {
  readonly words: string;
  readonly on: boolean;
  readonly colour: 'sensor' | 'input';
  readonly dead?: boolean;
}

/** A device, helper or port: what is inside one edge in the drawing. */
export interface ViewCard {
  readonly id: string;
  /** A port is drawn with its terminals at the top and its name at the foot. */
  readonly kind: 'device' | 'helper' | 'port' | 'module';
  readonly title: string;
  /** The same in ever fewer letters, where there is little room: the terminals tell the rest. */
  readonly shorter?: readonly string[];
  readonly words: string;
  /** A figure at its foot: address and bit, or what it reads. */
  readonly figure?: string;
  readonly led?: ViewLed;
  readonly rows: readonly ViewRow[];
}

export interface ViewWire {
  readonly id: string;
  readonly number: string;
  readonly colour: WireColour;
  readonly from: string;
  readonly to: string;
  /** From `from` to `to`, A; 0 while it carries only what a device takes for itself. */
  readonly amps: number;
  /** Not as planned. */
  readonly differs: boolean;
}

export interface ViewRail {
  readonly ref: string;
  readonly rail: Rail;
  readonly name: string;
  readonly volts: string;
}

/** What the loop drawing shows of a solved state; its places are the layout's business. */
export interface LoopView {
  readonly rails: readonly ViewRail[];
  readonly plates: readonly ViewCard[];
  readonly wires: readonly ViewWire[];
  /** The signal wire at the device: its terminal, volts and milliamperes. */
  readonly signal: {
    readonly ref: string;
    readonly volts: string;
    readonly amps: string;
    /** Whether the volts stand across the device, and not against 0 V. */
    readonly across: boolean;
    /** Seen from the device. */
    readonly flows: 'out' | 'in' | 'none';
  };
  /** The whole in one sentence, for those who hear the drawing. */
  readonly summary: Message;
}
