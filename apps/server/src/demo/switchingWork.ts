import type { CalibrationBody, DeviceChannel, LadderPlan, SwitchingOutput } from '@keypost/core/model';
import { taughtBy } from '@keypost/core/tools';

const WITHOUT_BYPASS = { seconds: 0, ends: true, shown: true } as const;

/** Alarms that stand over values of the demo. */
export const LADDERS: Readonly<Record<string, LadderPlan>> = {
  // Ammonia: shown early, feeding paused, then everything that makes more of it stopped until somebody with the key came.
  'at-223': {
    unit: 'mg/l',
    startUp: 60,
    faultsWaitToo: false,
    bypass: { seconds: 1800, ends: true, shown: true },
    levels: [
      {
        id: 'warn',
        name: 'Warning',
        limit: 0.6,
        direction: 'above',
        hysteresis: 0.1,
        delay: 30,
        does: ['show', 'lamp'],
        clearedBy: 'itself',
        onFault: 'acts',
        keptOverPowerCut: false,
      },
      {
        id: 'pause',
        name: 'Feeding paused',
        limit: 1,
        direction: 'above',
        hysteresis: 0.15,
        delay: 30,
        does: ['show', 'flash', 'sound', 'pause'],
        rhythm: { lit: 0.5, dark: 0.5 },
        clearedBy: 'operator',
        onFault: 'acts',
        keptOverPowerCut: true,
      },
      {
        id: 'stop',
        name: 'Stopped',
        limit: 1.5,
        direction: 'above',
        hysteresis: 0.2,
        delay: 10,
        does: ['show', 'flash', 'sound', 'stop', 'lock'],
        rhythm: { lit: 0.25, dark: 0.25 },
        clearedBy: 'key',
        onFault: 'acts',
        keptOverPowerCut: true,
      },
    ],
  },
  // Low flow: the pump stops when there is too little of it for so long; while it starts nothing counts.
  'ft-233': {
    unit: 'm³/h',
    startUp: 20,
    faultsWaitToo: false,
    bypass: WITHOUT_BYPASS,
    levels: [
      {
        id: 'low',
        name: 'Low flow stop',
        limit: 6,
        direction: 'below',
        hysteresis: 1.5,
        delay: 15,
        does: ['show', 'lamp', 'sound', 'stop'],
        clearedBy: 'operator',
        onFault: 'acts',
        keptOverPowerCut: true,
      },
    ],
  },
  // Rope tension: out of its range on either side, the hoist stops.
  'wt-222': {
    unit: 'kg',
    startUp: 0,
    faultsWaitToo: false,
    bypass: WITHOUT_BYPASS,
    levels: [
      {
        id: 'over',
        name: 'Overload',
        limit: 1800,
        direction: 'above',
        hysteresis: 100,
        delay: 0.5,
        does: ['show', 'lamp', 'sound', 'stop'],
        clearedBy: 'operator',
        onFault: 'acts',
        keptOverPowerCut: true,
      },
      {
        id: 'slack',
        name: 'Slack rope',
        limit: 40,
        direction: 'below',
        hysteresis: 40,
        delay: 0.5,
        does: ['show', 'lamp', 'pause'],
        clearedBy: 'itself',
        onFault: 'acts',
        keptOverPowerCut: false,
      },
    ],
  },
  // A pressure whose alarm lies within its own noise: set by feel, and it chatters.
  'pt-221': {
    unit: 'bar',
    startUp: 0,
    faultsWaitToo: false,
    bypass: WITHOUT_BYPASS,
    levels: [
      {
        id: 'high',
        name: 'High pressure',
        limit: 4.8,
        direction: 'above',
        hysteresis: 0,
        delay: 0,
        does: ['show', 'lamp'],
        clearedBy: 'itself',
        onFault: 'acts',
        keptOverPowerCut: false,
      },
    ],
  },
};

const PLAIN = {
  logic: 'no',
  damping: 0,
  onDelay: 0,
  offDelay: 0,
  startUp: 0,
  leastPulse: 0,
  clearedBy: 'itself',
} as const;

/** Thresholds of the demo that a bit or a relay decides. */
export const THRESHOLDS: Readonly<Record<string, readonly SwitchingOutput[]>> = {
  // The sump is pumped once the water comes near; a sensor that hears nothing starts the pump.
  'ut-224': [
    {
      ...PLAIN,
      id: 'pump',
      name: 'Sump pump',
      decidedBy: 'controller',
      watches: 'value',
      unit: 'mm',
      mode: { kind: 'points', set: 500, reset: 900 },
      onDelay: 3,
      leastPulse: 20,
      onFault: { break: 'on', short: 'on', invalid: 'on' },
      safeSide: 'on',
    },
  ],
  // The rope carries something, and not too much: into its range and out of it.
  'wt-222': [
    {
      ...PLAIN,
      id: 'range',
      name: 'Rope in its range',
      decidedBy: 'controller',
      watches: 'value',
      unit: 'kg',
      mode: { kind: 'window', low: 60, high: 1700, hysteresis: 40 },
      onDelay: 0.5,
      onFault: { break: 'off', short: 'off', invalid: 'off' },
      safeSide: 'off',
    },
  ],
};

/** Switching functions that devices of the demo decide themselves: a level at one point, and one within a window. */
export const CHANNELS: Readonly<Record<string, readonly DeviceChannel[]>> = {
  'lt-270': [
    { channel: 1, unit: 'm', mode: { kind: 'points', set: 1.96, reset: 1.9 }, logic: 'nc' },
    { channel: 2, unit: 'm', mode: { kind: 'window', low: 0.6, high: 1.2, hysteresis: 0.05 }, logic: 'no' },
  ],
};

const readings = (...values: readonly number[]): string => values.join(' ');

/** What was taught: a flow switch with its rinse running hardly stronger than its leak. */
export const TAUGHT: readonly (readonly [pointId: string, body: CalibrationBody])[] = [
  [
    'fs-116',
    taughtBy({
      kind: 'two',
      unit: 'l/min',
      readings: readings(1.6, 1.7, 1.5, 1.6, 1.7, 1.6, 1.5, 1.6),
      second: readings(2.2, 2.4, 2.1, 2.3, 2.2, 2.4, 2.3, 2.2),
      period: '1',
      drift: '0.5',
      hysteresis: '0.4',
      step: '0.1',
      span: '',
      margin: '',
      conditions: 'rinse valve throttled, a leak past it',
    }),
  ],
];
