/** Numbers of one width, as the solver keeps them. */
type Numbers = Float64Array | Int32Array | Uint8Array;

/**
 * The entry at `index`. Made for the solver's inner loops, where `nth` would meet too many kinds of list to be quick.
 * @throws RangeError where there is none.
 */
export function entry(list: Numbers, index: number): number {
  const value = list[index];
  if (value === undefined) throw new RangeError(`No entry ${index} of ${list.length}`);
  return value;
}

/** Adds `amount` to the entry at `index`. */
export function add(list: Float64Array, index: number, amount: number): void {
  list[index] = entry(list, index) + amount;
}
