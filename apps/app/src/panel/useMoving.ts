import type { JobView } from '@keypost/api';
import { applyChange, NOBODY, portFits } from '@keypost/core/job';
import { statusIn } from '@keypost/core/verdict';
import type { Change, ChannelPlace, JobIndex } from '@keypost/core/job';
import type { VerdictStatus } from '@keypost/core/verdict';
import { useMemo, useState } from 'react';

/** A cell while something is moved: not concerned, one that can be picked, the picked one, one where it fits, the chosen one. */
type CellState = 'rest' | 'idle' | 'source' | 'picked' | 'target' | 'chosen';

/** Moving a device to another channel: first it is picked, then the place where it goes. */
export interface Moving {
  readonly on: boolean;
  readonly pointId?: string;
  readonly place?: ChannelPlace;
  /** What the circuit would say at the chosen place. */
  readonly status?: VerdictStatus;
  readonly change?: Change;
  readonly stateOf: (place: ChannelPlace, pointId: string | undefined) => CellState;
  readonly touch: (place: ChannelPlace, pointId: string | undefined) => void;
  readonly begin: () => void;
  readonly end: () => void;
}

const same = (a: ChannelPlace | undefined, b: ChannelPlace): boolean =>
  a?.moduleId === b.moduleId && a.channel === b.channel;

export function useMoving(view: JobView | undefined, index: JobIndex | undefined): Moving {
  const [on, setOn] = useState(false);
  const [pointId, setPointId] = useState<string>();
  const [place, setPlace] = useState<ChannelPlace>();
  const picked = index && pointId ? index.point(pointId) : undefined;
  const change: Change | undefined = pointId && place ? { kind: 'assign', pointId, place } : undefined;
  const status = useMemo(() => {
    if (!view || !pointId || !place) return undefined;
    const moved = applyChange(view.content, { kind: 'assign', pointId, place }, NOBODY);
    return statusIn(moved, pointId);
  }, [view, pointId, place]);
  const stateOf = (at: ChannelPlace, holder: string | undefined): CellState => {
    if (!on) return 'rest';
    if (!index || !picked) return holder ? 'source' : 'idle';
    if (holder === pointId) return 'picked';
    if (same(place, at)) return 'chosen';
    const type = index.deviceType(index.deviceOf(picked));
    return !holder && portFits(type, index.outputOf(picked), index.port(at)) ? 'target' : 'idle';
  };
  const clear = () => {
    setPointId(undefined);
    setPlace(undefined);
  };
  return {
    on,
    pointId,
    place,
    status,
    change,
    stateOf,
    touch: (at, holder) => {
      if (holder && holder === pointId) clear();
      else if (holder) setPointId(holder);
      else setPlace(at);
    },
    begin: () => setOn(true),
    end: () => {
      clear();
      setOn(false);
    },
  };
}
