import { textOf } from '@keypost/core/messages';
import { actionText, isPassedOver, isProtective, rhythmOf } from '@keypost/core/switching';
import type { Ladder, LadderFrame, Level } from '@keypost/core/switching';
import { View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { clockText } from './times';

/** How every level stands at a moment, its lamp as it is lit then. */
export function Standing({
  ladder,
  frame,
  at,
  point,
}: {
  ladder: Ladder;
  frame: LadderFrame;
  at: number;
  point: string;
}) {
  const { bypassed, starting, fault } = frame;
  const note = [
    starting && 'starting, no limit counts',
    fault && 'nothing to measure',
    bypassed && 'passed over',
  ].filter(Boolean);
  return (
    <Card
      title={`${point} at ${clockText(at)}`}
      aside={
        note.length > 0 && (
          <Text as="strong" className="text-wait">
            {note.join(', ')}
          </Text>
        )
      }
    >
      {ladder.levels.map((level, i) => {
        const passed = isPassedOver(level, bypassed);
        const stand = frame.levels[i] ?? { called: false, on: false, onSince: 0 };
        const acts = stand.on && !passed;
        return (
          <Row key={level.id} first={i === 0} className="flex-row items-center gap-3 py-2">
            <Lamp level={level} acts={acts} since={stand.onSince} at={at} />
            <View className="min-w-0 flex-1">
              <Text as="strong" className={acts && isProtective(level) ? 'text-fail' : ''}>
                {level.name}
              </Text>
              <Text as="small">{standText(level, stand, passed)}</Text>
            </View>
          </Row>
        );
      })}
    </Card>
  );
}

const KEPT: Readonly<Record<Level['clearedBy'], string>> = {
  itself: 'kept',
  anyone: 'kept until it is cleared',
  operator: 'kept until an operator clears it',
  key: 'kept until the key is turned',
};

function standText(level: Level, { called, on }: { called: boolean; on: boolean }, passed: boolean): string {
  if (on && passed) return 'stands, but is passed over';
  if (on) {
    const does = level.does.map((action) => textOf(actionText(action))).join(', ');
    return called ? does : `${does}; ${KEPT[level.clearedBy]}`;
  }
  return called ? `waits ${level.delay} s` : 'rests';
}

/** A lamp, lit, dark, or in its rhythm. */
function Lamp({ level, acts, since, at }: { level: Level; acts: boolean; since: number; at: number }) {
  const t = useTokens();
  const flashes = level.does.includes('flash');
  const { lit, dark } = rhythmOf(level);
  const isLit = acts && (flashes ? ((at - since) * 1000) % (lit + dark) < lit : level.does.includes('lamp'));
  const has = flashes || level.does.includes('lamp');
  return (
    <Svg
      width={30}
      height={30}
      viewBox="0 0 30 30"
      role="img"
      aria-label={has ? `lamp ${isLit ? 'lit' : 'dark'}` : 'no lamp'}
    >
      <Circle
        cx={15}
        cy={15}
        r={11}
        fill={isLit ? t.wait : 'none'}
        stroke={has ? t.ink : t.edge}
        strokeWidth={2.4}
        {...(!has && { strokeDasharray: '2 4' })}
      />
      {isLit && <Circle cx={15} cy={15} r={5} fill={t.plate} />}
    </Svg>
  );
}
