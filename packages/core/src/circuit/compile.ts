import { nth, sure } from '../lists/index.ts';
import type { Element, Netlist, Optocoupler, Output } from './netlist.ts';
import { nodesOf } from './netlist.ts';
import { looseNodes } from './floating.ts';
import type { Span } from './span.ts';

/** Element kinds as the solver knows them. */
export const KIND = {
  none: 0,
  resistor: 1,
  source: 2,
  diode: 3,
  output: 4,
  optocoupler: 5,
  contact: 6,
  twoWire: 7,
  transmitter: 8,
} as const;

/** Bits that say what an element has: transistors to plus or minus, senses that an input takes. */
export const FLAG = { high: 1, low: 2, forward: 4, backward: 8 } as const;

/**
 * A netlist made ready for many solutions: nodes as numbers (the reference is −1), parameters in one row
 * that may be varied within their spans without compiling again.
 */
export interface Compiled {
  readonly netlist: Netlist;
  readonly nodeIndex: ReadonlyMap<string, number>;
  readonly nodeCount: number;
  /** Nodes that may hang on nothing; a trace of conductance gives each of them a number. */
  readonly loose: Int32Array;
  readonly sourceCount: number;
  readonly kind: Uint8Array;
  readonly flags: Uint8Array;
  /** Three node numbers an element; more that it only looks at are not kept here. */
  readonly nodes: Int32Array;
  /** First parameter of an element; sources also have a current among the unknowns, `sourceRow`. */
  readonly param: Int32Array;
  readonly sourceRow: Int32Array;
  /** Numbers of the resistors, and of all other elements that conduct. */
  readonly straight: Int32Array;
  readonly curved: Int32Array;
  readonly nominal: Float64Array;
  readonly min: Float64Array;
  readonly max: Float64Array;
  /** Numbers of the parameters that have a tolerance, and the element of each. */
  readonly toleranced: Int32Array;
  readonly tolerancedElement: Int32Array;
}

/** @throws Error when an id stands twice or a resistance is not above zero. */
export function compile(netlist: Netlist): Compiled {
  const { elements } = netlist;
  const nodeIndex = numberNodes(netlist);
  const kind = new Uint8Array(elements.length);
  const flags = new Uint8Array(elements.length);
  const nodes = new Int32Array(elements.length * 3).fill(-1);
  const param = new Int32Array(elements.length);
  const sourceRow = new Int32Array(elements.length).fill(-1);
  const spans: Span[] = [];
  const owners: number[] = [];
  const [straight, curved]: [number[], number[]] = [[], []];
  const ids = new Set<string>();
  let sourceCount = 0;
  elements.forEach((element, e) => {
    if (ids.has(element.id)) throw new Error(`Two elements are called "${element.id}".`);
    ids.add(element.id);
    const names = nodesOf(element);
    for (let k = 0; k < Math.min(names.length, 3); k++) nodes[e * 3 + k] = sure(nodeIndex.get(nth(names, k)));
    param[e] = spans.length;
    for (const span of parametersOf(element)) {
      spans.push(span);
      owners.push(e);
    }
    const own = kindOf(element);
    kind[e] = own;
    if (own === KIND.resistor) straight.push(e);
    else if (own !== KIND.none) curved.push(e);
    flags[e] = flagsOf(element);
    if (element.kind === 'source') sourceRow[e] = nodeIndex.size - 1 + sourceCount++;
  });
  const toleranced = spans.flatMap((span, i) => (span.min !== span.max ? [i] : []));
  return {
    netlist,
    nodeIndex,
    nodeCount: nodeIndex.size - 1,
    loose: Int32Array.from(looseNodes(netlist), (name) => sure(nodeIndex.get(name))),
    sourceCount,
    kind,
    flags,
    nodes,
    param,
    sourceRow,
    straight: Int32Array.from(straight),
    curved: Int32Array.from(curved),
    nominal: Float64Array.from(spans, (s) => s.nom),
    min: Float64Array.from(spans, (s) => s.min),
    max: Float64Array.from(spans, (s) => s.max),
    toleranced: Int32Array.from(toleranced),
    tolerancedElement: Int32Array.from(toleranced, (i) => nth(owners, i)),
  };
}

function numberNodes(netlist: Netlist): Map<string, number> {
  const index = new Map<string, number>([[netlist.reference, -1]]);
  for (const element of netlist.elements)
    for (const name of nodesOf(element)) if (!index.has(name)) index.set(name, index.size - 1);
  return index;
}

function kindOf(element: Element): number {
  switch (element.kind) {
    case 'resistor':
    case 'meter':
      return KIND.resistor;
    case 'switch':
      if (typeof element.closed !== 'boolean') return KIND.contact;
      return element.closed ? KIND.resistor : KIND.none;
    case 'source':
      return KIND.source;
    case 'diode':
      return KIND.diode;
    case 'output':
      return KIND.output;
    case 'optocoupler':
      return KIND.optocoupler;
    case 'twoWire':
      return KIND.twoWire;
    case 'transmitter':
      return KIND.transmitter;
    case 'detector':
    case 'latch':
      return KIND.none;
  }
}

function parametersOf(element: Element): Span[] {
  switch (element.kind) {
    case 'resistor':
    case 'meter':
    case 'switch':
      return [positive(element.ohms, element.id)];
    case 'source':
      return [element.volts, element.internalOhms, positive(element.limitAmps, element.id)];
    case 'diode':
      return [element.dropVolts, positive(element.ohms, element.id)];
    case 'detector':
    case 'latch':
      return [];
    case 'transmitter':
      return [positive(element.amps, element.id), element.liftVolts];
    case 'twoWire':
    case 'output':
      return [
        element.dropVolts,
        positive(element.ohms, element.id),
        element.leakAmps,
        positive(element.limitAmps, element.id),
      ];
    case 'optocoupler':
      return [
        element.ledVolts,
        positive(element.seriesOhms, element.id),
        positive(element.parallelOhms, element.id),
      ];
  }
}

function positive(span: Span, id: string): Span {
  if (!(span.min > 0)) throw new Error(`"${id}" needs a value above zero, not ${span.min}.`);
  return span;
}

function flagsOf(element: Element): number {
  if (element.kind === 'output') return outputFlags(element);
  if (element.kind === 'optocoupler') return senseFlags(element);
  return 0;
}

function outputFlags({ style }: Output): number {
  return (style !== 'npn' ? FLAG.high : 0) | (style !== 'pnp' ? FLAG.low : 0);
}

function senseFlags({ sense }: Optocoupler): number {
  return (sense !== 'source' ? FLAG.forward : 0) | (sense !== 'sink' ? FLAG.backward : 0);
}
