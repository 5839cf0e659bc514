import type { CalibrationTables } from '@keypost/core/sensing';
import type { TablePoint } from '@keypost/core/model';
import { Circle, Path, Rect } from 'react-native-svg';
import { useTokens } from '../ui/theme';
import { Axes, pathOf } from '../drawing/Axes';
import type { Frame } from '../drawing/Axes';

const places = (points: readonly TablePoint[]) =>
  [...points].sort((a, b) => a.in - b.in).map((point) => [point.in, point.out] as const);

/** Both tables of a point in one drawing: squares from the workshop, rings from the field. */
export function TablesChart({
  tables: { workshop, field },
  units: { unitIn, unitOut },
}: {
  tables: CalibrationTables;
  units: { unitIn: string; unitOut: string };
}) {
  const all = [...(workshop?.points ?? []), ...field];
  if (all.length < 2) return null;
  const ends = (values: readonly number[], unit: string) => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const room = 0.04 * (high - low);
    return { low: low - room, high: high + room, unit };
  };
  const across = ends(
    all.map((point) => point.in),
    unitIn,
  );
  const up = ends(
    all.map((point) => point.out),
    unitOut,
  );
  if (across.low === across.high || up.low === up.high) return null;
  return (
    <Axes label="Both tables" across={across} up={up} height={210}>
      {(frame) => (
        <>
          {workshop && <Workshop frame={frame} points={workshop.points} />}
          <FieldPoints frame={frame} points={field} />
        </>
      )}
    </Axes>
  );
}

function Workshop({ frame, points }: { frame: Frame; points: readonly TablePoint[] }) {
  const { accent } = useTokens();
  return (
    <>
      <Path d={pathOf(frame, places(points))} stroke={accent} strokeWidth={2.5} fill="none" />
      {points.map((point) => (
        <Rect
          key={point.in}
          x={frame.x(point.in) - 4}
          y={frame.y(point.out) - 4}
          width={8}
          height={8}
          fill={accent}
        />
      ))}
    </>
  );
}

function FieldPoints({ frame, points }: { frame: Frame; points: readonly TablePoint[] }) {
  const { ink, bone } = useTokens();
  return (
    <>
      {points.length > 1 && (
        <Path
          d={pathOf(frame, places(points))}
          stroke={ink}
          strokeWidth={2}
          strokeDasharray="4 4"
          fill="none"
        />
      )}
      {points.map((point) => (
        <Circle
          key={point.in}
          cx={frame.x(point.in)}
          cy={frame.y(point.out)}
          r={5}
          fill={bone}
          stroke={ink}
          strokeWidth={2.4}
        />
      ))}
    </>
  );
}
