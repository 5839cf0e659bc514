import { isAlikeList, keepNewest, nth, oncePer, sure } from '../lists/index.ts';
import { entry } from './entries.ts';
import type { Element, Netlist, Optocoupler, Output } from './netlist.ts';
import { isAlikeBy, nodesOf } from './netlist.ts';
import { looseNodes } from './floating.ts';
import type { Span } from './span.ts';
import { planOf } from './elimination.ts';
import type { Plan } from './elimination.ts';

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

/** A source as the linear equations know it. */
interface HeldEnds {
  /** Its place among the sources, its unknown, and the place of its resistance among the parameters. */
  readonly source: number;
  readonly row: number;
  readonly ohms: number;
  /** Its nodes, and the slot of what ties them. */
  readonly plus: number;
  readonly minus: number;
  readonly slot: number;
}

/**
 * A netlist made ready for many solutions: nodes as numbers (the reference is 0), parameters in one row
 * that may be varied within their spans without compiling again. Unknowns are the voltages of the nodes, by their
 * numbers, and after them the currents of the sources.
 */
export interface Compiled {
  readonly netlist: Netlist;
  /** Numbers of the elements by their ids. */
  readonly indexOf: ReadonlyMap<string, number>;
  readonly nodeIndex: ReadonlyMap<string, number>;
  /** Nodes beside the reference. */
  readonly nodeCount: number;
  /** Nodes that may hang on nothing; a trace of conductance gives each of them a number. */
  readonly loose: readonly number[];
  readonly sourceCount: number;
  readonly kind: Uint8Array;
  readonly flags: Uint8Array;
  /** Three node numbers an element; more that it only looks at are not kept here. */
  readonly nodes: Int32Array;
  /** How the nodes are eliminated, and two slots an element: its branch, and the one to minus of an output. */
  readonly plan: Plan;
  readonly slots: readonly number[];
  /** Sources with a resistance that can be divided by, and the stiff others. */
  readonly soft: readonly HeldEnds[];
  readonly stiff: readonly HeldEnds[];
  /** The unknowns that elimination leaves: the nodes that stiff sources hold, then the currents of those sources. */
  readonly open: readonly number[];
  /** First parameter of an element; sources also have a current among the unknowns, `sourceRow`. */
  readonly param: Int32Array;
  readonly sourceRow: Int32Array;
  /** Numbers of the sources, of the resistors and contacts, and of all other elements that conduct. */
  readonly sources: readonly number[];
  readonly straight: readonly number[];
  readonly curved: readonly number[];
  readonly nominal: Float64Array;
  readonly min: Float64Array;
  readonly max: Float64Array;
  /** Numbers of the parameters that have a tolerance, and the element of each. */
  readonly toleranced: readonly number[];
  readonly tolerancedElement: readonly number[];
}

/** What was made ready last. A circuit is mostly looked at in one state after the other. */
let last: Compiled | undefined;

/** @throws Error when an id stands twice or a resistance is not above zero. */
export function compile(netlist: Netlist): Compiled {
  if (last && isAlikeBy(netlist, last.netlist, isAlike)) {
    const { nodes, nodeIndex } = last;
    const loose = looseNodes({ elements: netlist.elements, nodes, count: nodeIndex.size });
    return (last = { ...last, netlist, loose });
  }
  return (last = compileAnew(netlist));
}

/** Whether two elements differ, if at all, only in what a contact, an output or a memory hangs on. */
function isAlike(one: Element, other: Element): boolean {
  if (one.id !== other.id || one.kind !== other.kind) return false;
  const [a, b] = [partOf(one), partOf(other)];
  return (
    a.kind === b.kind &&
    a.flags === b.flags &&
    isAlikeList(a.nodes, b.nodes) &&
    a.parameters.every(({ nom, min, max }, i) => {
      const span = nth(b.parameters, i);
      return nom === span.nom && min === span.min && max === span.max;
    })
  );
}

function compileAnew(netlist: Netlist): Compiled {
  const { elements } = netlist;
  const nodeIndex = numberNodes(netlist);
  const kind = new Uint8Array(elements.length);
  const flags = new Uint8Array(elements.length);
  const nodes = new Int32Array(elements.length * 3);
  const param = new Int32Array(elements.length);
  const sourceRow = new Int32Array(elements.length).fill(-1);
  const spans: Span[] = [];
  const owners: number[] = [];
  const [sources, straight, curved]: [number[], number[], number[]] = [[], [], []];
  const indexOf = new Map<string, number>();
  elements.forEach((element, e) => {
    if (indexOf.has(element.id)) throw new Error(`Two elements are called "${element.id}".`);
    indexOf.set(element.id, e);
    const part = partOf(element);
    for (let k = 0; k < Math.min(part.nodes.length, 3); k++)
      nodes[e * 3 + k] = sure(nodeIndex.get(nth(part.nodes, k)));
    param[e] = spans.length;
    for (const span of part.parameters) {
      spans.push(span);
      owners.push(e);
    }
    kind[e] = part.kind;
    if (part.kind === KIND.resistor || part.kind === KIND.contact) straight.push(e);
    else if (part.kind === KIND.source) sources.push(e);
    else if (part.kind !== KIND.none) curved.push(e);
    flags[e] = part.flags;
  });
  sources.forEach((e, s) => (sourceRow[e] = nodeIndex.size + s));
  const stiff = new Set(sources.filter((e) => nth(spans, entry(param, e) + 1).min < SOFT_OHMS));
  const { plan, slots } = branchesOf(nodeIndex.size - 1, nodes, kind, flags, stiff);
  return {
    netlist,
    indexOf,
    nodeIndex,
    nodeCount: nodeIndex.size - 1,
    loose: looseNodes({ elements, nodes, count: nodeIndex.size }),
    sourceCount: sources.length,
    kind,
    flags,
    nodes,
    plan,
    slots,
    ...heldBy(plan, sources, stiff, { sourceRow, param, nodes, slots }),
    param,
    sourceRow,
    sources,
    straight,
    curved,
    ...parametersIn(spans, owners),
  };
}

/** What an element is to the solver, whatever circuit it stands in. */
const partOf = oncePer((element: Element) => ({
  nodes: nodesOf(element),
  parameters: parametersOf(element),
  kind: kindOf(element),
  flags: flagsOf(element),
}));

/** The parameters in a row, with the element of each. */
function parametersIn(
  spans: readonly Span[],
  owners: readonly number[],
): Pick<Compiled, 'nominal' | 'min' | 'max' | 'toleranced' | 'tolerancedElement'> {
  const toleranced: number[] = [];
  spans.forEach(({ min, max }, i) => {
    if (min !== max) toleranced.push(i);
  });
  return {
    nominal: columnOf(spans, 'nom'),
    min: columnOf(spans, 'min'),
    max: columnOf(spans, 'max'),
    toleranced,
    tolerancedElement: toleranced.map((i) => nth(owners, i)),
  };
}

function columnOf(spans: readonly Span[], figure: keyof Span): Float64Array {
  const column = new Float64Array(spans.length);
  spans.forEach((span, i) => (column[i] = span[figure]));
  return column;
}

/** The sources by whether they are stiff, and what is left for the linear equations of those that are. */
function heldBy(
  { left }: Plan,
  sources: readonly number[],
  stiff: ReadonlySet<number>,
  { sourceRow, param, nodes, slots }: Pick<Compiled, 'sourceRow' | 'param' | 'nodes' | 'slots'>,
): Pick<Compiled, 'soft' | 'stiff' | 'open'> {
  const of = (isStiff: boolean): HeldEnds[] =>
    sources.flatMap((e, source) =>
      stiff.has(e) === isStiff
        ? {
            source,
            row: entry(sourceRow, e),
            ohms: entry(param, e) + 1,
            plus: entry(nodes, e * 3),
            minus: entry(nodes, e * 3 + 1),
            slot: nth(slots, e * 2),
          }
        : [],
    );
  return { soft: of(false), stiff: of(true), open: [...left, ...of(true).map(({ row }) => row)] };
}

function numberNodes(netlist: Netlist): Map<string, number> {
  const index = new Map<string, number>([[netlist.reference, 0]]);
  for (const element of netlist.elements)
    for (const name of partOf(element).nodes) if (!index.has(name)) index.set(name, index.size);
  return index;
}

/** From this on a source's current is worked out from its voltage; below, what is lost of it would be seen. */
const SOFT_OHMS = 1e-3;

/**
 * Two branches an element, of which most have one; what takes no current joins its first node to itself: slot 0. So does
 * a stiff source, whose nodes are not eliminated.
 */
function branchesOf(
  nodeCount: number,
  nodes: Int32Array,
  kind: Uint8Array,
  flags: Uint8Array,
  stiff: ReadonlySet<number>,
): Pick<Compiled, 'plan' | 'slots'> {
  const ends: number[] = [];
  const left = new Set<number>();
  kind.forEach((own, e) => {
    const [a, b, c] = [entry(nodes, e * 3), entry(nodes, e * 3 + 1), entry(nodes, e * 3 + 2)];
    const { high, low } = FLAG;
    if (stiff.has(e)) left.add(a).add(b);
    if (own === KIND.none || stiff.has(e)) ends.push(a, a, a, a);
    else if (own !== KIND.output) ends.push(a, b, a, a);
    else ends.push(a, entry(flags, e) & high ? b : a, b, entry(flags, e) & low ? c : b);
  });
  left.delete(0);
  const { plan, slotOf } = plannedOnce(nodeCount, ends, [...left]);
  return { plan, slots: slotOf };
}

/** So many plans are kept: states and faults of a circuit mostly join the same nodes. */
const MOST_PLANS = 200;
const plans = new Map<string, ReturnType<typeof planOf>>();

const plannedOnce: typeof planOf = (nodes, ends, left) => {
  const key = `${nodes} ${ends.join()} ${left.join()}`;
  return keepNewest(plans, key, plans.get(key) ?? planOf(nodes, ends, left), MOST_PLANS);
};

function kindOf(element: Element): number {
  switch (element.kind) {
    case 'resistor':
    case 'meter':
      return KIND.resistor;
    case 'switch':
      return KIND.contact;
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
