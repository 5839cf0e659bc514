import { oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import type { Device, JobContent, Module, OwnKind, Settings, Supply } from '../model/index.ts';
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

/** Kinds of devices, or of modules, by id: one of the job's own stands before one that ships, and is read when it is asked for. */
class Kinds<T extends { readonly id: string }> {
  private readonly found = new Map<string, T | undefined>();
  private list?: readonly T[];

  constructor(
    private readonly own: readonly OwnKind[],
    private readonly shipped: readonly T[],
    private readonly read: (kind: OwnKind) => T | undefined,
  ) {}

  /** The job's own first; one that cannot be read is left out. */
  get all(): readonly T[] {
    return (this.list ??= [...this.own.flatMap((kind) => this.read(kind) ?? []), ...this.shipped]);
  }

  find(id: string): T | undefined {
    if (!this.found.has(id)) {
      const own = this.own
        .filter(({ description }) => description.id === id)
        .flatMap((kind) => this.read(kind) ?? []);
      this.found.set(id, own[0] ?? this.shipped.find((type) => type.id === id));
    }
    return this.found.get(id);
  }
}

/** The kinds of devices and modules that a job can use: those that ship, and its own. */
export class PartTypes {
  private readonly ofDevices: Kinds<DeviceType>;
  private readonly ofModules: Kinds<ModuleType>;
  /** Kinds with the figures of one part, by those. */
  private readonly figured = new WeakMap<object, Map<string, DeviceType | ModuleType>>();

  constructor({ ownDevices, ownModules }: OwnTypes) {
    this.ofDevices = new Kinds(ownDevices, DEVICE_TYPES, ownDevice);
    this.ofModules = new Kinds(ownModules, MODULE_TYPES, ownModule);
  }

  get devices(): readonly DeviceType[] {
    return this.ofDevices.all;
  }

  get modules(): readonly ModuleType[] {
    return this.ofModules.all;
  }

  /** What a device is, with the figures of its own datasheet; nothing for a kind that is not known. */
  findDevice({ typeId, figures }: DeviceRow): DeviceType | undefined {
    const type = this.ofDevices.find(typeId);
    if (!type || !figures) return type;
    return this.withFigures(figures, typeId, () =>
      deviceTypeOf(withFigures(type.description, figuresOf(figures))),
    );
  }

  /** What a module is, with the figures of its own datasheet; nothing for a kind that is not known. */
  findModule({ typeId, figures }: ModuleRow): ModuleType | undefined {
    const type = this.ofModules.find(typeId);
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

/** A kind of the job's own, from its description; nothing where that is not sound. Read once. */
const ownDevice = oncePer(({ description }: OwnKind): DeviceType | undefined => {
  const read = DeviceDescription.safeParse(description);
  return read.success ? deviceTypeOf(read.data) : undefined;
});

const ownModule = oncePer(({ description }: OwnKind): ModuleType | undefined => {
  const read = ModuleDescription.safeParse(description);
  return read.success ? moduleTypeOf(read.data) : undefined;
});

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
