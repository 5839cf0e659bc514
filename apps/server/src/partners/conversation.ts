import { sure } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import { decodeParameter, encodeParameter } from '@keypost/core/ioLink';
import { decodeRegisters, encodeRegisters, registersOf, wayTo } from '@keypost/core/setting';
import { descriptionOf } from '@keypost/core/job';
import { plain } from '@keypost/core/units';
import type { BusParameter } from '@keypost/core/ioLink';
import type { Device, MappedValue } from '@keypost/core/model';
import type { JobIndex } from '@keypost/core/job';
import type { Parameter } from '@keypost/core/catalog';
import { IoLinkClient } from './ioLinkClient.ts';
import { configurationFor, valueFrom } from './masterConfiguration.ts';
import { ModbusClient } from './modbusClient.ts';
import { PartnerProblem } from './partnerProblem.ts';

/** A way to a device's own parameters. */
export interface Conversation {
  /** @throws PartnerProblem */
  readonly read: (parameter: Parameter) => Promise<string>;
  readonly write: (parameter: Parameter, value: string) => Promise<void>;
  /** Sees that the right device is there before anything is written. @throws PartnerProblem */
  readonly check: () => Promise<void>;
  readonly close: () => void;
}

/** Opens a conversation with a part of a job. @throws PartnerProblem where no way leads to it. */
export function converse(index: JobIndex, itemId: string): Conversation {
  const way = wayTo(index, itemId);
  switch (way?.kind) {
    case 'master':
      return withMaster(way.link);
    case 'port':
      return withDevice(index, way.device, way.link, way.port);
    case 'unit':
      return withUnit(new ModbusClient(way.link, way.framing), way.unit, way.map);
    default:
      throw new PartnerProblem('refused', refusalText(index, itemId));
  }
}

function refusalText(index: JobIndex, itemId: string): Message {
  if (index.module(itemId)) return say('service.give-master-address-first');
  return index.device(itemId) ? say('service.way-leads-give-master') : say('service.part-job-any-more');
}

const isBus = (parameter: Parameter): parameter is BusParameter => 'index' in parameter;
const override = (): never => {
  throw new PartnerProblem('refused', say('service.reached-here-read-device'));
};

function withDevice(index: JobIndex, device: Device, link: string, port: number): Conversation {
  const client = new IoLinkClient(link);
  const known = descriptionOf(index.job.descriptions, device);
  return {
    read: async (parameter) => {
      if (!isBus(parameter)) return override();
      return decodeParameter(parameter, await client.read(port, parameter.index, parameter.subindex));
    },
    write: async (parameter, value) => {
      if (!isBus(parameter)) return override();
      await client.write(port, parameter.index, parameter.subindex, encodeParameter(parameter, value));
    },
    check: async () => {
      const state = await client.status(port);
      if (state === 'no device')
        throw new PartnerProblem('away', say('service.device-answers-port', { port }));
      if (state === 'disabled') throw new PartnerProblem('refused', say('service.port-disabled', { port }));
      const { vendorId, deviceId, productName } = await client.identity(port);
      const description = known?.description;
      if (description && (vendorId !== description.vendorId || deviceId !== description.deviceId))
        throw new PartnerProblem(
          'refused',
          say('service.port-description-nothing-written', {
            port,
            productName,
            vendorId,
            deviceId,
            vendorId2: description.vendorId,
            deviceId2: description.deviceId,
          }),
        );
    },
    close: () => undefined,
  };
}

function withMaster(link: string): Conversation {
  const client = new IoLinkClient(link);
  const split = ({ key }: Parameter): { port: number; name: string } => {
    const match = /^P(\d+)\.(\w+)$/.exec(key);
    return match ? { port: Number(match[1]), name: sure(match[2]) } : override();
  };
  return {
    read: async (parameter) => {
      const { port, name } = split(parameter);
      return valueFrom(await client.configuration(port), name) ?? override();
    },
    write: async (parameter, value) => {
      const { port, name } = split(parameter);
      const wanted = configurationFor(await client.configuration(port), name, value) ?? override();
      await client.configure(port, wanted);
    },
    check: async () => void (await client.ports()),
    close: () => undefined,
  };
}

function withUnit(client: ModbusClient, unit: number, map: readonly MappedValue[]): Conversation {
  const rowOf = ({ key }: Parameter): MappedValue =>
    map.find(({ parameter }) => parameter === key) ?? override();
  return {
    read: async (parameter) => {
      const row = rowOf(parameter);
      return plain(
        decodeRegisters(await client.readRegisters(unit, row.table, row.address, registersOf(row.type)), row),
        9,
      );
    },
    write: async (parameter, value) => {
      const row = rowOf(parameter);
      if (row.table !== 'holding')
        throw new PartnerProblem('refused', say('service.can-only-be-read', { rowName: row.name }));
      await client.writeRegisters(unit, row.address, encodeRegisters(Number(value), row));
    },
    check: async () => {
      const first = map[0];
      if (first) await client.readRegisters(unit, first.table, first.address, registersOf(first.type));
    },
    close: () => client.close(),
  };
}
