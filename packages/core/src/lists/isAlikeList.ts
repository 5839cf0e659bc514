/** Whether two lists hold the same in the same order. */
export const isAlikeList = <T>(one: readonly T[], other: readonly T[]): boolean =>
  one.length === other.length && one.every((item, i) => item === other[i]);
