import type { Analysis, Nets } from '../analysis/index.ts';
import type { Netlist } from '../circuit/index.ts';
import type { Message } from '../messages/index.ts';
import type { FaultSort, Often } from '../model/index.ts';
import type { Held } from './look.ts';
import type { Subject } from './subject.ts';

/** Ohms of a joint that is corroded or hardly holds, and of a contact that is burnt. */
export const BAD_JOINT = 4700;

/** Where something is broken. */
export type FaultPlace =
  | { readonly in: 'wire'; readonly ids: readonly string[] }
  | { readonly in: 'part'; readonly id: string }
  | { readonly in: 'program' };

/** How likely something is beside other things, before anything was seen. */
export type Likelihood = Often;

export const WEIGHT: Readonly<Record<Likelihood, number>> = { often: 4, usual: 2, seldom: 1 };

/** The circuit of a point as it is held; one without a button is just closed. */
export const netIn = (nets: Nets, held: Held): Netlist => nets[held] ?? nets.present;

/** The same done to the circuit whatever the target does. */
export const both =
  (fault: (netlist: Netlist) => Netlist) =>
  ({ away, present, pressed }: Nets): Nets => ({
    away: fault(away),
    present: fault(present),
    ...(pressed && { pressed: fault(pressed) }),
  });

/** Done where the element is in the circuit: a part may be another one with the target there. */
export const where =
  (id: string, act: (netlist: Netlist) => Netlist) =>
  (netlist: Netlist): Netlist =>
    netlist.elements.some((element) => element.id === id) ? act(netlist) : netlist;

/** What of the indicators a fault shows otherwise than the circuit has it. */
interface Shown {
  readonly sensorLed?: 'dark';
  readonly inputLed?: 'dark';
  readonly bit?: 'turned' | 'other';
  /** Of a value: another one, or none. */
  readonly value?: 'other' | 'none';
  /** Of a device that talks: it does not. */
  readonly silent?: true;
  /** The contactor that stays in though nothing holds it, by the element that tells. */
  readonly staysIn?: string;
  /** The part that is not set as its sheet says. */
  readonly setElsewhere?: string;
}

/** One thing that can be wrong with a point, as it is told. */
export interface KnownFault {
  readonly id: string;
  readonly what: Message;
  readonly place: FaultPlace;
  readonly sort: FaultSort;
  readonly likely: Likelihood;
}

/** The same with what it does to the circuit. */
export interface PointFault extends KnownFault {
  /** What is left of the sound circuit. */
  readonly leaves: (nets: Nets) => Nets;
  readonly shown?: Shown;
  /** The point as it then is, where more than its circuit is otherwise. */
  readonly as?: Subject;
}

/** The circuits of a point as it stands. */
export const netsOf = ({ away, present, pressed }: Analysis): Nets => ({
  away: away.netlist,
  present: present.netlist,
  ...(pressed && { pressed: pressed.netlist }),
});

/** What stands otherwise in one circuit than in another, done to a third. */
export function difference(before: Netlist, after: Netlist): (netlist: Netlist) => Netlist {
  const known = new Map(before.elements.map((element) => [element.id, JSON.stringify(element)]));
  const moved = new Map(
    after.elements.flatMap((element) =>
      known.get(element.id) === JSON.stringify(element) ? [] : [[element.id, element] as const],
    ),
  );
  return (netlist) => ({
    ...netlist,
    elements: netlist.elements.map((element) => moved.get(element.id) ?? element),
  });
}

/** Whatever is done to it, what it looks at stands as in one circuit; a button that is held down is held down all the same. */
export const stands =
  (at: 'away' | 'present') =>
  (nets: Nets): Nets => {
    const net = nets[at];
    const { present, pressed } = nets;
    return {
      away: net,
      present: net,
      ...(pressed && { pressed: difference(present, pressed)(net) }),
    };
  };

/** What is told of a fault, without what it does. */
export const knownOf = ({ id, what, place, sort, likely }: PointFault): KnownFault => ({
  id,
  what,
  place,
  sort,
  likely,
});

/** A point that stands otherwise: solved as it then is, whatever circuit it had. */
export const standing = ({
  as,
  nets,
}: {
  readonly as: Subject;
  readonly nets: Nets;
}): Pick<PointFault, 'as' | 'leaves'> => ({ as, leaves: () => nets });
