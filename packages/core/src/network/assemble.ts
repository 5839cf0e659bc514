import { nth, oncePer, sure } from '../lists/index.ts';
import { outputsNow, settingsOf } from '../catalog/index.ts';
import { exactly, onNodes, underId } from '../circuit/index.ts';
import type { Element, Netlist } from '../circuit/index.ts';
import type { Supply } from '../model/index.ts';
import { splitRef } from '../model/index.ts';
import { wireOhms } from './copper.ts';
import { asItStands, minusOf } from '../job/index.ts';
import { supplyElements } from './supplyElements.ts';
import type { JobIndex } from '../job/index.ts';
import type { Scope } from './scope.ts';
import { IDLE } from './world.ts';
import type { World } from './world.ts';

/** Name of an element of a device or module in the netlist. */
export const elementId = (itemId: string, local: string): string => `${itemId}/${local}`;

/**
 * Builds the electrical network of a scope. Nodes carry the names of the terminals, wires the ids of the wires.
 * The minus of the job's first supply is 0 V; every minus and neutral is earthed. What stands whatever is done to the
 * scope is made once for it, and so are the elements of a part for each thing that is done to that: they are the same
 * objects in every state.
 */
export function assemble(index: JobIndex, scope: Scope, world: World): Netlist {
  const made = madeFor(index, scope);
  const elements: Element[] = [
    ...made.standing,
    ...(world.joined ?? []).map(([a, b], i): Element => ({
      kind: 'resistor',
      id: elementId('fault', String(i)),
      a,
      b,
      ohms: exactly(0.01),
    })),
    ...[...scope.deviceIds].flatMap((id) => made.of(id, world, deviceElements)),
    ...[...scope.parts.keys()].flatMap((id) => made.of(id, world, moduleElements)),
  ];
  return { elements, reference: made.reference, held: world.held };
}

const madeOf = oncePer((_: Scope) => new WeakMap<JobIndex, ScopeElements>());

function madeFor(index: JobIndex, scope: Scope): ScopeElements {
  const known = madeOf(scope);
  let made = known.get(index);
  if (!made) known.set(index, (made = new ScopeElements(index, scope)));
  return made;
}

type Maker = (index: JobIndex, scope: Scope, id: string, world: World) => Element[];

/** The elements of a scope that were made so far. */
class ScopeElements {
  readonly reference: string;
  /** Supplies with what hangs on them, and wires. */
  readonly standing: readonly Element[];
  readonly #index: JobIndex;
  readonly #scope: Scope;
  readonly #parts = new Map<string, readonly Element[]>();

  constructor(index: JobIndex, scope: Scope) {
    const supplies = suppliesOf(index, scope);
    this.reference = zeroOf(index);
    this.standing = [
      ...supplies.flatMap((supply) => supplyElements(index.job.supplies, supply)),
      ...supplies.flatMap((supply) => earthing(supply, this.reference, scope)),
      ...scope.wires.map((wire): Element => ({
        kind: 'resistor',
        id: wire.id,
        a: wire.from,
        b: wire.to,
        ohms: wireOhms(wire),
      })),
    ];
    this.#index = index;
    this.#scope = scope;
  }

  /** Those of a part while that is done to it which a world says. */
  of(id: string, world: World, make: Maker): readonly Element[] {
    const forced = [...(world.forced?.get(id) ?? [])].sort();
    const key = `${id}|${world.present.has(id)}|${world.levels?.get(id) ?? 0}|${forced.join('|')}`;
    let elements = this.#parts.get(key);
    if (!elements) this.#parts.set(key, (elements = make(this.#index, this.#scope, id, world)));
    return elements;
  }
}

function zeroOf(index: JobIndex): string {
  const { supplies } = index.job;
  return minusOf(supplies.find(({ kind }) => kind === 'dc') ?? nth(supplies, 0));
}

function suppliesOf(index: JobIndex, scope: Scope): Supply[] {
  const ids = new Set([splitRef(zeroOf(index)).item]);
  for (const wire of scope.wires)
    for (const end of [wire.from, wire.to]) {
      const { item } = splitRef(end);
      if (index.supply(item)) ids.add(item);
    }
  return [...ids].map((id) => sure(index.supply(id)));
}

/** Ends of the ids of the joints to earth; they carry no current in a sound panel. */
export const EARTHING = /\/(earth|protective)$/;

function earthing(supply: Supply, reference: string, scope: Scope): Element[] {
  const joint = (id: string, a: string, b: string): Element => ({
    kind: 'resistor',
    id: elementId(supply.id, id),
    a,
    b,
    ohms: exactly(0.1),
  });
  const minus = minusOf(supply);
  const earth = `${supply.id}:PE`;
  return [
    ...(minus === reference ? [] : [joint('earth', minus, reference)]),
    ...(scope.refs.has(earth) ? [joint('protective', earth, reference)] : []),
  ];
}

/** An element of a part under its names in the job. */
const placed = (itemId: string, element: Element): Element =>
  underId(
    onNodes(element, (node) => `${itemId}:${node}`),
    (id) => elementId(itemId, id),
  );

function deviceElements(index: JobIndex, _: Scope, id: string, world: World): Element[] {
  const device = index.device(id);
  if (!device) return [];
  const type = index.deviceType(device);
  const present = world.present.has(id);
  const level = world.levels?.get(id) ?? 0;
  // Where somebody saw that it is set otherwise than chosen, that is what the current meets.
  const { outputs, settings } = asItStands(index, device);
  return type
    .circuit({
      outputs: outputsNow(type, { outputs }, { present, level }),
      present,
      level,
      settings,
      forced: world.forced?.get(id) ?? IDLE.forced,
    })
    .map((element) => placed(id, element));
}

function moduleElements(index: JobIndex, { parts }: Scope, id: string, world: World): Element[] {
  const module = index.module(id);
  if (!module) return [];
  const type = index.moduleType(module);
  return type
    .circuit({
      ...IDLE,
      level: world.levels?.get(id) ?? IDLE.level,
      settings: settingsOf(type, module.settings),
      forced: world.forced?.get(id) ?? IDLE.forced,
    })
    .filter((element) => parts.get(id)?.has(element.id))
    .map((element) => placed(id, element));
}
