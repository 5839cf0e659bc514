import type { PointChain } from '@keypost/core/scaling';
import { useMemo } from 'react';
import type { ReactNode } from 'react';
import type { OpenPoint } from '../point/usePoint';
import { placeOf } from './arriving';
import type { Place } from './arriving';
import { useBenchSource, useDeviceSource } from './readingSources';
import type { ReadingSource } from './readingSources';

interface Of {
  readonly point: OpenPoint;
  readonly made: PointChain;
  readonly children: (source: ReadingSource) => ReactNode;
}

/** Something for whatever a point's value can be read from: its device, or a bench source in its place; nothing where neither can be asked. */
export function FromSources(of: Of) {
  const { point, made } = of;
  const { data } = made;
  const place = useMemo(() => data && placeOf(point, data), [point, data]);
  if (data && place) return <FromDevice {...of} data={data} place={place} />;
  return data ? null : <FromBench {...of} />;
}

function FromDevice({
  point,
  made,
  data,
  place,
  children,
}: Of & {
  data: NonNullable<PointChain['data']>;
  place: Place;
}) {
  return <>{children(useDeviceSource(point, made, data, place))}</>;
}

function FromBench({ made, children }: Of) {
  const source = useBenchSource(made);
  return source ? <>{children(source)}</> : null;
}
