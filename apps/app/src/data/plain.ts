import type { Reads } from './stored';

/*
 * What the first pages remember is a word or a number: it is read without the validation library, which they would
 * otherwise wait for.
 */

const read =
  <T>(fits: (value: unknown) => value is T): Reads<T>['safeParse'] =>
  (value) =>
    fits(value) ? { success: true, data: value } : { success: false };

/** One of some words. */
export const oneOf = <T extends string>(allowed: readonly T[]): Reads<T> => ({
  safeParse: read((value): value is T => (allowed as readonly unknown[]).includes(value)),
});

/** A text. */
export const text: Reads<string> = { safeParse: read((value) => typeof value === 'string') };

/** A whole number. */
export const whole: Reads<number> = {
  safeParse: read((value): value is number => Number.isInteger(value)),
};

/** An object of which any part may be missing. */
export const partial = <T extends object>(parts: { readonly [K in keyof T]: Reads<T[K]> }): Reads<
  Partial<T>
> => ({
  safeParse: (value) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return { success: false };
    const kept = Object.entries<Reads<unknown>>(parts).flatMap(([key, part]) => {
      const held = (value as Record<string, unknown>)[key];
      return held === undefined ? [] : [[key, part.safeParse(held)] as const];
    });
    return kept.every(([, part]) => part.success)
      ? {
          success: true,
          data: Object.fromEntries(kept.map(([key, part]) => [key, part.data])) as Partial<T>,
        }
      : { success: false };
  },
});
