import { FIRST } from './first.ts';
import { LATER } from './later.ts';

/** Every sentence of the core by its code; an area a file. */
export const CATALOG = { ...FIRST, ...LATER } as const;
