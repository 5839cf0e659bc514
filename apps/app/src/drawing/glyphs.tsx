import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { useTokens } from '../ui/theme';
import type { PlacedGlyph, Spot } from './sheet';

/** What stands between two terminals. Its words are placed with all others. */
export function Glyph({ placed: { glyph, x, y } }: { placed: PlacedGlyph }) {
  const { kind, on, stopped } = glyph;
  switch (kind) {
    case 'slot':
      return <SlotSwitch x={x} y={y} closed={on} />;
    case 'opto':
    case 'resistor':
      return <ResistorBox x={x} y={y} stopped={stopped !== undefined} />;
    case 'coil':
      return <CoilBox x={x} y={y} on={on} />;
    case 'lamp':
      return <LoadLamp x={x} y={y} on={on} />;
    case 'signal':
      return <SignalRound x={x} y={y} />;
    case 'diode':
      return <DiodeMark x={x} y={y} />;
    case 'state':
      return <StateMark x={x} y={y} on={on} />;
    case 'line':
      return null;
  }
}

/** The switching element: our slot. Closed, a key fills it; open, its two ends stand apart. */
function SlotSwitch({ x, y, closed }: Spot & { closed: boolean }) {
  const { accent, plate, ink } = useTokens();
  const half = { width: 21, height: 10 };
  return (
    <G>
      <Rect
        x={x - half.width}
        y={y - half.height}
        width={half.width * 2}
        height={half.height * 2}
        rx={6}
        fill={closed ? accent : plate}
        stroke={ink}
        strokeWidth={2}
      />
      {closed ? (
        <Line x1={x - half.width} y1={y} x2={x + half.width} y2={y} stroke={plate} strokeWidth={2} />
      ) : (
        <>
          <Line x1={x - half.width} y1={y} x2={x - 11} y2={y} stroke={ink} strokeWidth={3} />
          <Line x1={x + 11} y1={y} x2={x + half.width} y2={y} stroke={ink} strokeWidth={3} />
        </>
      )}
    </G>
  );
}

/** A relay's coil: a box whose upright bars stand close while it is in. */
function CoilBox({ x, y, on }: Spot & { on: boolean }) {
  const { plate, ink, accent } = useTokens();
  return (
    <G>
      <Rect
        x={x - 21}
        y={y - 12}
        width={42}
        height={24}
        rx={4}
        fill={on ? accent : plate}
        stroke={ink}
        strokeWidth={2}
      />
      {[-9, -3, 3, 9].map((dx) => (
        <Line
          key={dx}
          x1={x + dx}
          y1={y - 8}
          x2={x + dx}
          y2={y + 8}
          stroke={on ? plate : ink}
          strokeWidth={2}
        />
      ))}
    </G>
  );
}

const LOAD_COLOUR = '#E79C00';

function LoadLamp({ x, y, on }: Spot & { on: boolean }) {
  const { plate, ink } = useTokens();
  return (
    <G>
      {on && (
        <Circle
          cx={x}
          cy={y}
          r={16}
          fill="none"
          stroke={LOAD_COLOUR}
          strokeWidth={2}
          strokeDasharray="4 3.4"
        />
      )}
      <Circle cx={x} cy={y} r={11} fill={on ? LOAD_COLOUR : plate} stroke={ink} strokeWidth={2} />
      <Line x1={x - 11} y1={y} x2={x + 11} y2={y} stroke={ink} strokeWidth={1.5} />
    </G>
  );
}

/** A source of a measuring signal. */
function SignalRound({ x, y }: Spot) {
  const { plate, ink } = useTokens();
  return (
    <G>
      <Circle cx={x} cy={y} r={11} fill={plate} stroke={ink} strokeWidth={2} />
      <Path
        d={`M${x - 6} ${y + 3} Q${x - 3} ${y - 8} ${x} ${y} T${x + 6} ${y - 3}`}
        fill="none"
        stroke={ink}
        strokeWidth={2}
      />
    </G>
  );
}

function DiodeMark({ x, y }: Spot) {
  const { plate, ink } = useTokens();
  return (
    <G>
      <Path
        d={`M${x - 8} ${y - 8} L${x + 6} ${y} L${x - 8} ${y + 8} Z`}
        fill={plate}
        stroke={ink}
        strokeWidth={2}
      />
      <Line x1={x + 7} y1={y - 8} x2={x + 7} y2={y + 8} stroke={ink} strokeWidth={2.5} />
    </G>
  );
}

/** What a part makes of its terminals: a square that is filled while it sees them on. */
function StateMark({ x, y, on }: Spot & { on: boolean }) {
  const { plate, ink, accent } = useTokens();
  return (
    <G>
      <Rect
        x={x - 9}
        y={y - 9}
        width={18}
        height={18}
        rx={4}
        fill={on ? accent : plate}
        stroke={ink}
        strokeWidth={2}
      />
    </G>
  );
}

/** An input's series resistor; where no current can pass, a bar across it and the reason in place of its value. */
function ResistorBox({ x, y, stopped }: Spot & { stopped: boolean }) {
  const { plate, ink, fail } = useTokens();
  return (
    <G>
      <Rect x={x - 23} y={y - 9} width={46} height={18} rx={3} fill={plate} stroke={ink} strokeWidth={2} />
      {stopped && (
        <Line
          x1={x - 13}
          y1={y + 14}
          x2={x + 13}
          y2={y - 14}
          stroke={fail}
          strokeWidth={4}
          strokeLinecap="round"
        />
      )}
    </G>
  );
}
