import { sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { LoopView } from '@keypost/core/presentation';
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
import { lampAt } from './fixedMarks';
import type { LoopLayout, PlacedCard, Shows, Spot } from './sheet';

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
  shows = 'names',
  width,
  leads,
  onTouch,
}: {
  view: LoopView;
  shows?: Shows;
  width: number;
  leads: Leads;
  onTouch: (ref: string) => void;
}) {
  const layout = useMemo(() => layOut(view, shows), [view, shows]);
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

/** The loop as a picture, with leads on two terminals and nothing to touch. */
export function LoopPicture({
  view,
  width,
  leads,
  suspected,
}: {
  view: LoopView;
  width: number;
  leads: Leads;
  /** Devices, modules and supplies that are drawn as suspected. */
  suspected?: ReadonlySet<string>;
}) {
  const layout = useMemo(() => layOut(view, 'names'), [view]);
  return (
    <View
      style={{ width, height: layout.height * (width / layout.width) }}
      role="img"
      aria-label={textOf(view.summary)}
    >
      <LoopSheet view={view} layout={layout} width={width} leads={leads} suspected={suspected} />
    </View>
  );
}

/** The sheet itself, without anything to touch. */
function LoopSheet({
  view,
  layout,
  width,
  leads,
  suspected,
}: {
  view: LoopView;
  layout: LoopLayout;
  width: number;
  leads?: Leads;
  suspected?: ReadonlySet<string>;
}) {
  const scale = width / layout.width;
  return (
    <Svg width={width} height={layout.height * scale} viewBox={`0 0 ${layout.width} ${layout.height}`}>
      <Rails layout={layout} />
      {layout.plates.map((placed) => (
        <Card
          key={placed.plate.id}
          placed={placed}
          isSuspected={suspected?.has(placed.plate.id.replace(/\/.*$/, ''))}
        />
      ))}
      {layout.empty && <PlateBox box={layout.empty} rim="empty" />}
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
      {layout.texts.map((letters) => (
        <Lettering key={letters.key} letters={letters} />
      ))}
      {layout.values.map((value, i) => (
        <ValueCard key={i} value={value} wrong={i === 0 && view.signal.volts === 'floating'} />
      ))}
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

function Rails({ layout: { rails, top, bottom } }: { layout: LoopLayout }) {
  const { ink } = useTokens();
  return rails.map(({ ref, x }) => (
    <Line
      key={ref}
      x1={x}
      y1={top + 3}
      x2={x}
      y2={bottom}
      stroke={ink}
      strokeWidth={7}
      strokeLinecap="round"
    />
  ));
}

function Card({ placed, isSuspected = false }: { placed: PlacedCard; isSuspected?: boolean }) {
  const { led } = placed.plate;
  return (
    <>
      <PlateBox box={placed} rim={isSuspected ? 'suspected' : 'whole'} />
      {led && <LedLight {...lampAt(placed)} on={led.on} colour={LAMPS[led.colour]} />}
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
      {layout.wires.map(({ wire, points: path, arrow }) => (
        <FlowLine key={wire.id} path={path} amps={wire.amps} arrow={arrow} />
      ))}
    </>
  );
}
