import { KEPT_STYLE, numberIn, parseIn } from '@keypost/core/units';
import type { NumberStyle } from '@keypost/core/units';

/** How numbers are typed in the job that is open. */
let style: NumberStyle = KEPT_STYLE;

/** Numbers are typed as this job writes them from here on; without a job, as they are kept. */
export const typeNumbersIn = (next: NumberStyle | undefined): void => {
  style = next ?? KEPT_STYLE;
};

export const typedStyle = (): NumberStyle => style;

/** A typed number in a unit, or what is wrong with it; one that has two readings in this job is asked about. */
export const parseTyped = (text: string, unit: string) => parseIn(text, unit, style);

/** The same as a value; NaN where it is none. */
export const typedIn = (text: string, unit: string): number => numberIn(text, unit, style);

/** The same, nothing where nothing was typed. */
export const typedMaybe = (text: string, unit = ''): number | undefined =>
  text.trim() === '' ? undefined : typedIn(text, unit);
