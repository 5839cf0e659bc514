import type { ViewGlyph, ViewCard, ViewTerminal, ViewWire } from '@keypost/core/presentation';

/** A place on the sheet, in its own units: 366 wide, as high as the loop needs. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export type Face = 'words' | 'bold' | 'mono' | 'monobold';
export type Anchor = 'start' | 'middle' | 'end';

/** A word on the sheet: `y` is the line that it stands on. */
export interface Letters extends Spot {
  readonly key: string;
  readonly text: string;
  readonly size: number;
  readonly face: Face;
  readonly anchor: Anchor;
  readonly tone: 'ink' | 'soft' | 'wait' | 'fail';
}

/** A plate on the sheet. */
export interface Box extends Spot {
  readonly width: number;
  readonly height: number;
}

export type Side = 'left' | 'right';

export interface PlacedCard extends Box {
  readonly plate: ViewCard;
  /** Where its name stands. */
  readonly head: 'top' | 'bottom';
  /** A wire crosses its head in the middle. */
  readonly crossed: boolean;
}

export interface PlacedTerminal extends Spot {
  readonly terminal: ViewTerminal;
  /** What it belongs to, for those who hear the drawing. */
  readonly owner: string;
  /** Where on its plate it stands. */
  readonly at: Side | 'above' | 'below';
}

export interface PlacedGlyph extends Spot {
  readonly glyph: ViewGlyph;
  /** The row goes upright through it. */
  readonly upright: boolean;
}

/** A line inside a plate and what it carries along its points, A. */
export interface InnerLine {
  readonly points: readonly Spot[];
  readonly amps: number;
}

/** An arrowhead and the way that it points. */
export interface ArrowSpot extends Spot {
  readonly dx: number;
  readonly dy: number;
}

/** A wire on its way, before anything is written beside it. */
export interface RoutedWire {
  readonly wire: ViewWire;
  /** From the wire's `from` to its `to`. */
  readonly points: readonly Spot[];
}

export interface PlacedWire extends RoutedWire {
  /** Letters of its colour and its number. */
  readonly letters: readonly Letters[];
  /** What they stand on where that is the wire itself. */
  readonly ground?: Box;
  readonly arrow?: ArrowSpot;
}

/** A value on a small plate of its own. */
export interface ValueSpot extends Box {
  readonly text: string;
}

/** A stub that ends in the air. */
export interface Gap {
  readonly from: Spot;
  readonly to: Spot;
}

export interface PlacedRail {
  readonly ref: string;
  readonly x: number;
  readonly side: Side;
}

/** Plates, terminals and what is inside of them. */
export interface PlacedParts {
  readonly plates: readonly PlacedCard[];
  /** Stands where a channel would be while there is none. */
  readonly empty?: Box;
  readonly terminals: readonly PlacedTerminal[];
  readonly glyphs: readonly PlacedGlyph[];
  readonly inner: readonly InnerLine[];
  readonly gaps: readonly Gap[];
}

export interface LoopLayout extends PlacedParts {
  readonly width: number;
  readonly height: number;
  readonly top: number;
  readonly bottom: number;
  readonly rails: readonly PlacedRail[];
  readonly wires: readonly PlacedWire[];
  /** Names of rails, plates, terminals and what is between them. */
  readonly texts: readonly Letters[];
  /** The signal's volts and milliamperes. */
  readonly values: readonly ValueSpot[];
}

/** Lanes beside the plates stand this far apart. */
export const LANE_STEP = 12;

/** Numbers that the routes need: where the plates begin and end, and how many lanes lie beside them. */
export interface Frame {
  readonly left: number;
  readonly right: number;
  readonly rails: readonly PlacedRail[];
}

/** What was placed of a loop, before its wires. */
export interface Placed {
  readonly sheet: PlacedParts;
  readonly bottom: number;
  /** Where the signal leaves the first plate, and whether its values must say of which terminal they are. */
  readonly signal: Spot & { readonly named: boolean };
}

/** Whether terminals show what they are called, or the voltage that they are at. */
export type Shows = 'names' | 'volts';

/** One thing to be written, wherever it has room: its places, the best first, and the room that each takes. */
export interface Choices<T> {
  readonly count: number;
  /** Made when it is looked at: most places never are. */
  readonly placeAt: (at: number) => T | undefined;
  readonly roomOf: (place: T) => readonly Box[];
}

/** Choices whose places are all made beforehand. */
export const listed = <T>(places: readonly T[], roomOf: Choices<T>['roomOf']): Choices<T> => ({
  count: places.length,
  placeAt: (at) => places[at],
  roomOf,
});
