import type { Stage } from '@keypost/core/proving';

/** How the stages are called on the screen. */
export const STAGE_NAMES: Record<Stage, string> = {
  fit: 'Fit',
  land: 'Land',
  set: 'Set',
  scale: 'Scale',
  switch: 'Switch',
  prove: 'Prove',
};
