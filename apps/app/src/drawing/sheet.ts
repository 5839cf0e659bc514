import type { ViewGlyph, ViewCard, ViewTerminal, ViewWire } from '@keypost/core/presentation';

/** A place on the sheet, in its own units: 366 wide, as high as the loop needs. */
export interface Spot {
  readonly x: number;
  readonly y: number;
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
  /** Letters that fit beside what crosses its head. */
  readonly letters: number;
}

export interface PlacedTerminal extends Spot {
  readonly terminal: ViewTerminal;
  /** What it belongs to, for those who hear the drawing. */
  readonly owner: string;
  /** Where its name stands beside it. */
  readonly at: Side | 'above' | 'below';
}

export interface PlacedGlyph extends Spot {
  readonly glyph: ViewGlyph;
  /** Its words stand below it, since there is no room between the names of its terminals. */
  readonly narrow: boolean;
}

/** A line inside a plate and what it carries along its points, A. */
export interface InnerLine {
  readonly points: readonly Spot[];
  readonly amps: number;
}

export interface PlacedWire {
  readonly wire: ViewWire;
  /** From the wire's `from` to its `to`. */
  readonly points: readonly Spot[];
  readonly label: Spot & { readonly anchor: 'start' | 'middle' | 'end'; readonly stacked: boolean };
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

export interface LoopLayout {
  readonly width: number;
  readonly height: number;
  readonly top: number;
  readonly bottom: number;
  readonly rails: readonly PlacedRail[];
  readonly plates: readonly PlacedCard[];
  /** Stands where a channel would be while there is none. */
  readonly empty?: Box;
  readonly terminals: readonly PlacedTerminal[];
  readonly glyphs: readonly PlacedGlyph[];
  readonly inner: readonly InnerLine[];
  readonly wires: readonly PlacedWire[];
  readonly gaps: readonly Gap[];
  /** Where the signal's volts and milliamperes stand. */
  readonly values: Spot & {
    /** Whether they must say of which terminal they are. */
    readonly named: boolean;
  };
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
  readonly sheet: Pick<LoopLayout, 'plates' | 'terminals' | 'glyphs' | 'inner' | 'gaps' | 'empty'>;
  readonly bottom: number;
  readonly values: LoopLayout['values'];
}
