import type { Instrument, Result } from '../model/job.ts';
import { formatVolts } from '../units/quantity.ts';
import type { Check, Expected } from './plan.ts';
import { expectedWords } from './plan.ts';

export interface Outcome {
  readonly pass: boolean;
  /** How far outside the limits, V, with its sign; 0 inside. For lamps and bits 0 or 1. */
  readonly difference: number;
  readonly sentence: string;
}

/** Uncertainty of a reading, V: the instrument's percentage of it and its fixed part. */
export function uncertainty(measured: number, instrument: Instrument): number {
  return Math.abs(measured) * (instrument.percent / 100) + instrument.volts;
}

/**
 * Compares what was measured with what the circuit predicts. A voltage passes while it lies within the predicted
 * band widened by the instrument's own uncertainty.
 */
export function judgeCheck(expected: Expected, measured: number | boolean, instrument: Instrument): Outcome {
  if (expected.kind === 'yesno') {
    const pass = measured === expected.value;
    const seen = measured === true ? expected.yes : expected.no;
    return {
      pass,
      difference: pass ? 0 : 1,
      sentence: pass ? `${seen}, as expected` : `${seen} where ${expectedWords(expected)} was expected`,
    };
  }
  const value = Number(measured);
  const allowance = uncertainty(value, instrument);
  const over = value - (expected.max + allowance);
  const under = expected.min - allowance - value;
  const difference = over > 0 ? over : under > 0 ? -under : 0;
  if (difference === 0)
    return {
      pass: true,
      difference: 0,
      sentence: `${formatVolts(value)}, within ${expectedWords(expected)}`,
    };
  const side = difference > 0 ? 'above' : 'below';
  return {
    pass: false,
    difference,
    sentence: `${formatVolts(value)}, ${formatVolts(Math.abs(difference))} ${side} the limits ${expectedWords(expected)}`,
  };
}

/** A result ready to be stored, except for who and when. */
export function resultOf(
  id: string,
  pointId: string,
  check: Check,
  measured: number | boolean,
  instrument: Instrument,
): Omit<Result, 'by' | 'at'> {
  const { pass, difference } = judgeCheck(check.expected, measured, instrument);
  const limits = check.expected.kind === 'volts' ? { min: check.expected.min, max: check.expected.max } : {};
  return {
    id,
    pointId,
    check: check.key,
    subject: `${check.label}, ${check.detail}`,
    expected: { text: expectedWords(check.expected), ...limits },
    measured,
    pass,
    difference,
    ...(check.expected.kind === 'volts' && { instrument }),
  };
}
