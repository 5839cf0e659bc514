import { nth, sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { LoopView, ViewCard } from '@keypost/core/presentation';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Line, Polyline } from 'react-native-svg';
import { useTokens } from '../ui/theme';
import { Glyph } from './glyphs';
import { layOut } from './layout';
import {
  FlowLine,
  GapLine,
  LedLight,
  Lettering,
  PlateBox,
  points,
  TerminalRing,
  ValueCard,
  WireLabel,
  WireLine,
} from './parts';
import type { LoopLayout, PlacedCard, PlacedTerminal, Spot } from './sheet';

/** Lamps are yellow on a sensor and green on an input; the word beside them says the same. */
const LAMPS = { sensor: '#E79C00', input: '#3E9B22' } as const;

export interface Leads {
  readonly red: string;
  readonly black: string;
}

interface TouchSpot extends Spot {
  readonly ref: string;
  readonly label: string;
}

/**
 * The loop: rails, devices, wires, channels, and the current's way through them. Any two terminals can be touched
 * to put the meter on them.
 */
export function LoopDrawing({
  view,
  width,
  leads,
  onTouch,
}: {
  view: LoopView;
  width: number;
  leads: Leads;
  onTouch: (ref: string) => void;
}) {
  const layout = useMemo(() => layOut(view), [view]);
  const scale = width / layout.width;
  const spots = touchSpots(view, layout);
  return (
    <View style={{ width, height: layout.height * scale }} role="group" aria-label={textOf(view.summary)}>
      <LoopSheet view={view} layout={layout} width={width} leads={leads} />
      {spots.map(({ ref, x, y, label }) => (
        <Pressable
          key={ref}
          role="button"
          aria-label={label}
          aria-pressed={leadOn(leads, ref) !== undefined}
          onPress={() => onTouch(ref)}
          style={{
            position: 'absolute',
            left: x * scale - 24,
            top: y * scale - 22,
            width: 48,
            height: 44,
            borderRadius: 22,
          }}
        />
      ))}
    </View>
  );
}

/** The sheet itself, without anything to touch. */
function LoopSheet({
  view,
  layout,
  width,
  leads,
}: {
  view: LoopView;
  layout: LoopLayout;
  width: number;
  leads?: Leads;
}) {
  const scale = width / layout.width;
  return (
    <Svg width={width} height={layout.height * scale} viewBox={`0 0 ${layout.width} ${layout.height}`}>
      <Rails view={view} layout={layout} />
      {layout.plates.map((placed) => (
        <Card key={placed.plate.id} placed={placed} />
      ))}
      <Empty layout={layout} />
      {layout.wires.map((placed) => (
        <WireLine key={placed.wire.id} placed={placed} />
      ))}
      {layout.gaps.map((gap) => (
        <GapLine key={`${gap.from.x}-${gap.from.y}`} gap={gap} />
      ))}
      <Insides layout={layout} />
      {layout.wires.map((placed) => (
        <WireLabel key={placed.wire.id} placed={placed} />
      ))}
      {touchSpots(view, layout).map(({ ref, x, y }) => (
        <TerminalRing key={ref} x={x} y={y} lead={leads && leadOn(leads, ref)} />
      ))}
      {layout.terminals.map((placed) => (
        <TerminalName key={placed.terminal.ref} placed={placed} plates={layout.plates} />
      ))}
      <Values view={view} layout={layout} />
    </Svg>
  );
}

function leadOn({ red, black }: Leads, ref: string): 'red' | 'black' | undefined {
  return ref === red ? 'red' : ref === black ? 'black' : undefined;
}

function touchSpots(view: LoopView, { terminals, rails, bottom }: LoopLayout): TouchSpot[] {
  const seen = new Set<string>();
  return [
    ...rails.map(({ ref, x }) => {
      const { rail, name } = sure(view.rails.find((row) => row.ref === ref));
      const words = rail === '+' ? 'Plus rail' : rail === '-' ? '0 V rail' : `${rail} rail`;
      return { ref, x, y: bottom - 6, label: `${words} of ${name}` };
    }),
    ...terminals.flatMap(({ terminal, owner, x, y }) => {
      if (seen.has(terminal.ref)) return [];
      seen.add(terminal.ref);
      const stack = terminal.stack ? `, ${textOf(terminal.stack)}` : '';
      return [{ ref: terminal.ref, x, y, label: `Terminal ${terminal.name} of ${owner}${stack}` }];
    }),
  ];
}

/** Names of terminals; the leads of a sensor are named by their wires' colours already. */
function TerminalName({
  placed: { terminal, at, x, y },
  plates,
}: {
  placed: PlacedTerminal;
  plates: readonly PlacedCard[];
}) {
  const { soft } = useTokens();
  const named = /^(E-)?(BN|BU|BK|WH)$/.test(terminal.name);
  if (named) return null;
  const text = terminal.printed ? `${terminal.name}\u00a0(${terminal.printed})` : terminal.name;
  if (at === 'above' || at === 'below') {
    // At the left where the plate has its name at its foot: the row's own part stands at the right there.
    const head = plates.find((plate) => at === 'above' && Math.abs(plate.y - y) < 1)?.head;
    const left = head === 'bottom';
    return (
      <Lettering
        x={left ? x - 13 : x + 13}
        y={at === 'above' ? y + 17 : y - 8}
        size={12}
        face="mono"
        colour={soft}
        anchor={left ? 'end' : 'start'}
      >
        {text}
      </Lettering>
    );
  }
  return (
    <Lettering
      x={at === 'left' ? x + 13 : x - 13}
      y={y - 9}
      size={12}
      face="mono"
      colour={soft}
      anchor={at === 'left' ? 'start' : 'end'}
    >
      {text}
    </Lettering>
  );
}

function Rails({ view, layout: { rails, top, bottom } }: { view: LoopView; layout: LoopLayout }) {
  const { ink, soft } = useTokens();
  return rails.map(({ ref, x, side }, i) => {
    const row = sure(view.rails.find((r) => r.ref === ref));
    const before = rails.slice(0, i).filter((rail) => rail.side === side).length;
    const edge = side === 'left' ? 4 + before * 86 : 362 - before * 86;
    const anchor = side === 'left' ? 'start' : 'end';
    return (
      <RailLine
        key={ref}
        x={x}
        top={top}
        bottom={bottom}
        ink={ink}
        name={
          <>
            <Lettering x={edge} y={12} size={12} colour={soft} anchor={anchor}>
              {row.name}
            </Lettering>
            <Lettering x={edge} y={27} size={14} face="monobold" anchor={anchor}>
              {row.volts}
            </Lettering>
          </>
        }
      />
    );
  });
}

function RailLine({
  x,
  top,
  bottom,
  ink,
  name,
}: {
  x: number;
  top: number;
  bottom: number;
  ink: string;
  name: React.ReactNode;
}) {
  return (
    <>
      {name}
      <Line x1={x} y1={top + 3} x2={x} y2={bottom} stroke={ink} strokeWidth={7} strokeLinecap="round" />
    </>
  );
}

const cut = (text: string, letters: number): string =>
  text.length <= letters ? text : `${text.slice(0, Math.max(letters - 1, 1)).trimEnd()}…`;

function Card({ placed }: { placed: PlacedCard }) {
  const { soft } = useTokens();
  const { plate, x, y, height, head, letters } = placed;
  const top = head === 'top' ? y + 24 : y + height - 30;
  const room = plate.led ? letters - 7 : letters;
  return (
    <>
      <PlateBox box={placed} />
      <Lettering x={x + 13} y={top} size={17} face="bold">
        {cut(plate.title, Math.floor(room * 0.8))}
      </Lettering>
      <Lettering
        x={x + 13}
        y={top + 19}
        size={plate.figure ? 14 : 13}
        face={plate.figure ? 'mono' : 'words'}
        colour={soft}
      >
        {plate.figure ?? cut(plate.words, letters)}
      </Lettering>
      {plate.led && <CardLed plate={plate} x={x + placed.width} y={top - 5} />}
    </>
  );
}

function CardLed({ plate: { led }, x, y }: { plate: ViewCard } & Spot) {
  const { soft, wait } = useTokens();
  if (!led) return null;
  return (
    <>
      <LedLight x={x - 22} y={y} on={led.on} colour={LAMPS[led.colour]} />
      <Lettering x={x - 38} y={y + 5} size={13} anchor="end" colour={led.dead ? wait : soft}>
        {led.words}
      </Lettering>
    </>
  );
}

function Empty({ layout: { empty } }: { layout: LoopLayout }) {
  const { soft } = useTokens();
  if (!empty) return null;
  return (
    <>
      <PlateBox box={empty} dashed />
      <Lettering
        x={empty.x + empty.width / 2}
        y={empty.y + empty.height / 2 + 5}
        anchor="middle"
        colour={soft}
      >
        no channel yet
      </Lettering>
    </>
  );
}

function Insides({ layout }: { layout: LoopLayout }) {
  const { ink } = useTokens();
  return (
    <>
      {layout.inner.map(({ points: line }) => (
        <Polyline key={points(line)} points={points(line)} fill="none" stroke={ink} strokeWidth={2} />
      ))}
      {layout.glyphs.map((placed) => (
        <Glyph key={`${placed.x}-${placed.y}`} placed={placed} />
      ))}
      {layout.inner.map((line) => (
        <FlowLine key={points(line.points)} path={line.points} amps={line.amps} />
      ))}
      {layout.wires.map(({ wire, points: path }) => (
        <FlowLine key={wire.id} path={path} amps={wire.amps} arrow />
      ))}
    </>
  );
}

/** Volts and milliamperes of the signal wire; away from it they say of which terminal they are. */
function Values({ view: { signal }, layout: { values } }: { view: LoopView; layout: LoopLayout }) {
  const name = nth(signal.ref.split(':'), 1);
  const volts = signal.across
    ? `${signal.volts} across`
    : values.named
      ? `${name}: ${signal.volts}`
      : signal.volts;
  return (
    <>
      <ValueCard x={values.x} y={values.y - 16} wrong={signal.volts === 'floating'}>
        {volts}
      </ValueCard>
      <ValueCard x={values.x} y={values.y + 16}>
        {signal.amps}
      </ValueCard>
    </>
  );
}
