import { openCase, ownWires, planDifferences } from '@keypost/core/job';
import { keptPhotos } from '@keypost/core/model';
import { counted, photosOfPoint } from '../photo/photosOf';
import type { OpenPoint } from '../point/usePoint';
import { MoreRow } from '../ui/MoreRow';
import { Card } from '../ui/Card';

/** The ways to the point's further pages, each with what stands there now. */
export function MoreCard({ point }: { point: OpenPoint }) {
  const { context } = point.analysis;
  const { index, helpers, output } = context;
  const wires = ownWires(index, context.point);
  const other = planDifferences(index, wires).length;
  const open = openCase(index.job, context.point.id);
  const rows = [
    {
      to: 'fault',
      label: 'It does not work',
      hint: open ? `open: ${open.symptom}` : 'what to look at next, and what it can be',
      loud: open !== undefined,
    },
    {
      to: 'wires',
      label: 'Wires as found',
      hint: other ? `${other} other than planned` : `${wires.length}, all as planned`,
      loud: other > 0,
    },
    {
      to: 'photos',
      label: 'Photos',
      hint: counted(keptPhotos(photosOfPoint(index.job, context.point.id)).length),
      loud: false,
    },
    {
      to: 'parts',
      label: 'Parts and switches',
      hint: [context.device, ...helpers].map(({ tag }) => tag).join(', '),
      loud: false,
    },
    ...(output.drivenBy === 'target' || output.drivenBy === 'value'
      ? [{ to: 'switch', label: 'Switch', hint: 'thresholds, alarms, teach', loud: false }]
      : []),
    ...(point.type.description.sensitivity
      ? [{ to: 'switch/teach', label: 'Sensitivity', hint: 'between object and background', loud: false }]
      : []),
    ...(output.landsOn === 'switched' && output.drivenBy === 'target'
      ? [{ to: 'relay', label: 'Plan a relay', hint: 'poles, contacts, terminals', loud: false }]
      : []),
  ];
  return (
    <Card title="More">
      {rows.map(({ to, label, hint, loud }, i) => (
        <MoreRow key={to} to={`${point.base}/${to}`} label={label} hint={hint} loud={loud} first={i === 0} />
      ))}
    </Card>
  );
}
