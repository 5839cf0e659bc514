import { nth } from '../../lists/index.ts';
import type { Parameter } from '../parameters.ts';

/** Something to look at before a device is wired, and why it counts. */
export interface FitCheck {
  readonly key: string;
  readonly title: string;
  readonly reason: string;
  /** What can hurt here. Defers to local rules; never a permission. */
  readonly caution?: string;
}

/** A fact on which settings hang, copied from the name-plate or known of the place. */
export interface PlateFact {
  readonly key: string;
  readonly label: string;
  readonly kind: 'number' | 'text' | 'choice';
  readonly choices?: Parameter['choices'];
  /** Unit in which a bare number counts. */
  readonly unit?: string;
  readonly min?: number;
  readonly max?: number;
  /** Such as it stands on the plate. */
  readonly example: string;
}

/** What a display shows instead of a value: what that means, and where to look. */
export interface DisplayCode {
  readonly shows: string;
  readonly means: string;
  readonly look: string;
}

/** What a kind of instrument brings besides its circuit. */
export interface Handling {
  readonly fit: readonly FitCheck[];
  readonly plate: readonly PlateFact[];
  readonly parameters: readonly Parameter[];
  /** What it says itself when it cannot work. */
  readonly codes?: readonly DisplayCode[];
}

export const SERIAL: PlateFact = { key: 'serial', label: 'Serial number', kind: 'text', example: 'A7-20931' };

export const PRESSURE_CAUTION =
  'Process pressure, heat and medium: relieve, drain and prove it under the site’s rules before a line is opened.';

/** What flows there; the menu's own words for it. */
export const mediumOf = (words: Readonly<Record<string, string>>): PlateFact => ({
  key: 'medium',
  label: 'Medium',
  kind: 'choice',
  choices: Object.entries(words).map(([value, label]) => ({ value, label })),
  example: nth(Object.values(words), 0),
});
