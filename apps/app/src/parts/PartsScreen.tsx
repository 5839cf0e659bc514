import { Fragment } from 'react';
import { useSave } from '../data/useSave';
import { VerdictWords } from '../land/VerdictWords';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { AddPart } from './AddPart';
import { FiguresPlate } from './FiguresPlate';
import { PartPlate } from './PartPlate';
import { PortSettings } from './PortSettings';

/** What belongs to a point: its device, relays, loads and resistors, with the switches and parameters that count. */
export function PartsScreen() {
  return <PointSubPage title="Parts and switches">{(point) => <Parts point={point} />}</PointSubPage>;
}

function Parts({ point }: { point: OpenPoint }) {
  const saver = useSave(point.view);
  const { context } = point.analysis;
  const modules = [...new Map(context.ports.map(({ module }) => [module.id, module])).values()];
  return (
    <>
      <VerdictWords point={point} saver={saver} />
      <PortSettings point={point} saver={saver} />
      <PartPlate point={point} device={context.device} saver={saver} />
      <FiguresPlate point={point} part={context.device} saver={saver} />
      {context.helpers.map((helper) => (
        <Fragment key={helper.id}>
          <PartPlate point={point} device={helper} saver={saver} removable />
          <FiguresPlate point={point} part={helper} saver={saver} />
        </Fragment>
      ))}
      {modules.map((module) => (
        <FiguresPlate key={module.id} point={point} part={module} saver={saver} />
      ))}
      <AddPart point={point} />
    </>
  );
}
