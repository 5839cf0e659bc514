import { FONTS } from '../ui/fonts';
import { Circle, G, Line, Path, Polyline, Rect, Text as SvgText } from 'react-native-svg';
import { useScheme, useTokens } from '../ui/theme';
import { PATH_AMPS } from '@keypost/core/presentation';
import { PATH } from '../ui/tokens';
import type { ArrowSpot, Box, Gap, Letters, PlacedWire, Spot, ValueSpot } from './sheet';
import { WIRE_HEX } from './wireColours';

export const points = (spots: readonly Spot[]): string => spots.map(({ x, y }) => `${x},${y}`).join(' ');

const FAMILY = {
  words: FONTS.words,
  bold: FONTS.bold,
  mono: FONTS.figures,
  monobold: FONTS.boldFigures,
} as const;

/** Lettering of the drawing: words in the one face, numbers and terminals in the other. */
export function Lettering({ letters: { x, y, text, size, face, anchor, tone } }: { letters: Letters }) {
  const tokens = useTokens();
  return (
    <SvgText x={x} y={y} fontSize={size} fontFamily={FAMILY[face]} fill={tokens[tone]} textAnchor={anchor}>
      {text}
    </SvgText>
  );
}

export function PlateBox({ box, rim }: { box: Box; rim: 'whole' | 'empty' | 'suspected' }) {
  const { plate, edge, fail } = useTokens();
  return (
    <Rect
      x={box.x}
      y={box.y}
      width={box.width}
      height={box.height}
      rx={11}
      fill={rim === 'empty' ? 'none' : plate}
      stroke={rim === 'suspected' ? fail : edge}
      strokeWidth={rim === 'suspected' ? 2.5 : 1.5}
      strokeDasharray={rim === 'whole' ? undefined : '6 5'}
    />
  );
}

/** A wire in its insulation colour with a rim; one that is not as planned has a broken rim in the colour of a fault. */
export function WireLine({ placed: { wire, points: path } }: { placed: PlacedWire }) {
  const { ink, fail } = useTokens();
  const dark = useScheme() === 'dark';
  const shape = { points: points(path), fill: 'none', strokeLinejoin: 'round' } as const;
  return (
    <G>
      <Polyline
        {...shape}
        stroke={wire.differs ? fail : dark ? '#8B938C' : ink}
        strokeWidth={wire.differs ? 10 : 8}
        strokeDasharray={wire.differs ? '7 4' : undefined}
      />
      <Polyline {...shape} stroke={WIRE_HEX[wire.colour]} strokeWidth={5.5} />
    </G>
  );
}

/** Letters of a wire's colour and its number; on an upright wire both on a small ground. */
export function WireLabel({ placed: { letters, ground } }: { placed: PlacedWire }) {
  const { bone } = useTokens();
  return (
    <G>
      {ground && <Rect {...ground} rx={5} fill={bone} />}
      {letters.map((one) => (
        <Lettering key={one.key} letters={one} />
      ))}
    </G>
  );
}

/** A terminal with nothing on it: a stub that ends in the air. */
export function GapLine({ gap: { from, to } }: { gap: Gap }) {
  const { fail } = useTokens();
  const upright = from.x === to.x;
  return (
    <G>
      <Line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        stroke={fail}
        strokeWidth={2.5}
        strokeDasharray="4 4"
      />
      <Line
        x1={upright ? to.x - 7 : to.x}
        y1={upright ? to.y : to.y - 7}
        x2={upright ? to.x + 7 : to.x}
        y2={upright ? to.y : to.y + 7}
        stroke={fail}
        strokeWidth={3}
      />
    </G>
  );
}

/** A small round light; on, it has a broken halo. */
export function LedLight({ x, y, on, colour }: Spot & { on: boolean; colour: string }) {
  const { ink, plate } = useTokens();
  return (
    <G>
      {on && (
        <Circle cx={x} cy={y} r={12} fill="none" stroke={colour} strokeWidth={2} strokeDasharray="3.2 3.1" />
      )}
      <Circle cx={x} cy={y} r={7} fill={on ? colour : plate} stroke={ink} strokeWidth={2} />
    </G>
  );
}

/** The current's way: dashes that move in the sense of the conventional current, with an arrowhead on a wire. */
export function FlowLine({ path, amps, arrow }: { path: readonly Spot[]; amps: number; arrow?: ArrowSpot }) {
  const { ink } = useTokens();
  const dark = useScheme() === 'dark';
  if (Math.abs(amps) < PATH_AMPS) return null;
  const way = amps > 0 ? path : [...path].reverse();
  const dashes = (stroke: string, strokeWidth: number) => (
    <Polyline
      points={points(way)}
      fill="none"
      stroke={stroke}
      strokeWidth={strokeWidth}
      strokeDasharray="10 6"
      strokeLinejoin="round"
      // @ts-expect-error className reaches the page's style sheet, which moves the dashes
      className="flow"
    />
  );
  return (
    <G>
      {/* On a light ground yellow alone is not seen: it has a dark rim there. */}
      {!dark && dashes(ink, 6.5)}
      {dashes(PATH, 4)}
      {arrow && <Arrow {...arrow} />}
    </G>
  );
}

function Arrow({ x, y, dx, dy }: ArrowSpot) {
  const { ink } = useTokens();
  // Two wings beside the way, behind the tip.
  const wing = (side: 1 | -1): string => `${x - dx * 4 + dy * 9 * side} ${y - dy * 4 + dx * 9 * side}`;
  const d = `M${wing(1)} L${x + dx * 9} ${y + dy * 9} L${wing(-1)}`;
  return (
    <G>
      <Path d={d} fill="none" stroke={ink} strokeWidth={7} strokeLinejoin="round" strokeLinecap="round" />
      <Path d={d} fill="none" stroke={PATH} strokeWidth={4} strokeLinejoin="round" strokeLinecap="round" />
    </G>
  );
}

/** A value at the wire. */
export function ValueCard({ value, wrong = false }: { value: ValueSpot; wrong?: boolean }) {
  const { plate, edge, fail, failwash } = useTokens();
  const { x, y, width, height, text } = value;
  return (
    <G>
      <Rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={6}
        fill={wrong ? failwash : plate}
        stroke={wrong ? fail : edge}
        strokeWidth={1.5}
      />
      <Lettering
        letters={{
          key: text,
          x: x + width / 2,
          y: y + height / 2 + 5.5,
          text,
          size: 15,
          face: 'monobold',
          anchor: 'middle',
          tone: wrong ? 'fail' : 'ink',
        }}
      />
    </G>
  );
}

/** A terminal: a white ring; a lead of the meter on it says which. */
export function TerminalRing({ x, y, lead }: Spot & { lead?: 'red' | 'black' }) {
  const { ink, plate, accent } = useTokens();
  return (
    <G>
      {lead && <Circle cx={x} cy={y} r={11.5} fill={plate} stroke={accent} strokeWidth={3} />}
      <Circle cx={x} cy={y} r={8} fill={lead ? accent : '#FFFFFF'} stroke={ink} strokeWidth={2.4} />
      {lead && <Line x1={x - 4.5} y1={y} x2={x + 4.5} y2={y} stroke={plate} strokeWidth={2.4} />}
      {lead === 'red' && <Line x1={x} y1={y - 4.5} x2={x} y2={y + 4.5} stroke={plate} strokeWidth={2.4} />}
    </G>
  );
}
