/**
 * A quantity with its nominal value and the least and largest value that it may take.
 * The unit is that of the field which holds it.
 */
export interface Span {
  readonly nom: number;
  readonly min: number;
  readonly max: number;
}

/** A quantity without tolerance. */
export const exactly = (value: number): Span => ({ nom: value, min: value, max: value });

/**
 * A quantity between two limits.
 * @throws RangeError when the order min ≤ nom ≤ max does not hold or a value is not finite.
 */
export function within(min: number, nom: number, max: number): Span {
  if (![min, nom, max].every(Number.isFinite)) throw new RangeError('A span needs finite numbers.');
  if (min > nom || nom > max) throw new RangeError(`A span must rise: ${min} ≤ ${nom} ≤ ${max}.`);
  return { nom, min, max };
}

/** A quantity with a symmetrical tolerance in percent of its nominal value. */
export function percent(nom: number, tolerancePercent: number): Span {
  const part = Math.abs(nom) * (tolerancePercent / 100);
  return within(nom - part, nom, nom + part);
}

/** Two quantities together, at the worst both ways. */
export const sum = (a: Span, b: Span): Span => ({
  nom: a.nom + b.nom,
  min: a.min + b.min,
  max: a.max + b.max,
});
