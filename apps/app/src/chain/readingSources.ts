import { textOf } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';
import { moveChain } from '@keypost/core/scaling';
import type { ChosenValue, PointChain } from '@keypost/core/scaling';
import { useMemo } from 'react';
import { asProblem } from '../data/asProblem';
import { refusalText } from '../data/refusalText';
import { server } from '../data/server';
import { useLive } from '../data/liveStore';
import type { LiveStore } from '../data/liveStore';
import type { OpenPoint } from '../point/usePoint';
import { arrivedAt, askedAt } from './arriving';
import type { Place } from './arriving';
import { useBench } from './useBench';

/** Somewhere a point's value can be read from, as often as one likes. */
export interface ReadingSource {
  /** What is read, after "Read". */
  readonly name: string;
  /**
   * Begins a row of readings. Each gives the value in the point's unit, out of an answer of its own that came after the
   * one before. @throws Error with a sentence where nothing counts at this moment.
   */
  readonly begin: () => () => Promise<number>;
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

/** Begins a row of raw numbers of a device, each out of an asking of its own. */
export function rawReader(store: LiveStore, data: ChosenValue, place: Place): () => Promise<number> {
  let past = store.asked(askedAt(place));
  return async () => {
    past = await store.askedAfter(askedAt(place), past);
    const { flag, raw } = arrivedAt(store, data, place);
    if (flag !== undefined || raw === undefined)
      throw new Error(`Nothing counts now: ${textOf(flag) ?? 'no value'}.`);
    return raw;
  };
}

/** The device itself, by IO-Link or Modbus. */
export function useDeviceSource(
  point: OpenPoint,
  made: PointChain,
  data: ChosenValue,
  place: Place,
): ReadingSource {
  const store = useLive(point.view.id);
  return useMemo(
    () => ({
      name: 'the device',
      begin: () => {
        const next = rawReader(store, data, place);
        return async () => valueAt(made, 'counts', await next());
      },
    }),
    [made, store, data, place],
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
            begin: () => async () => {
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
