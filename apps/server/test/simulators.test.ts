import { nth } from '@keypost/core/lists';
import { DEVICE_TYPES } from '@keypost/core/catalog';
import { ioLinkMasters, portPlan, sheetsOf } from '@keypost/core/setting';
import { JobIndex } from '@keypost/core/job';
import { knownDescription } from '@keypost/core/ioLink';
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { connect } from 'node:net';
import type { Socket } from 'node:net';
import { IoLinkClient } from '../src/partners/ioLinkClient.ts';
import { ModbusClient } from '../src/partners/modbusClient.ts';
import { PartnerProblem } from '../src/partners/partnerProblem.ts';
import { ternRock } from '../src/demo/ternRock.ts';
import { SHIPPED, shippedDescription } from '../src/demo/shippedDescriptions.ts';
import type { Simulators } from '../src/simulators/start.ts';
import { simulatorsAnywhere } from './server.ts';

let simulators: Simulators;
beforeAll(async () => {
  simulators = await simulatorsAnywhere();
});
afterAll(() => simulators.close());
afterEach(() => {
  for (const { number } of simulators.master.ports) {
    simulators.master.practise(number, 'plug');
    simulators.master.practise(number, 'mend');
  }
});

const json = async (
  path: string,
  body?: unknown,
): Promise<{ status: number; body: Record<string, unknown> }> => {
  const response = await fetch(`http://127.0.0.1:${simulators.ports.ioLink}/iolink/v1${path}`, {
    ...(body !== undefined && {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'content-type': 'application/json' },
    }),
  });
  const text = await response.text();
  return { status: response.status, body: text ? (JSON.parse(text) as Record<string, unknown>) : {} };
};

describe('the master in its JSON form', () => {
  const parameter = (index: number, sub = ''): string =>
    `/devices/master1port1/parameters/${index}${sub}/value`;

  test('tells its ports, their devices and process data', async () => {
    const { body } = await json('/masters/1/ports');
    expect((body as unknown as { statusInfo: string }[]).map(({ statusInfo }) => statusInfo)).toEqual([
      'DEVICE_ONLINE',
      'DEVICE_ONLINE',
      'DEVICE_ONLINE',
      'COMMUNICATION_LOST',
      'DEVICE_ONLINE',
      'COMMUNICATION_LOST',
    ]);
    expect((await json('/devices/master1port2/identification')).body).toMatchObject({
      vendorId: 1202,
      deviceId: 4098,
    });
    const data = (await json('/devices/master1port1/processdata/value')).body.getData as {
      iolink: { valid: boolean; value: number[] };
    };
    expect(data.iolink.valid).toBe(true);
    expect(data.iolink.value).toHaveLength(3);
  });

  test('keeps what is written, whole and by subindex', async () => {
    expect((await json(parameter(60, '/subindices/1'), { value: [0x04, 0xb0] })).status).toBe(204);
    expect((await json(parameter(60))).body).toEqual({ value: [0x04, 0xb0, 0x01, 0x90] });
    expect((await json(parameter(70), { value: [2] })).status).toBe(204);
    expect((await json(parameter(70))).body).toEqual({ value: [2] });
  });

  test.each([
    ['an unknown index', 999, '', [1], 404, 0x8011],
    ['an unknown subindex', 60, '/subindices/9', [1, 1], 404, 0x8012],
    ['too long', 70, '', [1, 2], 400, 0x8033],
    ['too short', 72, '', [1], 400, 0x8034],
    ['above its limit', 72, '', [0xff, 0xff], 400, 0x8031],
    ['below its limit', 72, '', [0, 1], 400, 0x8032],
    ['a value that is none of its choices', 70, '', [9], 400, 0x8030],
    ['read only', 59, '', [1], 400, 0x8023],
  ])('%s is refused with the standard’s own error', async (_, index, sub, value, status, code) => {
    const answer = await json(parameter(index, sub), { value });
    expect(answer.status).toBe(status);
    expect(answer.body.iolinkError).toMatchObject({ code });
  });

  test('a body that is none is refused, and an address that is none', async () => {
    expect((await json(parameter(70), { value: 'x' })).body).toMatchObject({ code: 202 });
    expect((await json('/devices/nobody/parameters/70/value')).body).toMatchObject({ code: 306 });
    expect((await json('/elsewhere')).status).toBe(404);
  });

  test('unplugged, replaced, failing', async () => {
    simulators.master.practise(1, 'unplug');
    expect((await json(parameter(70))).body).toMatchObject({ code: 311 });
    simulators.master.practise(1, 'replace');
    await json('/masters/1/ports/1/configuration', {
      mode: 'IOLINK_MANUAL',
      validationAndBackup: 'TYPE_COMPATIBLE_DEVICE_V1.1',
      vendorId: 1201,
      deviceId: 131080,
    });
    expect((await json('/masters/1/ports/1/status')).body).toMatchObject({ statusInfo: 'INCORRECT_DEVICE' });
    simulators.master.practise(1, 'plug');
    expect((await json('/masters/1/ports/1/status')).body).toMatchObject({ statusInfo: 'DEVICE_ONLINE' });
    simulators.master.practise(1, 'fail');
    const data = (await json('/devices/master1port1/processdata/value')).body.getData as {
      iolink: { valid: boolean };
    };
    expect(data.iolink.valid).toBe(false);
    await json('/masters/1/ports/1/configuration', { mode: 'DEACTIVATED' });
    expect((await json('/masters/1/ports/1/status')).body).toEqual({ statusInfo: 'DEACTIVATED' });
    await json('/masters/1/ports/1/configuration', { mode: 'IOLINK_AUTOSTART' });
  });

  test('our client says the same in words', async () => {
    const client = new IoLinkClient(`127.0.0.1:${simulators.ports.ioLink}`);
    await expect(client.write(1, 72, 0, Uint8Array.of(0xff, 0xff))).rejects.toThrow(/above limit \(0x8031\)/);
    simulators.master.practise(1, 'unplug');
    await expect(client.read(1, 70, 0)).rejects.toMatchObject({ kind: 'away' });
    await expect(new IoLinkClient('127.0.0.1:9').ports()).rejects.toThrow(/does not answer/);
    const wrong = new IoLinkClient(`127.0.0.1:${simulators.ports.modbusTcp}`);
    await expect(wrong.ports()).rejects.toBeInstanceOf(PartnerProblem);
  });
});

/** Debian's command-line client of the protocol, beside this process, which must go on serving it. */
function mbpoll(...args: string[]): Promise<{ status: number | null; text: string }> {
  return new Promise((done, fail) => {
    const child = spawn('mbpoll', args, { timeout: 20000 });
    let text = '';
    child.stdout.on('data', (chunk) => (text += String(chunk)));
    child.stderr.on('data', (chunk) => (text += String(chunk)));
    child.on('error', fail);
    child.on('close', (status) => done({ status, text }));
  });
}

describe('the standard command-line client', () => {
  beforeAll(() => {
    if (spawnSync('mbpoll', ['-h']).error) {
      const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
      execFileSync('apt-get', ['-qq', 'update'], { env, stdio: 'ignore' });
      execFileSync('apt-get', ['-qq', 'install', '-y', '--no-install-recommends', 'mbpoll'], {
        env,
        stdio: 'ignore',
      });
    }
  }, 120000);

  const tcp = (...args: string[]) =>
    mbpoll('-m', 'tcp', '-p', String(simulators.ports.modbusTcp), '-0', '-1', '-q', '-o', '1', ...args);

  test('reads measured values and settings', async () => {
    const read = await tcp('-a', '11', '-t', '3', '-r', '0', '-c', '3', '127.0.0.1');
    expect(read.status).toBe(0);
    const volts = [...read.text.matchAll(/\[\d\]:\s+(\d+)/g)].map(([, raw]) => Number(raw) / 10);
    expect(volts).toHaveLength(3);
    for (const value of volts) expect(Math.abs(value - 231)).toBeLessThan(6);
    expect((await tcp('-a', '11', '-t', '4', '-r', '101', '127.0.0.1')).text).toMatch(/\[101\]:\s+100/);
  });

  test('writes a register and reads it back', async () => {
    expect((await tcp('-a', '11', '-t', '4', '-r', '100', '127.0.0.1', '250')).status).toBe(0);
    expect((await tcp('-a', '11', '-t', '4', '-r', '100', '127.0.0.1')).text).toMatch(/\[100\]:\s+250/);
    expect((await tcp('-a', '11', '-t', '4', '-r', '100', '127.0.0.1', '5')).status).toBe(0);
  });

  test.each([
    ['an address that it lacks', ['-a', '11', '-t', '4', '-r', '900', '127.0.0.1'], /Illegal data address/],
    [
      'a value that is not allowed',
      ['-a', '11', '-t', '4', '-r', '100', '127.0.0.1', '9000'],
      /Illegal data value/,
    ],
    [
      'a unit that is not there',
      ['-a', '55', '-t', '4', '-r', '100', '127.0.0.1'],
      /Target device failed to respond/,
    ],
  ])('%s gets the standard exception', async (_, args, words) => {
    expect((await tcp(...args)).text).toMatch(words);
  });
});

describe('the same unit in RTU frames over TCP', () => {
  const client = () => new ModbusClient(`127.0.0.1:${simulators.ports.modbusRtu}`, 'rtu', 300);

  test('is read and written, refuses, and is silent where no unit is', async () => {
    const line = client();
    expect(await line.readRegisters(11, 'holding', 101, 1)).toEqual([100]);
    await line.writeRegisters(11, 102, [3]);
    expect(await line.readRegisters(11, 'holding', 102, 1)).toEqual([3]);
    await expect(line.readRegisters(11, 'holding', 900, 1)).rejects.toThrow(/illegal data address/);
    await expect(line.writeRegisters(11, 103, [70])).rejects.toThrow(/illegal data value/);
    await expect(line.readRegisters(55, 'holding', 101, 1)).rejects.toMatchObject({
      kind: 'away',
      message: 'Unit 55 does not answer.',
    });
    // The line goes on after a silence.
    expect(await line.readRegisters(11, 'input', 0, 2)).toHaveLength(2);
    line.close();
  });

  test('a unit that is switched off is silent', async () => {
    const line = client();
    nth(simulators.units, 0).silent = true;
    await expect(line.readRegisters(11, 'holding', 101, 1)).rejects.toMatchObject({ kind: 'away' });
    nth(simulators.units, 0).silent = false;
    expect(await line.readRegisters(11, 'holding', 101, 1)).toEqual([100]);
    line.close();
  });

  test('what speaks no such protocol is told apart', async () => {
    const wrong = new ModbusClient(`127.0.0.1:${simulators.ports.ioLink}`, 'tcp', 300);
    await expect(wrong.readRegisters(1, 'input', 0, 1)).rejects.toMatchObject({ kind: 'away' });
    wrong.close();
    await expect(new ModbusClient('127.0.0.1:9', 'tcp').readRegisters(1, 'input', 0, 1)).rejects.toThrow(
      /Nothing answers/,
    );
  });
});

test('simulators close although somebody is still joined to them', async () => {
  const own = await simulatorsAnywhere();
  const ports = [own.ports.modbusTcp, own.ports.modbusRtu, own.ports.bench];
  const joined = await Promise.all(
    ports.map(
      (port) =>
        new Promise<Socket>((done) => {
          const socket = connect({ host: '127.0.0.1', port }, () => done(socket));
          socket.on('error', () => socket.destroy());
        }),
    ),
  );
  const gone = Promise.all(joined.map((socket) => new Promise((done) => socket.once('close', done))));
  await own.close();
  await gone;
  expect(joined.every(({ destroyed }) => destroyed)).toBe(true);
});

describe('what ships', () => {
  const index = new JobIndex(ternRock());

  test.each(SHIPPED)('%s is read whole', (name) => {
    const { description, parameters } = knownDescription(shippedDescription(name));
    expect(description.processData).toHaveLength(1);
    expect(parameters.length).toBeGreaterThan(5);
  });

  test('every kind of instrument with parameters has a point with a sheet', () => {
    const used = new Set(index.job.devices.map((device) => index.deviceType(device).handling));
    const kinds = DEVICE_TYPES.map(({ handling }) => handling).filter((h) => h && h.parameters.length > 0);
    const missing = DEVICE_TYPES.filter(
      ({ handling }) => handling && kinds.includes(handling) && !used.has(handling),
    );
    expect(missing.map(({ id }) => id)).toEqual([]);
    const families = [
      'Safety relay',
      'Drive',
      'Universal controller',
      'IO-Link master',
      'Serial master',
      'Counter',
    ];
    for (const family of families)
      expect(index.job.modules.some(({ id }) => index.typeOf(id).group === family)).toBe(true);
  });

  test.each([
    ['FT-220', 'size', '80', 'mm'],
    ['FT-231', 'density', '1.204', 'kg/m³'],
    ['FT-231', 'size', '50', ''],
    ['FT-231', 'bore', '52.5', 'mm'],
    ['WT-236', 'sensitivity', '2.003', ''],
    ['WT-236', 'high', '400', 'kg'],
    ['SC-245', 'high', '50', 'Hz'],
    ['FT-235', 'shape', 'root', ''],
    ['FT-235', 'dpFull', '25', 'mbar'],
    ['FT-232', 'output1', 'pnp', ''],
    ['FT-233', 'outer', '90', 'mm'],
    ['TT-234', 'element', 'Pt100', ''],
    ['PT-221', 'high', '6', 'bar'],
    ['UT-224', 'low', '200', 'mm'],
    ['FQ-260', 'pulseValue', '0.05', 'l'],
    ['FQ-260', 'C1.value', '0.05', 'l'],
    ['SP-241', 'A1.switch', 'V', ''],
    ['PT-242', 'A2.high', '4', 'bar'],
    ['XI-243', 'AO.signal', '4-20 mA', ''],
    ['ZS-250', 'U1.active', 'minus', ''],
    ['ES-210', 'selector', 'both', ''],
    ['AX-214', 'last', 'on', ''],
    ['AX-213', 'coil1', '1.013', ''],
    ['JT-272', 'unit', '11', ''],
    ['JT-272', 'terminator', 'on', ''],
    ['JN-274', 'address', '192.168.10.30', ''],
    ['LT-270', 'P1.vendor', '1201', ''],
    ['YV-271', 'P5.lengthOut', '2', ''],
  ])('%s: %s is required to be %s %s', (tag, key, value, unit) => {
    const line = sheetsOf(index, tag.toLowerCase())
      .flatMap(({ lines }) => lines)
      .find(({ parameter }) => parameter.key === key);
    expect(line?.required?.value).toBe(value);
    expect(line?.unit).toBe(unit);
  });

  test('unused ports are disabled in the plan', () => {
    const ports = portPlan(index, nth(ioLinkMasters(index), 0).id);
    const modes = ports.map(
      ({ sheet }) => sheet.lines.find(({ parameter }) => parameter.key.endsWith('mode'))?.required?.value,
    );
    expect(modes).toEqual(['iolink', 'iolink', 'iolink', 'off', 'iolink', 'off']);
  });
});
