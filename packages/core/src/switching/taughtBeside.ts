import type { Analysis } from '../analysis/index.ts';
import { unlessRefused } from '../model/index.ts';
import type { CalibrationOf, DeviceChannel } from '../model/index.ts';
import type { PointChain } from '../scaling/index.ts';
import { deviceChannels, standingChannel, stepOf } from './deviceChannel.ts';

/** A channel of a device beside what was taught last. All values in the point's unit. */
export interface TaughtBeside {
  readonly channel: DeviceChannel['channel'];
  /** What the readings gave: on and off again, or both ends of a window. */
  readonly ours: readonly [number, number];
  /** The same as the device holds it. */
  readonly stands: readonly [number, number];
  /** Largest distance between the two, and the device's own step: within one the two are the same. */
  readonly apart: number;
  readonly step: number;
}

/** Which kind of mode comes of a kind of teaching. */
const GIVES: Partial<Record<CalibrationOf<'taught'>['how'], DeviceChannel['mode']['kind']>> = {
  margin: 'points',
  two: 'points',
  cycle: 'points',
  window: 'window',
};

/**
 * What the channels of a point's device hold, as they were last read, beside what was taught last from readings. A
 * channel that is off, that nobody read, or that compares in another way is left out.
 */
export function taughtBeside(analysis: Analysis, made: PointChain): TaughtBeside[] {
  const { index, point } = analysis.context;
  const last = index.job.calibrations.findLast(
    ({ pointId, body }) => pointId === point.id && body.kind === 'taught' && body.ok,
  )?.body;
  if (last?.kind !== 'taught' || last.unit !== made.chain.sensor.unit) return [];
  const kind = GIVES[last.how];
  const [first, second] = last.gives;
  if (!kind || first === undefined || second === undefined) return [];
  return deviceChannels(analysis).flatMap((channel): TaughtBeside[] => {
    const logic = point.switching?.channels?.find((one) => one.channel === channel)?.logic ?? 'no';
    const stands = unlessRefused(() => standingChannel(analysis, made, { channel, logic }));
    const step = unlessRefused(() => stepOf(analysis, made, channel));
    if (stands === undefined || stands === 'off' || stands.kind !== kind || step === undefined) return [];
    const ends: TaughtBeside['stands'] =
      stands.kind === 'points' ? [stands.set, stands.reset] : [stands.low, stands.high];
    const apart = Math.max(Math.abs(ends[0] - first), Math.abs(ends[1] - second));
    return [{ channel, ours: [first, second], stands: ends, apart, step }];
  });
}
