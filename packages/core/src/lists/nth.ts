/** What has items by number: an array, a tuple, an array of numbers of one width. */
interface Numbered<T> {
  readonly length: number;
  readonly [index: number]: T;
}

/**
 * The item at `index`, counted from 0, of a list that is known to have it.
 * @throws RangeError when the list ends before, instead of letting `undefined` or NaN run on.
 */
export function nth<T>(list: Numbered<T>, index: number): T {
  if (!Number.isInteger(index) || index < 0 || index >= list.length) {
    throw new RangeError(`No item ${index} in a list of ${list.length}`);
  }
  return list[index] as T;
}

/**
 * The last item of a list that is known not to be empty.
 * @throws RangeError when it is.
 */
export function lastOf<T>(list: Numbered<T>): T {
  return nth(list, list.length - 1);
}
