import { nth } from '../lists/index.ts';
import { entry } from './entries.ts';
import type { Compiled } from './compile.ts';
import { holds, settled } from './netlist.ts';
import type { Condition, Detector, Latch, Output, TwoWire } from './netlist.ts';
import type { Workspace } from './newton.ts';

type Numbered<T> = (readonly [number, T])[];

/** Reads the present numbers of a circuit: volts of a node by number, volts of a node by name, amperes of an element. */
export interface Present {
  volt(node: number): number;
  named(name: string): number;
  amps(element: number): number;
}

/**
 * The states of a circuit that jump: outputs, contacts, detectors, latches, and two-wire sensors that let go.
 * They are found by going on until nothing changes any more.
 */
export class Discrete {
  /** 1 for a detector, latch or output that is on. */
  readonly on: Uint8Array;
  /** Whether an output has its supply. */
  readonly powered: Uint8Array;
  /** Whether an output's sensing side calls for it to be on. */
  readonly active: Uint8Array;
  private readonly outputs: Numbered<{ readonly output: Output; readonly active: Condition }> = [];
  private readonly detectors: Numbered<Detector> = [];
  private readonly latches: Numbered<Latch> = [];
  private readonly contacts: Numbered<Condition> = [];
  /** Contacts that stay as they are, whatever the circuit does. */
  private readonly still: Numbered<boolean> = [];
  private readonly twoWires: Numbered<TwoWire> = [];
  private readonly indexOf: ReadonlyMap<string, number>;
  private readonly held: ReadonlySet<string>;
  /** Whether a transistor or a contact has changed since the circuit was last solved. */
  driven = true;
  private readonly w: Workspace;
  private readonly isOn = (id: string): boolean => this.on[this.known(id)] === 1;
  private readonly wasOn = (id: string): boolean => this.held.has(id);

  constructor(c: Compiled, w: Workspace) {
    const { elements, held } = c.netlist;
    this.w = w;
    this.indexOf = c.indexOf;
    this.held = held ?? new Set();
    this.on = new Uint8Array(elements.length);
    this.powered = new Uint8Array(elements.length);
    this.active = new Uint8Array(elements.length);
    elements.forEach((element, e) => {
      if (element.kind === 'output')
        this.outputs.push([e, { output: element, active: settled(element.active) }]);
      else if (element.kind === 'detector') this.detectors.push([e, element]);
      else if (element.kind === 'latch')
        this.latches.push([e, { ...element, set: settled(element.set), hold: settled(element.hold) }]);
      else if (element.kind === 'twoWire') this.twoWires.push([e, element]);
      else if (element.kind === 'switch') {
        const closed = settled(element.closed);
        if (typeof closed === 'boolean') this.still.push([e, closed]);
        else this.contacts.push([e, closed]);
      }
    });
  }

  private known(id: string): number {
    const e = this.indexOf.get(id);
    if (e === undefined) throw new Error(`A condition names "${id}", which is not in this circuit.`);
    return e;
  }

  /** Sets every state to what it was before the solution. */
  start(): void {
    this.driven = true;
    for (const [e, { id }] of this.detectors) this.on[e] = this.held.has(id) ? 1 : 0;
    for (const [e, { id }] of this.latches) this.on[e] = this.held.has(id) ? 1 : 0;
    for (const [e, { output, active }] of this.outputs) {
      this.powered[e] = 1;
      this.active[e] = holds(active, this.isOn, this.wasOn) ? 1 : 0;
      this.drive(e, output);
    }
    for (const [e, closed] of this.still) this.w.highOn[e] = closed ? 1 : 0;
    for (const [e, { active }] of this.twoWires) this.w.highOn[e] = active ? 1 : 0;
    this.close();
  }

  /** All that the next states hang on beside the voltages, which follow from it. */
  key(): string {
    return [this.on, this.powered, this.active, this.w.highOn, this.w.lowOn].join(' ');
  }

  /** Switches the transistors of an output as its state says. */
  private drive(e: number, { style }: Output): void {
    const on = this.powered[e] === 1;
    const active = this.active[e] === 1;
    const high = on && active && style !== 'npn' ? 1 : 0;
    const low = on && (style === 'npn' ? active : style === 'pushpull' && !active) ? 1 : 0;
    this.on[e] = on && active ? 1 : 0;
    if (high === this.w.highOn[e] && low === this.w.lowOn[e]) return;
    this.w.highOn[e] = high;
    this.w.lowOn[e] = low;
    this.driven = true;
  }

  /** Sets every contact as its condition says. @returns whether any changed. */
  private close(): boolean {
    let changed = false;
    for (let k = 0; k < this.contacts.length; k++) {
      const [e, closed] = nth(this.contacts, k);
      const next = holds(closed, this.isOn, this.wasOn) ? 1 : 0;
      if (next === this.w.highOn[e]) continue;
      this.w.highOn[e] = next;
      this.driven = true;
      changed = true;
    }
    return changed;
  }

  /** Sets every state from the present voltages and currents. @returns whether any changed. */
  settle(c: Compiled, present: Present): boolean {
    let changed = this.detect(c, present);
    changed = this.letGo(present) || changed;
    changed = this.remember() || changed;
    changed = this.supply(c, present) || changed;
    return this.close() || changed;
  }

  private supply(c: Compiled, present: Present): boolean {
    let changed = false;
    for (let k = 0; k < this.outputs.length; k++) {
      const [e, { output, active: sensed }] = nth(this.outputs, k);
      const volts = present.volt(entry(c.nodes, e * 3)) - present.volt(entry(c.nodes, e * 3 + 2));
      const powered = volts >= output.minSupplyVolts ? 1 : 0;
      const { needs } = output;
      const served = !needs || present.named(needs.plus) - present.named(needs.minus) >= needs.minVolts;
      const active = (served ? holds(sensed, this.isOn, this.wasOn) : needs.otherwise) ? 1 : 0;
      if (powered === this.powered[e] && active === this.active[e]) continue;
      this.powered[e] = powered;
      this.active[e] = active;
      this.drive(e, output);
      changed = true;
    }
    return changed;
  }

  private detect(c: Compiled, present: Present): boolean {
    let changed = false;
    for (let k = 0; k < this.detectors.length; k++) {
      const [e, detector] = nth(this.detectors, k);
      const across = present.volt(entry(c.nodes, e * 3)) - present.volt(entry(c.nodes, e * 3 + 1));
      const volts = detector.either ? Math.abs(across) : across;
      const next = volts >= detector.onVolts ? 1 : volts <= detector.offVolts ? 0 : entry(this.on, e);
      if (next === this.on[e]) continue;
      this.on[e] = next;
      changed = true;
    }
    return changed;
  }

  /** A two-wire sensor that does not get its least current lets go, and stays so. */
  private letGo(present: Present): boolean {
    let changed = false;
    for (let k = 0; k < this.twoWires.length; k++) {
      const [e, { minAmps }] = nth(this.twoWires, k);
      if (this.w.highOn[e] !== 1 || Math.abs(present.amps(e)) >= minAmps) continue;
      this.w.highOn[e] = 0;
      this.driven = true;
      changed = true;
    }
    return changed;
  }

  private remember(): boolean {
    let changed = false;
    for (let k = 0; k < this.latches.length; k++) {
      const [e, { set, hold }] = nth(this.latches, k);
      const keeps = holds(hold, this.isOn, this.wasOn);
      const next = keeps && (this.on[e] === 1 || holds(set, this.isOn, this.wasOn)) ? 1 : 0;
      if (next === this.on[e]) continue;
      this.on[e] = next;
      changed = true;
    }
    return changed;
  }
}
