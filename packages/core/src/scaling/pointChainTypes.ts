import type { Message } from '../messages/index.ts';
import type { Range, Scaling } from '../model/index.ts';
import type { OwnPort } from '../network/index.ts';
import type { CalibrationTables } from '../sensing/index.ts';
import type { SignalChain } from './chain.ts';
import type { ChosenValue } from './dataValue.ts';
import type { SensedBy } from './sensorPart.ts';

/** The chain of a point of a job, with what has to be said of it. */
export interface PointChain {
  readonly chain: SignalChain;
  readonly scaling: Scaling;
  readonly tables: CalibrationTables;
  readonly own: OwnPort;
  readonly sensed: SensedBy;
  /** The value's range at the sensor, as the chain's first link has it. */
  readonly range: Range;
  readonly notes: readonly Message[];
  /** What the input sees at both ends of its range; absent where it counts pulses. */
  readonly ends?: { readonly low: number; readonly high: number };
  /** Ends of the range that lie in a band of faults. */
  readonly swallowed: readonly Message[];
  /** The value that arrives as data, where it does. */
  readonly data?: ChosenValue;
}

/** Why a point has no chain yet; nothing where it never will, since nothing of it is measured. */
export type NoChain = { readonly problem: Message } | undefined;
