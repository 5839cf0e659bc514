import { Fragment } from 'react';
import { useSave } from '../data/useSave';
import { AddWire } from '../job/AddWire';
import { VerdictText } from '../point/VerdictText';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Beside } from '../ui/Beside';
import { AddPart } from './AddPart';
import { FiguresCard } from './FiguresCard';
import { PartCard } from './PartCard';
import { PortSettings } from './PortSettings';

/** What belongs to a point: its device, relays, loads and resistors, with the switches and parameters that count. */
export function PartsScreen() {
  return (
    <PointSubPage title="Parts and switches" pair>
      {(point) => <Parts point={point} />}
    </PointSubPage>
  );
}

function Parts({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const { context } = point.analysis;
  const modules = [...new Map(context.ports.map(({ module }) => [module.id, module])).values()];
  return (
    <>
      <VerdictText point={point} saver={saver} />
      <Beside
        left={
          <>
            <PortSettings point={point} saver={saver} />
            <PartCard point={point} device={context.device} saver={saver} />
            <FiguresCard point={point} part={context.device} saver={saver} />
          </>
        }
        right={
          <>
            {context.helpers.map((helper) => (
              <Fragment key={helper.id}>
                <PartCard point={point} device={helper} saver={saver} removable />
                <FiguresCard point={point} part={helper} saver={saver} />
              </Fragment>
            ))}
            {modules.map((module) => (
              <FiguresCard key={module.id} point={point} part={module} saver={saver} />
            ))}
            <AddPart point={point} />
            <AddWire view={point.view} near={[context.device, ...context.helpers].map(({ id }) => id)} />
          </>
        }
      />
    </>
  );
}
