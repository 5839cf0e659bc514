import type { LoopView } from '@keypost/core';
import { useMemo } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Line, Polyline } from 'react-native-svg';
import { useTokens } from '../ui/look';
import { CHANNEL, layOut, middleOf } from './layout';
import type { LoopLayout, Spot } from './layout';
import {
  FlowArrow,
  FlowLine,
  GapLine,
  LampLight,
  Lettering,
  PlateBox,
  points,
  ResistorBox,
  SlotSwitch,
  TerminalRing,
  ValuePlate,
  WireLine,
} from './parts';

/** Lamps are yellow on a sensor and green on an input; the word beside them says the same. */
const SENSOR_LAMP = '#E79C00';
const INPUT_LAMP = '#3E9B22';

export interface Leads {
  readonly red: string;
  readonly black: string;
}

interface TouchSpot extends Spot {
  readonly ref: string;
  readonly label: string;
}

/**
 * The loop: rails, device, wires, channel, and the current's way through them. Any two terminals can be touched
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
    <View style={{ width, height: layout.height * scale }} role="group" aria-label={describe(view)}>
      <Svg width={width} height={layout.height * scale} viewBox={`0 0 ${layout.width} ${layout.height}`}>
        <Rails view={view} layout={layout} />
        <Plates view={view} layout={layout} />
        {layout.wires.map((placed) => (
          <WireLine key={`${placed.wire.id}-${placed.from.x}-${placed.from.y}`} placed={placed} />
        ))}
        {layout.gaps.map((gap) => (
          <GapLine key={`${gap.from.x}-${gap.from.y}`} gap={gap} />
        ))}
        <Insides view={view} layout={layout} />
        {spots.map(({ ref, x, y }) => (
          <TerminalRing key={ref} x={x} y={y} lead={leadOn(leads, ref)} />
        ))}
        <Values view={view} layout={layout} />
      </Svg>
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
            top: y * scale - 24,
            width: 48,
            height: 48,
            borderRadius: 24,
          }}
        />
      ))}
    </View>
  );
}

function leadOn({ red, black }: Leads, ref: string): 'red' | 'black' | undefined {
  return ref === red ? 'red' : ref === black ? 'black' : undefined;
}

function touchSpots(view: LoopView, { terminals, rails }: LoopLayout): TouchSpot[] {
  return [
    { ref: view.rails.plusRef, x: rails.plus, y: rails.bottom - 6, label: `Plus rail of ${view.rails.name}` },
    {
      ref: view.rails.minusRef,
      x: rails.minus,
      y: rails.bottom - 6,
      label: `0 V rail of ${view.rails.name}`,
    },
    ...terminals.map(({ terminal, owner, x, y }) => ({
      ref: terminal.ref,
      x,
      y,
      label: `Terminal ${terminal.name} of ${owner}`,
    })),
  ];
}

function describe({ device, input, flow, volts, amps }: LoopView): string {
  const way =
    flow === 'toInput'
      ? 'current flows from the device into the input'
      : flow === 'fromInput'
        ? 'current flows from the input into the device'
        : 'no current in the signal wire';
  return `Loop of ${device.tag}, ${device.words}${input ? `, on ${input.title}` : ''}: ${way}; ${volts}, ${amps}`;
}

function Rails({ view, layout: { rails } }: { view: LoopView; layout: LoopLayout }) {
  const { ink, soft } = useTokens();
  return (
    <>
      <Lettering x={4} y={14} size={13} colour={soft}>{`${view.rails.name} plus`}</Lettering>
      <Lettering x={4} y={29} size={14} face="monobold">
        {view.rails.plusVolts}
      </Lettering>
      <Lettering x={362} y={14} size={13} colour={soft} anchor="end">{`${view.rails.name} minus`}</Lettering>
      <Lettering x={362} y={29} size={14} face="monobold" anchor="end">
        0 V
      </Lettering>
      {[rails.plus, rails.minus].map((x) => (
        <Line
          key={x}
          x1={x}
          y1={rails.top + 3}
          x2={x}
          y2={rails.bottom}
          stroke={ink}
          strokeWidth={7}
          strokeLinecap="round"
        />
      ))}
    </>
  );
}

function Plates({ view, layout }: { view: LoopView; layout: LoopLayout }) {
  const { soft } = useTokens();
  const { device, input, emitter } = layout;
  return (
    <>
      <PlateBox box={device} />
      <Lettering x={device.x + 13} y={device.y + 25} size={17} face="bold">
        {view.device.tag}
      </Lettering>
      <Lettering x={device.x + 13} y={device.y + 45} size={13} colour={soft}>
        {view.device.words}
      </Lettering>
      {emitter && (
        <>
          <PlateBox box={emitter} />
          <Lettering x={emitter.x + 13} y={emitter.y + 24} size={14} colour={soft}>
            emitter
          </Lettering>
        </>
      )}
      <PlateBox box={input} dashed={!view.input} />
      {!view.input && (
        <Lettering
          x={input.x + input.width / 2}
          y={input.y + input.height / 2 + 5}
          anchor="middle"
          colour={soft}
        >
          no channel yet
        </Lettering>
      )}
    </>
  );
}

function Insides({ view, layout }: { view: LoopView; layout: LoopLayout }) {
  const { ink } = useTokens();
  return (
    <>
      {layout.inner.map((line) => (
        <Polyline key={points(line)} points={points(line)} fill="none" stroke={ink} strokeWidth={2} />
      ))}
      {layout.slots.map((slot) => (
        <SlotSwitch key={slot.x} slot={slot} />
      ))}
      {view.input && layout.resistor && (
        <ResistorBox {...layout.resistor} value={view.input.kilohms} stopped={view.input.stopped} />
      )}
      {layout.path && <FlowLine path={layout.path} />}
      {layout.path && <FlowArrow {...middleOf(layout)} down={view.flow === 'toInput'} />}
      <DeviceLamp view={view} layout={layout} />
      <InputWords view={view} layout={layout} />
    </>
  );
}

function DeviceLamp({ view: { device }, layout }: { view: LoopView; layout: LoopLayout }) {
  const { soft, wait } = useTokens();
  const { x, y, width } = layout.device;
  if (!device.hasLamp) return null;
  return (
    <>
      <LampLight x={x + width - 22} y={y + 20} on={device.lampOn} colour={SENSOR_LAMP} />
      <Lettering x={x + width - 40} y={y + 25} size={13} anchor="end" colour={device.powered ? soft : wait}>
        {device.powered ? (device.lampOn ? 'on' : 'off') : 'dead'}
      </Lettering>
    </>
  );
}

function InputWords({ view: { input }, layout }: { view: LoopView; layout: LoopLayout }) {
  const { soft } = useTokens();
  const { x, y, width, height } = layout.input;
  if (!input) return null;
  const left = layout.commonSide === 'left';
  return (
    <>
      <Lettering
        x={left ? x + width - 14 : x + 14}
        y={y + CHANNEL + 5}
        size={13}
        colour={soft}
        anchor={left ? 'end' : 'start'}
      >
        {input.commonName}
      </Lettering>
      <Lettering x={x + 13} y={y + height - 30} size={17} face="bold">
        {input.title}
      </Lettering>
      <Lettering x={x + 13} y={y + height - 11} size={14} face="mono" colour={soft}>
        {`${input.address} = ${input.bit}`}
      </Lettering>
      <Lettering x={x + width - 40} y={y + height - 19} size={13} anchor="end" colour={soft}>
        {input.lamp}
      </Lettering>
      <LampLight x={x + width - 22} y={y + height - 24} on={input.lamp === 'on'} colour={INPUT_LAMP} />
    </>
  );
}

function Values({ view, layout }: { view: LoopView; layout: LoopLayout }) {
  const { x, y } = middleOf(layout);
  if (!view.device.signal.wire)
    return (
      <ValuePlate x={x + 22} y={layout.signal.top + 30} wrong>
        not landed
      </ValuePlate>
    );
  return (
    <>
      <ValuePlate x={x + 22} y={y - 16} wrong={view.volts === 'floating'}>
        {view.volts}
      </ValuePlate>
      <ValuePlate x={x + 22} y={y + 16}>
        {view.amps}
      </ValuePlate>
    </>
  );
}
