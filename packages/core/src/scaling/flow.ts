import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import { pulseHertz } from '../units/index.ts';

/** Mean velocity in a full round pipe, m/s: Q / A, of a flow in m³/h and an inner diameter in mm. @throws JobProblem */
export function velocityIn(flow: number, millimetres: number): number {
  if (!(millimetres > 0)) refuse(say('scaling.pipe-inner-diameter-above'));
  return flow / 3600 / ((Math.PI / 4) * (millimetres / 1000) ** 2);
}

/** What a velocity says, by usual practice for liquids in flow meters. */
export function velocityText(metresPerSecond: number): Message {
  const v = Math.abs(metresPerSecond);
  if (v < 0.3) return say('scaling.very-slow-little-signal');
  if (v < 0.5) return say('scaling.slow-low-end-what');
  if (v <= 3) return say('scaling.good-0-5-3');
  return v <= 10 ? say('scaling.fast-more-pressure-lost') : say('scaling.above-10-m-s');
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
  readonly sentences: readonly Message[];
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
    [flow, say('scaling.full-flow')],
    [litres, say('scaling.volume-pulse')],
    [width, say('scaling.pulse-width')],
    [counter.maxHertz, say('scaling.counter-limit')],
  ] as const)
    if (!(value > 0)) refuse(say('scaling.above-0', { what }));
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
        ? say('scaling.pulses-second-full-flow', { digits: digits(hertz), digits2: digits(duty * 100) })
        : say('scaling.pulses-second-leave-room', {
            digits: digits(hertz),
            digits2: digits(width),
            digits3: digits(widest),
          }),
      ...(duty >= 1 ? [say('scaling.pulses-run-into-each')] : []),
      ...(fast ? [say('scaling.counter-takes-second-most', { digits: digits(counter.maxHertz) })] : []),
      ...(short ? [say('scaling.counter-sees-nothing-shorter', { digits: digits(counter.minPulse) })] : []),
    ],
  };
}

/** When a totaliser is full: after so many litres, and so many hours of full flow. */
export function rollOver(
  digits: number,
  litresPerCount: number,
  flow: number,
): { readonly litres: number; readonly hours: number } {
  if (!(Number.isInteger(digits) && digits >= 1 && digits <= 15))
    refuse(say('scaling.totaliser-1-15-digits'));
  if (!(litresPerCount > 0)) refuse(say('scaling.volume-count-above-0'));
  if (!(flow > 0)) refuse(say('scaling.full-flow-above-0'));
  const litres = 10 ** digits * litresPerCount;
  return { litres, hours: litres / 1000 / flow };
}

/** Difference of two readings of a totaliser that may have rolled over once between them. @throws JobProblem */
export function totalised(before: number, after: number, digits: number): number {
  const full = 10 ** digits;
  if (![before, after].every((n) => n >= 0 && n < full))
    refuse(say('scaling.reading-most-digits', { digits }));
  return after >= before ? after - before : after + full - before;
}

/** What a cut-off does. */
export interface CutOff {
  /** Below this flow it shows nothing, in the full flow's unit. */
  readonly flow: number;
  /** Whether the lowest flow that must be seen is hidden; nothing where none was told. */
  readonly hides?: boolean;
  /** The largest cut-off that still shows the lowest flow, %, with a fifth to spare. */
  readonly maxPercent?: number;
  /** The least cut-off that the noise allows, %; nothing where no noise was told. */
  readonly minPercent?: number;
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
  if (!(full > 0)) refuse(say('scaling.full-flow-above-0'));
  if (!(percent >= 0 && percent <= 100)) refuse(say('scaling.cut-off-0-100'));
  if (lowest !== undefined && !(lowest >= 0)) refuse(say('scaling.lowest-flow-0-more'));
  const flow = (percent / 100) * full;
  const maxPercent = lowest === undefined ? undefined : (0.8 * 100 * lowest) / full;
  const minPercent = atRest.length < 2 ? undefined : (100 * noiseOf(atRest)) / full;
  return {
    flow,
    ...(lowest !== undefined && { hides: lowest < flow, maxPercent }),
    ...(minPercent !== undefined && { minPercent }),
    clash: maxPercent !== undefined && minPercent !== undefined && minPercent > maxPercent,
  };
}

/** How far readings at rest reach above zero: their mean, and three deviations (n − 1) of theirs. */
export function noiseOf(atRest: readonly number[]): number {
  if (atRest.length < 2) refuse(say('scaling.noise-needs-two-readings'));
  const mean = atRest.reduce((sum, x) => sum + x, 0) / atRest.length;
  const deviation = Math.sqrt(atRest.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (atRest.length - 1));
  return Math.abs(mean) + DEVIATIONS * deviation;
}

/** Copper has 0.393 % more resistance for each K above 20 °C (IEC 60028). */
const COPPER_PER_KELVIN = 0.00393;

/** Temperatures that a coil can have, °C. */
const COIL_CELSIUS = { min: -50, max: 250 };

/** What a sound coil reads between its leads, and what was read there. */
export interface CoilCheck {
  /** What a sound coil reads at its temperature, Ω. */
  readonly min: number;
  readonly max: number;
  /** What was read, brought to 20 °C, Ω; absent where nothing was. */
  readonly at20?: number;
  /** Absent where nothing was read. */
  readonly verdict?: 'sound' | 'low' | 'high';
}

/**
 * A coil's resistance against what its maker gives for 20 °C.
 * @param nominal and tolerance of the maker, Ω. @param celsius of the coil. @param ohms read between its leads.
 * @throws JobProblem for a resistance below zero, a tolerance as large as the nominal, no temperature of a coil.
 */
export function checkCoil(nominal: number, tolerance: number, celsius: number, ohms?: number): CoilCheck {
  if (!(nominal > 0)) refuse(say('scaling.resistance-above-0'), 'nominal');
  if (!(tolerance >= 0 && tolerance < nominal))
    refuse(say('scaling.coil-tolerance', { nominal }), 'tolerance');
  if (!(celsius >= COIL_CELSIUS.min && celsius <= COIL_CELSIUS.max))
    refuse(say('scaling.coil-temperature', COIL_CELSIUS), 'celsius');
  if (ohms !== undefined && !(ohms >= 0)) refuse(say('scaling.resistance-0-more'), 'ohms');
  const warmer = 1 + COPPER_PER_KELVIN * (celsius - 20);
  const [min, max] = [(nominal - tolerance) * warmer, (nominal + tolerance) * warmer];
  if (ohms === undefined) return { min, max };
  return { min, max, at20: ohms / warmer, verdict: ohms < min ? 'low' : ohms > max ? 'high' : 'sound' };
}
