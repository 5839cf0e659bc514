import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { faults } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { both, where } from './pointFault.ts';
import type { PointFault } from './pointFault.ts';

/** An output that was overloaded lets at least so much through while it is off, A, and so many times its figure. */
const LEAK = { least: 0.005, times: 3 } as const;
/** It keeps so much of the supply while it is on, more than its figure. */
const DROP_SHARE = 1 / 3;

/** Outputs of a point's parts, and of its channel where the program commands it, that are beyond their figures. */
export function outputFaults({ context, present }: Analysis): PointFault[] {
  const { device, helpers, module, output, scope, supply } = context;
  const ends = new Set(scope.wires.flatMap(({ from, to }) => [from, to]));
  const parts = [device, ...helpers, ...(output.drivenBy === 'command' && module ? [module] : [])];
  return parts.flatMap((part) =>
    present.netlist.elements.flatMap((element): PointFault[] => {
      if (element.kind !== 'output' && element.kind !== 'twoWire') return [];
      const { id, leakAmps, dropVolts } = element;
      const landed = element.kind === 'output' ? ends.has(element.out) : ends.has(element.a);
      if (!id.startsWith(`${part.id}/`) || !landed) return [];
      const fault = (how: string, what: Message, act: (netlist: Netlist) => Netlist): PointFault => ({
        id: `${how} ${id}`,
        what,
        place: { in: 'part', id: part.id },
        sort: 'output',
        likely: 'seldom',
        leaves: both(where(id, act)),
      });
      return [
        fault(
          'leaks',
          say('fault.output-leaks', { part: part.tag }),
          faults.worn(id, { leakAmps: Math.max(LEAK.least, LEAK.times * leakAmps.nom) }),
        ),
        fault(
          'drops',
          say('fault.output-drops', { part: part.tag }),
          faults.worn(id, { dropVolts: dropVolts.nom + supply.volts * DROP_SHARE }),
        ),
      ];
    }),
  );
}
