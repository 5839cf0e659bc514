import { PartTypes } from '../catalog/index.ts';
import type { DeviceOutput, DeviceType } from '../catalog/index.ts';
import { splitRef } from '../model/index.ts';

type Row = Readonly<Record<string, unknown>>;

/** The parts of a version 1 job that are read here; everything else is taken over as it is. */
interface JobVersion1 {
  readonly supplies?: readonly Row[];
  readonly modules?: readonly Row[];
  readonly devices?: readonly Row[];
  readonly points?: readonly Row[];
  readonly wires?: readonly Row[];
  readonly stamps?: readonly Row[];
  readonly results?: readonly Row[];
}

const SHIPPED = new PartTypes({ ownDevices: [], ownModules: [] });

/** A fingerprint that nothing has: what carries it is to be done again. */
const UNKNOWN = { 'version 1': '' };

/**
 * Brings a job of version 1 to version 2: one output of a device becomes the first of several, a point says which
 * output it is about, and stamps and results carry fingerprints. Those are `UNKNOWN` here; `sealVersion1` gives
 * what still holds its own.
 * @returns the job as version 2 has it, not yet checked; and the titles by which stamps held.
 */
export function fromVersion1(job: Row): { job: Row; titles: ReadonlyMap<string, string> } {
  const old = job as JobVersion1;
  const devices = old.devices ?? [];
  const titles = new Map((old.stamps ?? []).map(({ id, subject }) => [String(id), String(subject)]));
  const points = (old.points ?? []).map((row) => point(row, devices, old.wires ?? []));
  return {
    titles,
    job: {
      ...job,
      supplies: (old.supplies ?? []).map(({ innerOhms, ...row }) => ({ ...row, internalOhms: innerOhms })),
      modules: (old.modules ?? []).map(part),
      devices: devices.map(device),
      points: points.map(({ row }) => row),
      wires: (old.wires ?? []).map(({ landed, ...row }) => ({
        ...row,
        ...(landed !== undefined && { asFound: landed }),
      })),
      stamps: (old.stamps ?? []).map(stamp),
      results: (old.results ?? []).map((row) => result(row, points)),
    },
  };
}

const part = ({ byHand, ...row }: Row): Row => ({
  ...row,
  ...(byHand !== undefined && { override: byHand }),
});

function device(row: Row): Row {
  const { output, logic, ...rest } = part(row);
  const type = SHIPPED.findDevice({ typeId: String(row.typeId) });
  const first = type && firstSwitching(type);
  if (!first || output === undefined || (first.kinds.length < 2 && first.logics.length < 2)) return rest;
  return { ...rest, outputs: { [first.id]: { kind: output, logic } } };
}

const firstSwitching = ({ outputs }: DeviceType) => outputs.find(({ kinds }) => kinds[0] !== 'none');

/** A point as it is now, and the output at which its LED and its signal were looked at, where that is another. */
interface Converted {
  readonly row: Row;
  readonly seenAt?: string;
}

/** Of a device with two outputs a point of version 1 was about the one that was wired, its value before its switch. */
function point(row: Row, devices: readonly Row[], wires: readonly Row[]): Converted {
  const own = devices.find(({ id }) => id === row.deviceId);
  const type = own && SHIPPED.findDevice({ typeId: String(own.typeId) });
  const next = row.scaling === undefined ? row : { ...row, scaling: scaling(row.scaling as Row) };
  if (!type || type.outputs.length < 2) return { row: next };
  const isWired = ({ terminals }: DeviceOutput): boolean =>
    wires.some(({ from, to }) =>
      [String(from), String(to)].some((ref) => {
        const { item, terminal } = splitRef(ref);
        return item === row.deviceId && terminals.includes(terminal);
      }),
    );
  const values = type.outputs.filter(({ drivenBy }) => drivenBy === 'value');
  const about = (values.length > 1 ? values.find(isWired) : undefined) ?? type.outputs[0];
  const seenAt = type.outputs.find((output) => output.landsOn === 'switched' && isWired(output));
  return {
    row: { ...next, ...(about && { outputId: about.id }) },
    ...(seenAt && seenAt !== about && about?.drivenBy === 'value' && { seenAt: seenAt.id }),
  };
}

/** A raw format of one's own called its limits otherwise. */
function scaling(row: Row): Row {
  const converter = row.converter as Row | undefined;
  const own = converter?.own as Row | undefined;
  if (!converter || !own) return row;
  const { least, most, ...format } = own;
  return { ...row, converter: { ...converter, own: { ...format, min: least, max: most } } };
}

/** The sensitivity of a diffuse sensor was noted as a sentence: its numbers are kept. */
function stamp({ subject, ...row }: Row): Row {
  const [, setting, scale] = /Set it to ([\d.]+) of ([\d.]+)/.exec(String(subject)) ?? [];
  return {
    ...row,
    fingerprint: UNKNOWN,
    ...(setting && scale && { values: { setting: Number(setting), scale: Number(scale) } }),
  };
}

function result({ subject: _, expected, instrument, ...row }: Row, points: readonly Converted[]): Row {
  const { text, min, max } = (expected ?? {}) as Row;
  const { volts, ...meter } = (instrument ?? {}) as Row;
  const seenAt = points.find((point) => point.row.id === row.pointId)?.seenAt;
  const check = String(row.check);
  const moved =
    seenAt !== undefined && /^[^.]+\.(volts|sensorLamp)$/.test(check) && !check.startsWith('supply.');
  return {
    ...row,
    check: moved ? `${check}-${seenAt}` : check,
    fingerprint: UNKNOWN,
    expected:
      typeof min === 'number' && typeof max === 'number'
        ? { min, max }
        : { seen: !['off', 'out', '0', 'other', 'no'].includes(String(text)) },
    ...(instrument !== undefined && { instrument: { ...meter, fixed: volts } }),
  };
}
