/**
 * A value that is known to be there.
 * @throws Error when it is not, at the place that took it for granted.
 */
export function sure<T>(value: T): NonNullable<T> {
  if (value === undefined || value === null) throw new Error('A value that must be there is missing');
  return value;
}
