import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { Fingerprint, Instrument, Result } from '../model/index.ts';
import { fixed, formatVoltBand, formatVolts, written } from '../units/index.ts';
import type { Check, Expected } from './check.ts';
import { expectedText, seenText } from './plan.ts';

export interface Outcome {
  readonly pass: boolean;
  /** How far outside the limits, in their unit, with its sign; 0 inside. For lamps and bits 0 or 1. */
  readonly difference: number;
  readonly sentence: Message;
}

/** Uncertainty of a reading in its unit: the instrument's percentage of it and its fixed part. */
function uncertainty(measured: number, instrument: Instrument): number {
  return Math.abs(measured) * (instrument.percent / 100) + instrument.fixed;
}

/**
 * Compares what was measured with what is predicted. A voltage passes while it lies within the predicted band widened
 * by the instrument's own uncertainty; a value, widened by what the source's uncertainty is worth.
 */
export function judgeCheck(expected: Expected, measured: number | boolean, instrument: Instrument): Outcome {
  if (expected.kind === 'yesno') {
    const pass = measured === expected.value;
    const seen = measured === true ? expected.yes : expected.no;
    return {
      pass,
      difference: pass ? 0 : 1,
      sentence: pass
        ? say('proof.as-expected', { seen })
        : say('proof.where-expected', { seen, expected: expectedText(expected) }),
    };
  }
  const value = Number(measured);
  const allowance = allowanceOf(expected, value, instrument);
  const words = wordsOf(expected);
  const over = value - (expected.max + allowance);
  const under = expected.min - allowance - value;
  // What is off by the last digit of a sum is not off.
  const near = 1e-9 * Math.max(1, Math.abs(value));
  const difference = over > near ? over : under > near ? -under : 0;
  if (difference === 0)
    return {
      pass: true,
      difference: 0,
      sentence: say('proof.within', { words: words(value), expected: expectedText(expected) }),
    };
  const side = difference > 0 ? 'above' : 'below';
  return {
    pass: false,
    difference,
    sentence: say('proof.the-limits', {
      words: words(value),
      words2: words(Math.abs(difference)),
      side,
      expected: expectedText(expected),
    }),
  };
}

/** By how much an instrument's own uncertainty widens the limits. Its fixed part is one of volts. */
function allowanceOf(
  expected: Exclude<Expected, { kind: 'yesno' }>,
  value: number,
  instrument: Instrument,
): number {
  switch (expected.kind) {
    case 'volts':
      return uncertainty(value, instrument);
    case 'reading':
      return expected.digits === 0 ? 0 : Math.abs(value) * (instrument.percent / 100);
    case 'value':
      return uncertainty(expected.injected, instrument) * expected.perInjected;
  }
}

const wordsOf =
  (expected: Exclude<Expected, { kind: 'yesno' }>) =>
  (value: number): string =>
    expected.kind === 'volts' ? formatVolts(value) : `${fixed(value, expected.digits + 1)} ${expected.unit}`;

/** A result ready to be stored, except for who and when. */
export function resultOf(
  id: string,
  pointId: string,
  { check, fingerprint }: { readonly check: Check; readonly fingerprint: Fingerprint },
  measured: number | boolean,
  instrument: Instrument,
): Omit<Result, 'by' | 'at'> {
  const { pass, difference } = judgeCheck(check.expected, measured, instrument);
  const { expected } = check;
  const limits =
    expected.kind === 'yesno' ? { seen: expected.value } : { min: expected.min, max: expected.max };
  return {
    id,
    pointId,
    check: check.key,
    fingerprint,
    expected: limits,
    measured,
    pass,
    difference,
    ...((expected.kind === 'value' || expected.kind === 'reading') && { unit: expected.unit }),
    ...(expected.kind !== 'yesno' && { instrument }),
  };
}

/**
 * How many times better than the tightest limit of some checks a source is: their half width over what the source's
 * uncertainty is worth. Nothing where none of them is a value.
 */
export function sourceRatio(checks: readonly Check[], instrument: Instrument): number | undefined {
  const ratios = checks.flatMap(({ expected }) => {
    if (expected.kind !== 'value') return [];
    const worth = uncertainty(expected.injected, instrument) * expected.perInjected;
    return [worth === 0 ? Infinity : (expected.max - expected.min) / 2 / worth];
  });
  return ratios.length ? Math.min(...ratios) : undefined;
}

/** What was seen and what was expected at a stored result. */
export function resultValues({
  check,
  measured,
  expected,
  unit,
}: Pick<Result, 'check' | 'measured' | 'expected' | 'unit'>): {
  measured: Text;
  expected: Text;
} {
  const seen = (value: boolean): Text => seenText(check, value);
  return {
    measured:
      typeof measured === 'boolean'
        ? seen(measured)
        : unit === undefined
          ? formatVolts(measured)
          : `${written(measured, 5)}\u00a0${unit}`,
    expected:
      'seen' in expected
        ? seen(expected.seen)
        : unit === undefined
          ? formatVoltBand(expected.min, expected.max)
          : say('proof.to', { min: expected.min, max: expected.max, unit }),
  };
}
