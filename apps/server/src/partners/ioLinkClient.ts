import { own } from '@keypost/core/lists';
import { say } from '@keypost/core/messages';
import { z } from 'zod';
import type { PortState } from '@keypost/core/ioLink';
import { httpCall } from './httpCall.ts';
import { PartnerProblem, PATIENCE_MS } from './partnerProblem.ts';

const JsonProblem = z.object({
  code: z.number(),
  message: z.string(),
  iolinkError: z.object({ code: z.number(), message: z.string() }).optional(),
});
/** An ISDU carries at most 232 bytes, process data 32 (IO-Link Interface Specification 1.1.3, A.5 and 7.3.4). */
const bytes = (most: number) => z.array(z.int().min(0).max(255)).max(most);
/** No master has more ports: a list that goes on is none of a master. */
const MAX_PORTS = 64;

const Bytes = z.object({ value: bytes(232) });
const ProcessData = z.object({
  getData: z.object({ iolink: z.object({ valid: z.boolean(), value: bytes(32) }).optional() }).optional(),
});
const Status = z.object({ statusInfo: z.string() });
const Port = z.object({ portNumber: z.int(), statusInfo: z.string(), deviceAlias: z.string() });
const Identity = z.object({
  vendorId: z.int(),
  deviceId: z.int(),
  vendorName: z.string().optional(),
  productName: z.string().optional(),
  serialNumber: z.string().optional(),
});
const Configuration = z.object({
  mode: z.string(),
  validationAndBackup: z.string().optional(),
  cycleTime: z.object({ value: z.number(), unit: z.string().optional() }).optional(),
  vendorId: z.int().optional(),
  deviceId: z.int().optional(),
});

export type MasterPort = z.infer<typeof Port>;
export type DeviceIdentity = z.infer<typeof Identity>;
export type MasterConfiguration = z.infer<typeof Configuration>;

/** What a master's words for the state of a port mean. */
const STATES: Readonly<Record<string, PortState>> = {
  DEACTIVATED: 'disabled',
  COMMUNICATION_LOST: 'no device',
  INCORRECT_DEVICE: 'wrong device',
  DEVICE_STARTING: 'starting',
  DEVICE_ONLINE: 'connected',
  'DIGITAL_INPUT_C/Q': 'switching input',
  'DIGITAL_OUTPUT_C/Q': 'switching output',
};

export const stateOf = (statusInfo: string): PortState => own(STATES, statusInfo) ?? 'no device';

/** Speaks to an IO-Link master over HTTP in the JSON form of the IO-Link community. */
export class IoLinkClient {
  private readonly base: string;
  private aliases?: ReadonlyMap<number, string>;

  /** @param link `host:port`. */
  constructor(link: string) {
    this.base = `http://${link}/iolink/v1`;
  }

  private async call<T>(schema: z.ZodType<T> | undefined, path: string, body?: unknown): Promise<T> {
    let response: { status: number; text: string };
    try {
      response = await httpCall(this.base + path, body, PATIENCE_MS);
    } catch {
      throw new PartnerProblem('away', say('service.master-does-answer'));
    }
    const { status, text } = response;
    if (status < 200 || status > 299) throw refusal(status, text);
    if (!schema) return undefined as T;
    const parsed = schema.safeParse(parseJson(text));
    if (!parsed.success) throw new PartnerProblem('away', say('service.what-answers-io-link'));
    return parsed.data;
  }

  ports = (): Promise<MasterPort[]> => this.call(z.array(Port).max(MAX_PORTS), '/masters/1/ports');

  /** The name under which a port's device is reached. */
  private async alias(port: number): Promise<string> {
    if (!this.aliases?.has(port))
      this.aliases = new Map(
        (await this.ports()).map(({ portNumber, deviceAlias }) => [portNumber, deviceAlias]),
      );
    const alias = this.aliases?.get(port);
    if (alias === undefined) throw new PartnerProblem('refused', say('service.master-port', { port }));
    return encodeURIComponent(alias);
  }

  status = async (port: number): Promise<PortState> =>
    stateOf((await this.call(Status, `/masters/1/ports/${port}/status`)).statusInfo);

  identity = async (port: number): Promise<DeviceIdentity> =>
    this.call(Identity, `/devices/${await this.alias(port)}/identification`);

  configuration = (port: number): Promise<MasterConfiguration> =>
    this.call(Configuration, `/masters/1/ports/${port}/configuration`);

  configure = (port: number, configuration: Partial<MasterConfiguration>): Promise<void> =>
    this.call<void>(undefined, `/masters/1/ports/${port}/configuration`, configuration);

  /** Process data from the device; nothing where the port has none. */
  async processIn(port: number): Promise<{ valid: boolean; bytes: Uint8Array } | undefined> {
    const data = (
      await this.call(ProcessData, `/devices/${await this.alias(port)}/processdata/value?format=byteArray`)
    ).getData?.iolink;
    return data && { valid: data.valid, bytes: Uint8Array.from(data.value) };
  }

  private async parameterPath(port: number, index: number, subindex: number): Promise<string> {
    const place = subindex ? `${index}/subindices/${subindex}` : index;
    return `/devices/${await this.alias(port)}/parameters/${place}/value`;
  }

  async read(port: number, index: number, subindex: number): Promise<Uint8Array> {
    const path = await this.parameterPath(port, index, subindex);
    return Uint8Array.from((await this.call(Bytes, `${path}?format=byteArray`)).value);
  }

  async write(port: number, index: number, subindex: number, bytes: Uint8Array): Promise<void> {
    await this.call<void>(undefined, await this.parameterPath(port, index, subindex), { value: [...bytes] });
  }
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

function refusal(status: number, text: string): PartnerProblem {
  const parsed = JsonProblem.safeParse(parseJson(text));
  if (!parsed.success) return new PartnerProblem('away', say('service.master-answered-status', { status }));
  const { code, message, iolinkError } = parsed.data;
  if (iolinkError)
    return new PartnerProblem(
      'refused',
      say('service.device-refuses-0x', { message: iolinkError.message, code: iolinkError.code.toString(16) }),
    );
  // 311: the device behind the port is not there; 102: the master cannot get through to it.
  return code === 311 || code === 102
    ? new PartnerProblem('away', say('service.device-reached', { message }))
    : new PartnerProblem('refused', say('service.master-refuses', { message, code }));
}
