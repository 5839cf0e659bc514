import type { DeviceDescription } from './deviceDescription.ts';

/** A strip or a splice: each terminal joins the wires on it, and nothing else. */
export const isJoints = ({ inline, outputs, behaviours }: DeviceDescription): boolean =>
  inline === true && outputs.length === 0 && behaviours.length === 0;
