import { refusalOf, said } from '../../test/said.ts';
import fc from 'fast-check';
import { bitsOf, decodeRecord, encodeRecord, layoutProblems, scaled, unscaled } from './processData.ts';
import type { ItemValue, RecordItem, RecordLayout, SimpleType } from './processData.ts';

const bytes = (text: string): Uint8Array =>
  Uint8Array.from(text.split(' ').map((byte) => parseInt(byte, 16)));
const hex = (data: Uint8Array): string =>
  [...data].map((byte) => byte.toString(16).padStart(2, '0')).join(' ');

/** A distance of 12 bits in front, two switching bits behind: as many measuring sensors lay it. */
const DISTANCE: RecordLayout = {
  bitLength: 16,
  items: [
    { name: 'distance', bitOffset: 4, type: { kind: 'uint', bits: 12 } },
    { name: 'out2', bitOffset: 1, type: { kind: 'boolean' } },
    { name: 'out1', bitOffset: 0, type: { kind: 'boolean' } },
  ],
};

describe('by hand', () => {
  test('a value of 12 bits crosses the byte, the switching bits stand last', () => {
    // 0x7D1: 0111 1101 0001, then 00, then out2 0, out1 1.
    const record = decodeRecord(DISTANCE, bytes('7d 11'));
    expect(Object.fromEntries(record)).toEqual({ distance: 0x7d1, out2: false, out1: true });
    expect(hex(encodeRecord(DISTANCE, record))).toBe('7d 11');
  });

  test.each<[SimpleType, number, string, ItemValue]>([
    [{ kind: 'int', bits: 12 }, 12, '0f ff', -1],
    [{ kind: 'int', bits: 12 }, 12, '08 00', -2048],
    [{ kind: 'int', bits: 16 }, 16, 'ff 38', -200],
    [{ kind: 'uint', bits: 16 }, 16, 'ff 38', 65336],
    [{ kind: 'float32' }, 32, '41 c8 00 00', 25],
    [{ kind: 'float32' }, 32, 'bf 80 00 00', -1],
    // The first of an array stands highest.
    [{ kind: 'booleans', count: 8 }, 8, '05', [false, false, false, false, false, true, false, true]],
    [{ kind: 'octets', bytes: 2 }, 16, '01 fe', Uint8Array.of(1, 254)],
    [{ kind: 'string', bytes: 4 }, 32, '61 62 00 00', 'ab'],
    [{ kind: 'uint', bits: 64 }, 64, 'ff ff ff ff ff ff ff ff', 0xffffffffffffffffn],
  ])('%j from %i bits %s', (type, bitLength, sent, value) => {
    const layout = { bitLength, items: [{ name: 'v', bitOffset: 0, type }] };
    expect(decodeRecord(layout, bytes(sent)).get('v')).toEqual(value);
    expect(hex(encodeRecord(layout, new Map([['v', value]])))).toBe(sent);
  });

  test('a value with gradient and offset', () => {
    const scale = { gradient: 0.1, offset: -40, unit: '°C' };
    expect(scaled(653, scale)).toBeCloseTo(25.3, 9);
    expect(unscaled(25.3, scale)).toBe(653);
    expect(refusalOf(() => unscaled(1, { ...scale, gradient: 0 }))).toMatch('ioLink.gradient-0');
  });
});

describe('what is refused', () => {
  test('too few and too many bytes, with what is right', () => {
    expect(refusalOf(() => decodeRecord(DISTANCE, bytes('7d')))).toMatch(
      'ioLink.these-bytes-record-bits bytes=1 bitLength=16 bytesFor=2',
    );
    expect(refusalOf(() => decodeRecord(DISTANCE, bytes('7d 11 00')))).toMatch(
      'ioLink.these-bytes-record-bits bytes=3 bitLength=16 bytesFor=2',
    );
  });

  test.each<[SimpleType, ItemValue, string]>([
    [{ kind: 'uint', bits: 12 }, 4096, 'ioLink.cannot-be'],
    [{ kind: 'uint', bits: 12 }, -1, 'ioLink.cannot-be'],
    [{ kind: 'int', bits: 8 }, 128, 'ioLink.cannot-be'],
    [{ kind: 'int', bits: 8 }, 1.5, 'ioLink.cannot-be'],
    [{ kind: 'boolean' }, 1, 'ioLink.cannot-be'],
    [{ kind: 'float32' }, 'warm', 'ioLink.cannot-be name=v string=warm allowed=(ioLink.it-is-a-number)'],
    [
      { kind: 'string', bytes: 2 },
      'abc',
      'ioLink.cannot-be name=v string=abc allowed=(ioLink.most-bytes-fit bytes=2)',
    ],
    [
      { kind: 'booleans', count: 3 },
      [true],
      'ioLink.cannot-be name=v string=true allowed=(ioLink.times-true-false count=3)',
    ],
  ])('%j of %j', (type, value, words) => {
    const layout = { bitLength: 64, items: [{ name: 'v', bitOffset: 0, type }] };
    expect(refusalOf(() => encodeRecord(layout, new Map([['v', value]])))).toMatch(words);
  });

  test('layouts that cannot be, each fault in a sentence', () => {
    const item = (name: string, bitOffset: number, type: SimpleType): RecordItem => ({
      name,
      bitOffset,
      type,
    });
    const faults = layoutProblems({
      bitLength: 16,
      items: [
        item('a', 0, { kind: 'uint', bits: 8 }),
        item('b', 7, { kind: 'boolean' }),
        item('c', 12, { kind: 'uint', bits: 8 }),
        item('d', 0, { kind: 'uint', bits: 65 }),
      ],
    });
    expect(faults.map(said)).toEqual([
      'ioLink.lies-over name=b taken=a',
      'ioLink.lies-bits-beyond-record name=c bitOffset=12 bits=8 bitLength=16',
      'ioLink.bits-allowed name=d bits=65 min=2 max=64',
    ]);
    expect(layoutProblems(DISTANCE).map(said)).toEqual([]);
    expect(said(layoutProblems({ bitLength: 300, items: [] })[0])).toMatch(
      'ioLink.record-0-256-bits bitLength=300',
    );
  });
});

/** A random type with a value of it. */
const typed: fc.Arbitrary<{ type: SimpleType; value: ItemValue }> = fc.oneof(
  fc.boolean().map((value) => ({ type: { kind: 'boolean' } as const, value })),
  fc
    .integer({ min: 2, max: 53 })
    .chain((bits) =>
      fc
        .bigInt({ min: 0n, max: (1n << BigInt(bits)) - 1n })
        .map((value) => ({ type: { kind: 'uint', bits } as const, value: Number(value) })),
    ),
  fc
    .integer({ min: 2, max: 53 })
    .chain((bits) =>
      fc
        .bigInt({ min: -(1n << BigInt(bits - 1)), max: (1n << BigInt(bits - 1)) - 1n })
        .map((value) => ({ type: { kind: 'int', bits } as const, value: Number(value) })),
    ),
  fc
    .float({ noNaN: true })
    .filter((value) => !Object.is(value, -0))
    .map((value) => ({ type: { kind: 'float32' } as const, value })),
  fc
    .array(fc.boolean(), { minLength: 1, maxLength: 12 })
    .map((value) => ({ type: { kind: 'booleans', count: value.length } as const, value })),
  fc
    .uint8Array({ minLength: 1, maxLength: 6 })
    .map((value) => ({ type: { kind: 'octets', bytes: value.length } as const, value })),
);

/** Items laid one after another with random gaps, from the last bit up. */
const laid = fc
  .array(fc.tuple(typed, fc.integer({ min: 0, max: 5 })), { minLength: 1, maxLength: 5 })
  .map((rows) => {
    const items: RecordItem[] = [];
    const values = new Map<string, ItemValue>();
    let at = 0;
    rows.forEach(([{ type, value }, gap], i) => {
      at += gap;
      items.push({ name: `i${i}`, bitOffset: at, type });
      values.set(`i${i}`, value);
      at += bitsOf(type);
    });
    return { layout: { bitLength: at, items }, values };
  })
  .filter(({ layout }) => layout.bitLength <= 256);

test('whatever is put together comes apart the same, and the layout is sound', () => {
  fc.assert(
    fc.property(laid, ({ layout, values }) => {
      expect(layoutProblems(layout).map(said)).toEqual([]);
      expect(decodeRecord(layout, encodeRecord(layout, values))).toEqual(values);
    }),
    { numRuns: 500, seed: 11 },
  );
});

test('whatever is sent comes apart and goes together again, bit for bit, where items cover all', () => {
  const covering: RecordLayout = {
    bitLength: 40,
    items: [
      { name: 'a', bitOffset: 0, type: { kind: 'uint', bits: 3 } },
      { name: 'b', bitOffset: 3, type: { kind: 'int', bits: 13 } },
      { name: 'c', bitOffset: 16, type: { kind: 'booleans', count: 5 } },
      { name: 'd', bitOffset: 21, type: { kind: 'octets', bytes: 2 } },
      { name: 'e', bitOffset: 37, type: { kind: 'uint', bits: 3 } },
    ],
  };
  fc.assert(
    fc.property(fc.uint8Array({ minLength: 5, maxLength: 5 }), (sent) => {
      expect(hex(encodeRecord(covering, decodeRecord(covering, sent)))).toBe(hex(sent));
    }),
    { numRuns: 500, seed: 12 },
  );
});
