import type { Status as StatusKind } from '@keypost/core/proving';
import Svg, { Circle, Path, Rect } from 'react-native-svg';
import { useTokens } from './theme';

/** Words for each mark; they stand for the mark wherever it is read aloud. */
export const MARK_TEXT: Record<StatusKind, string> = {
  open: 'to do',
  underway: 'under way',
  proven: 'done',
  failed: 'failed',
  doubtful: 'doubtful',
  cannot: 'cannot work',
};

/** A mark: told by its shape first, by its colour second. */
export function StatusIcon({ kind, size = 22, label }: { kind: StatusKind; size?: number; label?: string }) {
  return (
    <Svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      style={{ flexShrink: 0 }}
      role="img"
      aria-label={label ?? MARK_TEXT[kind]}
    >
      <Shape kind={kind} />
    </Svg>
  );
}

function Shape({ kind }: { kind: StatusKind }) {
  const t = useTokens();
  switch (kind) {
    case 'proven':
      return (
        <>
          <Circle cx={12} cy={12} r={10.5} fill={t.pass} />
          <Rect x={10.4} y={5.5} width={3.2} height={9} rx={1.2} fill={t.plate} />
        </>
      );
    case 'open':
      return (
        <>
          <Circle cx={12} cy={12} r={9.3} fill="none" stroke={t.soft} strokeWidth={2.4} />
          <Rect x={10.7} y={6.5} width={2.6} height={6.5} rx={1} fill={t.soft} />
        </>
      );
    case 'underway':
      return (
        <>
          <Circle cx={12} cy={12} r={9.3} fill="none" stroke={t.accent} strokeWidth={2.4} />
          <Path d="M2.7 12 A9.3 9.3 0 0 0 21.3 12 Z" fill={t.accent} />
        </>
      );
    case 'failed':
      return (
        <>
          <Rect x={2} y={2} width={20} height={20} rx={3} fill={t.fail} />
          <Rect x={6} y={10} width={12} height={4} rx={1} fill={t.plate} />
        </>
      );
    case 'doubtful':
      return (
        <>
          <Path
            d="M12 3.6 L21.4 20.4 L2.6 20.4 Z"
            fill="none"
            stroke={t.wait}
            strokeWidth={2.4}
            strokeLinejoin="round"
          />
          <Rect x={10.7} y={9.5} width={2.6} height={5} rx={1} fill={t.wait} />
          <Rect x={10.7} y={16} width={2.6} height={2.6} rx={1} fill={t.wait} />
        </>
      );
    case 'cannot':
      return (
        <>
          <Path d="M12 2 L23 21.5 L1 21.5 Z" fill={t.fail} strokeLinejoin="round" />
          <Rect x={10.7} y={8.5} width={2.6} height={6.5} rx={1} fill={t.plate} />
          <Rect x={10.7} y={16.5} width={2.6} height={2.6} rx={1} fill={t.plate} />
        </>
      );
  }
}
