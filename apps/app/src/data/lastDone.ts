import type { Text } from '@keypost/core/messages';
import { held } from './held';

/** The change that this device stored last, while it is offered to be undone. */
export interface Done {
  readonly jobId: string;
  readonly changeId: string;
  readonly what: Text;
  /** It was taken back, and that can be undone again. */
  readonly isUndone?: boolean;
}

const last = held<Done | undefined>(undefined);

export const rememberDone = last.put;

export function useLastDone(jobId: string): Done | undefined {
  const done = last.use();
  return done?.jobId === jobId ? done : undefined;
}
