import { isProtective, turnsOf } from '@keypost/core/switching';
import { written } from '@keypost/core/units';
import { Axes } from '../drawing/Axes';
import type { Extent } from '../drawing/Axes';
import { Text as Label } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { Course, Cursor, Faults, LimitLine } from './chartParts';
import { Lanes } from './Lanes';
import { clockText, endOf, timeScale, valueAt } from './times';
import type { LadderView } from './ladderView';

/** Course, limits with their bands and hysteresis, and what each level does of it, over one axis of time. */
export function LadderChart(view: LadderView) {
  const { ladder, unit, signal, at } = view;
  const t = useTokens();
  const end = endOf(signal);
  const scale = timeScale(end);
  const across: Extent = { low: 0, high: end / scale.seconds, unit: scale.unit };
  const { low, high } = ladder.range;
  const value = valueAt(signal, at);
  return (
    <>
      <Axes
        label={`The value over time with ${ladder.levels.map(({ name, limit }) => `${name} at ${written(limit, 4)} ${unit}`).join(', ')}; at ${clockText(at)} it is ${written(value, 4)} ${unit}`}
        across={across}
        up={{ low, high: high + 0.04 * (high - low), unit }}
        height={262}
        behind={(frame) => <Faults frame={frame} signal={signal} seconds={scale.seconds} />}
      >
        {(frame) => (
          <>
            {ladder.levels.map((level) => (
              <LimitLine
                key={level.id}
                frame={frame}
                {...turnsOf(level)}
                band={view.bandOf(level.limit)}
                ink={isProtective(level) ? t.fail : t.ink}
                name={`${level.direction === 'above' ? '↑' : '↓'} ${level.name}`}
                above={level.direction === 'above'}
              />
            ))}
            <Course frame={frame} signal={signal} seconds={scale.seconds} />
            <Cursor frame={frame} x={at / scale.seconds} y={value} />
          </>
        )}
      </Axes>
      <Lanes {...view} across={across} seconds={scale.seconds} />
      <Label as="small">A frame: it waits. Full: it acts. Half: kept though nothing calls for it.</Label>
    </>
  );
}
