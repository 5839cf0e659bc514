import { Groups, sure } from '../lists/index.ts';
import type { Element, Netlist } from './netlist.ts';
import { nodesOf } from './netlist.ts';

/** Less than this through a diode, A, does not tie its two ends together. */
const TIE_AMPS = 1e-6;

/**
 * Nodes that hang on nothing: no path through conducting parts leads to the reference.
 * Open contacts, transistors that are off, blocked diodes and meters are no path.
 */
export function hangingNodes(
  netlist: Netlist,
  conducts: (id: string, branch: 'high' | 'low') => boolean,
  amps: (id: string) => number,
): Set<string> {
  return unreached(netlist, (element) => ties(element, conducts, amps));
}

/** Nodes that no chain of always conducting parts ties to the reference, whatever the state of the others. */
export function looseNodes(netlist: Netlist): Set<string> {
  return unreached(netlist, (element) => {
    const [a, b] = nodesOf(element);
    const conducting =
      element.kind === 'resistor' ||
      element.kind === 'source' ||
      element.kind === 'optocoupler' ||
      element.kind === 'twoWire' ||
      (element.kind === 'switch' && element.closed === true);
    return conducting ? [[sure(a), sure(b)]] : [];
  });
}

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

/** Nodes that stay apart from the reference when the pairs of each element are joined. */
function unreached(netlist: Netlist, pairs: (element: Element) => [string, string][]): Set<string> {
  const groups = new Groups();
  const all = new Set<string>([netlist.reference]);
  for (const element of netlist.elements) {
    for (const node of nodesOf(element)) all.add(node);
    for (const [a, b] of pairs(element)) groups.join(a, b);
  }
  const firm = groups.of(netlist.reference);
  return new Set([...all].filter((node) => groups.of(node) !== firm));
}

function ties(
  element: Element,
  conducts: (id: string, branch: 'high' | 'low') => boolean,
  amps: (id: string) => number,
): [string, string][] {
  switch (element.kind) {
    case 'resistor':
      return [[element.a, element.b]];
    case 'switch':
      return conducts(element.id, 'high') ? [[element.a, element.b]] : [];
    case 'source':
      return [[element.plus, element.minus]];
    case 'optocoupler':
      return [[element.terminal, element.common]];
    case 'diode':
      return amps(element.id) > TIE_AMPS ? [[element.anode, element.cathode]] : [];
    case 'output':
      return [
        ...(conducts(element.id, 'high') ? ([[element.plus, element.out]] as [string, string][]) : []),
        ...(conducts(element.id, 'low') ? ([[element.out, element.minus]] as [string, string][]) : []),
      ];
    case 'twoWire':
      return [[element.a, element.b]];
    case 'transmitter':
      return amps(element.id) > TIE_AMPS ? [[element.plus, element.minus]] : [];
    case 'meter':
    case 'detector':
    case 'latch':
      return [];
  }
}
