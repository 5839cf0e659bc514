import { sure } from '../../lists/index.ts';
import { compileFunction } from './run.ts';
import type { Overflow } from './run.ts';
import { exactValue } from './codeRequest.ts';
import type { CodeRequest, PlcCode } from './codeRequest.ts';

/** What code makes of every number of counts that the converter can write. */
export interface Execution {
  readonly runs: number;
  /** Where values did not fit, if they ever do not: the first and last counts, how many, and the first one's reason. */
  readonly overflow?: {
    readonly first: number;
    readonly last: number;
    readonly count: number;
    readonly reason: Overflow;
  };
  /** The largest difference from the exact value among counts that fit, in the value's unit, and where. */
  readonly worst: { readonly error: number; readonly at: number };
  /** The same where values did not fit. */
  readonly worstOverflowed?: { readonly error: number; readonly at: number };
  /** Share of the counts within the range, without overflow, whose result is not the exact one rounded to the code's step, 0 to 1. */
  readonly cut: number;
}

/** The inputs of a function in its own order: the counts first, then its constants. */
const inputsOf = ({ fn, constants }: PlcCode, counts: number): number[] =>
  fn.inputs.map(({ name }) => (name === 'Raw' ? counts : sure(constants[name])));

/** Executes code over all counts, one by one. Yields how many are done. */
export function* executeAll(request: CodeRequest, code: PlcCode): Generator<number, Execution> {
  const run = compileFunction(code.fn);
  const inputs = inputsOf(code, 0);
  const at = code.fn.inputs.findIndex(({ name }) => name === 'Raw');
  let overflow: { first: number; last: number; count: number; reason: Overflow } | undefined;
  let worst = { error: 0, at: request.raw.min };
  let worstOverflowed: Execution['worstOverflowed'];
  let cut = 0;
  let within = 0;
  const { min, max } = request.raw;
  const low = Math.min(request.raw.low, request.raw.high);
  const high = Math.max(request.raw.low, request.raw.high);
  for (let counts = min; counts <= max; counts++) {
    inputs[at] = counts;
    const result = run(inputs);
    const exact = exactValue(request, counts);
    const error = Math.abs(result.value / code.factor - exact);
    if (result.overflow) {
      overflow ??= { first: counts, last: counts, count: 0, reason: result.overflow };
      overflow.last = counts;
      overflow.count++;
      if (error >= (worstOverflowed?.error ?? 0)) worstOverflowed = { error, at: counts };
    } else if (error > worst.error) worst = { error, at: counts };
    if (!result.overflow && counts >= low && counts <= high) {
      within++;
      // What is off by more than half a step was cut, not rounded.
      if (error * code.factor > 0.5 + 1e-6) cut++;
    }
    if ((counts - min) % 4096 === 0) yield counts - min;
  }
  return {
    runs: max - min + 1,
    ...(overflow && { overflow }),
    worst,
    ...(worstOverflowed && { worstOverflowed }),
    cut: within ? cut / within : 0,
  };
}
