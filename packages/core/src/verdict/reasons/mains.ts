import { Groups, nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { nodesOf } from '../../circuit/index.ts';
import type { Element, Solution } from '../../circuit/index.ts';
import { fixed } from '../../units/index.ts';
import type { Analysis } from '../../analysis/index.ts';
import { EARTHING, supplyNodes } from '../../network/index.ts';
import type { Supply } from '../../model/index.ts';
import { plusOf } from '../../job/index.ts';
import { cannot } from './reason.ts';
import type { Reason } from './reason.ts';

/**
 * Which kinds of supply can reach each node through the parts between: open contacts count, earthing does not.
 */
export function reachOf(elements: readonly Element[]): (node: string) => ReadonlySet<'dc' | 'ac'> {
  const groups = new Groups();
  const joined = elements.filter(({ id, kind }) => kind !== 'detector' && !EARTHING.test(id));
  for (const element of joined) {
    const [first, ...rest] = nodesOf(element);
    for (const node of rest) groups.join(sure(first), node);
  }
  const kinds = new Map<string, Set<'dc' | 'ac'>>();
  for (const element of joined) {
    if (element.kind !== 'source') continue;
    const of = /:L$/.test(element.plus) ? 'ac' : /:\+$/.test(element.plus) ? 'dc' : undefined;
    if (!of) continue;
    const found = kinds.get(groups.of(element.plus)) ?? new Set();
    kinds.set(groups.of(element.plus), found.add(of));
  }
  return (node) => kinds.get(groups.of(node)) ?? new Set();
}

/** Mains and control supply that meet in one circuit, and supplies at their limit. */
export function mainsReasons({ context, states }: Analysis): Reason[] {
  const { index, point, device, type } = context;
  const { elements } = nth(states, 0).netlist;
  const reach = reachOf(elements);
  const supplies = index.job.supplies.filter(({ id }) => elements.some((element) => element.id === id));
  const mixed = supplies.some((supply) => reach(plusOf(supply)).size > 1);
  if (mixed) return [cannot('ac-dc', say('reason.ac-dc', { point: point.tag }))];
  const fed = type.terminals.flatMap(({ name }) => [...reach(`${device.id}:${name}`)]);
  if (type.description.mains && fed.includes('dc') && !fed.includes('ac')) {
    const ac = index.job.supplies.find(({ kind }) => kind === 'ac');
    const sentence = ac
      ? say('reason.ac-dc.fed', { device: device.tag, supply: ac.tag })
      : say('reason.ac-dc.no-mains', { device: device.tag });
    return [cannot('ac-dc', sentence)];
  }
  const leads = supplyNodes(context);
  if (leads && type.description.fed !== 'ac' && [leads.plus, leads.minus].some((ref) => reach(ref).has('ac')))
    return [cannot('ac-dc', say('reason.ac-dc.dc-device', { device: device.tag }))];
  return supplies.flatMap((supply) => overload(supply, states)).slice(0, 1);
}

/** What the point itself takes from a supply, A. */
export const ownAmps = ({ id, otherAmps }: Supply, solution: Solution): number =>
  solution.amps(id) - (otherAmps ? solution.amps(`${id}/others`) : 0);

/** Share of its limit from which a source counts as at it. */
export const AT_LIMIT = 0.98;

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
  if (!states.some(({ solution }) => solution.amps(id) > limitAmps * AT_LIMIT)) return [];
  return [cannot('short-circuit', say('reason.short-circuit.supply', { tag, amps }))];
}
