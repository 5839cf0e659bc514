import { oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { inputQuantities, readInput } from '../analysis/index.ts';
import type { InputReading } from '../analysis/index.ts';
import { faults, solveNominal } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { unlessRefused } from '../model/index.ts';
import { elementId } from '../network/index.ts';
import { faultsAround } from './wiringFaults.ts';

/** What a fault makes of a switching point's input, from the solved circuit. */
export interface InputFault {
  readonly what: Message;
  /** What the program reads with the target away, and with it present; nothing between on and off. */
  readonly bits: readonly [away: 0 | 1 | undefined, present: 0 | 1 | undefined];
  /** It reads the safe side, whatever the target does; absent where nobody said which that is. */
  readonly safe?: boolean;
  /** No wiring and no logic changes it: only a test or a second way finds it. */
  readonly hidden: boolean;
}

/** Each fault of the wires, the supply and the output of a point on a digital input that changes what it reads. */
export const inputFaults = oncePer((analysis: Analysis): readonly InputFault[] => {
  const { away, present, context } = analysis;
  const [reading] = present.inputs;
  if (!reading) return [];
  const { safeInput } = context.point.switching ?? {};
  const { own } = reading;
  const switching = context.output.element && elementId(context.device.id, context.output.element);
  const hasOutput = present.netlist.elements.some(({ id, kind }) => id === switching && kind === 'output');
  const stuck = (active: boolean) => ({
    what: say(active ? 'switching.fault-output-on' : 'switching.fault-output-off'),
    fault: (netlist: Netlist) => faults.stuckOutput(switching ?? '', active)(netlist),
    hidden: true,
  });
  const all = [
    ...faultsAround(analysis, own).map((one) => ({ ...one, hidden: false })),
    ...(hasOutput ? [stuck(true), stuck(false)] : []),
  ];
  const healthy = [away.bit, present.bit];
  return all.flatMap(({ what, fault, hidden }): InputFault[] => {
    const bits = [away, present].map(({ netlist }) => bitOf(fault(netlist), own, context.point.bit)) as [
      0 | 1 | undefined,
      0 | 1 | undefined,
    ];
    if (bits[0] === healthy[0] && bits[1] === healthy[1]) return [];
    const wanted = safeInput === 'on' ? 1 : 0;
    return [
      { what, bits, hidden, ...(safeInput !== undefined && { safe: bits.every((bit) => bit === wanted) }) },
    ];
  });
});

/** What the program reads of an input in a circuit. */
function bitOf(netlist: Netlist, own: InputReading['own'], bit: 'direct' | 'inverted'): 0 | 1 | undefined {
  const { volts, amps } = inputQuantities(own);
  const bands = unlessRefused(() => solveNominal(netlist, [volts, amps]).bands);
  const [v, a] = bands ?? [];
  return v && a ? readInput(own, v, a, bit).bit : undefined;
}
