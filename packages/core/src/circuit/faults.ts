import { sure } from '../lists/index.ts';
import type { Element, Netlist } from './netlist.ts';
import { nodesOf, onNodes } from './netlist.ts';
import { exactly, percent } from './span.ts';

/** A fault turns a netlist into the one that it leaves behind. It never changes the netlist that it is given. */
export type Fault = (netlist: Netlist) => Netlist;

function replace(netlist: Netlist, id: string, make: (element: Element) => Element[]): Netlist {
  const { elements } = netlist;
  const at = elements.findIndex((element) => element.id === id);
  const element = elements[at];
  if (!element) throw new Error(`There is no element "${id}" to put a fault on.`);
  return { ...netlist, elements: [...elements.slice(0, at), ...make(element), ...elements.slice(at + 1)] };
}

/** The element is interrupted. Its nodes stay. */
export const open =
  (id: string): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      const [a, b] = nodesOf(element);
      return [{ kind: 'switch', id, a: sure(a), b: sure(b), closed: false, ohms: exactly(0.01) }];
    });

/** The element's first two nodes are bridged by 10 mΩ. */
export const short =
  (id: string): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      const [a, b] = nodesOf(element);
      return [element, { kind: 'resistor', id: `${id}/short`, a: sure(a), b: sure(b), ohms: exactly(0.01) }];
    });

const exchanged = (element: Element, from: string, to: string): Element =>
  onNodes(element, (node) => (node === from ? to : node === to ? from : node));

/** Two nodes of an element are exchanged, as when two wires change places at its terminals. */
export const swapped =
  (id: string, nodeA: string, nodeB: string): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => [exchanged(element, nodeA, nodeB)]);

/** One end of an element sits on another node, as when a wire is landed on the wrong rail. */
export const wrongRail =
  (id: string, from: string, to: string): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      if (!nodesOf(element).includes(from)) throw new Error(`"${id}" does not end on "${from}".`);
      return [onNodes(element, (node) => (node === from ? to : node))];
    });

/** A source gives only `volts` (V, ±1 %). */
export const lowSupply =
  (id: string, volts: number): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      if (element.kind !== 'source') throw new Error(`"${id}" is not a source.`);
      return [{ ...element, volts: percent(volts, 1) }];
    });

/** Every source of some supplies gives only `volts` (V, ±1 %); a circuit without them stays as it is. */
export const unfed =
  (supplies: ReadonlySet<string>, volts = 0): Fault =>
  (netlist) =>
    netlist.elements
      .filter(({ kind, id }) => kind === 'source' && supplies.has(id))
      .reduce((left, { id }) => lowSupply(id, volts)(left), netlist);

/** A joint or a closed contact conducts only with so many ohms. */
export const weak =
  (id: string, ohms: number): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      if (element.kind !== 'resistor' && element.kind !== 'switch')
        throw new Error(`"${id}" is no joint and no contact.`);
      return [{ ...element, ohms: exactly(ohms) }];
    });

/** An output's transistor, or a two-wire sensor, with figures that are no longer its own, in A and V. */
export const worn =
  (id: string, figures: { readonly leakAmps?: number; readonly dropVolts?: number }): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      if (element.kind !== 'output' && element.kind !== 'twoWire')
        throw new Error(`"${id}" is not an output.`);
      const { leakAmps, dropVolts } = figures;
      return [
        {
          ...element,
          ...(leakAmps !== undefined && { leakAmps: exactly(leakAmps) }),
          ...(dropVolts !== undefined && { dropVolts: exactly(dropVolts) }),
        },
      ];
    });

/** Two nodes are bridged by 10 mΩ. */
export const bridged =
  (a: string, b: string): Fault =>
  (netlist) => ({
    ...netlist,
    elements: [...netlist.elements, { kind: 'resistor', id: `bridge ${a} ${b}`, a, b, ohms: exactly(0.01) }],
  });

/** A contact is closed for good. */
export const welded =
  (id: string): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      if (element.kind !== 'switch') throw new Error(`"${id}" is not a contact.`);
      return [{ ...element, closed: true }];
    });

/** Whatever looks at the volts between two nodes takes no notice any more, as a coil that is burnt through. */
export const numb =
  (a: string, b: string): Fault =>
  (netlist) => ({
    ...netlist,
    elements: netlist.elements.map((element) =>
      element.kind === 'detector' && [element.a, element.b].every((node) => node === a || node === b)
        ? { ...element, onVolts: UNREACHED, offVolts: UNREACHED }
        : element,
    ),
  });

/** More than stands anywhere, V. */
const UNREACHED = 1e6;

/** An output stays as it is, whatever the target does. */
export const stuckOutput =
  (id: string, active: boolean): Fault =>
  (netlist) =>
    replace(netlist, id, (element) => {
      if (element.kind !== 'output') throw new Error(`"${id}" is not an output.`);
      return [{ ...element, active }];
    });
