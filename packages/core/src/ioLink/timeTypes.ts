/**
 * Points and spans of time as devices send them: 64 bits, whole seconds above, fractions of 2⁻³² s below
 * (IO-Link Interface and System Specification, annex F: TimeT and TimeSpanT).
 */
const FRACTION = 1n << 32n;

/** Seconds before this stand for the time after 2036-02-07 06:28:16, from it on for the time after 1900. */
const FIRST_OF_1984 = 0x9dff4400n;
const FROM_1900 = Date.UTC(1900, 0, 1);
const FROM_2036 = Date.UTC(2036, 1, 7, 6, 28, 16);
const FROM_1984 = Date.UTC(1984, 0, 1);
/** What no longer fits: the seconds below the mark, counted from 2036. */
const UNTIL = FROM_2036 + 1000 * Number(FIRST_OF_1984);

/** A point of time in UTC to the millisecond, after ISO 8601. */
export function instantOf(raw: bigint): string {
  const seconds = raw >> 32n;
  const from = seconds < FIRST_OF_1984 ? FROM_2036 : FROM_1900;
  const milliseconds = Math.round((1000 * Number(raw & (FRACTION - 1n))) / 2 ** 32);
  return new Date(from + 1000 * Number(seconds) + milliseconds).toISOString();
}

/** A point of time in ISO 8601 as it is sent; nothing for what is none, or lies before 1984 or after what fits. */
export function rawInstant(text: string): bigint | undefined {
  const at = /^\d{4}-\d{2}-\d{2}/.test(text.trim()) ? Date.parse(text.trim()) : NaN;
  if (!(at >= FROM_1984 && at < UNTIL)) return undefined;
  const since = at < FROM_2036 ? at - FROM_1900 : at - FROM_2036;
  return (BigInt(since) * FRACTION + 999n) / 1000n;
}

/** A span in seconds; it may be negative. */
export const spanOf = (raw: bigint): number => Number(BigInt.asIntN(64, raw)) / 2 ** 32;

/** A span in seconds as it is sent; nothing for what does not fit. */
export function rawSpan(seconds: number): bigint | undefined {
  return Math.abs(seconds) < 2 ** 31 ? BigInt.asUintN(64, BigInt(Math.round(seconds * 2 ** 32))) : undefined;
}
