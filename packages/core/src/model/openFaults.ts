import type { FaultRecord } from './fault.ts';

/** How many faults are open: each is reported once, and mended at most once. */
export const openFaults = (faults: readonly Pick<FaultRecord, 'body'>[]): number =>
  faults.reduce((open, { body: { kind } }) => open + (kind === 'opened' ? 1 : kind === 'mended' ? -1 : 0), 0);
