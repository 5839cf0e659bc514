import type { ReactNode } from 'react';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Notice } from '../ui/Notice';
import { useChain } from './useChain';
import type { ChainMoment } from './useChain';

/** A page about a point's chain that leads back to it; where there is no chain yet, it says why. */
export function ChainSubPage({
  title,
  of = 'scale',
  pair,
  children,
}: {
  title: string;
  /** The stage that it leads back to. */
  of?: 'scale' | 'switch';
  pair?: boolean;
  children: (point: OpenPoint, moment: ChainMoment) => ReactNode;
}) {
  return (
    <PointSubPage title={title} of={of} pair={pair}>
      {(point) => <Chained point={point} render={children} />}
    </PointSubPage>
  );
}

function Chained({
  point,
  render,
}: {
  point: OpenPoint;
  render: (point: OpenPoint, moment: ChainMoment) => ReactNode;
}) {
  const moment = useChain(point);
  return typeof moment === 'string' ? <Notice>{moment}</Notice> : <>{render(point, moment)}</>;
}
