import net from 'node:net';
import { inject, measure } from '../src/partners/benchClient.ts';
import { BenchSource, benchServer, BENCH_IDENTITY } from '../src/simulators/benchSource.ts';

let server: net.Server;
let link: string;
beforeAll(async () => {
  server = benchServer(new BenchSource());
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  link = `127.0.0.1:${(server.address() as net.AddressInfo).port}`;
});
afterAll(() => new Promise((done) => server.close(done)));

describe('the language of the source', () => {
  test('names itself, takes functions and levels, long and short, in one line', () => {
    const source = new BenchSource();
    expect(source.answer('*IDN?')).toEqual([BENCH_IDENTITY]);
    expect(source.answer('SOURCE:FUNC VOLTAGE; :SOUR:VOLT 2.5;SOUR:VOLTAGE?')).toEqual(['2.5000000E+0']);
    expect(source.answer('outp on;outp?')).toEqual(['1']);
    expect(Number(source.answer('MEAS:VOLT?')[0])).toBeCloseTo(2.5, 3);
    expect(source.answer('SYST:ERR?')).toEqual(['0,"No error"']);
  });

  test('gives nothing while it is off, or set to something else', () => {
    const source = new BenchSource();
    source.answer('SOUR:FUNC CURR;SOUR:CURR 0.012');
    expect(Number(source.answer('MEAS:CURR?')[0])).toBe(0);
    source.answer('OUTP ON');
    expect(Number(source.answer('MEAS:CURR?')[0])).toBeCloseTo(0.012, 4);
    expect(Number(source.answer('MEAS:RES?')[0])).toBe(0);
    source.answer('*RST');
    expect(Number(source.answer('MEAS:CURR?')[0])).toBe(0);
  });

  test.each([
    ['FOO 1', '-113,"Undefined header"'],
    ['SOUR:CURR', '-109,"Missing parameter"'],
    ['SOUR:CURR twelve', '-104,"Data type error"'],
    ['SOUR:CURR 1', '-222,"Data out of range"'],
    ['OUTP maybe', '-104,"Data type error"'],
    ['FUNC FREQ', '-104,"Data type error"'],
  ])('%s is remembered as %s, once', (command, error) => {
    const source = new BenchSource();
    expect(source.answer(command)).toEqual([]);
    expect(source.answer('SYST:ERR?')).toEqual([error]);
    expect(source.answer('SYST:ERR?')).toEqual(['0,"No error"']);
  });
});

describe('speaking to it', () => {
  test('asks what it measures, and leaves what it gives as it is', async () => {
    const { injected } = await inject(link, 'mA', 7.5);
    for (const _ of [1, 2])
      expect(await measure(link, 'mA')).toEqual({
        measured: injected,
        source: 'Simulated bench source BS-0001',
      });
    expect((await measure(link, 'V')).measured).toBe(0);
    await expect(measure(link, 'bar')).rejects.toMatchObject({ kind: 'refused' });
  });

  test.each([
    ['mA', 12, 0.01],
    ['V', 5, 0.001],
    ['mV', 4.096, 0.01],
    ['Ω', 119.4, 0.05],
  ])('gives %s and tells what it truly gives', async (unit, value, near) => {
    const { injected, source } = await inject(link, unit, value);
    expect(Math.abs(injected - value)).toBeLessThan(near);
    expect(injected).not.toBe(value);
    expect(source).toBe('Simulated bench source BS-0001');
  });

  test('what it cannot give, or has no unit for, is refused in a sentence', async () => {
    await expect(inject(link, 'mA', 40)).rejects.toThrow(
      'The source cannot give 40 mA: that is outside its range.',
    );
    await expect(inject(link, 'bar', 1)).rejects.toThrow('it has no bar');
  });

  test('no answer is told as such', async () => {
    await expect(inject('127.0.0.1:1', 'mA', 4)).rejects.toMatchObject({ kind: 'away' });
    const deaf = net.createServer(() => undefined);
    await new Promise<void>((done) => deaf.listen(0, '127.0.0.1', done));
    const at = `127.0.0.1:${(deaf.address() as net.AddressInfo).port}`;
    await expect(inject(at, 'mA', 4, 100)).rejects.toThrow('does not answer in time');
    deaf.close();
  });

  test('an endless line is cut off', async () => {
    const socket = net.connect({ host: '127.0.0.1', port: Number(link.split(':')[1]) });
    const closed = new Promise((done) => socket.on('close', done));
    socket.on('error', () => undefined);
    socket.write('A'.repeat(5000));
    await closed;
  });
});
