/** Where one stands to look. */
export type Spot = 'field' | 'panel' | 'screen';

/**
 * How the target is held: away, present, or not at all, while pulses come. Of a guard: open, closed and reset, or closed
 * with the reset button held down.
 */
export type HowHeld = Held | 'pulses';
export type Held = 'away' | 'present' | 'pressed';

/** Something that can be looked at with the target in one state: an indicator, or volts or ohms between two terminals. */
export type Look = {
  readonly id: string;
  /** How the target is to stand; `any` where that changes nothing. */
  readonly state: HowHeld | 'any';
  readonly spot: Spot;
  /** So long it takes where one stands, s. */
  readonly seconds: number;
  /** Ohms are measured on what is isolated and proven dead. */
  readonly power: 'on' | 'off';
} & (
  | { readonly kind: 'sensorLed' | 'inputLed' | 'bit' }
  /** Whether a load, a coil or a part that listens acts, or an LED of it is lit: by its name, and the element that tells. */
  | { readonly kind: 'acts' | 'fed' | 'lit'; readonly element: string; readonly label: string }
  /** Whether a part is set as its sheet says: by its id and tag. */
  | { readonly kind: 'asSet'; readonly part: string; readonly label: string }
  /** Whether a count goes on, and whether a lamp flickers with the pulses. */
  | { readonly kind: 'counts' }
  | { readonly kind: 'flickers'; readonly lamp: 'sensorLed' | 'inputLed' }
  /** Whether a device that talks answers. */
  | { readonly kind: 'talks' }
  /** The value in the program, in its unit. */
  | { readonly kind: 'value'; readonly unit: string }
  /** In the place of a wire that is opened for it. */
  | { readonly kind: 'milliamps'; readonly red: string; readonly black: string; readonly wire: string }
  | { readonly kind: 'volts' | 'ohms'; readonly red: string; readonly black: string }
);

/** How the target is held for a look, where it is. */
export const heldState = (state: Look['state']): Held | undefined =>
  state === 'any' || state === 'pulses' ? undefined : state;
