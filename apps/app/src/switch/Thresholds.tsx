import { textOf } from '@keypost/core/messages';
import { outputsOf, outputStep } from '@keypost/core/switching';
import type { PointOutput } from '@keypost/core/switching';
import type { StampedStep } from '@keypost/core/presentation';
import { written } from '@keypost/core/units';
import { useMemo } from 'react';
import type { OpenPoint } from '../point/usePoint';
import { Card } from '../ui/Card';
import { MoreRow } from '../ui/MoreRow';

/** That each threshold in which nothing was found is set where it is decided. */
export const thresholdSteps = ({ analysis }: OpenPoint): StampedStep[] =>
  outputsOf(analysis).flatMap((found) =>
    'problem' in found || found.threshold.findings.length ? [] : [outputStep(analysis, found)],
  );

/** The thresholds of a point that a bit or a relay decides. */
export function Thresholds({ point: { analysis, base } }: { point: OpenPoint }) {
  const outputs = useMemo(() => outputsOf(analysis), [analysis]);
  if (!outputs.length) return null;
  return (
    <Card title="Thresholds">
      {outputs.map((found, i) => (
        <MoreRow
          key={found.output.id}
          first={i === 0}
          to={`${base}/switch/threshold?id=${found.output.id}`}
          label={found.output.name}
          hint={'problem' in found ? textOf(found.problem) : switchesText(found)}
          loud={'problem' in found || found.threshold.findings.length > 0 || found.unsafe.length > 0}
        />
      ))}
    </Card>
  );
}

function switchesText({
  output: { mode, unit, decidedBy },
  threshold,
  unsafe,
  plusMinus,
}: PointOutput): string {
  const at = (value: number): string => `${written(value, 4)} ${unit || 'counts'}`;
  const where =
    mode.kind === 'points'
      ? `on at ${at(mode.set)}, off at ${at(mode.reset)}`
      : `from ${at(mode.low)} to ${at(mode.high)}`;
  const wrong = threshold.findings.length
    ? 'not right yet'
    : unsafe.length
      ? 'a fault leaves it on the wrong side'
      : `±${written(plusMinus, 2)} ${threshold.unit} ${decidedBy === 'relay' ? 'by a relay' : 'in the controller'}`;
  return `${where}; ${wrong}`;
}
