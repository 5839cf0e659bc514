import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** The device descriptions that ship, by their file names. Makers and devices are made up. */
export const SHIPPED = ['level-distance', 'pressure', 'vibration', 'valve-island'] as const;
export type ShippedName = (typeof SHIPPED)[number];

export const shippedDescription = (name: ShippedName): string =>
  readFileSync(fileURLToPath(new URL(`./descriptions/${name}.xml`, import.meta.url)), 'utf8');
