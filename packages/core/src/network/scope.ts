import { sure } from '../lists/index.ts';
import { settingsOf } from '../catalog/index.ts';
import { idsIn, nodesOf } from '../circuit/index.ts';
import type { Condition, Element } from '../circuit/index.ts';
import type { JobIndex } from '../job/index.ts';
import { otherEnd } from '../job/index.ts';
import { splitRef } from '../model/index.ts';
import type { Module, Point, Wire } from '../model/index.ts';
import { IDLE } from './world.ts';

/** The part of a job that takes part in one device's circuit. */
export interface Scope {
  readonly deviceIds: ReadonlySet<string>;
  /** Elements of modules that take part, by module. */
  readonly parts: ReadonlyMap<string, ReadonlySet<string>>;
  /** Terminals that were reached. */
  readonly refs: ReadonlySet<string>;
  readonly wires: readonly Wire[];
  /** Devices of other points that act on this one. */
  readonly mateIds: readonly string[];
}

/**
 * Walks along the wires from a device and stops at the supply's rails, since a rail holds its voltage whatever
 * hangs on it. A device takes part whole; of a module only what the walk reaches, and what hangs on it or on which
 * it hangs. A group's other channels so take part only while their common is on no rail: then current can find its
 * way back through them.
 */
export function scopeOf(index: JobIndex, point: Point): Scope {
  const { deviceId } = point;
  const walk = new Walk(index);
  walk.enterDevice(deviceId);
  for (const helper of point.helperIds ?? []) walk.enterDevice(helper);
  for (const id of point.stops ?? []) walk.enterStopped(id);
  const place = index.placeOf(point);
  if (place) walk.enterPort(place.moduleId, index.port(place).terminal);
  walk.run();
  // The other points of the same device are no neighbours: their parts hang on the same sensor.
  const own = new Set(index.pointsFor(deviceId).flatMap((of) => [of.deviceId, ...(of.helperIds ?? [])]));
  return {
    deviceIds: walk.devices,
    parts: walk.parts,
    refs: walk.seen,
    wires: [...walk.wires.values()],
    mateIds: [...walk.devices].filter((id) => !own.has(id)),
  };
}

class Walk {
  readonly devices = new Set<string>();
  readonly parts = new Map<string, Set<string>>();
  readonly wires = new Map<string, Wire>();
  readonly seen = new Set<string>();
  private readonly circuits = new Map<string, ModuleCircuit>();
  private readonly queue: string[] = [];
  private readonly index: JobIndex;

  constructor(index: JobIndex) {
    this.index = index;
  }

  enterDevice(id: string): void {
    const device = this.index.device(id);
    if (!device || this.devices.has(id)) return;
    this.devices.add(id);
    for (const terminal of this.index.deviceType(device).terminals) this.reach(`${id}:${terminal.name}`);
  }

  /** What a safety function is to stop takes part even where nothing joins the two. */
  enterStopped(id: string): void {
    if (this.index.device(id)) return this.enterDevice(id);
    if (!this.index.module(id)) return;
    for (const port of this.index.portsOf(id))
      if (port.kind === 'safety')
        for (const terminal of [port.roles.channel1Return, port.roles.channel2Return])
          if (terminal !== undefined) this.enterPort(id, terminal);
  }

  /** The port on which the device is planned takes part even where its wire is missing, or on a rail by mistake. */
  enterPort(moduleId: string, terminal: string): void {
    this.reach(`${moduleId}:${terminal}`);
    const circuit = this.circuitOf(moduleId);
    for (const element of circuit.at(terminal))
      if (element.kind === 'detector') this.follow(moduleId, circuit, element);
      else this.take(moduleId, circuit, element);
  }

  run(): void {
    for (let ref = this.queue.pop(); ref !== undefined; ref = this.queue.pop()) {
      for (const wire of this.index.wiresAt(ref)) {
        this.wires.set(wire.id, wire);
        this.reach(otherEnd(wire, ref));
      }
      const { item, terminal } = splitRef(ref);
      if (this.index.device(item)) this.enterDevice(item);
      else if (this.index.module(item)) this.enterModule(item, terminal);
    }
  }

  private reach(ref: string): void {
    if (this.seen.has(ref)) return;
    this.seen.add(ref);
    if (!this.index.supply(splitRef(ref).item)) this.queue.push(ref);
  }

  /** Goes on through the elements at a node of a module, unless a rail holds it. */
  private enterModule(moduleId: string, node: string): void {
    const circuit = this.circuitOf(moduleId);
    for (const element of circuit.at(node)) {
      if (element.kind === 'detector') {
        if (!this.held(moduleId, node)) this.follow(moduleId, circuit, element);
      } else if (!this.held(moduleId, node)) this.take(moduleId, circuit, element);
    }
  }

  private held(moduleId: string, node: string): boolean {
    return this.index.railAt(`${moduleId}:${node}`) !== undefined;
  }

  private take(moduleId: string, circuit: ModuleCircuit, element: Element): void {
    const taken = this.parts.get(moduleId) ?? new Set();
    this.parts.set(moduleId, taken);
    if (taken.has(element.id)) return;
    taken.add(element.id);
    for (const next of nodesOf(element)) this.reach(`${moduleId}:${next}`);
    for (const id of circuit.hangsOn(element)) this.take(moduleId, circuit, circuit.element(id));
  }

  /** Takes a detector or latch, and all that hangs on it. */
  private follow(moduleId: string, circuit: ModuleCircuit, element: Element): void {
    this.take(moduleId, circuit, element);
    for (const hanging of circuit.hanging(element.id)) {
      if (this.parts.get(moduleId)?.has(hanging.id)) continue;
      if (hanging.kind === 'latch') this.follow(moduleId, circuit, hanging);
      else this.take(moduleId, circuit, hanging);
    }
  }

  private circuitOf(moduleId: string): ModuleCircuit {
    let circuit = this.circuits.get(moduleId);
    if (!circuit) {
      circuit = circuitFor(this.index, moduleId);
      this.circuits.set(moduleId, circuit);
    }
    return circuit;
  }
}

const known = new WeakMap<Module, ModuleCircuit>();

/** @throws Error when the job has no such module. */
function circuitFor(index: JobIndex, moduleId: string): ModuleCircuit {
  const module = index.module(moduleId);
  if (!module) throw new Error(`The job has no module "${moduleId}".`);
  let circuit = known.get(module);
  if (!circuit) {
    const type = index.moduleType(module);
    circuit = new ModuleCircuit(type.circuit({ ...IDLE, settings: settingsOf(type, module.settings) }));
    known.set(module, circuit);
  }
  return circuit;
}

/** Which elements of a module stand at a node, and which hang on which. */
class ModuleCircuit {
  private readonly elements: ReadonlyMap<string, Element>;
  private readonly byNode = new Map<string, Element[]>();
  private readonly byCondition = new Map<string, Element[]>();

  constructor(elements: readonly Element[]) {
    this.elements = new Map(elements.map((element) => [element.id, element]));
    for (const element of elements) {
      for (const node of nodesOf(element)) list(this.byNode, node).push(element);
      for (const id of this.hangsOn(element)) list(this.byCondition, id).push(element);
    }
  }

  element = (id: string): Element => sure(this.elements.get(id));
  at = (node: string): readonly Element[] => this.byNode.get(node) ?? [];
  hanging = (id: string): readonly Element[] => this.byCondition.get(id) ?? [];
  hangsOn = (element: Element): string[] => conditionsOf(element).flatMap(idsIn);
}

function list(map: Map<string, Element[]>, key: string): Element[] {
  let found = map.get(key);
  if (!found) {
    found = [];
    map.set(key, found);
  }
  return found;
}

function conditionsOf(element: Element): Condition[] {
  if (element.kind === 'switch') return [element.closed];
  if (element.kind === 'output') return [element.active];
  if (element.kind === 'latch') return [element.set, element.hold];
  return [];
}
