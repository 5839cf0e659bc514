import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { exactly, nodesOf, solve } from '../../circuit/index.ts';
import type { Element, Solution } from '../../circuit/index.ts';
import { fixed } from '../../units/index.ts';
import type { Analysis, PointState } from '../../analysis/index.ts';
import { EARTHING, railJoints } from '../../network/index.ts';
import type { Supply } from '../../model/index.ts';
import { splitRef } from '../../model/index.ts';
import { plusOf } from '../../job/index.ts';
import { jointText } from '../panelFindings.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/**
 * Which kinds of supply can reach each node through the parts between: open contacts count, earthing does not.
 */
export function reachOf(elements: readonly Element[]): (node: string) => ReadonlySet<'dc' | 'ac'> {
  const parent = new Map<string, string>();
  const root = (name: string): string => {
    let at = name;
    for (let up = parent.get(at); up !== undefined; up = parent.get(at)) at = up;
    return at;
  };
  const joined = elements.filter(({ id, kind }) => kind !== 'detector' && !EARTHING.test(id));
  for (const element of joined) {
    const [first, ...rest] = nodesOf(element);
    for (const node of rest) if (root(sure(first)) !== root(node)) parent.set(root(sure(first)), root(node));
  }
  const kinds = new Map<string, Set<'dc' | 'ac'>>();
  for (const element of joined) {
    if (element.kind !== 'source') continue;
    const of = /:L$/.test(element.plus) ? 'ac' : /:\+$/.test(element.plus) ? 'dc' : undefined;
    if (!of) continue;
    const found = kinds.get(root(element.plus)) ?? new Set();
    kinds.set(root(element.plus), found.add(of));
  }
  return (node) => kinds.get(root(node)) ?? new Set();
}

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
  for (const state of [...states, ...staged, ...(cold ? [cold] : [])])
    for (const supply of index.job.supplies) {
      const amps = shortAmps(supply, state);
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

/** What a short in a state lets flow from a supply, A; nothing where there is none. */
function shortAmps(supply: Supply, { netlist, solution }: PointState): number | undefined {
  const { id, kind, volts, internalOhms, limitAmps } = supply;
  if (!netlist.elements.some((element) => element.id === id)) return undefined;
  const isLimited = solution.amps(id) > limitAmps * 0.98;
  if (!isLimited && !netlist.elements.some(hangsOnAnother)) return undefined;
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

const HARD_OHMS = 1e-3;
const HARD_AMPS = 1e5;
/** A short asks for so many times what a supply can give. */
const SHORT_TIMES = 2;

const hangsOnAnother = (element: Element): boolean =>
  element.kind === 'switch' && typeof element.closed !== 'boolean';

/** Mains and control supply that meet in one circuit, and supplies at their limit. */
export function mainsReasons({ context, states }: Analysis): Reason[] {
  const { index, point } = context;
  const { elements } = nth(states, 0).netlist;
  const reach = reachOf(elements);
  const supplies = index.job.supplies.filter(({ id }) => elements.some((element) => element.id === id));
  const mixed = supplies.some((supply) => reach(plusOf(supply)).size > 1);
  if (mixed) return [cannot('ac-dc', say('reason.ac-dc', { point: point.tag }))];
  return supplies.flatMap((supply) => overload(supply, states)).slice(0, 1);
}

/** What the point itself takes from a supply, A. */
const ownAmps = ({ id, otherAmps }: Supply, solution: Solution): number =>
  solution.amps(id) - (otherAmps ? solution.amps(`${id}/others`) : 0);

/** A supply at its limit in some state: by what hangs on it besides, or by a short circuit. */
function overload(supply: Supply, states: Analysis['states']): Reason[] {
  const { id, tag, limitAmps, otherAmps = 0, feed } = supply;
  const own = Math.max(...states.map(({ solution }) => ownAmps(supply, solution)));
  const amps = fixed(limitAmps, limitAmps < 10 ? 1 : 0);
  if (otherAmps > 0 && own < limitAmps * 0.9 && own + otherAmps > limitAmps)
    return [
      cannot(
        'overload',
        say(feed ? 'reason.overload.branch' : 'reason.overload', {
          tag,
          amps,
          otherAmps,
          protection: feed?.protection ?? '',
        }),
      ),
    ];
  if (!states.some(({ solution }) => solution.amps(id) > limitAmps * 0.98)) return [];
  return [cannot('short-circuit', say('reason.short-circuit.supply', { tag, amps }))];
}
