import { say } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { exactly } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { refText } from '../job/index.ts';
import { feedWiresOf } from './ownWires.ts';
import { BAD_JOINT, both, standing } from './pointFault.ts';
import type { PointFault } from './pointFault.ts';
import { subjectIn } from './subject.ts';

/**
 * What feeds the modules of a point, wire by wire. A common that hangs free joins all that hang on it, and a card
 * without supply is dead: so the point is solved as it is without that wire, not with the wire opened in its own circuit.
 */
export function feedFaults(analysis: Analysis): PointFault[] {
  const { index, point } = analysis.context;
  return feedWiresOf(analysis).flatMap((wire): PointFault[] => {
    const { id, number, from, to } = wire;
    const wires = index.job.wires.filter((other) => other.id !== id);
    const without = subjectIn({ ...index.job, wires }, point.id);
    if (!without) return [];
    const ends = { number, from: refText(index, from), to: refText(index, to) };
    const joined = (netlist: Netlist): Netlist => ({
      ...netlist,
      elements: [...netlist.elements, { kind: 'resistor', id, a: from, b: to, ohms: exactly(BAD_JOINT) }],
    });
    const weak = { ...without, nets: both(joined)(without.nets) };
    const place = { in: 'wire', ids: [id] } as const;
    return [
      {
        id: `open ${id}`,
        what: say('fault.wire-open', ends),
        place,
        sort: 'wire-open',
        likely: 'usual',
        ...standing(without),
      },
      {
        id: `weak ${id}`,
        what: say('fault.wire-weak', ends),
        place,
        sort: 'wire-weak',
        likely: 'seldom',
        ...standing(weak),
      },
    ];
  });
}
