import { readFileSync } from 'node:fs';
import path from 'node:path';
import { here } from './here.ts';

/** The device descriptions that ship, by their file names. Makers and devices are made up. */
export const SHIPPED = ['level-distance', 'pressure', 'vibration', 'valve-island'] as const;
export type ShippedName = (typeof SHIPPED)[number];

export const shippedDescription = (name: ShippedName): string =>
  readFileSync(path.join(here, 'descriptions', `${name}.xml`), 'utf8');
