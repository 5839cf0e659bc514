import { setImmediate } from 'node:timers/promises';
import { measure } from '../src/partners/benchClient.ts';
import { httpCall } from '../src/partners/httpCall.ts';
import { ModbusClient } from '../src/partners/modbusClient.ts';
import { startSimulators } from '../src/simulators/start.ts';
import type { Simulators } from '../src/simulators/start.ts';

/** Shorter than what follows, ms. */
const PATIENCE = 150;
const STANDSTILL = 400;

let partners: Simulators;
beforeAll(async () => {
  partners = await startSimulators({ ioLink: 0, modbusTcp: 0, modbusRtu: 0, bench: 0 });
});
afterAll(() => partners.close());

/** This process does nothing else for a while, as with a job of hundreds of points to check. */
async function standStill(after: number): Promise<void> {
  for (let turns = 0; turns < after; turns++) await setImmediate();
  const until = performance.now() + STANDSTILL;
  while (performance.now() < until);
}

const ASKED: readonly (readonly [string, () => Promise<unknown>])[] = [
  [
    'a master',
    () =>
      httpCall(`http://127.0.0.1:${partners.ports.ioLink}/iolink/v1/masters/1/ports`, undefined, PATIENCE),
  ],
  ['a unit of the network', () => unit('tcp')],
  ['a unit of the line', () => unit('rtu')],
  ['a source', () => measure(`127.0.0.1:${partners.ports.bench}`, 'mA', PATIENCE)],
];

async function unit(framing: 'tcp' | 'rtu'): Promise<unknown> {
  const { modbusTcp, modbusRtu } = partners.ports;
  const link = `127.0.0.1:${framing === 'tcp' ? modbusTcp : modbusRtu}`;
  const client = new ModbusClient(link, framing, PATIENCE, 1);
  try {
    return await client.readRegisters(11, 'input', 0, 2);
  } finally {
    client.close();
  }
}

describe.each(ASKED)('%s', (_, ask) => {
  test('is not said to be silent where this process stood still itself', async () => {
    for (const after of [0, 1, 2, 4, 8]) {
      const asked = ask();
      asked.catch(() => undefined);
      await standStill(after);
      await expect(asked).resolves.toBeDefined();
    }
  });
});
