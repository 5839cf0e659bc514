import type { Reads } from './stored';

/*
 * What the first pages remember is a word or a number: it is read without the validation library, which they would
 * otherwise wait for.
 */

const plain = <T>(fits: (value: unknown) => value is T): Reads<T> => ({
  safeParse: (value) => (fits(value) ? { success: true, data: value } : { success: false }),
});

/** One of some words. */
export const oneOf = <T extends string>(allowed: readonly T[]): Reads<T> =>
  plain((value): value is T => (allowed as readonly unknown[]).includes(value));

/** A text. */
export const text = plain((value) => typeof value === 'string');

/** A whole number. */
export const whole = plain((value): value is number => Number.isInteger(value));

/** An object of which any part may be missing. */
export const partial = <T extends object>(parts: { readonly [K in keyof T]: Reads<T[K]> }): Reads<
  Partial<T>
> =>
  plain(
    (value): value is Partial<T> =>
      typeof value === 'object' &&
      value !== null &&
      !Array.isArray(value) &&
      Object.entries<Reads<unknown>>(parts).every(([key, part]) => {
        const held = (value as Record<string, unknown>)[key];
        return held === undefined || part.safeParse(held).success;
      }),
  );
