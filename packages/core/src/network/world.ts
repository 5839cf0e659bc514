import type { DeviceType, PartNow } from '../catalog/index.ts';
import type { Device } from '../model/index.ts';

/** A part with nothing done to it. */
export const IDLE: PartNow = {
  style: 'none',
  called: false,
  present: false,
  logic: 'none',
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
  /** Detectors and latches that were on before. */
  readonly held?: ReadonlySet<string>;
}

/**
 * Whether the device's sensing side calls for its output to be on (or its contact closed):
 * normally open or closed by the target, light-on or dark-on by the light that it sees.
 */
export function outputCalled(device: Device, type: DeviceType, present: boolean): boolean {
  switch (device.logic) {
    case 'no':
    case 'none':
      return present;
    case 'nc':
      return !present;
    case 'light':
      return present === type.lightWithTarget;
    case 'dark':
      return present !== type.lightWithTarget;
  }
}
