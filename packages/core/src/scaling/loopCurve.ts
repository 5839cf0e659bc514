import { nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { AnalogPort } from '../catalog/index.ts';
import { exactly, solveWithBands } from '../circuit/index.ts';
import type { Element, Netlist, Span } from '../circuit/index.ts';
import { refuse } from '../model/index.ts';
import { elementId } from '../network/index.ts';
import { solveState, measuredOf, measuredQuantity } from '../analysis/index.ts';
import type { Analysis, PointState } from '../analysis/index.ts';
import type { OwnPort } from '../network/index.ts';

/** What the input sees of a signal: nominal and in the worst case, each in the unit of its own side. */
export interface LoopKnot extends Span {
  readonly signal: number;
}

/** The solved loop between sensor and input. */
export interface LoopCurve {
  readonly knots: readonly LoopKnot[];
  /** What the input sees, with its worst case. */
  readonly at: (signal: number) => Span;
  /**
   * The signal for which the input sees so much.
   * @param slack by which an input may lie beyond what is ever seen: the ends are taken for it.
   * @throws JobProblem where it never does.
   */
  readonly inverse: (input: number, slack?: number) => number;
}

const mix = (a: number, b: number, share: number): number => a + (b - a) * share;

/** Straight pieces between solved states; beyond them the last piece goes on. */
export function loopCurveOf(knots: readonly LoopKnot[], unit = ''): LoopCurve {
  if (knots.length < 2) refuse(say('scaling.loop-needs-two-solved'));
  const pieceAt = (signal: number): readonly [LoopKnot, LoopKnot] => {
    let i = 0;
    while (i < knots.length - 2 && nth(knots, i + 1).signal <= signal) i++;
    return [nth(knots, i), nth(knots, i + 1)];
  };
  return {
    knots,
    at: (signal) => {
      const [a, b] = pieceAt(signal);
      const share = (signal - a.signal) / (b.signal - a.signal);
      const nom = mix(a.nom, b.nom, share);
      return {
        nom,
        min: Math.min(nom, mix(a.min, b.min, share)),
        max: Math.max(nom, mix(a.max, b.max, share)),
      };
    },
    inverse: (input, slack = 0) => signalFor(knots, input, unit, slack),
  };
}

/** A loop that is solved when somebody first asks for it. */
export function loopWhenAsked(solve: () => LoopCurve): LoopCurve {
  let solved: LoopCurve | undefined;
  const loop = (): LoopCurve => (solved ??= solve());
  return {
    get knots() {
      return loop().knots;
    },
    at: (signal) => loop().at(signal),
    inverse: (input, slack) => loop().inverse(input, slack),
  };
}

function signalFor(knots: readonly LoopKnot[], given: number, unit: string, beyond: number): number {
  const lowest = Math.min(...knots.map(({ nom }) => nom));
  const highest = Math.max(...knots.map(({ nom }) => nom));
  const slack = 1e-9 * Math.max(1, Math.abs(highest));
  const near = Math.min(highest, Math.max(lowest, given));
  const input = Math.abs(given - near) <= beyond ? near : given;
  for (let i = 0; i < knots.length - 1; i++) {
    const [a, b] = [nth(knots, i), nth(knots, i + 1)];
    const [from, to] = [Math.min(a.nom, b.nom), Math.max(a.nom, b.nom)];
    if (to - from < slack || input < from - slack || input > to + slack) continue;
    return mix(a.signal, b.signal, Math.min(1, Math.max(0, (input - a.nom) / (b.nom - a.nom))));
  }
  const text = (n: number): string => `${Number(n.toPrecision(4))} ${unit}`.trim();
  return highest - lowest < slack
    ? refuse(say('scaling.input-sees-whatever-sensor', { text: text(lowest) }))
    : refuse(
        say('scaling.wired-input-never-sees', {
          text: text(input),
          text2: text(lowest),
          text3: text(highest),
        }),
      );
}

/** The point's state with its signal at a share of its range. */
function stateAtLevel(
  { context, present }: Analysis,
  level: number,
  wanted: 'bands' | 'nominal',
): PointState {
  return solveState(
    context,
    { ...present.situation, key: 'scale', words: '', level },
    present.solution.held,
    wanted,
  );
}

/** Solves the loop at some signals. */
export function solveLoop(
  analysis: Analysis,
  signals: readonly number[],
  levelOf: (signal: number) => number,
): LoopKnot[] {
  return signals.map((signal) => {
    const { value } = nth(stateAtLevel(analysis, levelOf(signal), 'bands').measured, 0);
    return { signal, ...value };
  });
}

/** From what the worst case at the input comes, each as half a band in the input's unit. */
export interface LoopShares {
  readonly transmitter: number;
  readonly burden: number;
  /** Wires, supply, leakage. */
  readonly wiring: number;
}

/** The worst case at one signal, with the tolerance of one part at a time. */
export function loopShares(analysis: Analysis, level: number, own: OwnPort): LoopShares {
  const { netlist } = stateAtLevel(analysis, level, 'nominal');
  const device = analysis.context.device.id;
  const isSignal = ({ id }: Element): boolean => id.startsWith(`${device}/`);
  const burden = elementId(own.module.id, own.port.name);
  const half = (keeps: (element: Element) => boolean): number => bandWith(netlist, keeps, own);
  return {
    transmitter: half(isSignal),
    burden: half(({ id }) => id === burden),
    wiring: half((element) => !isSignal(element) && element.id !== burden),
  };
}

function bandWith(netlist: Netlist, keeps: (element: Element) => boolean, own: OwnPort): number {
  const port = own.port as AnalogPort;
  const elements = netlist.elements.map((element) => (keeps(element) ? element : firm(element)));
  const { bands } = solveWithBands({ ...netlist, elements }, [
    measuredQuantity(own.module.id, port, own.settings),
  ]);
  const { nom, min, max } = measuredOf(port, own.settings, nth(bands, 0)).value;
  return Math.max(max - nom, nom - min);
}

/** An element at its nominal values. */
function firm(element: Element): Element {
  const entries = Object.entries(element).map(([key, value]) => [
    key,
    isSpan(value) ? exactly(value.nom) : value,
  ]);
  return Object.fromEntries(entries) as Element;
}

const isSpan = (value: unknown): value is Span =>
  typeof value === 'object' && value !== null && 'nom' in value && 'min' in value && 'max' in value;
