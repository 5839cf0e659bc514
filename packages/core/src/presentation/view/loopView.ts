import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message, Text } from '../../messages/index.ts';
import { printedAt, plusOf } from '../../job/index.ts';
import { outputsNow, settingsOf } from '../../catalog/index.ts';
import type { FaceGlyph, FaceRow, PartTerminal, PartType, TerminalRole } from '../../catalog/index.ts';
import type { Element } from '../../circuit/index.ts';
import type { Device } from '../../model/index.ts';
import { splitRef } from '../../model/index.ts';
import { fixed, formatMilliamps, formatVolts } from '../../units/index.ts';
import { elementId, signalLeads, signalNode, deviceText, IDLE } from '../../network/index.ts';
import type { OwnPort, PointContext } from '../../network/index.ts';
import { safetyTarget, signalText } from '../../analysis/index.ts';
import type { SafetyTarget, PointState } from '../../analysis/index.ts';
import type { Rail } from '../../job/index.ts';
import type { Reason } from '../../verdict/index.ts';
import { faceAsChosen, faceOf } from './face.ts';
import { portFace, withSupply } from './portFace.ts';
import { stopText } from './stopText.ts';
import { PATH_AMPS } from './viewTypes.ts';
import type {
  LoopView,
  ViewGlyph,
  ViewLed,
  ViewCard,
  ViewRail,
  ViewRow,
  ViewTerminal,
  ViewWire,
} from './viewTypes.ts';

/** Reads the drawing's content off a solved state. @param reasons why the point does not work, if it does not. */
export function loopView(
  context: PointContext,
  state: PointState,
  reasons: readonly Reason[] = [],
): LoopView {
  const builder = new Builder(context, state, reasons[0] && stopText(reasons[0], context));
  const plates = [
    builder.device(context.device),
    ...context.scope.mateIds.flatMap((id) => builder.mate(id)),
    ...builder.safety(),
    ...context.helpers.map((device) => builder.device(device)),
    ...builder.ports(),
  ];
  const wires = builder.wires(plates);
  const rails = builder.rails(wires);
  const signal = builder.signal(wires);
  return { rails, plates, wires, signal, summary: summaryOf(context, signal) };
}

const FLOW_TEXT = {
  out: say('drawing.current-flows-out-device'),
  in: say('drawing.current-flows-signal-wire'),
  none: say('drawing.current-signal-wire'),
} as const;

function summaryOf(context: PointContext, { flows, volts, amps }: LoopView['signal']): Message {
  const { device, module, port } = context;
  const on = module && port ? say('drawing.on', { module: module.tag, portLabel: port.label }) : '';
  return say('drawing.loop-of', {
    device: device.tag,
    device2: deviceText(context),
    on,
    flowWord: FLOW_TEXT[flows],
    volts,
    amps,
  });
}

/** Leads that a device can do without. */
const OPTIONAL: ReadonlySet<TerminalRole> = new Set([
  'complement',
  'aux',
  'auxReturn',
  'earth',
  'safeIn1',
  'safeIn2',
  'lineCommon',
]);

class Builder {
  private readonly context: PointContext;
  private readonly state: PointState;
  private readonly stopped: Text | undefined;
  private readonly elements: ReadonlyMap<string, Element>;
  /** Signal current into each terminal from inside its plate, A. */
  private readonly carried = new Map<string, number>();

  constructor(context: PointContext, state: PointState, stopped: Text | undefined) {
    this.context = context;
    this.state = state;
    this.stopped = stopped;
    this.elements = new Map(state.netlist.elements.map((element) => [element.id, element]));
  }

  device(device: Device): ViewCard {
    const type = this.context.index.deviceType(device);
    const own = device.id === this.context.device.id;
    const circuit = type.circuit({
      ...IDLE,
      outputs: outputsNow(type, device, { present: false, level: 0 }),
      settings: settingsOf(type, device.settings),
    });
    const face = type.face ? faceAsChosen(type.face, circuit) : faceOf(circuit);
    const rows = face.flatMap((row) => this.row(device.id, type, row, own));
    return {
      id: device.id,
      kind: own ? 'device' : 'helper',
      title: device.tag,
      words: own ? deviceText(this.context) : fitting(type.name),
      led: own ? this.deviceLed(type) : this.helperLed(device.id, type),
      rows,
    };
  }

  /** Another device of a chain; one that only shares a loose common is not drawn. */
  mate(id: string): ViewCard[] {
    const device = this.context.index.device(id);
    return this.context.output.drivenBy === 'guard' && device ? [this.device(device)] : [];
  }

  private deviceLed({ indicators = [], supply }: PartType & { supply?: object }): ViewLed | undefined {
    const { powered, outputOn } = this.state;
    const led = indicators.find(({ kind }) => kind === 'lamp');
    if (!led && !supply) return undefined;
    const on = led ? this.isOn(elementId(this.context.device.id, led.id)) || outputOn : powered;
    const lit = led?.id === 'output' ? outputOn : on;
    return {
      words: powered ? (lit ? 'on' : 'off') : 'dead',
      on: powered && lit,
      colour: 'sensor',
      dead: !powered,
    };
  }

  private helperLed(id: string, { indicators = [] }: PartType): ViewLed | undefined {
    const telling = indicators.find(({ kind }) => kind === 'coil' || kind === 'load');
    if (!telling || indicators.filter(({ kind }) => kind === 'load').length > 1) return undefined;
    const on = this.isOn(elementId(id, telling.id));
    return {
      words: telling.kind === 'coil' ? (on ? 'in' : 'out') : on ? 'on' : 'off',
      on,
      colour: telling.kind === 'coil' ? 'input' : 'sensor',
    };
  }

  /** The safety relay, drawn whole below the guards that lead to it. */
  safety(): ViewCard[] {
    const target = this.wholeTarget();
    if (!target) return [];
    const { module } = target;
    const type = this.context.index.moduleType(module);
    const on = this.isOn(target.released);
    return [
      {
        id: module.id,
        kind: 'module',
        title: module.tag,
        words: type.title,
        led: { words: on ? 'released' : 'off', on, colour: 'input' },
        rows: (type.face ?? []).flatMap((row) => this.row(module.id, type, row, false)),
      },
    ];
  }

  private wholeTarget(): SafetyTarget | undefined {
    if (this.context.output.drivenBy !== 'guard') return undefined;
    const target = safetyTarget(this.context);
    return target && this.context.index.moduleType(target.module).face ? target : undefined;
  }

  /** Every port on which the point is landed, but those of a safety relay. */
  ports(): ViewCard[] {
    const whole = this.wholeTarget()?.module.id;
    return this.context.ports.filter(({ module }) => module.id !== whole).map((own) => this.port(own));
  }

  private port(own: OwnPort): ViewCard {
    const { module, port, address } = own;
    const type = this.context.index.moduleType(module);
    const names = new Set([port.terminal, port.common, ...Object.values(port.roles)]);
    const circuit = type.circuit({ ...IDLE, settings: own.settings }).filter((element) => {
      const local = element.id;
      return (
        local === port.name ||
        local.startsWith(`${port.name}-`) ||
        (port.draws?.includes(local) ?? false) ||
        (element.kind === 'optocoupler' && names.has(element.terminal) && port.kind !== 'digital')
      );
    });
    const face = portFace(port) ?? withSupply(faceOf(circuit), port);
    const inputs = this.state.inputs.find((reading) => reading.own.port === port);
    const measured = this.state.measured.find((reading) => reading.own.port === port);
    return {
      id: `${module.id}/${port.name}`,
      kind: 'port',
      title: `${module.tag} · ${port.label.replace(/^channel /, 'ch ')}`,
      shorter: [`${module.tag} · ${port.name}`, module.tag],
      words: type.title,
      figure: inputs
        ? [address, inputs.bit === undefined ? '?' : inputs.bit].filter((x) => x !== undefined).join(' = ')
        : measured
          ? `${address ? `${address}  ` : ''}${fixed(measured.value.nom, measured.unit === 'V' ? 2 : 1)}\u00a0${measured.unit}`
          : address,
      led: inputs ? { words: inputs.led, on: inputs.led === 'on', colour: 'input' } : undefined,
      rows: face.flatMap((row) => this.row(module.id, type, row, true)),
    };
  }

  /** A row with its terminals, unless none of them is wired and the part is only a helper. */
  private row(itemId: string, type: PartType, row: FaceRow, always: boolean): ViewRow[] {
    const ends = [row.a, row.middle, row.b].filter((name) => name !== undefined && !name.startsWith('~'));
    if (!always && !ends.some((name) => this.context.index.wiresAt(`${itemId}:${name}`).length)) return [];
    const glyph = row.glyph && this.glyph(itemId, row.glyph, row.a, row.middle ?? row.b);
    const second = row.second && this.glyph(itemId, row.second, row.middle, row.b);
    const terminal = (name: string | undefined): ViewTerminal | undefined =>
      name === undefined || name.startsWith('~') ? undefined : this.terminal(itemId, type, name);
    return [{ a: terminal(row.a), b: terminal(row.b), middle: terminal(row.middle), glyph, second }];
  }

  private terminal(itemId: string, type: PartType, name: string): ViewTerminal {
    const ref = `${itemId}:${name}`;
    return {
      ref,
      name,
      ...namesOf(
        type.terminals.find((t) => t.name === name),
        printedAt(this.context.index, itemId, name),
      ),
      volts: this.terminalVolts(ref),
      floating: this.floating(ref),
      wired: this.context.index.wiresAt(ref).length > 0,
      needed: this.needed(itemId, type, name),
    };
  }

  private needed(itemId: string, type: PartType, name: string): boolean {
    const { device, ports } = this.context;
    if (itemId === device.id) {
      const role = type.terminals.find((t) => t.name === name)?.role;
      return role !== undefined && !OPTIONAL.has(role);
    }
    return ports.some(
      ({ module, port }) => module.id === itemId && (port.terminal === name || port.common === name),
    );
  }

  private floating(ref: string): boolean {
    try {
      return this.state.solution.floating(ref);
    } catch {
      return false;
    }
  }

  /** What a meter shows from the reference to a terminal. */
  private terminalVolts(ref: string): string {
    if (this.floating(ref)) return 'floats';
    try {
      return formatVolts(this.state.solution.volts(ref));
    } catch {
      return '–';
    }
  }

  private isOn(id: string): boolean {
    const { solution } = this.state;
    return solution.active(id) || solution.closed(id);
  }

  /** Reads a glyph's state and current, and notes what it brings to its two ends. */
  private glyph(itemId: string, { kind, id, text }: FaceGlyph, from?: string, to?: string): ViewGlyph {
    if (id === undefined) return { kind, text, on: false, amps: 0 };
    const full = elementId(itemId, id);
    const { amps, on } = this.reading(full, from && `${itemId}:${from}`);
    if (kind !== 'line' && kind !== 'state') {
      if (from) this.carry(`${itemId}:${from}`, -amps);
      if (to) this.carry(`${itemId}:${to}`, amps);
    }
    const own = kind === 'opto' && this.context.module?.id === itemId && id === this.context.port?.name;
    return {
      kind,
      text,
      on,
      amps: kind === 'line' ? 0 : amps,
      ...(own && this.stopped && { stopped: this.stopped }),
    };
  }

  private carry(ref: string, amps: number): void {
    this.carried.set(ref, (this.carried.get(ref) ?? 0) + amps);
  }

  /** Current of an element from a node on, and whether it is on. */
  private reading(id: string, from: string | undefined): { amps: number; on: boolean } {
    const { solution } = this.state;
    const branch = /^(.*)\/(high|low)$/.exec(id);
    const element = this.elements.get(branch ? sure(branch[1]) : id);
    if (!element) return { amps: 0, on: false };
    if (branch) {
      const amps = solution.amps(id);
      const on = solution.active(element.id);
      const styled = element.kind === 'output' ? element.style : 'pnp';
      const closed =
        branch[2] === 'high' ? on : styled === 'pushpull' ? solution.powered(element.id) && !on : on;
      return { amps, on: closed };
    }
    if (element.kind === 'detector' || element.kind === 'latch') return { amps: 0, on: solution.active(id) };
    const start =
      'a' in element
        ? element.a
        : 'terminal' in element
          ? element.terminal
          : 'plus' in element
            ? element.plus
            : 'anode' in element
              ? element.anode
              : '';
    const amps = solution.amps(id);
    const detector = this.elements.get(id.replace(/-(winding|part|diode)$/, ''));
    return {
      amps: from === undefined || from === start || start.includes('~') ? amps : -amps,
      on:
        element.kind === 'switch' || element.kind === 'twoWire'
          ? solution.closed(id)
          : detector?.kind === 'detector'
            ? solution.active(detector.id)
            : Math.abs(amps) > PATH_AMPS,
    };
  }

  wires(plates: readonly ViewCard[]): ViewWire[] {
    const shown = new Set(
      plates.flatMap(({ rows }) =>
        rows.flatMap(({ a, b, middle }) => [a, b, middle].flatMap((t) => t?.ref ?? [])),
      ),
    );
    const { scope, index } = this.context;
    const isRail = (ref: string): boolean => index.supply(splitRef(ref).item) !== undefined;
    return scope.wires
      .filter(({ from, to }) => (shown.has(from) || isRail(from)) && (shown.has(to) || isRail(to)))
      .map((wire) => ({
        id: wire.id,
        number: wire.number,
        colour: wire.colour,
        from: wire.from,
        to: wire.to,
        amps: this.path(wire.id, wire.from, wire.to),
        differs: wire.asFound !== undefined,
      }));
  }

  /** What a wire carries of the signal: nothing where only the electronics behind its ends draw from it. */
  private path(id: string, from: string, to: string): number {
    const amps = this.state.solution.amps(id);
    const signal = Math.max(Math.abs(this.carried.get(from) ?? 0), Math.abs(this.carried.get(to) ?? 0));
    return Math.abs(amps) >= PATH_AMPS && signal >= PATH_AMPS ? amps : 0;
  }

  rails(wires: readonly ViewWire[]): ViewRail[] {
    const { index, supply } = this.context;
    const used = new Set(wires.flatMap(({ from, to }) => [from, to]));
    const plus = plusOf(supply);
    const minus = `${supply.id}:${supply.kind === 'ac' ? 'N' : '-'}`;
    return index.job.supplies.flatMap((row) =>
      (row.kind === 'ac' ? (['L', 'N', 'PE'] as const) : (['+', '-', 'PE'] as const)).flatMap((rail) => {
        const ref = `${row.id}:${rail}`;
        if (!used.has(ref) && ref !== plus && ref !== minus) return [];
        return [{ ref, rail, name: row.tag, volts: this.railVolts(ref, rail) }];
      }),
    );
  }

  private railVolts(ref: string, rail: Rail): string {
    if (rail === '-') return '0\u00a0V';
    if (rail === 'PE' || rail === 'N') return rail;
    const volts = this.state.netlist.elements.some(({ id }) => id === splitRef(ref).item)
      ? this.state.solution.volts(ref)
      : 0;
    return rail === 'L' ? `L ${Math.round(volts)}\u00a0V` : `+${formatVolts(volts)}`;
  }

  signal(wires: readonly ViewWire[]): LoopView['signal'] {
    const ref = signalNode(this.context);
    const wire = wires.find(({ from, to }) => from === ref || to === ref);
    const { solution } = this.state;
    const raw = this.context.scope.wires.find(({ from, to }) => from === ref || to === ref);
    const amps = raw ? Math.abs(solution.amps(raw.id)) : 0;
    return {
      ref,
      across: signalLeads(this.context, this.state.netlist.reference).across,
      volts: signalText(this.state),
      amps: amps >= 1 ? `${fixed(amps, 2)}\u00a0A` : formatMilliamps(amps),
      flows: !wire?.amps ? 'none' : wire.amps > 0 === (wire.from === ref) ? 'out' : 'in',
    };
  }
}

function namesOf(
  terminal: PartTerminal | undefined,
  printed: string | undefined,
): Pick<ViewTerminal, 'printed' | 'stack'> {
  const stacking = terminal?.stacking;
  return {
    ...(printed && { printed }),
    ...(stacking && { stack: say('planning.row', { row: stacking.row, level: stacking.level }) }),
  };
}

/** So many letters stand under the name of a part. */
const LETTERS = 30;

/** As much of a kind's name as has room, up to a comma. */
function fitting(name: string): string {
  const parts = name.split(',');
  while (parts.length > 1 && parts.join(',').length > LETTERS) parts.pop();
  return parts.join(',');
}
