import { textOf } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';
import { moveChain } from '@keypost/core/scaling';
import type { ChosenValue, PointChain } from '@keypost/core/scaling';
import { useEffect, useMemo, useRef } from 'react';
import { asProblem } from '../data/asProblem';
import { refusalText } from '../data/refusalText';
import { server } from '../data/server';
import type { OpenPoint } from '../point/usePoint';
import { useArriving } from './arriving';
import type { Place } from './arriving';
import { useBench } from './useBench';

/** Somewhere a point's value can be read from, as often as one likes. */
export interface ReadingSource {
  /** What is read, after "Read". */
  readonly name: string;
  /** The value in the point's unit. @throws Error with a sentence where nothing counts at this moment. */
  readonly read: () => Promise<number>;
}

/** What a link of the chain stands for in the point's unit. @throws Error with a sentence. */
function valueAt({ chain }: PointChain, key: 'counts' | 'signal', at: number): number {
  try {
    return moveChain(chain, key, at).rows.value.value;
  } catch (error) {
    if (error instanceof JobProblem) throw new Error(refusalText(error), { cause: error });
    throw error;
  }
}

/** The device itself, by IO-Link or Modbus. */
export function useDeviceSource(
  point: OpenPoint,
  made: PointChain,
  data: ChosenValue,
  place: Place,
): ReadingSource {
  const arriving = useArriving(point, data, place);
  const now = useRef(arriving);
  useEffect(() => {
    now.current = arriving;
  }, [arriving]);
  return useMemo(
    () => ({
      name: 'the device',
      read: () => {
        const { asked, flag, raw } = now.current;
        if (asked) return Promise.reject(new Error('No answer yet.'));
        if (flag !== undefined || raw === undefined)
          return Promise.reject(new Error(`Nothing counts now: ${textOf(flag) ?? 'no value'}.`));
        return new Promise((done) => done(valueAt(made, 'counts', raw)));
      },
    }),
    [made],
  );
}

/** A bench source that stands in for the sensor, by what it measures at its own terminals. */
export function useBenchSource(made: PointChain): ReadingSource | undefined {
  const { unit } = made.chain.sensor.signal;
  const { link } = useBench(unit);
  return useMemo(
    () =>
      link === undefined
        ? undefined
        : {
            name: 'the bench source',
            read: async () => {
              try {
                const { measured } = await server('measure', { body: { link, unit } });
                return valueAt(made, 'signal', measured);
              } catch (error) {
                if (error instanceof Error && error.cause instanceof JobProblem) throw error;
                throw new Error(textOf(asProblem(error).details.message), { cause: error });
              }
            },
          },
    [link, unit, made],
  );
}
