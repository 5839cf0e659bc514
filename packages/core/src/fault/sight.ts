/** What a meter measures, and the value that a program has. */
type Measure = 'volts' | 'ohms' | 'milliamps' | 'value';

/**
 * What a look shows: on or off, nothing told where it may be either, or a reading between two limits, V, Ω, mA or the
 * unit of the value. A value is held against the `span` of its range.
 */
export type Sight =
  | {
      readonly kind: 'on' | 'off' | 'either';
      /** So often it is not seen right, where that is more than a lamp is. */
      readonly slip?: number;
    }
  | { readonly kind: Measure; readonly min: number; readonly max: number; readonly span?: number };

/** A meter on which the leads touch nothing that conducts: more than it shows, Ω. */
export const NOTHING_CONDUCTS = 20e6;

/** Least that a meter tells with its leads, Ω. */
const LEADS = 0.1;

/** How readings of one kind are held beside each other: on which scale, and how fine. */
interface Scale {
  readonly of: (reading: number, span: number) => number;
  readonly back: (at: number, span: number) => number;
  /** Standard deviation of a meter and of who reads it, on the scale. */
  readonly deviation: (at: number) => number;
  /** A wrong reading may be anything of so much of the scale. */
  readonly span: number;
  /** Closer than this is not told apart by a reading; further than this surely is. */
  readonly near: number;
  readonly apart: number;
}

const same = (reading: number): number => reading;

const SCALES: Readonly<Record<Measure, Scale>> = {
  volts: {
    of: same,
    back: same,
    deviation: (at) => 0.05 + 0.005 * Math.abs(at),
    span: 60,
    near: 0.6,
    apart: 1,
  },
  // Ohms are told apart by their ratio.
  ohms: {
    of: (ohms) => Math.log10(Math.min(Math.max(ohms, LEADS), NOTHING_CONDUCTS)),
    back: (at) => 10 ** at,
    deviation: () => 0.03,
    span: 8.3,
    near: 0.3,
    apart: 0.5,
  },
  milliamps: {
    of: same,
    back: same,
    deviation: (at) => 0.02 + 0.005 * Math.abs(at),
    span: 40,
    near: 0.3,
    apart: 0.6,
  },
  // A value in percent of its range.
  value: {
    of: (value, span) => (100 * value) / span,
    back: (at, span) => (at * span) / 100,
    deviation: () => 0.4,
    span: 200,
    near: 2,
    apart: 4,
  },
};

type Reading = Extract<Sight, { readonly kind: Measure }>;

export const isReading = (sight: Sight): sight is Reading => sight.kind in SCALES;

/** A reading on its scale: from where to where, and its middle. */
export function onScale({ kind, min, max, span = 1 }: Reading) {
  const scale = SCALES[kind];
  const [low, high] = [scale.of(min, span), scale.of(max, span)];
  return { low, high, middle: (low + high) / 2, scale, span };
}

/** The middle of a reading in its own unit. */
export function middleOf(sight: Reading): number {
  const { middle, scale, span } = onScale(sight);
  return scale.back(middle, span);
}

/** Density of a value, on its scale, where anything between the limits is as likely and a meter reads it. */
export function density(sight: Reading, value: number): number {
  const { low, high, scale, span } = onScale(sight);
  const at = scale.of(value, span);
  const s = scale.deviation(at);
  return (upTo(at - low, s) - upTo(at - high, s)) / (high - low);
}

/** Whether a value lies in what a sight shows, with half of what is told apart around it. */
export function within(sight: Reading, value: number): boolean {
  const { low, high, scale, span } = onScale(sight);
  const at = scale.of(value, span);
  return at >= low - scale.apart / 2 && at <= high + scale.apart / 2;
}

/** How much of its scale a wrong reading may be anything of. */
export function scaleSpan(sights: readonly Sight[]): number {
  const [first] = sights.filter(isReading);
  return first ? SCALES[first.kind].span : 1;
}

/** Whether one look cannot tell two sights apart. */
export function alike(one: Sight, other: Sight): boolean {
  if (!isReading(one) || !isReading(other)) return one.kind === other.kind;
  if (one.kind !== other.kind) return false;
  const { middle, scale } = onScale(one);
  return Math.abs(middle - onScale(other).middle) <= scale.near;
}

/** Share of a normal distribution up to a value (Abramowitz and Stegun 26.2.17, to 7.5·10⁻⁸). */
function upTo(value: number, deviation: number): number {
  const x = Math.abs(value / deviation);
  const t = 1 / (1 + 0.2316419 * x);
  const tail =
    Math.exp(-(x ** 2) / 2) *
    0.3989422804 *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return value >= 0 ? 1 - tail : tail;
}
