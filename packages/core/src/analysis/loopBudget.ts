import { nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { solvedOnce } from '../circuit/index.ts';
import type { Element, Span } from '../circuit/index.ts';
import { splitRef } from '../model/index.ts';
import type { Analysis } from './analysis.ts';
import { elementId, wireOhms } from '../network/index.ts';

/** Least resistance in a loop that carries digital communication over its current, Ω. */
export const DIGITAL_OHMS = 250;

/** A loop that carries less than this is open, A; a transmitter takes at least 3.6 mA (NAMUR NE 43). */
const OPEN_AMPS = 0.001;

/** How the volts of a two-wire transmitter's loop are shared at its top current. */
export interface LoopBudget {
  /** No current can flow round it, however willing the transmitter: there is nothing to share. */
  readonly isOpen: boolean;
  readonly supplyVolts: number;
  /** Current at which it is reckoned, A. */
  readonly amps: number;
  /** Everything in the loop but the transmitter, the largest share first. */
  readonly drops: readonly { readonly label: Text; readonly volts: number }[];
  /** What is left for the transmitter, V, in its worst case, and what it needs. */
  readonly left: Span;
  readonly needs: number;
  /** Worst case of what is left over, V; negative where it is not enough. */
  readonly margin: number;
  /** Resistance that the transmitter sees in its loop, Ω. */
  readonly ohms: number;
  /** Longest cable of the same cross-section with which it still works, m; 0 where it does not now. */
  readonly longestM: number;
}

/**
 * The loop's budget from the solved circuit; nothing for a device that does not take its power from the loop.
 * The drops are those of the solution, cable included.
 */
export function loopBudget(analysis: Analysis): LoopBudget | undefined {
  const { context, away, present } = analysis;
  const id = elementId(context.device.id, 'signal');
  const transmitter = present.netlist.elements.find((element) => element.id === id);
  if (transmitter?.kind !== 'transmitter') return undefined;
  const { plus, minus } = transmitter;
  const across = { kind: 'volts', a: plus, b: minus } as const;
  // What would be left if the loop carried its full current: the transmitter without its own limit.
  const full = {
    ...present.netlist,
    elements: present.netlist.elements.map((e) => (e.id === id ? willing(e) : e)),
  };
  const { solution, bands } = solvedOnce(full, [across], 'bands');
  const left = nth(bands, 0);
  const amps = solution.amps(id);
  const low = away.solution.amps(id);
  const high = present.solution.amps(id);
  const voltsAt = (state: typeof away): number => state.solution.volts(plus) - state.solution.volts(minus);
  const needs = transmitter.liftVolts.max;
  const margin = left.min - needs;
  return {
    isOpen: amps < OPEN_AMPS,
    supplyVolts: context.supply.volts,
    amps,
    drops: dropsOf(analysis, full.elements, (element) => Math.abs(dropOf(element, solution.volts))),
    left,
    needs,
    margin,
    ohms: high - low > 1e-4 ? (voltsAt(away) - voltsAt(present)) / (high - low) : NaN,
    longestM: longest(analysis, amps, margin),
  };
}

/** The same transmitter with so little of a lift-off voltage that its current flows in any case. */
function willing(element: Element): Element {
  return element.kind === 'transmitter'
    ? { ...element, liftVolts: { nom: -200, min: -200, max: -200 } }
    : element;
}

function dropOf(element: Element, volts: (node: string) => number): number {
  if (element.kind === 'resistor') return volts(element.a) - volts(element.b);
  if (element.kind === 'diode') return volts(element.anode) - volts(element.cathode);
  return 0;
}

function dropsOf(
  { context }: Analysis,
  elements: readonly Element[],
  drop: (element: Element) => number,
): LoopBudget['drops'] {
  const drops = new Map<string, { label: Text; volts: number }>();
  const add = (key: string, label: Text, volts: number): void =>
    void drops.set(key, { label, volts: (drops.get(key)?.volts ?? 0) + volts });
  for (const element of elements) {
    if (element.kind !== 'resistor' && element.kind !== 'diode') continue;
    const [item = ''] = element.id.split('/');
    const helper = context.helpers.find(({ id }) => id === item);
    if (context.scope.wires.some(({ id }) => id === element.id))
      add('wires', say('analysis.cable-wires'), drop(element));
    else if (helper) add(item, helper.tag, drop(element));
    else {
      const own = context.ports.find(({ module, port }) => element.id === elementId(module.id, port.name));
      if (own) add(element.id, `${own.module.tag} ${own.port.label}`, drop(element));
    }
  }
  return [...drops.values()].filter(({ volts }) => volts > 0.0005).sort((a, b) => b.volts - a.volts);
}

/** The cable is the wires at the transmitter itself. */
function longest({ context }: Analysis, amps: number, margin: number): number {
  const wires = context.scope.wires.filter(({ from, to }) =>
    [from, to].some((ref) => splitRef(ref).item === context.device.id),
  );
  if (!wires.length || margin < 0 || amps <= 0) return 0;
  const perMetre = wires.reduce((sum, { mm2 }) => sum + wireOhms({ lengthM: 1, mm2 }).max, 0);
  const now = Math.max(...wires.map(({ lengthM }) => lengthM));
  return now + margin / (amps * perMetre);
}
