import { refusalOf } from '../../../test/said.ts';
import { nth, sure } from '../../lists/index.ts';
import fc from 'fast-check';
import { checkedFrame, crc16, withCrc } from './crc.ts';
import {
  decodeRegisters,
  encodeRegisters,
  likelierOrder,
  matchingFormats,
  registersOf,
} from './registers.ts';
import type { RegisterFormat, RegisterType } from './registers.ts';

const bytes = (text: string): Uint8Array =>
  Uint8Array.from(text.split(' ').map((byte) => parseInt(byte, 16)));
const plain = { words: 'high', bytes: 'high', scale: 1 } as const;

describe('the check sum', () => {
  // The check value of this polynomial for the digits 1 to 9, and the frame of the serial line guide’s own example.
  test.each([
    ['31 32 33 34 35 36 37 38 39', 0x4b37],
    ['02 07', 0x1241],
  ])('of %s', (text, crc) => {
    expect(crc16(bytes(text))).toBe(crc);
  });

  test('goes with its low byte first', () => {
    expect([...withCrc(bytes('02 07'))]).toEqual([0x02, 0x07, 0x41, 0x12]);
  });

  test('a frame is taken whole, and refused with any one bit turned', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 2, maxLength: 60 }), fc.nat(), (body, at) => {
        const frame = withCrc(body);
        expect([...sure(checkedFrame(frame))]).toEqual([...body]);
        const bit = at % (8 * frame.length);
        const broken = Uint8Array.from(frame);
        broken[bit >> 3] = nth(broken, bit >> 3) ^ (1 << (bit & 7));
        expect(checkedFrame(broken)).toBeUndefined();
      }),
      { numRuns: 300, seed: 5 },
    );
    expect(checkedFrame(bytes('01 02 03'))).toBeUndefined();
  });
});

describe('registers', () => {
  test.each<[RegisterType, number[], number]>([
    ['uint16', [0xffff], 65535],
    ['int16', [0xffff], -1],
    ['uint32', [0x0001, 0x0000], 65536],
    ['int32', [0xffff, 0xfffe], -2],
    ['float32', [0x41c8, 0x0000], 25],
    ['float64', [0x4039, 0, 0, 0], 25],
    ['uint64', [0, 0, 1, 0], 65536],
    ['int64', [0xffff, 0xffff, 0xffff, 0xffff], -1],
  ])('%s from %j is %f', (type, registers, value) => {
    expect(decodeRegisters(registers, { type, ...plain })).toBe(value);
    expect(encodeRegisters(value, { type, ...plain })).toEqual(registers);
  });

  test('the same value in all four orders', () => {
    const orders = (['high', 'low'] as const).flatMap((words) =>
      (['high', 'low'] as const).map((order) =>
        encodeRegisters(25, { type: 'float32', words, bytes: order, scale: 1 }).map((r) => r.toString(16)),
      ),
    );
    expect(orders).toEqual([
      ['41c8', '0'],
      ['c841', '0'],
      ['0', '41c8'],
      ['0', 'c841'],
    ]);
  });

  const format = fc.record<RegisterFormat>({
    type: fc.constantFrom<RegisterType>('uint16', 'int16', 'uint32', 'int32', 'float32', 'float64'),
    words: fc.constantFrom('high', 'low'),
    bytes: fc.constantFrom('high', 'low'),
    scale: fc.constantFrom(1, 10, 0.5),
  });

  test('whatever fits comes back as it was, in every order', () => {
    fc.assert(
      fc.property(format, fc.integer({ min: 0, max: 3000 }), (f, n) => {
        const value = n * f.scale;
        const registers = encodeRegisters(value, f);
        expect(registers).toHaveLength(registersOf(f.type));
        expect(decodeRegisters(registers, f)).toBeCloseTo(value, 6);
      }),
      { numRuns: 400, seed: 9 },
    );
  });

  test.each<[number, RegisterFormat, RegExp]>([
    [70000, { type: 'uint16', ...plain }, /does not fit in uint16: from 0 to 65535/],
    [-1, { type: 'uint32', ...plain }, /from 0 to 4294967295/],
    [400, { type: 'int16', ...plain, scale: 0.01 }, /from -327.68 to 327.67/],
    [NaN, { type: 'float32', ...plain }, /no number that float32 can hold/],
    [1, { type: 'int16', ...plain, scale: 0 }, /scale cannot be 0/],
  ])('%f as %j is refused', (value, f, words) => {
    expect(() => encodeRegisters(value, f)).toThrow(words);
  });

  test('too few registers, and what is none, are refused', () => {
    expect(refusalOf(() => decodeRegisters([1], { type: 'float32', ...plain }))).toMatch(
      'fieldbus.these-registers-takes registers=1 type=float32 registersOf=2',
    );
    expect(refusalOf(() => decodeRegisters([65536], { type: 'uint16', ...plain }))).toMatch(
      'fieldbus.register-holds-0-65535-2 register=65536',
    );
  });
});

describe('the order found from one known value', () => {
  test('a voltage of 230.4 V that was read in the wrong word order', () => {
    const turned = encodeRegisters(230.4, { type: 'float32', words: 'low', bytes: 'high', scale: 1 });
    expect(decodeRegisters(turned, { type: 'float32', ...plain })).not.toBeCloseTo(230.4, 0);
    expect(matchingFormats(turned, 230.4)[0]).toMatchObject({
      type: 'float32',
      words: 'low',
      bytes: 'high',
      scale: 1,
    });
  });

  test('a whole number in tenths', () => {
    expect(matchingFormats([2304], 230.4)[0]).toMatchObject({ type: 'uint16', scale: 0.1 });
  });

  test('always has the true way among those that fit', () => {
    const way = fc.record<RegisterFormat>({
      type: fc.constantFrom<RegisterType>('uint16', 'int16', 'uint32', 'int32', 'float32'),
      words: fc.constantFrom('high', 'low'),
      bytes: fc.constantFrom('high', 'low'),
      scale: fc.constantFrom(1, 0.1, 0.01),
    });
    fc.assert(
      fc.property(way, fc.integer({ min: 5, max: 30000 }), (f, n) => {
        const value = n * f.scale;
        const found = matchingFormats(encodeRegisters(value, f), value);
        const same = found.some(
          (m) =>
            m.type === f.type &&
            m.bytes === f.bytes &&
            m.scale === f.scale &&
            (registersOf(f.type) === 1 || m.words === f.words),
        );
        expect(same).toBe(true);
      }),
      { numRuns: 200, seed: 3 },
    );
  });

  test('is none where nothing fits', () => {
    expect(matchingFormats([1], 999999)).toEqual([]);
  });
});

describe('an order that is hardly the right one', () => {
  const format = (type: RegisterType, words: 'high' | 'low', scale = 1): RegisterFormat => ({
    type,
    words,
    bytes: 'high',
    scale,
  });

  test('of a counter of energy is told with what the other order gives', () => {
    // 48 275.3 kWh in tenths: 482753 = 7 · 65536 + 24001, so the low register first gives 24001 · 65536 + 7.
    const registers = encodeRegisters(48275.3, format('uint32', 'low', 0.1));
    expect(registers).toEqual([24001, 7]);
    expect(decodeRegisters(registers, format('uint32', 'high', 0.1))).toBeCloseTo(157292954.3, 1);
    expect(likelierOrder(registers, format('uint32', 'high', 0.1))).toMatchObject({
      words: 'low',
      scale: 0.1,
    });
    expect(likelierOrder(registers, format('uint32', 'high', 0.1))?.value).toBeCloseTo(48275.3, 6);
    expect(likelierOrder(registers, format('uint32', 'low', 0.1))).toBeUndefined();
  });

  test('of floating point is told where only the other is a number of a plant', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 5000, noNaN: true }), (value) => {
        const registers = encodeRegisters(value, format('float32', 'high'));
        expect(likelierOrder(registers, format('float32', 'high'))).toBeUndefined();
        const doubt = likelierOrder(registers, format('float32', 'low'));
        if (doubt) expect(doubt.value).toBeCloseTo(value, 1);
      }),
      { seed: 3 },
    );
    expect(
      likelierOrder(encodeRegisters(50.01, format('float32', 'high')), format('float32', 'low'))?.value,
    ).toBeCloseTo(50.01, 4);
  });

  test('is not said of small numbers, of one register, or where both are as likely', () => {
    expect(likelierOrder([0, 5], format('uint32', 'high'))).toBeUndefined();
    expect(likelierOrder([5], format('uint16', 'high'))).toBeUndefined();
    expect(likelierOrder([300, 200], format('uint32', 'high'))).toBeUndefined();
    expect(likelierOrder([0, 0], format('float32', 'high'))).toBeUndefined();
  });
});
