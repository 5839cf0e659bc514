import { nth } from '../lists/index.ts';
import { formatFineVolts, formatVolts } from '../units/index.ts';
import { exactly, nodesOf, solvedOnce } from '../circuit/index.ts';
import type { Netlist, Span } from '../circuit/index.ts';
import type { PointState } from './states.ts';

/** Input resistance of an ordinary digital voltmeter, Ω. */
const METER_OHMS = 10e6;

/** What a meter shows between two terminals: volts of the red lead against the black one, with its worst case. */
export interface Reading {
  readonly red: string;
  readonly black: string;
  readonly volts: Span;
  /** Leads that sit on a terminal which hangs on nothing: the number then means nothing. */
  readonly floating: readonly ('red' | 'black')[];
}

/** Whether a terminal is in the circuit of a state, so that a meter can be put on it. */
export const hasTerminal = ({ netlist }: Pick<PointState, 'netlist'>, ref: string): boolean =>
  netlist.elements.some((element) => nodesOf(element).includes(ref));

/** A circuit with a voltmeter of 10 MΩ between two of its terminals. */
export const metered = (netlist: Netlist, red: string, black: string): Netlist => ({
  ...netlist,
  elements: [
    ...netlist.elements,
    { kind: 'meter', id: 'meter', a: red, b: black, ohms: exactly(METER_OHMS) },
  ],
});

/**
 * Puts a 10 MΩ meter between two terminals of a solved state and reads it. The meter's own load is part of the
 * circuit.
 * @throws Error when a terminal is not in the circuit.
 */
export function readMeter(
  state: Pick<PointState, 'netlist' | 'solution'>,
  red: string,
  black: string,
): Reading {
  for (const ref of [red, black])
    if (!hasTerminal(state, ref)) throw new Error(`There is no terminal "${ref}" in this circuit.`);
  const { bands } = solvedOnce(
    metered(state.netlist, red, black),
    [{ kind: 'volts', a: red, b: black }],
    'bands',
  );
  const floating = (
    [
      ['red', red],
      ['black', black],
    ] as const
  )
    .filter(([, node]) => state.solution.floating(node))
    .map(([lead]) => lead);
  return { red, black, volts: nth(bands, 0), floating };
}

/** What a meter shows on the signal of a state: in millivolts where the input reads such. */
export function signalText({
  signalFloating,
  signalVolts,
  measured,
}: Pick<PointState, 'signalFloating' | 'signalVolts' | 'measured'>): string {
  if (signalFloating) return 'floating';
  return measured[0]?.unit === 'mV' ? formatFineVolts(signalVolts) : formatVolts(signalVolts);
}

/** The current through an element of a state, A, with its band. */
export const readAmps = (state: Pick<PointState, 'netlist'>, element: string): Span =>
  nth(solvedOnce(state.netlist, [{ kind: 'amps', element }], 'bands').bands, 0);
