/** Where two lists differ: from a place on, up to an end in each; before and after it they hold the same things. */
export function middleOf<T>(
  before: readonly T[],
  after: readonly T[],
): { readonly before: readonly T[]; readonly after: readonly T[]; readonly start: number } {
  const most = Math.min(before.length, after.length);
  let start = 0;
  while (start < most && before[start] === after[start]) start++;
  let end = 0;
  while (end < most - start && before[before.length - 1 - end] === after[after.length - 1 - end]) end++;
  return {
    before: before.slice(start, before.length - end),
    after: after.slice(start, after.length - end),
    start,
  };
}
