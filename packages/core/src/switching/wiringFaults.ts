import { nth, oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { measuredOf, measuredQuantity } from '../analysis/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { AnalogPort } from '../catalog/index.ts';
import { faults, solveNominal } from '../circuit/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { splitRef, unlessRefused } from '../model/index.ts';
import { signalLeads } from '../network/index.ts';
import type { OwnPort } from '../network/index.ts';
import { bandOf, bandText, isShort, chainOf, countedOf, engineeringOf } from '../scaling/index.ts';
import type { PointChain } from '../scaling/index.ts';
import type { SignalFault } from './signal.ts';

/** What a fault of the wiring makes of a point's value, from the solved circuit. */
export interface WiringFault {
  readonly what: Message;
  /** What the input sees, in its own unit; nothing of a value that arrives as data. */
  readonly input?: number;
  readonly inputUnit: string;
  /** What the controller takes it for. */
  readonly taken: Message;
  /** It is known for a fault: there is no value. */
  readonly seen: boolean;
  /** As what it is known. */
  readonly is?: SignalFault;
  /** What the program makes of it where it is not seen. */
  readonly value?: number;
}

/** Signal wires of a point, its supply and its leads, each broken or shorted in turn; nothing without a chain. */
export const wiringFaults = oncePer((analysis: Analysis): readonly WiringFault[] => {
  const made = chainOf(analysis);
  if (!made || 'problem' in made) return [];
  return made.data ? dataFaults(made) : loopFaults(analysis, made);
});

/** Of a value that arrives as data: without the device its port says that it is not valid. */
const dataFaults = ({ chain: { input } }: PointChain): WiringFault[] => [
  {
    what: say('switching.fault-data'),
    inputUnit: input.unit,
    taken: bandText('lowFault', input),
    seen: true,
    is: 'invalid',
  },
];

function loopFaults(analysis: Analysis, made: PointChain): WiringFault[] {
  const { away, present } = analysis;
  const own = present.measured[0]?.own;
  if (!own) return [];
  const read = reader(own, made);
  const healthy = [away, present].map(({ netlist }) => ({ netlist, input: read(netlist)?.input }));
  // Looked at with the value at either end: what changes neither is no fault of this signal.
  const outcome = (what: Message, fault: (netlist: Netlist) => Netlist): WiringFault[] => {
    const rows = healthy.flatMap(({ netlist, input }) => {
      const faulty = input === undefined ? undefined : read(fault(netlist));
      const moves = faulty && Math.abs((input ?? 0) - faulty.input) > 0.005 * made.chain.bands.overAt;
      return moves ? [faulty] : [];
    });
    const worst = rows.find(({ seen }) => !seen) ?? rows[0];
    return worst ? [{ what, ...worst }] : [];
  };
  return faultsAround(analysis, own).flatMap(({ what, fault }) => outcome(what, fault));
}

/** What can be wrong with the wires of a signal: each broken, its supply gone, its leads or its input shorted. */
export function faultsAround(
  { context, present }: Analysis,
  { module, port }: Pick<OwnPort, 'module' | 'port'>,
): { readonly what: Message; readonly fault: (netlist: Netlist) => Netlist }[] {
  const { device, scope, index } = context;
  const ends = [`${module.id}:${port.terminal}`, `${module.id}:${port.common}`] as const;
  const isNear = (ref: string): boolean =>
    splitRef(ref).item === device.id || ends.some((end) => end === ref);
  const leads = signalLeads(context, present.netlist.reference);
  const supplies = new Set(index.job.supplies.map(({ id }) => id));
  return [
    ...scope.wires
      .filter(({ from, to }) => (isNear(from) || isNear(to)) && !isEarth(from) && !isEarth(to))
      .map(({ id, number }) => ({ what: say('switching.fault-wire', { number }), fault: faults.open(id) })),
    { what: say('switching.fault-supply'), fault: faults.unfed(supplies) },
    ...(leads.red === leads.black
      ? []
      : [{ what: say('switching.fault-leads'), fault: faults.bridged(leads.red, leads.black) }]),
    { what: say('switching.fault-input'), fault: faults.bridged(...ends) },
  ];
}

/** What an input makes of a circuit; nothing where that cannot be solved. */
function reader({ module, port, settings }: OwnPort, { chain }: PointChain) {
  const analog = port as AnalogPort;
  const quantity = measuredQuantity(module.id, analog, settings);
  return (netlist: Netlist): (Omit<WiringFault, 'what'> & { readonly input: number }) | undefined => {
    const solved = unlessRefused(() => nth(solveNominal(netlist, [quantity]).bands, 0));
    if (!solved) return undefined;
    const input = measuredOf(analog, settings, solved).value.nom;
    const band = bandOf(chain.bands, input);
    const seen = band === 'lowFault' || band === 'highFault';
    const value = seen
      ? undefined
      : unlessRefused(() => engineeringOf(chain, countedOf(chain, input).counts));
    return {
      input,
      inputUnit: chain.input.unit,
      taken: bandText(band, chain.input),
      seen,
      ...(seen && { is: isShort(band, chain.input.unit) ? ('short' as const) : ('break' as const) }),
      ...(value !== undefined && { value }),
    };
  };
}

const isEarth = (ref: string): boolean => splitRef(ref).terminal === 'PE';
