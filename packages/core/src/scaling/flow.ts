import { refuse } from '../model/index.ts';
import { pulseHertz } from '../units/index.ts';

/** Mean velocity in a full round pipe, m/s: Q / A, of a flow in m³/h and an inner diameter in mm. @throws JobProblem */
export function velocityIn(flow: number, millimetres: number): number {
  if (!(millimetres > 0)) refuse('A pipe’s inner diameter is above 0 mm.');
  return flow / 3600 / ((Math.PI / 4) * (millimetres / 1000) ** 2);
}

/** What a velocity says, by usual practice for liquids in flow meters. */
export function velocityWords(metresPerSecond: number): string {
  const v = Math.abs(metresPerSecond);
  if (v < 0.3) return 'Very slow: little signal, and solids settle. A smaller meter would read better.';
  if (v < 0.5) return 'Slow: at the low end of what meters like.';
  if (v <= 3) return 'Good: 0.5 to 3 m/s is where most meters are at their best.';
  return v <= 10
    ? 'Fast: more pressure is lost and linings wear.'
    : 'Above 10 m/s most meters stop: take a larger one.';
}

/** Pulses of a flow, against what sends and what counts them. */
export interface PulseCheck {
  /** Pulses a second at full flow. */
  readonly hertz: number;
  /** Share of the time that the output is on at full flow, 0 to 1; above 1 the pulses run into each other. */
  readonly duty: number;
  /** The widest width that leaves as long a pause at full flow, ms. */
  readonly widest: number;
  /** Whether the width fits, and the counter keeps up. */
  readonly fits: boolean;
  readonly counted: boolean;
  readonly sentences: readonly string[];
}

/**
 * @param flow full flow, m³/h. @param litres volume of a pulse, l. @param width ms.
 * @param counter most pulses a second, and the shortest that it sees, ms.
 * @throws JobProblem for what is not above 0.
 */
export function checkPulses(
  flow: number,
  litres: number,
  width: number,
  counter: { readonly maxHertz: number; readonly minPulse: number },
): PulseCheck {
  for (const [value, what] of [
    [flow, 'A full flow'],
    [litres, 'The volume of a pulse'],
    [width, 'A pulse width'],
    [counter.maxHertz, 'The counter’s limit'],
  ] as const)
    if (!(value > 0)) refuse(`${what} is above 0.`);
  const hertz = pulseHertz(flow, litres);
  const duty = (hertz * width) / 1000;
  const widest = 1000 / (2 * hertz);
  const fits = width <= widest + 1e-9;
  const fast = hertz > counter.maxHertz;
  const short = width < counter.minPulse;
  const digits = (n: number): string => String(Number(n.toPrecision(4)));
  return {
    hertz,
    duty,
    widest,
    fits,
    counted: !fast && !short && duty < 1,
    sentences: [
      fits
        ? `${digits(hertz)} pulses a second at full flow, on ${digits(duty * 100)} % of the time.`
        : `${digits(hertz)} pulses a second leave no room for ${digits(width)} ms: ${digits(widest)} ms is the widest that leaves as long a pause.`,
      ...(duty >= 1 ? ['The pulses run into each other: the output stays on, and nothing is counted.'] : []),
      ...(fast ? [`The counter takes ${digits(counter.maxHertz)} a second at most: the rest is lost.`] : []),
      ...(short ? [`The counter sees nothing shorter than ${digits(counter.minPulse)} ms.`] : []),
    ],
  };
}

/** When a totaliser is full: after so many litres, and so many hours of full flow. */
export function rollOver(
  digits: number,
  litresPerCount: number,
  flow: number,
): { readonly litres: number; readonly hours: number } {
  if (!(Number.isInteger(digits) && digits >= 1 && digits <= 15)) refuse('A totaliser has 1 to 15 digits.');
  if (!(litresPerCount > 0)) refuse('The volume of a count is above 0 l.');
  if (!(flow > 0)) refuse('A full flow is above 0.');
  const litres = 10 ** digits * litresPerCount;
  return { litres, hours: litres / 1000 / flow };
}

/** Difference of two readings of a totaliser that may have rolled over once between them. @throws JobProblem */
export function totalised(before: number, after: number, digits: number): number {
  const full = 10 ** digits;
  if (![before, after].every((n) => n >= 0 && n < full)) refuse(`A reading has at most ${digits} digits.`);
  return after >= before ? after - before : after + full - before;
}

/** What a cut-off does. */
export interface CutOff {
  /** Below this flow it shows nothing, in the full flow's unit. */
  readonly flow: number;
  /** Whether the lowest flow that must be seen is hidden; nothing where none was told. */
  readonly hides?: boolean;
  /** The largest cut-off that still shows the lowest flow, %, with a fifth to spare. */
  readonly mostPercent?: number;
  /** The least cut-off that the noise allows, %; nothing where no noise was told. */
  readonly leastPercent?: number;
  /** Whether what must be seen lies below the noise, so that no cut-off serves both. */
  readonly clash: boolean;
}

/** So many times the noise's deviation a cut-off stands above the zero, so that one reading in 700 at rest shows. */
const DEVIATIONS = 3;

/**
 * @param percent of full flow. @param full flow at the top of the range. @param lowest flow that must be seen, same unit.
 * @param atRest readings with no flow, same unit: their mean and deviation say how high the noise reaches.
 * @throws JobProblem for a full flow that is not above 0, or a share outside 0 to 100 %.
 */
export function checkCutOff(
  percent: number,
  full: number,
  lowest?: number,
  atRest: readonly number[] = [],
): CutOff {
  if (!(full > 0)) refuse('A full flow is above 0.');
  if (!(percent >= 0 && percent <= 100)) refuse('A cut-off is 0 to 100 % of full flow.');
  if (lowest !== undefined && !(lowest >= 0)) refuse('A lowest flow is 0 or more.');
  const flow = (percent / 100) * full;
  const mostPercent = lowest === undefined ? undefined : (0.8 * 100 * lowest) / full;
  const leastPercent = atRest.length < 2 ? undefined : (100 * noiseOf(atRest)) / full;
  return {
    flow,
    ...(lowest !== undefined && { hides: lowest < flow, mostPercent }),
    ...(leastPercent !== undefined && { leastPercent }),
    clash: mostPercent !== undefined && leastPercent !== undefined && leastPercent > mostPercent,
  };
}

/** How far readings at rest reach above zero: their mean, and three deviations (n − 1) of theirs. */
export function noiseOf(atRest: readonly number[]): number {
  if (atRest.length < 2) refuse('Noise needs two readings at rest; ten are better.');
  const mean = atRest.reduce((sum, x) => sum + x, 0) / atRest.length;
  const deviation = Math.sqrt(atRest.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (atRest.length - 1));
  return Math.abs(mean) + DEVIATIONS * deviation;
}

/** Bands of a coil's resistance at 20 °C by the size of the meter: made for the catalog's own meters, Ω. */
const COIL_BANDS: readonly {
  readonly fromMm: number;
  readonly toMm: number;
  readonly least: number;
  readonly most: number;
}[] = [
  { fromMm: 1, toMm: 14, least: 150, most: 210 },
  { fromMm: 15, toMm: 39, least: 90, most: 130 },
  { fromMm: 40, toMm: 124, least: 45, most: 75 },
  { fromMm: 125, toMm: 399, least: 70, most: 110 },
  { fromMm: 400, toMm: 3000, least: 100, most: 160 },
];

/** Copper has 0.393 % more resistance for each K above 20 °C (IEC 60028). */
const COPPER_PER_KELVIN = 0.00393;

/** A coil's resistance, brought to 20 °C, against the band of its size. @throws JobProblem */
export function checkCoil(
  ohms: number,
  millimetres: number,
  celsius: number,
): {
  readonly at20: number;
  readonly least: number;
  readonly most: number;
  readonly pass: boolean;
  readonly sentence: string;
} {
  if (!(ohms >= 0)) refuse('A resistance is 0 Ω or more.');
  const size = Math.round(millimetres);
  const band =
    COIL_BANDS.find(({ fromMm, toMm }) => size >= fromMm && size <= toMm) ??
    refuse('A meter has 1 to 3000 mm.');
  const at20 = ohms / (1 + COPPER_PER_KELVIN * (celsius - 20));
  const { least, most } = band;
  const pass = at20 >= least && at20 <= most;
  const text = `${Number(at20.toPrecision(4))} Ω at 20 °C`;
  return {
    at20,
    least,
    most,
    pass,
    sentence: pass
      ? `${text}, within ${least} to ${most} Ω for ${size} mm.`
      : at20 < least
        ? `${text} is below ${least} Ω: windings touch, or water is in it.`
        : `${text} is above ${most} Ω: a winding or its lead is broken, or a joint is bad.`,
  };
}
