import { Groups, sure } from '../lists/index.ts';
import { entry } from './entries.ts';
import { JoinedNodes } from './joinedNodes.ts';
import type { Element, Netlist } from './netlist.ts';
import { nodesOf } from './netlist.ts';

/** Less than this through a diode, A, does not tie its two ends together. */
const TIE_AMPS = 1e-6;

/** Elements with their nodes by numbers, three an element as the solver keeps them; the reference is 0. */
interface Numbered {
  readonly elements: readonly Element[];
  readonly nodes: Int32Array;
  /** So many with the reference. */
  readonly count: number;
}

/** The present state of a solved circuit's elements, by their numbers. */
interface State {
  /** Whether a contact is closed, or the transistor of an output through. */
  readonly conducts: (element: number, branch: 'high' | 'low') => boolean;
  /** A. */
  readonly amps: (element: number) => number;
}

/**
 * Nodes that hang on nothing: no path through conducting parts leads to the reference.
 * Open contacts, transistors that are off, blocked diodes and meters are no path.
 */
export const hangingNodes = (circuit: Numbered, { conducts, amps }: State): number[] =>
  unreached(circuit, ({ kind }, e, joins) => {
    if (kind === 'output') {
      if (conducts(e, 'high')) joins(0, 1);
      if (conducts(e, 'low')) joins(1, 2);
    } else if (kind === 'switch') {
      if (conducts(e, 'high')) joins(0, 1);
    } else if (kind === 'diode' || kind === 'transmitter') {
      if (amps(e) > TIE_AMPS) joins(0, 1);
    } else if (ALWAYS.has(kind)) joins(0, 1);
  });

/** Nodes that no chain of always conducting parts ties to the reference, whatever the state of the others. */
export const looseNodes = (circuit: Numbered): number[] =>
  unreached(circuit, (element, _, joins) => {
    if (ALWAYS.has(element.kind) || (element.kind === 'switch' && element.closed === true)) joins(0, 1);
  });

/** What conducts in any state. */
const ALWAYS: ReadonlySet<Element['kind']> = new Set(['resistor', 'source', 'optocoupler', 'twoWire']);

/** How two nodes of a solved circuit hang together. */
export interface Islands {
  /** Nothing at all joins them, not even what leaks: a meter between them shows nothing. */
  readonly apart: (a: string, b: string) => boolean;
  /** Parts that always conduct join them: what stands between them is firm, whatever else they hang on. */
  readonly tied: (a: string, b: string) => boolean;
}

export function islandsOf(netlist: Netlist, closed: (id: string) => boolean): Islands {
  const [any, firm] = [new Groups(), new Groups()];
  for (const element of netlist.elements) {
    const { kind, id } = element;
    // These look at a voltage and take no current, and an open contact lets none through.
    if (kind === 'meter' || kind === 'detector' || kind === 'latch') continue;
    if (kind === 'switch' && !closed(id)) continue;
    const [first, ...others] = nodesOf(element);
    for (const node of others) any.join(sure(first), node);
    if (kind === 'resistor' || kind === 'source' || kind === 'switch')
      firm.join(sure(first), sure(others[0]));
  }
  return {
    apart: (a, b) => any.of(a) !== any.of(b),
    tied: (a, b) => firm.of(a) === firm.of(b),
  };
}

/** Nodes that stay apart from the reference when the nodes of each element are joined, by their places in it. */
function unreached(
  { elements, nodes, count }: Numbered,
  join: (element: Element, e: number, joins: (one: number, other: number) => void) => void,
): number[] {
  const joined = new JoinedNodes(count);
  elements.forEach((element, e) =>
    join(element, e, (one, other) => joined.join(entry(nodes, e * 3 + one), entry(nodes, e * 3 + other))),
  );
  const apart: number[] = [];
  for (let node = 1; node < count; node++) if (joined.of(node) !== 0) apart.push(node);
  return apart;
}
