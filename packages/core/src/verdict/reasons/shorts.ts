import { exactly, nodesOf, solve } from '../../circuit/index.ts';
import type { Element, Netlist, Solution } from '../../circuit/index.ts';
import { say } from '../../messages/index.ts';
import type { Analysis, PointState } from '../../analysis/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Supply } from '../../model/index.ts';
import { EARTHING, railJoints } from '../../network/index.ts';
import { jointText } from '../panelFindings.ts';
import { ownAmps } from './mains.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/**
 * A supply of the point that is short-circuited: by wires of the panel, or in any state of the point. While it is
 * looked for, supplies give whatever is asked of them: a short that drops out what closed it is a short all the same.
 */
export function shortReasons(analysis: Analysis): Reason[] {
  const { context, states, staged, cold } = analysis;
  const { index, scope } = context;
  const own = new Set(scope.wires.flatMap(({ from, to }) => [from, to]).map((ref) => splitRef(ref).item));
  const joint = railJoints(index).find(
    ({ kind, supply, other }) => kind === 'short' && (own.has(supply.id) || own.has(other.id)),
  );
  if (joint) return [cannot('short-circuit', jointText(index, joint))];
  const canMeet = polesCanMeet(analysis.present.netlist);
  for (const state of [...states, ...staged, ...(cold ? [cold] : [])])
    for (const supply of index.job.supplies) {
      const amps = shortAmps(supply, state, canMeet);
      if (amps !== undefined)
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
      const [item = ''] = element.id.split('/');
      const tag = (context.index.device(item) ?? context.index.module(item))?.tag;
      if (amps === undefined || tag === undefined) continue;
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

/** What an element drives, A, while nothing but wires stands between it and the other pole. */
function drivenOnto(element: Element, solution: Solution): number | undefined {
  if (element.kind === 'twoWire') {
    const amps = Math.abs(solution.amps(element.id));
    return amps >= element.limitAmps.nom * 0.98 ? amps : undefined;
  }
  if (element.kind !== 'output') return undefined;
  const { id, plus, out, minus, limitAmps } = element;
  const volts = solution.volts(out);
  const [high, low] = [solution.amps(`${id}/high`), solution.amps(`${id}/low`)].map(Math.abs);
  const isShort = (amps = 0, pole: string): boolean =>
    amps >= limitAmps.nom * 0.98 && Math.abs(volts - solution.volts(pole)) < RAIL_VOLTS;
  return isShort(high, minus) ? high : isShort(low, plus) ? low : undefined;
}

/** What a short in a state lets flow from a supply, A; nothing where there is none. */
function shortAmps(supply: Supply, { netlist, solution }: PointState, canMeet: boolean): number | undefined {
  const { id, kind, volts, internalOhms, limitAmps } = supply;
  if (!netlist.elements.some((element) => element.id === id)) return undefined;
  const isLimited = solution.amps(id) > limitAmps * 0.98;
  if (!isLimited && !canMeet) return undefined;
  const hard = solve({
    ...netlist,
    elements: netlist.elements.map((element) =>
      element.kind === 'source'
        ? { ...element, internalOhms: exactly(HARD_OHMS), limitAmps: exactly(HARD_AMPS) }
        : element,
    ),
  });
  const amps = ownAmps(supply, hard);
  if (hard.outcome !== 'solved' || amps <= limitAmps * 0.98) return undefined;
  // Loads alone that ask for more than there is are an overload.
  const flows = volts / (internalOhms + volts / amps);
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
  const parent = new Map<string, string>();
  const root = (name: string): string => {
    let at = name;
    for (let up = parent.get(at); up !== undefined; up = parent.get(at)) at = up;
    return at;
  };
  for (const element of elements) {
    const joins =
      element.kind === 'switch' ||
      (element.kind === 'resistor' && element.ohms.nom <= JOINT_OHMS && !EARTHING.test(element.id));
    const [a, b] = joins ? nodesOf(element) : [];
    if (a !== undefined && b !== undefined && root(a) !== root(b)) parent.set(root(a), root(b));
  }
  const sources = elements.filter((element) => element.kind === 'source');
  const minus = new Set(sources.map((source) => root(source.minus)));
  return sources.some(({ plus }) => minus.has(root(plus)));
}
