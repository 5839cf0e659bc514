import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { DigitalPort } from '../catalog/index.ts';
import type { Bands, RawFormat } from '../model/index.ts';
import { Scaling } from '../model/index.ts';
import { written } from '../units/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { OwnPort } from '../network/index.ts';
import type { SensorPart } from './chain.ts';
import type { PulseLaw } from '../sensing/index.ts';
import { hertzPerUnit, pulseLaw, straight, tablesOf } from '../sensing/index.ts';
import { loopCurveOf } from './loopCurve.ts';
import type { LoopCurve } from './loopCurve.ts';
import type { PointChain } from './pointChainTypes.ts';
import { usualDisplay } from './usualDisplay.ts';
import { effective, effectiveRange } from './effective.ts';

/** Pulses are counted for so long before a flow is made of them, s, where nobody said otherwise. */
const USUAL_GATE = 10;

/** A plain input sees so many pulses a second, and none shorter, s. */
const PLAIN = { maxHertz: 20, minPulse: 0.02 };

/** A counter as a converter: so many counts for each pulse a second as its gate has seconds. */
const gateFormat = (gate: number): RawFormat => ({
  id: 'gate',
  name: `pulses in ${written(gate)} s`,
  kind: 'unit',
  low: 0,
  high: gate,
  min: 0,
  max: 2 ** 24,
  step: 1,
  bothSides: false,
});

/** No pulses are no break, since a flow of zero has none; more than full flow is over its range. */
const usualPulseBands = (top: number): Bands => ({
  lowFault: -0.05 * top,
  underAt: -0.02 * top,
  overAt: 1.1 * top,
  highFault: 1.2 * top,
  delay: 2,
  reaction: 'hold',
});

/** Whether a point counts pulses. */
export const countsPulses = ({ context }: Analysis): boolean => context.output.drivenBy === 'pulses';

/**
 * The chain of a point whose pulses are counted: its value, pulses a second by the volume of a pulse or the pulses of a
 * turn, what the counter sees of them, counts in its gate, and what the program makes of those by its own figure.
 * @throws JobProblem where the two volumes or the range make no chain.
 */
export function pulseChain(analysis: Analysis): PointChain | { readonly problem: Message } {
  const { context } = analysis;
  const { point, device, index } = context;
  const own = context.ports.find(({ port }) => port.kind === 'digital');
  if (!own) return { problem: say('scaling.counter-yet-choose-land', { point: point.tag }) };
  const { range } = point;
  const law = range && pulseLaw(range);
  if (!range || !law) return { problem: say('scaling.range-unit-flow-yet', { point: point.tag }) };
  const scaling = point.scaling ?? Scaling.parse({});
  const meter = effective(index, device.id, 'pulseValue');
  // As long on as off, where no width is set: what turns has no other.
  const width =
    law === 'flow' ? Number(effective(index, device.id, 'pulseWidth')?.value ?? 0) / 1000 : undefined;
  const litres = Number(meter?.value ?? NaN);
  const per = hertzPerUnit(point, litres);
  if (per === undefined) return { problem: unknownPulse(law, device.tag) };
  const counter = effective(index, own.module.id, `${own.port.name}.value`);
  const counted = law === 'flow' ? sure(hertzPerUnit(point, Number(counter?.value ?? litres))) : per;
  const gate = (scaling.converter.updateMs ?? USUAL_GATE * 1000) / 1000;
  const full = effectiveRange(index, device.id, range.unit) ?? range;
  const hertz = (perUnit: number) => straight(0, 0, 1, perUnit);
  const top = full.high * per;
  const controller = { label: own.module.tag, unit: range.unit, low: 0, high: range.high };
  const sensor: SensorPart = {
    label: device.tag,
    unit: range.unit,
    low: 0,
    high: full.high,
    curve: hertz(per),
    signal: { unit: 'Hz', low: 0, high: top },
  };
  return {
    chain: {
      sensor,
      loop: pulseLoop(analysis, own, top, width),
      input: { label: `${own.module.tag} ${own.port.label}`, unit: 'Hz' },
      converter: {
        format: gateFormat(gate),
        range: { low: 0, high: top, zero: 'removed' },
        curve: straight(0, 0, 1, 1),
        unit: 'Hz',
      },
      controller: {
        ...controller,
        curve: { at: (f) => hertz(counted).inverse(f), inverse: (flow) => hertz(counted).at(flow) },
      },
      display: scaling.display ?? usualDisplay(controller),
      bands: scaling.bands ?? usualPulseBands(top),
    },
    scaling,
    tables: tablesOf(index.job, point.id),
    own,
    sensed: { part: sensor, levelOf: (f) => f / top, signalOf: (level) => level * top, notes: [] },
    range,
    notes: notesOf(analysis, own, gate, 1 / gate / counted),
    swallowed: [],
  };
}

const unknownPulse = (law: PulseLaw, device: string): Message =>
  law === 'flow'
    ? say('scaling.volume-pulse-known-yet', { device })
    : say('scaling.pulses-of-a-turn-known-yet', { device });

function notesOf({ context }: Analysis, own: OwnPort, gate: number, one: number): Message[] {
  const { device, index, point } = context;
  const turns = pulseLaw(sure(point.range)) !== 'flow';
  const asRequired = (tag: string): Message => say('scaling.nobody-looked-volume-pulse', { tag });
  return [
    say('scaling.pulses-counted-s-more', { gate, one, unit: sure(point.range).unit }),
    ...(effective(index, device.id, 'pulseValue')?.assumed ? [asRequired(device.tag)] : []),
    ...(!turns && effective(index, own.module.id, `${own.port.name}.value`)?.assumed
      ? [asRequired(own.module.tag)]
      : []),
  ];
}

/** What a counter sees of pulses: nothing where the wiring passes none, no more than it takes, none run together. */
function pulseLoop({ shown }: Analysis, own: OwnPort, top: number, width: number | undefined): LoopCurve {
  const { counter = PLAIN } = own.port as DigitalPort;
  const bits = shown.map(({ inputs }) => inputs.find((input) => input.own.module.id === own.module.id)?.bit);
  const passes = bits.includes(0) && bits.includes(1) && (width === undefined || width >= counter.minPulse);
  const knot = (signal: number, seen: number) => ({ signal, nom: seen, min: seen, max: seen });
  // Pulses a second at which they run together, or each is as short as the counter sees.
  const most = width === undefined ? 0.5 / counter.minPulse : width > 0 ? 1 / width : Infinity;
  const min = Math.min(counter.maxHertz, most);
  if (!passes) return loopCurveOf([knot(0, 0), knot(4 * top, 0)], 'Hz');
  if (min >= 4 * top) return loopCurveOf([knot(0, 0), knot(4 * top, 4 * top)], 'Hz');
  const merged = width !== undefined && most <= counter.maxHertz;
  return loopCurveOf(
    [
      knot(0, 0),
      knot(min, min),
      knot(min * 1.0001, merged ? 0 : min),
      knot(Math.max(4 * top, 2 * min), merged ? 0 : min),
    ],
    'Hz',
  );
}
