import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { faults, nodesOf } from '../circuit/index.ts';
import type { Element, Netlist } from '../circuit/index.ts';
import { refText } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import { evaluationOf } from './evaluation.ts';
import { BAD_JOINT, both, where } from './pointFault.ts';
import type { Likelihood, PointFault } from './pointFault.ts';

/** A further part of a point, or its device, as it is named. */
interface Part {
  readonly id: string;
  readonly tag: string;
}

/** What can be wrong inside the parts of a point, element by element: contacts, coils, loads, diodes and resistors. */
export function elementFaults({ context, present }: Analysis): PointFault[] {
  // What releases a guard is as much part of it as what asks for that.
  const evaluation = evaluationOf(context)?.module;
  const ends = new Set(context.scope.wires.flatMap(({ from, to }) => [from, to]));
  const found = [context.device, ...context.helpers, ...(evaluation ? [evaluation] : [])].flatMap((part) =>
    present.netlist.elements
      .filter(({ id }) => id.startsWith(`${part.id}/`))
      .flatMap((element) => faultsOf(context.index, part, element, ends)),
  );
  // Two elements in a row behind one terminal fail alike.
  return [...new Map(found.map((fault) => [fault.id, fault])).values()];
}

/** Which of a part's resistors is what, by the end of its name. */
const COIL = /winding$/;
const LOAD = /(^|\/)[a-z0-9]*-?(load-)?part$/;
/** A resistor that was too hot has so many times its ohms. */
const BURNT = 10;
const ELEMENT = /\/(signal|resistor|barrier|terminator|burden\d|upper)$/;

function faultsOf(index: JobIndex, part: Part, element: Element, ends: ReadonlySet<string>): PointFault[] {
  const { id } = element;
  const [a = '', b = ''] = nodesOf(element);
  const [from, to] = [a, b].filter((node) => ends.has(node));
  // Nothing leads there, or it lies deep inside.
  if (from === undefined || (to === undefined && element.kind === 'switch')) return [];
  const names = {
    part: part.tag,
    from: refText(index, from),
    to: to === undefined ? '' : refText(index, to),
  };
  const fault = (
    how: string,
    what: Message,
    likely: Likelihood,
    act: (netlist: Netlist) => Netlist,
  ): PointFault => ({
    id: `${how} ${from} ${to ?? part.id}`,
    what,
    place: { in: 'part', id: part.id },
    sort: 'part',
    likely,
    leaves: both(where(id, act)),
  });
  const opened = (what: Message, likely: Likelihood = 'usual') =>
    fault('opens', what, likely, broken(id, a, b));
  const shorted = (what: Message) => fault('shorts', what, 'seldom', faults.short(id));
  const burnt = (ohms: number) =>
    fault('burnt', say('fault.element-burnt', { ...names, times: BURNT }), 'seldom', faults.weak(id, ohms));
  switch (element.kind) {
    case 'switch':
      return [
        fault('opens', say('fault.contact-open', names), 'usual', faults.open(id)),
        fault('closed', say('fault.contact-closed', names), 'seldom', faults.welded(id)),
        fault('burnt', say('fault.contact-burnt', names), 'usual', faults.weak(id, BAD_JOINT)),
      ];
    case 'diode':
      return [
        opened(say('fault.element-open', names), 'seldom'),
        shorted(say('fault.element-shorted', names)),
        fault('reversed', say('fault.diode-reversed', names), 'seldom', faults.swapped(id, a, b)),
      ];
    case 'resistor':
      if (COIL.test(id))
        return [opened(say('fault.coil-open', names)), shorted(say('fault.coil-shorted', names))];
      return LOAD.test(id) || ELEMENT.test(id)
        ? [
            opened(say('fault.element-open', names)),
            shorted(say('fault.element-shorted', names)),
            // What is meant to be of so many ohms goes astray before it goes.
            ...(ELEMENT.test(id) ? [burnt(BURNT * element.ohms.nom)] : []),
          ]
        : [];
    default:
      return [];
  }
}

/** It conducts no more, and what it drove acts no more: a coil, a lamp. */
const broken =
  (id: string, a: string, b: string) =>
  (netlist: Netlist): Netlist =>
    faults.numb(a, b)(faults.open(id)(netlist));
