import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import type { Device, JobContent, Module, Settings, Supply } from '../model/index.ts';
import { DEVICE_TYPES, MODULE_TYPES } from './catalog.ts';
import { DeviceDescription } from './description/deviceDescription.ts';
import { withFigures } from './description/figure.ts';
import type { Figure } from './description/figure.ts';
import { ModuleDescription } from './description/moduleDescription.ts';
import { deviceTypeOf } from './deviceType.ts';
import type { DeviceType } from './deviceType.ts';
import { moduleTypeOf } from './moduleType.ts';
import type { ModuleType, PossiblePort } from './moduleType.ts';
import { settingsOf } from './partType.ts';
import type { Port } from './ports.ts';

/** The part of a job that says what kinds of its own it has. */
export type OwnTypes = Pick<JobContent, 'ownDevices' | 'ownModules'>;

type DeviceRow = Pick<Device, 'typeId' | 'figures'>;
type ModuleRow = Pick<Module, 'typeId' | 'figures'>;

/** The kinds of devices and modules that a job can use: those that ship, and its own. */
export class PartTypes {
  readonly devices: readonly DeviceType[];
  readonly modules: readonly ModuleType[];
  private readonly deviceById: ReadonlyMap<string, DeviceType>;
  private readonly moduleById: ReadonlyMap<string, ModuleType>;
  /** Kinds with the figures of one part, by those. */
  private readonly figured = new WeakMap<object, Map<string, DeviceType | ModuleType>>();

  constructor({ ownDevices, ownModules }: OwnTypes) {
    this.devices = [...ownDevices.flatMap(ownDevice), ...DEVICE_TYPES];
    this.modules = [...ownModules.flatMap(ownModule), ...MODULE_TYPES];
    this.deviceById = byId(this.devices);
    this.moduleById = byId(this.modules);
  }

  /** What a device is, with the figures of its own datasheet; nothing for a kind that is not known. */
  findDevice({ typeId, figures }: DeviceRow): DeviceType | undefined {
    const type = this.deviceById.get(typeId);
    if (!type || !figures) return type;
    return this.withFigures(figures, typeId, () =>
      deviceTypeOf(withFigures(type.description, figuresOf(figures))),
    );
  }

  /** What a module is, with the figures of its own datasheet; nothing for a kind that is not known. */
  findModule({ typeId, figures }: ModuleRow): ModuleType | undefined {
    const type = this.moduleById.get(typeId);
    if (!type || !figures) return type;
    return this.withFigures(figures, typeId, () =>
      moduleTypeOf(withFigures(type.description, figuresOf(figures))),
    );
  }

  /** @throws JobProblem for a kind that neither the catalog nor the job holds. */
  device(row: DeviceRow): DeviceType {
    const type = this.findDevice(row);
    return type ?? refuse(say('job.kind-device', { typeId: row.typeId }), 'typeId');
  }

  /** @throws JobProblem for a kind that neither the catalog nor the job holds. */
  module(row: ModuleRow): ModuleType {
    const type = this.findModule(row);
    return type ?? refuse(say('job.kind-module', { typeId: row.typeId }), 'typeId');
  }

  /** The ports of a module as its settings make them, by channel. */
  ports(row: ModuleRow & Pick<Module, 'settings'>): readonly Port[] {
    const type = this.module(row);
    return type.ports(settingsOf(type, row.settings));
  }

  /** All that the channels of a module can be, as it is set first. */
  possiblePorts(row: ModuleRow & Pick<Module, 'settings'>): readonly PossiblePort[] {
    const type = this.module(row);
    return type.possiblePorts(settingsOf(type, row.settings));
  }

  /** Every setting of a device as it stands. */
  settings(row: DeviceRow & Pick<Device, 'settings'>): Settings {
    return settingsOf(this.device(row), row.settings);
  }

  private withFigures<T extends DeviceType | ModuleType>(figures: object, typeId: string, make: () => T): T {
    let known = this.figured.get(figures);
    if (!known) this.figured.set(figures, (known = new Map()));
    let type = known.get(typeId) as T | undefined;
    if (!type) known.set(typeId, (type = make()));
    return type;
  }
}

const byId = <T extends { id: string }>(types: readonly T[]): Map<string, T> =>
  // The first of an id counts: a kind of the job's own stands before one that ships.
  new Map([...types].reverse().map((type) => [type.id, type]));

function ownDevice({ description }: { description: unknown }): DeviceType[] {
  const read = DeviceDescription.safeParse(description);
  return read.success ? [deviceTypeOf(read.data)] : [];
}

function ownModule({ description }: { description: unknown }): ModuleType[] {
  const read = ModuleDescription.safeParse(description);
  return read.success ? [moduleTypeOf(read.data)] : [];
}

/** Figures of one part as they stand in its description: their source is what somebody read them from. */
const figuresOf = (figures: NonNullable<Device['figures']>): Record<string, Figure> =>
  Object.fromEntries(
    Object.entries(figures).map(([path, { min, nominal, max, unit, from }]) => [
      path,
      {
        ...(min !== undefined && { min }),
        ...(nominal !== undefined && { nominal }),
        ...(max !== undefined && { max }),
        unit,
        source: from,
      },
    ]),
  );

const known = new WeakMap<object, WeakMap<object, PartTypes>>();

/** The kinds that a job can use. Made once for each set of its own kinds. */
export function partTypesOf({ ownDevices, ownModules }: OwnTypes): PartTypes {
  let byModules = known.get(ownDevices);
  if (!byModules) known.set(ownDevices, (byModules = new WeakMap()));
  let types = byModules.get(ownModules);
  if (!types) byModules.set(ownModules, (types = new PartTypes({ ownDevices, ownModules })));
  return types;
}

/** Terminals of a supply: its rails, and the earth that its minus or neutral is joined to. */
export const supplyTerminals = ({ kind }: Pick<Supply, 'kind'>): readonly string[] =>
  kind === 'ac' ? ['L', 'N', 'PE'] : ['+', '-', 'PE'];

/** Whether a device's point has a measuring range: its value moves over one, or settings follow from one. */
export const takesRange = ({ outputs, handling }: DeviceType): boolean =>
  outputs.some(({ drivenBy }) => drivenBy === 'value' || drivenBy === 'pulses') ||
  (handling?.parameters.some(({ from }) => from?.startsWith('range.')) ?? false);
