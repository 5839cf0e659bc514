/**
 * Current-voltage curves of the non-linear parts. Each is smooth and never falls, so that Newton's iteration ends.
 * Every function writes current (A) to out[0] and slope (S) to out[1]; none allocates.
 */

/** Width of the rounded corner of a diode's knee, V. 25 widths past the knee the curve is straight to 1e-11. */
const CORNER_VOLTS = 0.02;
/** Voltage at which the leakage of a transistor that is off is given, V. */
const LEAK_VOLTS = 24;
/** Slope left in a limited output, S, so that the curve always rises. */
const RESIDUAL_CONDUCTANCE = 1e-9;

/** A rounded corner, ln(1 + eˣ), into out[0], and its slope into out[1]; past 36 widths either way it is straight. */
function corner(x: number, out: Float64Array): void {
  if (x > 36) {
    out[0] = x;
    out[1] = 1;
  } else if (x < -36) {
    out[0] = 0;
    out[1] = 0;
  } else {
    const e = Math.exp(x);
    out[0] = Math.log1p(e);
    out[1] = e / (1 + e);
  }
}

/** Forward drop `drop` (V) with slope resistance `ohms` (Ω) at `volts` (V). */
export function diodeCurve(volts: number, drop: number, ohms: number, out: Float64Array): void {
  corner((volts - drop) / CORNER_VOLTS, out);
  out[0]! *= CORNER_VOLTS / ohms;
  out[1]! /= ohms;
}

/** As `diodeCurve`, held at `limit` (A) by the output's short-circuit protection. */
export function saturatedCurve(
  volts: number,
  drop: number,
  ohms: number,
  limit: number,
  out: Float64Array,
): void {
  diodeCurve(volts, drop, ohms, out);
  const width = limit / 40;
  const free = out[0]!;
  const slope = out[1]!;
  corner((free - limit) / width, out);
  out[0] = free - width * out[0]! + RESIDUAL_CONDUCTANCE * volts;
  out[1] = slope * (1 - out[1]!) + RESIDUAL_CONDUCTANCE;
}

/** Leakage of a transistor that is off: `leak` (A) with 24 V across it, in proportion below. */
export function leakCurve(volts: number, leak: number, out: Float64Array): void {
  out[1] = leak / LEAK_VOLTS + RESIDUAL_CONDUCTANCE;
  out[0] = volts * out[1];
}

/** Two-wire sensor that is on, either way round: a drop (V) with a slope (Ω), held at `limit` (A). */
export function heldCurve(volts: number, drop: number, ohms: number, limit: number, out: Float64Array): void {
  const sign = volts < 0 ? -1 : 1;
  saturatedCurve(sign * volts, drop, ohms, limit, out);
  out[0]! *= sign;
}

/** Voltage at which the electronics of a two-wire sensor that is off take 0.7 of their current, V. */
const REST_VOLTS = 2;

/** Two-wire sensor that is off: near `leak` (A) at any voltage above a few volts, either way round. */
export function restCurve(volts: number, leak: number, out: Float64Array): void {
  const size = Math.sqrt(volts * volts + REST_VOLTS * REST_VOLTS);
  out[0] = (leak * volts) / size;
  out[1] = (leak * REST_VOLTS * REST_VOLTS) / (size * size * size) + RESIDUAL_CONDUCTANCE;
  out[0] += RESIDUAL_CONDUCTANCE * volts;
}

/** Slope on which a transmitter's current rises just below its lift-off voltage, Ω. */
const LIFT_OHMS = 10;

/** Current source of `amps` (A) that needs `lift` (V) across it. */
export function transmitterCurve(volts: number, amps: number, lift: number, out: Float64Array): void {
  saturatedCurve(volts, lift - 2 * amps * LIFT_OHMS, LIFT_OHMS, amps, out);
}

/** Optocoupler from terminal to common: diode with series resistor in the allowed senses, beside a resistor. */
export function optocouplerCurve(
  volts: number,
  led: number,
  series: number,
  parallel: number,
  forward: boolean,
  backward: boolean,
  out: Float64Array,
): void {
  let amps = volts / parallel;
  let slope = 1 / parallel;
  if (forward) {
    diodeCurve(volts, led, series, out);
    amps += out[0]!;
    slope += out[1]!;
  }
  if (backward) {
    diodeCurve(-volts, led, series, out);
    amps -= out[0]!;
    slope += out[1]!;
  }
  out[0] = amps;
  out[1] = slope;
}
