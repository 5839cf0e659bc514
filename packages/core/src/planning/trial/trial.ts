import type { Logic, OutputKind, Range } from '../../model/index.ts';

/** What somebody holds in the hand, and what it is to go to. */
export interface Trial {
  readonly typeId: string;
  readonly outputId: string;
  readonly kind: OutputKind;
  readonly logic: Logic;
  /** `BENCH`, or the kind of a module or of a load. */
  readonly target: string;
  /** The rail on which the common of the input sits. */
  readonly rail: '+' | '-' | 'open';
  readonly range?: Range;
  /** What stands on its name-plate and changes what it gives, such as its element. */
  readonly plate?: Readonly<Record<string, string>>;
}

/** Nothing but a supply, and a meter. */
export const BENCH = 'bench';

export interface TrialTarget {
  readonly id: string;
  readonly is: 'module' | 'load' | 'bench';
  readonly name: string;
  /** Whether its common can sit on either rail. */
  readonly hasCommon: boolean;
}

/** Names and ids under which a trial stands in a job. */
export interface TrialNames {
  readonly point: string;
  readonly device: string;
  readonly module: string;
  readonly load: string;
  readonly tag: string;
  readonly name: string;
  readonly moduleTag: string;
  readonly loadTag: string;
}

export const TRIAL_NAMES: TrialNames = {
  point: 'try',
  device: 'try-b',
  module: 'try-m',
  load: 'try-l',
  tag: 'B1',
  name: 'Tried',
  moduleTag: 'A1',
  loadTag: 'K1',
};
