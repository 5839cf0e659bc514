import type { OperatingState } from '../catalog/index.ts';

/** A part with nothing done to it. */
export const IDLE: OperatingState = {
  outputs: new Map(),
  present: false,
  level: 0,
  settings: {},
  forced: new Set(),
};

/** What is done to a job at one moment. */
export interface World {
  /** Devices that have their target, or whose guard is closed. */
  readonly present: ReadonlySet<string>;
  /** Measured values as shares of their ranges; 0 where none is given. */
  readonly levels?: ReadonlyMap<string, number>;
  /** What is switched by hand or by the program, pressed or broken: names by item. */
  readonly forced?: ReadonlyMap<string, ReadonlySet<string>>;
  /** Terminals that a fault joins. */
  readonly joined?: readonly (readonly [a: string, b: string])[];
  /** Detectors and latches that were on before. */
  readonly held?: ReadonlySet<string>;
}
