import { createServer as createHttpServer } from 'node:http';
import { createServer } from 'node:net';
import type { AddressInfo, Server, Socket } from 'node:net';
import { answerRequest, readRegistersRequest, rtuFrame, takeTcpFrame, tcpFrame } from '@keypost/core/setting';
import { nth } from '@keypost/core/lists';
import { inject } from '../src/partners/benchClient.ts';
import { IoLinkClient } from '../src/partners/ioLinkClient.ts';
import { ModbusClient } from '../src/partners/modbusClient.ts';
import { PartnerProblem } from '../src/partners/partnerProblem.ts';

const servers: { close: () => unknown }[] = [];
const clients: ModbusClient[] = [];
afterEach(() => {
  clients.splice(0).forEach((client) => client.close());
  servers.splice(0).forEach((server) => server.close());
});

/** A partner that does what it likes with what arrives. @returns where it answers. */
async function partner(onData: (socket: Socket, chunk: Buffer, times: number) => void): Promise<string> {
  let times = 0;
  const server: Server = createServer((socket) => {
    socket.on('error', () => socket.destroy());
    socket.on('data', (chunk) => onData(socket, chunk, ++times));
  });
  servers.push(server);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return `127.0.0.1:${(server.address() as AddressInfo).port}`;
}

async function read(link: string, framing: 'tcp' | 'rtu'): Promise<number[] | string> {
  const client = new ModbusClient(link, framing, 250);
  clients.push(client);
  try {
    return await client.readRegisters(5, 'holding', 10, 2);
  } catch (error) {
    if (error instanceof PartnerProblem) return error.said.code;
    throw error;
  }
}

const REQUEST = readRegistersRequest('holding', 10, 2);
const answerOf = (value: number): Uint8Array =>
  answerRequest(REQUEST, {
    bit: () => false,
    register: () => value,
    writeBit: () => false,
    writeRegister: () => false,
  });
const [RIGHT, WRONG] = [answerOf(7), answerOf(666)];
const transactionOf = (chunk: Buffer): number => {
  const taken = takeTcpFrame(chunk);
  return taken && taken !== 'broken' ? (taken.frame.transaction ?? 0) : 0;
};
const turned = (bytes: Uint8Array): Uint8Array =>
  Uint8Array.from(bytes, (byte, i) => (i === 4 ? byte ^ 1 : byte));

describe('a Modbus unit that is not told from another', () => {
  test.each<[string, (transaction: number) => readonly Uint8Array[]]>([
    ['another unit', (transaction) => [tcpFrame({ unit: 6, pdu: WRONG, transaction })]],
    [
      'another transaction',
      (transaction) => [tcpFrame({ unit: 5, pdu: WRONG, transaction: transaction ^ 1 })],
    ],
    [
      'another function',
      (transaction) => [tcpFrame({ unit: 5, pdu: Uint8Array.of(4, 4, 0, 1, 0, 1), transaction })],
    ],
    ['another count', (transaction) => [tcpFrame({ unit: 5, pdu: Uint8Array.of(3, 2, 0, 1), transaction })]],
  ])('%s answers first: only the right answer is taken', async (_, others) => {
    const link = await partner((socket, chunk) => {
      const transaction = transactionOf(chunk);
      for (const other of others(transaction)) socket.write(other);
      socket.write(tcpFrame({ unit: 5, pdu: RIGHT, transaction }));
    });
    expect(await read(link, 'tcp')).toEqual([7, 7]);
  });

  test('only others answer: it is told so, and nothing is taken', async () => {
    const link = await partner((socket, chunk) =>
      socket.write(tcpFrame({ unit: 6, pdu: WRONG, transaction: transactionOf(chunk) })),
    );
    expect(await read(link, 'tcp')).toBe('service.others-answer');
  });

  test('a flood of frames ends the question, not the process', async () => {
    const flood = Buffer.concat(Array.from({ length: 20_000 }, () => tcpFrame({ unit: 6, pdu: WRONG })));
    const link = await partner((socket) => socket.write(flood));
    expect(await read(link, 'tcp')).toBe('service.others-answer');
  });
});

describe('a serial line', () => {
  test('on which the first answer is disturbed is asked again', async () => {
    const right = rtuFrame({ unit: 5, pdu: RIGHT });
    const link = await partner((socket, _, times) => socket.write(times === 1 ? turned(right) : right));
    expect(await read(link, 'rtu')).toEqual([7, 7]);
  });

  test.each<[string, (chunk: Buffer) => Uint8Array, string]>([
    ['whose check sums never fit', () => turned(rtuFrame({ unit: 5, pdu: RIGHT })), 'service.check-sum'],
    ['that only echoes', (chunk) => chunk, 'service.only-echo'],
    [
      'on which another baud rate is spoken',
      () => Buffer.alloc(20, 0xfe),
      'service.what-answers-speaks-modbus',
    ],
    ['on which another unit answers', () => rtuFrame({ unit: 9, pdu: WRONG }), 'service.others-answer'],
  ])('%s is told as that', async (_, answer, code) => {
    const link = await partner((socket, chunk) => socket.write(answer(chunk)));
    expect(await read(link, 'rtu')).toBe(code);
  });

  test('an answer that comes too late is not taken for the next question', async () => {
    const link = await partner((socket, chunk, times) => {
      const late = times <= 3;
      const value = late ? WRONG : RIGHT;
      setTimeout(() => socket.write(rtuFrame({ unit: nth([...chunk], 0), pdu: value })), late ? 290 : 0);
    });
    const client = new ModbusClient(link, 'rtu', 250, 1);
    clients.push(client);
    await expect(client.readRegisters(5, 'holding', 10, 2)).rejects.toThrow(PartnerProblem);
    await new Promise((done) => setTimeout(done, 120));
    await expect(client.readRegisters(5, 'holding', 10, 2)).rejects.toThrow(PartnerProblem);
  });
});

describe('a line that is left in the middle of asking', () => {
  const open = (): Promise<number> =>
    new Promise((done) => (servers.at(-1) as Server).getConnections((_, count) => done(count)));

  test.each([
    ['while it waits for an answer', 40],
    ['while it connects', 0],
  ])('%s joins nothing any more, whatever was still to be asked', async (_, after) => {
    // Units that answer, in their own time: what is joined for one of them stays joined.
    const link = await partner((socket, chunk) => {
      const frame = rtuFrame({ unit: nth([...chunk], 0), pdu: RIGHT });
      setTimeout(() => socket.write(frame), 80);
    });
    const client = new ModbusClient(link, 'rtu', 250, 2);
    const asked = [1, 2, 3].map((unit) =>
      client.readRegisters(unit, 'holding', 10, 2).catch((error: unknown) => error),
    );
    if (after) await new Promise((done) => setTimeout(done, after));
    else await Promise.resolve();
    client.close();
    for (const outcome of await Promise.all(asked)) expect(outcome).toBeInstanceOf(PartnerProblem);
    await new Promise((done) => setTimeout(done, 50));
    expect(await open()).toBe(0);
  });
});

describe('a bench source', () => {
  const source = (measured: string): Promise<string> =>
    partner((socket, chunk) => {
      for (const line of String(chunk).split('\n')) {
        if (line.includes('*IDN?')) socket.write('Maker,Source,1,1.0\n');
        if (line.startsWith('SYST:ERR?')) socket.write('0,"No error"\n');
        if (line.startsWith('MEAS')) socket.write(measured);
      }
    });

  test.each([
    ['an overflow', '9.9E37\n'],
    ['a negative one', '-9.90000000E+37\n'],
    ['no number', '9.91E37\n'],
    ['nothing', '\n'],
    ['blanks', '   \n'],
    ['words', 'OVLD\n'],
    ['hexadecimal', '0x10\n'],
  ])('that measures %s gives no value', async (_, answer) => {
    await expect(inject(await source(answer), 'mA', 12)).rejects.toMatchObject({
      said: { code: 'service.source-told-number' },
    });
  });

  test('that measures a number gives it', async () =>
    expect((await inject(await source('1.2003E-02\n'), 'mA', 12)).injected).toBeCloseTo(12.003, 9));

  test('that never ends its line is left', async () => {
    const link = await partner((socket) => socket.write('x'.repeat(100_000)));
    await expect(inject(link, 'mA', 12, 500)).rejects.toThrow(PartnerProblem);
  });
});

describe('an IO-Link master', () => {
  async function master(answer: unknown): Promise<IoLinkClient> {
    const server = createHttpServer((_, response) => response.end(JSON.stringify(answer)));
    servers.push(server);
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    return new IoLinkClient(`127.0.0.1:${(server.address() as AddressInfo).port}`);
  }
  const ports = (count: number) =>
    Array.from({ length: count }, (_, i) => ({
      portNumber: i + 1,
      statusInfo: 'DEVICE_ONLINE',
      deviceAlias: `d${i}`,
    }));

  test('has at most 64 ports; a list that goes on is none of a master', async () => {
    expect(await (await master(ports(64))).ports()).toHaveLength(64);
    await expect((await master(ports(4000))).ports()).rejects.toMatchObject({
      said: { code: 'service.what-answers-io-link' },
    });
  });
});
