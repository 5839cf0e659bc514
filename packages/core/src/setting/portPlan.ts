import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { Port } from '../catalog/index.ts';
import { cycleBytes, messageSeconds, portAddresses, processDataInForce } from '../ioLink/index.ts';
import type { DescribedRecord, KnownDescription, Numbering, PortAddress } from '../ioLink/index.ts';
import type { Device, Module, Point } from '../model/index.ts';
import { descriptionOf, presentValues } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import { processBytes, shortestCycle } from './derive/bus.ts';
import { partOfSheet, sheetOf } from './sheet.ts';
import type { Sheet } from './sheet.ts';

/** A port of an IO-Link master: what is on it, how it is to be run, and where its data lies. */
export interface PlannedPort {
  readonly number: number;
  readonly name: string;
  readonly label: string;
  readonly portClass: 'A' | 'B';
  readonly device?: Device;
  readonly point?: Point;
  readonly known?: KnownDescription;
  readonly sheet: Sheet;
  /** What its device sends now, or why that is not known. */
  readonly sends?: { readonly record?: DescribedRecord; readonly unknown?: Text };
  readonly bytes: { readonly input: number; readonly output: number };
  /** Shortest cycle, ms, and what a message takes at the device's speed, ms. */
  readonly cycle?: number;
  readonly message?: number;
  readonly addresses: Readonly<Record<Numbering, PortAddress | undefined>>;
  /** What is wrong with it as it is planned. */
  readonly problem?: Text;
}

const NUMBERINGS: readonly Numbering[] = ['byte', 'word', 'register'];

/** The plan of every port of a master. @throws Error when the job has no such module. */
export function portPlan(index: JobIndex, moduleId: string): PlannedPort[] {
  const module = index.module(moduleId);
  if (!module) throw new Error(`The job has no module "${moduleId}".`);
  const ports = index.portsOf(moduleId);
  const on = ports.map(({ channel }) => index.deviceAt({ moduleId, channel }));
  const known = on.map((device) => device && descriptionOf(index.job.descriptions, device));
  const lengths = known.map((k) => k && processBytes(k.description));
  const addresses = Object.fromEntries(
    NUMBERINGS.map((numbering) => [numbering, portAddresses(lengths, module.firstByte, numbering)]),
  ) as Record<Numbering, (PortAddress | undefined)[]>;
  return ports.map((port, i) => plannedPort(index, module, port, i, on[i], known[i], addresses));
}

function plannedPort(
  index: JobIndex,
  module: Module,
  port: Port,
  i: number,
  device: Device | undefined,
  known: KnownDescription | undefined,
  addresses: Record<Numbering, (PortAddress | undefined)[]>,
): PlannedPort {
  const bytes = known ? processBytes(known.description) : { input: 0, output: 0 };
  const all = cycleBytes(bytes.input, bytes.output, 1);
  return {
    number: port.channel + 1,
    name: port.name,
    label: port.label,
    portClass: port.roles.extraPlus ? 'B' : 'A',
    ...(device && { device, point: index.pointFor(device.id) }),
    ...(known && {
      known,
      ...(device && { sends: sentBy(index, device, known) }),
      cycle: shortestCycle(known.description),
      message: 1000 * messageSeconds(known.description.bitrate, all.master, all.device),
    }),
    sheet: partOfSheet(sheetOf(index, module.id), port.label, ({ key }) => key.startsWith(`${port.name}.`)),
    bytes,
    addresses: { byte: addresses.byte[i], word: addresses.word[i], register: addresses.register[i] },
    ...(device &&
      !known &&
      port.kind === 'io-link' && {
        problem: say('setting.description-file-data-read', { device: device.tag }),
      }),
  };
}

function sentBy(index: JobIndex, device: Device, known: KnownDescription): PlannedPort['sends'] {
  const { values } = presentValues(index, device.id);
  const now = processDataInForce(known, (key) => values.get(key)?.value);
  return 'unknown' in now ? { unknown: now.unknown } : { record: now.data?.input };
}

/** What of a port's settings a master is told and tells: the lengths follow from the device itself. */
const TOLD = ['mode', 'validation', 'vendor', 'device', 'backup', 'cycle'];

/** The lines of a sheet that can be spoken about with the part itself. */
export function spokenSheet(index: JobIndex, sheet: Sheet): Sheet {
  const module = index.module(sheet.itemId);
  if (!module || index.moduleType(module).description.fieldbus !== 'io-link') return sheet;
  return {
    ...sheet,
    lines: sheet.lines.filter(({ parameter }) => TOLD.includes(parameter.key.split('.')[1] ?? '')),
  };
}

/** The masters of a job. */
export const ioLinkMasters = (index: JobIndex): Module[] =>
  index.job.modules.filter((module) => index.moduleType(module).description.fieldbus === 'io-link');
