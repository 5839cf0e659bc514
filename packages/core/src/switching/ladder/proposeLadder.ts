import type { LadderPlan, Level } from '../../model/index.ts';
import type { BandOf } from './checkLadder.ts';
import type { Ladder } from './ladder.ts';

/** Usual ladders to begin with: what somebody wants of them. */
export const LADDER_KINDS = ['warn', 'pauseStop', 'warnPauseStop', 'stopBelow'] as const;
export type LadderKind = (typeof LADDER_KINDS)[number];

const usual = (
  level: Pick<Level, 'id' | 'name' | 'does' | 'clearedBy' | 'delay'>,
): Omit<Level, 'limit' | 'hysteresis'> => ({
  direction: 'above',
  onFault: 'acts',
  keptOverPowerCut: level.clearedBy !== 'itself',
  ...level,
});

const WARN = usual({ id: 'l1', name: 'Warning', does: ['show', 'lamp'], clearedBy: 'itself', delay: 10 });
const PAUSE = usual({
  id: 'l2',
  name: 'Pause',
  does: ['show', 'flash', 'pause'],
  clearedBy: 'operator',
  delay: 10,
});
const STOP = usual({
  id: 'l3',
  name: 'Stop',
  does: ['show', 'lamp', 'sound', 'stop', 'lock'],
  clearedBy: 'key',
  delay: 2,
});

/** Where the levels of each kind stand, as shares of the range. */
const PLACED: Readonly<
  Record<LadderKind, readonly (readonly [Omit<Level, 'limit' | 'hysteresis'>, number])[]>
> = {
  warn: [[WARN, 0.8]],
  pauseStop: [
    [PAUSE, 0.7],
    [STOP, 0.85],
  ],
  warnPauseStop: [
    [WARN, 0.55],
    [PAUSE, 0.7],
    [STOP, 0.85],
  ],
  stopBelow: [
    [
      {
        ...STOP,
        direction: 'below',
        name: 'Too low',
        does: ['show', 'lamp', 'sound', 'stop'],
        clearedBy: 'operator',
      },
      0.2,
    ],
  ],
};

/** A number with so many significant digits. */
const digits = (value: number, count: number): number => Number(value.toPrecision(count));

/** A ladder to begin with, sound over a range and its bands; each number of it is to be looked at. */
export function proposeLadder(
  kind: LadderKind,
  unit: string,
  range: Ladder['range'],
  bandOf: BandOf,
): LadderPlan {
  const span = range.high - range.low;
  const levels = PLACED[kind].map(([level, share]): Level => {
    const limit = digits(range.low + share * span, 3);
    return { ...level, limit, hysteresis: digits(Math.max(0.02 * span, 2.2 * bandOf(limit)), 2) };
  });
  return {
    unit,
    levels,
    startUp: 0,
    faultsWaitToo: false,
    bypass: { seconds: 0, ends: true, shown: true },
  };
}
