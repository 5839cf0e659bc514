import { Circle, G, Line, Path, Polyline, Rect, Text as SvgText } from 'react-native-svg';
import { useScheme, useTokens } from '../ui/look';
import { PATH } from '../ui/tokens';
import type { Box, Gap, PlacedWire, Slot, Spot } from './layout';
import { WIRE_HEX } from './wireColours';

export const points = (spots: readonly Spot[]): string => spots.map(({ x, y }) => `${x},${y}`).join(' ');

type Anchor = 'start' | 'middle' | 'end';

/** Lettering of the drawing: words in the one face, numbers and terminals in the other. */
export function Lettering({
  x,
  y,
  children,
  size = 15,
  face = 'words',
  colour,
  anchor = 'start',
}: Spot & {
  children: string;
  size?: number;
  face?: 'words' | 'bold' | 'mono' | 'monobold';
  colour?: string;
  anchor?: Anchor;
}) {
  const { ink } = useTokens();
  const family = {
    words: 'AtkinsonHyperlegibleNext_400Regular',
    bold: 'AtkinsonHyperlegibleNext_700Bold',
    mono: 'AtkinsonHyperlegibleMono_500Medium',
    monobold: 'AtkinsonHyperlegibleMono_700Bold',
  }[face];
  return (
    <SvgText x={x} y={y} fontSize={size} fontFamily={family} fill={colour ?? ink} textAnchor={anchor}>
      {children}
    </SvgText>
  );
}

export function PlateBox({ box, dashed = false }: { box: Box; dashed?: boolean }) {
  const { plate, edge } = useTokens();
  return (
    <Rect
      x={box.x}
      y={box.y}
      width={box.width}
      height={box.height}
      rx={11}
      fill={dashed ? 'none' : plate}
      stroke={edge}
      strokeWidth={1.5}
      strokeDasharray={dashed ? '6 5' : undefined}
    />
  );
}

/** A wire in its insulation colour with a rim, its letters above and its number below. */
export function WireLine({ placed: { wire, from, to, label } }: { placed: PlacedWire }) {
  const { ink, soft } = useTokens();
  const dark = useScheme() === 'dark';
  const upright = from.x === to.x;
  const rim = dark ? '#8B938C' : ink;
  return (
    <G>
      <Line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={rim} strokeWidth={8} />
      <Line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={WIRE_HEX[wire.colour]} strokeWidth={5.5} />
      <Lettering
        x={label.x}
        y={upright ? label.y - 3 : label.y - 9}
        size={14}
        face="bold"
        anchor={upright ? 'end' : 'middle'}
      >
        {wire.colour}
      </Lettering>
      <Lettering
        x={label.x}
        y={upright ? label.y + 14 : label.y + 19}
        size={12}
        face="mono"
        colour={soft}
        anchor={upright ? 'end' : 'middle'}
      >
        {wire.number}
      </Lettering>
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

/** The switching element: our slot. Closed, a key fills it; open, its two ends stand apart. */
export function SlotSwitch({ slot: { x, y, closed } }: { slot: Slot }) {
  const { accent, plate, ink } = useTokens();
  const half = { width: 23, height: 10 };
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

/** A small round light; on, it has a broken halo. */
export function LampLight({ x, y, on, colour }: Spot & { on: boolean; colour: string }) {
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

/** The current's way: dashes that move in the sense of the conventional current. */
export function FlowLine({ path }: { path: readonly Spot[] }) {
  return (
    <Polyline
      points={points(path)}
      fill="none"
      stroke={PATH}
      strokeWidth={4}
      strokeDasharray="10 6"
      strokeLinejoin="round"
      // @ts-expect-error className reaches the page's style sheet, which moves the dashes
      className="flow"
    />
  );
}

export function FlowArrow({ x, y, down }: Spot & { down: boolean }) {
  const { ink } = useTokens();
  const tip = down ? 9 : -9;
  const d = `M${x - 9} ${y - tip / 2} L${x} ${y + tip} L${x + 9} ${y - tip / 2}`;
  return (
    <G>
      <Path d={d} fill="none" stroke={ink} strokeWidth={7} strokeLinejoin="round" strokeLinecap="round" />
      <Path d={d} fill="none" stroke={PATH} strokeWidth={4} strokeLinejoin="round" strokeLinecap="round" />
    </G>
  );
}

/** A value at the wire. */
export function ValuePlate({ x, y, children, wrong = false }: Spot & { children: string; wrong?: boolean }) {
  const { plate, edge, fail, failwash } = useTokens();
  const width = children.length * 9.2 + 18;
  return (
    <G>
      <Rect
        x={x}
        y={y - 13}
        width={width}
        height={26}
        rx={6}
        fill={wrong ? failwash : plate}
        stroke={wrong ? fail : edge}
        strokeWidth={1.5}
      />
      <Lettering
        x={x + width / 2}
        y={y + 5.5}
        face="monobold"
        anchor="middle"
        colour={wrong ? fail : undefined}
      >
        {children}
      </Lettering>
    </G>
  );
}

/** An input's series resistor; where no current can pass, a bar across it and the reason in place of its value. */
export function ResistorBox({ x, y, value, stopped }: Spot & { value: string; stopped?: string }) {
  const { plate, ink, soft, fail } = useTokens();
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
      <Lettering
        x={x}
        y={y - 17}
        size={13}
        face={stopped ? 'bold' : 'mono'}
        anchor="middle"
        colour={stopped ? fail : soft}
      >
        {stopped ?? value}
      </Lettering>
    </G>
  );
}

/** A terminal: a white ring; a lead of the meter on it says which. */
export function TerminalRing({ x, y, lead }: Spot & { lead?: 'red' | 'black' }) {
  const { ink, plate, accent } = useTokens();
  return (
    <G>
      {lead && <Circle cx={x} cy={y} r={15} fill={plate} stroke={accent} strokeWidth={3} />}
      <Circle cx={x} cy={y} r={8} fill={lead ? accent : '#FFFFFF'} stroke={ink} strokeWidth={2.4} />
      {lead && <Line x1={x - 4.5} y1={y} x2={x + 4.5} y2={y} stroke={plate} strokeWidth={2.4} />}
      {lead === 'red' && <Line x1={x} y1={y - 4.5} x2={x} y2={y + 4.5} stroke={plate} strokeWidth={2.4} />}
    </G>
  );
}
