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
  const parent = new Map<string, string>();
  const root = (name: string): string => {
    let at = name;
    while (parent.get(at) !== undefined && parent.get(at) !== at) at = parent.get(at)!;
    return at;
  };
  const join = (a: string, b: string): void => {
    parent.set(root(a), root(b));
  };
  const all = new Set<string>([netlist.reference]);
  for (const element of netlist.elements) {
    for (const node of nodesOf(element)) all.add(node);
    for (const [a, b] of ties(element, conducts, amps)) if (root(a) !== root(b)) join(a, b);
  }
  const firm = root(netlist.reference);
  return new Set([...all].filter((node) => root(node) !== firm));
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
      return element.closed ? [[element.a, element.b]] : [];
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
    case 'meter':
      return [];
  }
}
