import { chosenOutput } from '../../catalog/index.ts';
import type { TerminalRole } from '../../catalog/index.ts';
import type { Device, JobContent, Point, Wire } from '../../model/index.ts';
import { splitRef } from '../../model/index.ts';
import type { Change, SingleChange, JobIndex } from '../../job/index.ts';
import { colourTo, numbering, PANEL, wireId } from '../../job/index.ts';
import type { Demands, Pole } from './poles.ts';

/** Where the coil of an interposing relay goes: each end at the sensor or at a rail. */
export interface CoilEnds {
  readonly a1: string;
  readonly a2: string;
  /** The supply whose volts are on the coil. */
  readonly supplyId: string;
}

/** Where the coil belongs by the sensor's output; `ac` for sensors in a mains loop. */
export function coilEnds(index: JobIndex, point: Point): CoilEnds | undefined {
  const device = index.deviceOf(point);
  const type = index.deviceType(device);
  const { terminals } = type;
  const output = index.outputOf(point);
  const ref = (role: TerminalRole): string | undefined => {
    const terminal = terminals.find((t) => t.role === role);
    return terminal && `${device.id}:${terminal.name}`;
  };
  const supply = feedOf(index, device);
  if (!supply) return undefined;
  const [plus, minus] =
    supply.kind === 'ac' ? [`${supply.id}:L`, `${supply.id}:N`] : [`${supply.id}:+`, `${supply.id}:-`];
  const out = ref('out') ?? ref('sideB');
  if (!out) return undefined;
  const onMinus =
    (output && chosenOutput(type, device, output).kind === 'npn') ||
    index.across(ref('sideA') ?? '').includes(minus);
  return onMinus ? { a1: plus, a2: out, supplyId: supply.id } : { a1: out, a2: minus, supplyId: supply.id };
}

/** The supply that the sensor hangs on, or would. */
function feedOf(index: JobIndex, device: Device): JobContent['supplies'][number] | undefined {
  const { terminals, description } = index.deviceType(device);
  for (const { name } of terminals) {
    const rail = index.railAt(`${device.id}:${name}`);
    if (rail) return rail.supply;
  }
  const kind = description.mains ? 'ac' : 'dc';
  return index.job.supplies.find((supply) => supply.kind === kind);
}

const TO_PLUS: ReadonlySet<TerminalRole> = new Set(['plus', 'emitterPlus', 'sideA']);
const TO_MINUS: ReadonlySet<TerminalRole> = new Set(['minus', 'emitterMinus']);

/** The sensor's own supply wires that are not there yet. */
export function feedWires(index: JobIndex, device: Device): [from: string, to: string][] {
  const supply = feedOf(index, device);
  if (!supply) return [];
  const [plus, minus] = supply.kind === 'ac' ? ['L', 'N'] : ['+', '-'];
  return index.deviceType(device).terminals.flatMap(({ name, role }): [string, string][] => {
    const ref = `${device.id}:${name}`;
    if (!role || index.wiresAt(ref).length) return [];
    if (TO_PLUS.has(role)) return [[ref, `${supply.id}:${plus}`]];
    return TO_MINUS.has(role) ? [[ref, `${supply.id}:${minus}`]] : [];
  });
}

/** The relay with its loads and wires as one change to the job. */
export function relayChange(
  index: JobIndex,
  pointId: string,
  relay: Device,
  ends: CoilEnds,
  poles: readonly Pole[],
  demands: Demands,
): Change {
  const { job } = index;
  const device = index.deviceOf(index.point(pointId));
  const number = numbering(job);
  const made = (from: string, to: string, field = false): Wire => {
    const next = number();
    return {
      id: `${idOf(from)}-${next}`,
      number: next,
      from,
      to,
      colour: colourTo(job, to),
      mm2: PANEL.mm2,
      lengthM: field ? 10 : PANEL.lengthM,
    };
  };
  const coil = [made(`${relay.id}:A1`, ends.a1), made(`${relay.id}:A2`, ends.a2)];
  const own = feedWires(index, device).map(([from, to]) => made(from, to, true));
  const commons = poles.map((pole) => made(`${relay.id}:${pole.number}1`, pole.rail));
  const inputs = poles.flatMap((pole) =>
    [...pole.no, ...pole.nc]
      .filter(({ target }) => index.module(splitRef(target).item))
      .map(({ throwTo, target }) => made(`${relay.id}:${pole.number}${throwTo === 'no' ? 4 : 2}`, target)),
  );
  const helpers = demands.added.map((added): SingleChange => {
    const fed = poles.flatMap((pole) =>
      [...pole.no, ...pole.nc]
        .filter(({ target }) => splitRef(target).item === added.id)
        .map(({ throwTo, target }) => made(target, `${relay.id}:${pole.number}${throwTo === 'no' ? 4 : 2}`)),
    );
    const back = demands.direct
      .filter(({ from }) => splitRef(from).item === added.id)
      .map(({ from, to }) => made(from, to));
    const { id, tag, typeId, settings } = added;
    const row: Device = { id, tag, typeId, settings: { ...settings } };
    return { kind: 'addHelper', pointId, device: row, wires: [...fed, ...back] };
  });
  return {
    kind: 'batch',
    changes: [
      { kind: 'addHelper', pointId, device: relay, wires: [...own, ...coil, ...commons, ...inputs] },
      ...helpers,
    ],
  };
}

const idOf = (ref: string): string => {
  const { item, terminal } = splitRef(ref);
  return wireId(item, terminal);
};
