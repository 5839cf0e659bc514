import { nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import { scaled } from '../ioLink/index.ts';
import type { Scale } from '../ioLink/index.ts';
import { minSquares } from './minSquares.ts';

/** A raw number as it was read, and what a tape, gauge or calibrator measured at the same moment. */
export interface LinePair {
  readonly raw: number;
  readonly measured: number;
}

/** Whether pairs lie on a stated line, and if not, in what they differ. */
export interface LineCheck {
  readonly pairs: readonly (LinePair & {
    /** What the stated line makes of the raw number, and by how much that is more than measured. */
    readonly stated: number;
    readonly off: number;
    readonly holds: boolean;
  })[];
  /** The line through the pairs: of two exactly, of more by least squares. */
  readonly found: { readonly gradient: number; readonly offset: number };
  readonly worst: number;
  readonly pass: boolean;
  /** By how much the pairs lie beside their own line at most: more than is allowed is no line at all. */
  readonly beside: number;
  readonly verdict: Message;
}

/** Factors by which a scale is wrong where a unit or a decimal place was taken for another, with what that is. */
const FACTORS: readonly { readonly factor: number; readonly means: Message }[] = [
  ...[10, 100, 1000].map((factor) => ({ factor, means: say('scaling.decimal-places', { factor }) })),
  { factor: 25.4, means: say('scaling.taken-for', { one: 'inches', other: 'millimetres' }) },
  { factor: 2.54, means: say('scaling.taken-for', { one: 'inches', other: 'centimetres' }) },
  { factor: 304.8, means: say('scaling.taken-for', { one: 'feet', other: 'millimetres' }) },
  { factor: 14.504, means: say('scaling.taken-for', { one: 'psi', other: 'bar' }) },
  { factor: 1.8, means: say('scaling.taken-for', { one: '°F', other: '°C' }) },
];

/** Within this share a factor is taken for one of those. */
const LIKE = 0.02;

const likelyFactor = (ratio: number): Message | undefined =>
  FACTORS.find(({ factor }) => [factor, 1 / factor].some((f) => Math.abs(ratio / f - 1) < LIKE))?.means;

/**
 * Compares raw numbers with what was measured beside them.
 * @param allowed by which stated and measured may differ, in the line's unit: sensor and tape together.
 * @throws JobProblem for less than two different raw numbers, or nothing allowed.
 */
export function checkLine(line: Scale, pairs: readonly LinePair[], allowed: number): LineCheck {
  if (pairs.length < 2) refuse(say('model.two-readings-least'));
  if (!(allowed > 0)) refuse(say('model.limit-above-0'));
  if (!pairs.every(({ raw, measured }) => Number.isFinite(raw) && Number.isFinite(measured)))
    refuse(say('scaling.each-pair-needs-two'));
  const found = throughPairs(pairs);
  const rows = pairs.map((pair) => {
    const stated = scaled(pair.raw, line);
    const off = stated - pair.measured;
    return { ...pair, stated, off, holds: Math.abs(off) <= allowed };
  });
  const worst = Math.max(...rows.map(({ off }) => Math.abs(off)));
  const beside = Math.max(
    ...pairs.map(({ raw, measured }) => Math.abs(raw * found.gradient + found.offset - measured)),
  );
  const pass = worst <= allowed;
  return {
    pairs: rows,
    found,
    worst,
    pass,
    beside,
    verdict: verdictOf(line, pairs, found, { pass, beside, allowed, worst }),
  };
}

function throughPairs(pairs: readonly LinePair[]): { gradient: number; offset: number } {
  const { slope, offset } =
    minSquares(pairs.map(({ raw: x, measured: y }) => ({ x, y }))) ??
    refuse(say('scaling.raw-numbers-all-same'));
  return { gradient: slope, offset };
}

function verdictOf(
  line: Scale,
  pairs: readonly LinePair[],
  found: { gradient: number; offset: number },
  { pass, beside, allowed, worst }: { pass: boolean; beside: number; allowed: number; worst: number },
): Message {
  const { unit } = line;
  if (pass) return say('scaling.lies-on-stated-line', { worst, allowed, unit });
  if (beside > allowed) return say('scaling.lies-on-no-line', { beside, allowed, unit });
  // Over the raw numbers that were read: what is left of the difference once the other is put right.
  const ratio = found.gradient / line.gradient;
  const raws = pairs.map(({ raw }) => raw);
  const width = Math.max(...raws) - Math.min(...raws);
  const bySlope = Math.abs(found.gradient - line.gradient) * width;
  const first = nth(pairs, 0);
  if (bySlope <= 2 * allowed)
    return say('scaling.line-is-shifted', {
      by: first.measured - scaled(first.raw, line),
      unit,
    });
  if (ratio <= 0) return say('scaling.line-runs-other-way', { gradient: found.gradient, unit });
  return say('scaling.line-has-other-slope', {
    ratio,
    likely: likelyFactor(ratio) ?? '',
    gradient: found.gradient,
    offset: found.offset,
    unit,
  });
}
