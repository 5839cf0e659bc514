import { Groups } from '../../lists/index.ts';
import { exactly, nodesOf, solvedOnce } from '../../circuit/index.ts';
import type { Element, Netlist, Solution } from '../../circuit/index.ts';
import { say } from '../../messages/index.ts';
import type { Analysis, PointState } from '../../analysis/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Supply } from '../../model/index.ts';
import { EARTHING, shortsOf } from '../../network/index.ts';
import { jointText } from '../panelFindings.ts';
import { AT_LIMIT, ownAmps } from './mains.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/**
 * A supply of the point that is short-circuited: by wires of the panel, or in any state of the point. While it is
 * looked for, supplies give whatever is asked of them: a short that drops out what closed it is a short all the same.
 */
export function shortReasons(analysis: Analysis): Reason[] {
  const { context, states, staged, cold } = analysis;
  const { index } = context;
  const [joint] = shortsOf(context);
  if (joint) return [cannot('short-circuit', jointText(index, joint))];
  const canMeet = polesCanMeet(analysis.present.netlist);
  for (const state of [...states, ...staged, ...(cold ? [cold] : [])]) {
    const [short] = shortsIn(index.job.supplies, state, canMeet);
    if (!short) continue;
    const { supply, amps } = short;
    return [
      cannot(
        'short-circuit',
        say(supply.kind === 'ac' ? 'reason.short-circuit.mains' : 'reason.short-circuit.state', {
          tag: supply.tag,
          state: state.situation.words,
          amps,
        }),
      ),
    ];
  }
  return [];
}

/**
 * An output, or a two-wire sensor, that drives all it can straight onto the other pole. What brings that about, such as
 * a diode the wrong way round, is said before it where it is known.
 */
export function outputShort({ context, states, staged }: Analysis): Reason[] {
  for (const { netlist, solution, situation } of [...states, ...staged])
    for (const element of netlist.elements) {
      const amps = drivenOnto(element, solution);
      if (amps === undefined) continue;
      const [item = ''] = element.id.split('/');
      const tag = (context.index.device(item) ?? context.index.module(item))?.tag;
      if (tag === undefined) continue;
      if (element.kind === 'twoWire' && loadTakes(element, solution, context.supply) > RAIL_VOLTS)
        return [
          cannot('overload', say('reason.overload.two-wire', { which: tag, state: situation.words, amps })),
        ];
      const sensor = element.kind === 'twoWire';
      const terminal = splitRef(element.kind === 'output' ? element.out : '').terminal;
      const which = sensor ? tag : say('text.of', { what: terminal, of: tag });
      return [
        cannot(
          'short-circuit',
          say(sensor ? 'reason.short-circuit.two-wire' : 'reason.short-circuit.output', {
            which,
            state: situation.words,
            amps,
          }),
        ),
      ];
    }
  return [];
}

/** What is left of the supply for whatever stands in series with a two-wire sensor, V. */
const loadTakes = (
  { id, a, b }: Extract<Element, { kind: 'twoWire' }>,
  solution: Solution,
  { volts, internalOhms }: Supply,
): number =>
  volts - Math.abs(solution.amps(id)) * internalOhms - Math.abs(solution.volts(a) - solution.volts(b));

/** What an element drives, A, while nothing but wires stands between it and the other pole. */
function drivenOnto(element: Element, solution: Solution): number | undefined {
  if (element.kind === 'twoWire') {
    const amps = Math.abs(solution.amps(element.id));
    return amps >= element.limitAmps.nom * AT_LIMIT ? amps : undefined;
  }
  if (element.kind !== 'output') return undefined;
  const { id, plus, out, minus, limitAmps } = element;
  const volts = solution.volts(out);
  const [high, low] = [solution.amps(`${id}/high`), solution.amps(`${id}/low`)].map(Math.abs);
  const isShort = (amps = 0, pole: string): boolean =>
    amps >= limitAmps.nom * AT_LIMIT && Math.abs(volts - solution.volts(pole)) < RAIL_VOLTS;
  return isShort(high, minus) ? high : isShort(low, plus) ? low : undefined;
}

/** Supplies that are shorted in a state, each with what flows, A. */
function shortsIn(
  supplies: readonly Supply[],
  { netlist, solution }: PointState,
  canMeet: boolean,
): { readonly supply: Supply; readonly amps: number }[] {
  const taking = supplies.filter(({ id }) => netlist.elements.some((element) => element.id === id));
  const suspects = canMeet
    ? taking
    : taking.filter(({ id, limitAmps }) => solution.amps(id) > limitAmps * AT_LIMIT);
  if (suspects.length === 0) return [];
  const elements = netlist.elements.map((element) =>
    element.kind === 'source'
      ? { ...element, internalOhms: exactly(HARD_OHMS), limitAmps: exactly(HARD_AMPS) }
      : element,
  );
  const { solution: hard } = solvedOnce({ ...netlist, elements }, [], 'nominal');
  if (hard.outcome !== 'solved') return [];
  return suspects.flatMap((supply) => {
    const amps = shortAmps(supply, ownAmps(supply, hard));
    return amps === undefined ? [] : [{ supply, amps }];
  });
}

/** What a supply gives, A, of what is asked of it; nothing where that is no short. */
function shortAmps({ kind, volts, internalOhms, limitAmps }: Supply, asked: number): number | undefined {
  if (asked <= limitAmps * AT_LIMIT) return undefined;
  // Loads alone that ask for more than there is are an overload.
  const flows = volts / (internalOhms + volts / asked);
  if (flows < limitAmps * SHORT_TIMES) return undefined;
  return kind === 'dc' ? Math.min(flows, limitAmps) : flows;
}

/** Less than this between an output and a pole is wires alone, V. */
const RAIL_VOLTS = 2;
const HARD_OHMS = 1e-3;
const HARD_AMPS = 1e5;
/** A short asks for so many times what a supply can give. */
const SHORT_TIMES = 2;

/** Resistance up to which a part counts as a joint, Ω: wires and shunts, no load. */
const JOINT_OHMS = 5;

/** Whether two poles can be joined by wires and contacts alone, were all of them closed. */
function polesCanMeet({ elements }: Netlist): boolean {
  const groups = new Groups();
  for (const element of elements) {
    const joins =
      element.kind === 'switch' ||
      (element.kind === 'resistor' && element.ohms.nom <= JOINT_OHMS && !EARTHING.test(element.id));
    const [a, b] = joins ? nodesOf(element) : [];
    if (a !== undefined && b !== undefined) groups.join(a, b);
  }
  const sources = elements.filter((element) => element.kind === 'source');
  const minus = new Set(sources.map((source) => groups.of(source.minus)));
  return sources.some(({ plus }) => minus.has(groups.of(plus)));
}
