import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { faults } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { refText, terminalName } from '../job/index.ts';
import { splitRef } from '../model/index.ts';
import type { FaultSort, Wire } from '../model/index.ts';
import { ownWiresOf, railsOf } from './ownWires.ts';
import { BAD_JOINT, both } from './pointFault.ts';
import type { FaultPlace, Likelihood, PointFault } from './pointFault.ts';

const ofWires = (...wires: readonly Wire[]): FaultPlace => ({ in: 'wire', ids: wires.map(({ id }) => id) });

/** What can be wrong with each wire of a point, and with each two of them at one part. */
export function wireFaults(analysis: Analysis): PointFault[] {
  const { index } = analysis.context;
  const wires = ownWiresOf(analysis);
  const name = (ref: string): Message | string => refText(index, ref);
  const fault = (
    sort: FaultSort,
    id: string,
    what: Message,
    place: FaultPlace,
    likely: Likelihood,
    act: (netlist: Netlist) => Netlist,
  ): PointFault => ({ id, what, place, sort, likely, leaves: both(act) });
  const rails = railsOf(analysis);
  const [, earthed] = rails;
  return [
    ...wires.flatMap((wire) => {
      const { id, number, from, to } = wire;
      const ends = { number, from: name(from), to: name(to) };
      const at = ofWires(wire);
      return [
        fault('wire-open', `open ${id}`, say('fault.wire-open', ends), at, 'often', faults.open(id)),
        fault(
          'wire-weak',
          `weak ${id}`,
          say('fault.wire-weak', ends),
          at,
          'usual',
          faults.weak(id, BAD_JOINT),
        ),
        ...rails
          .filter((rail) => rail !== from && rail !== to)
          .map((rail) =>
            fault(
              'wire-short',
              `short ${id} ${rail}`,
              say('fault.short-to', { number, to: name(rail), earthed: rail === earthed }),
              at,
              'seldom',
              faults.bridged(signalEnd(wire, rails), rail),
            ),
          ),
      ];
    }),
    ...besideFaults(analysis, wires),
    ...pairsAt(wires).map(([first, second, item]) =>
      fault(
        'wires-exchanged',
        `exchanged ${first.id} ${second.id} ${item}`,
        say('fault.wires-exchanged', {
          first: first.number,
          second: second.number,
          item: (index.device(item) ?? index.module(item) ?? index.supply(item))?.tag ?? item,
        }),
        ofWires(first, second),
        'usual',
        exchanged(first, second, item),
      ),
    ),
  ];
}

/** A wire of an input on the terminal beside its own, above or below. */
function besideFaults({ context: { index, ports } }: Analysis, wires: readonly Wire[]): PointFault[] {
  return ports.flatMap(({ module, port, settings }) => {
    const own = `${module.id}:${port.terminal}`;
    const all = index.moduleType(module).ports(settings);
    const at = all.findIndex(({ terminal }) => terminal === port.terminal);
    return wires
      .filter(({ from, to }) => from === own || to === own)
      .flatMap((wire) =>
        [at - 1, at + 1].flatMap((next): PointFault[] => {
          const beside = all[next];
          if (at < 0 || !beside) return [];
          const other = `${module.id}:${beside.terminal}`;
          const place = terminalName(index, other);
          return [
            {
              id: `beside ${wire.id} ${beside.terminal}`,
              what: say('fault.wire-beside', { number: wire.number, item: module.tag, place }),
              place: ofWires(wire),
              sort: 'wires-exchanged',
              likely: 'usual',
              leaves: both(faults.wrongRail(wire.id, own, other)),
            },
          ];
        }),
      );
  });
}

/** The end of a wire that is not on a supply. */
const signalEnd = ({ from, to }: Wire, rails: readonly string[]): string =>
  rails.includes(from) ? to : from;

/** Where a wire ends at a part; nothing where it does not. */
const endAt = ({ from, to }: Wire, item: string): string | undefined =>
  [from, to].find((ref) => splitRef(ref).item === item);

/** Two wires that end on two terminals of one part. */
function pairsAt(wires: readonly Wire[]): [Wire, Wire, string][] {
  return wires.flatMap((first, i) =>
    wires.slice(i + 1).flatMap((second): [Wire, Wire, string][] => {
      const items = new Set([first.from, first.to].map((ref) => splitRef(ref).item));
      return [...items].flatMap((item): [Wire, Wire, string][] => {
        const [a, b] = [endAt(first, item), endAt(second, item)];
        return a !== undefined && b !== undefined && a !== b ? [[first, second, item]] : [];
      });
    }),
  );
}

function exchanged(first: Wire, second: Wire, item: string): (netlist: Netlist) => Netlist {
  const [a, b] = [endAt(first, item) ?? '', endAt(second, item) ?? ''];
  const [one, other] = [faults.wrongRail(first.id, a, b), faults.wrongRail(second.id, b, a)];
  return (netlist) => other(one(netlist));
}
