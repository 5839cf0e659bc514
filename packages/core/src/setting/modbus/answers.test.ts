import fc from 'fast-check';
import { nth, sure } from '../../lists/index.ts';
import { AnswerReader } from './answers.ts';
import type { Arrived } from './answers.ts';
import { rtuFrame, tcpFrame } from './frames.ts';
import { answerRequest, readRegistersAnswer, readRegistersRequest, writeRegistersRequest } from './pdu.ts';

const MEMORY = {
  bit: () => false,
  register: (_: string, address: number) => (address * 7) & 0xffff,
  writeBit: () => true,
  writeRegister: () => true,
};
const UNIT = 17;
const REQUEST = readRegistersRequest('holding', 40, 6);
const ANSWER = answerRequest(REQUEST, MEMORY);
const VALUES = [40, 41, 42, 43, 44, 45].map((address) => address * 7);

type Framing = 'tcp' | 'rtu';
const framed = (framing: Framing, unit: number, pdu: Uint8Array, transaction = 5): Uint8Array =>
  framing === 'tcp' ? tcpFrame({ unit, pdu, transaction }) : rtuFrame({ unit, pdu });
const reader = (framing: Framing, pdu = REQUEST): AnswerReader =>
  new AnswerReader({ unit: UNIT, pdu, transaction: 5 }, framing, framed(framing, UNIT, pdu));

/** What comes of bytes that arrive in pieces of some lengths. */
function arriving(
  from: AnswerReader,
  bytes: Uint8Array,
  pieces: readonly number[] = [bytes.length],
): Arrived {
  let at = 0;
  for (let i = 0; at < bytes.length; i++) {
    const length = Math.max(1, pieces[i % pieces.length] ?? 1);
    const arrived = from.take(bytes.slice(at, at + length));
    if (arrived.kind !== 'waiting') return arrived;
    at += length;
  }
  return { kind: 'waiting' };
}
const joined = (...parts: readonly Uint8Array[]): Uint8Array =>
  Uint8Array.from(parts.flatMap((part) => [...part]));
const valuesOf = (arrived: Arrived): number[] | string =>
  arrived.kind === 'answer' ? readRegistersAnswer(REQUEST, arrived.pdu) : arrived.kind;

const BOTH = ['tcp', 'rtu'] as const;
const PIECES = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 12 });

describe.each(BOTH)('in %s frames', (framing) => {
  const right = framed(framing, UNIT, ANSWER);

  test('the answer is taken, in whatever pieces it comes', () =>
    fc.assert(
      fc.property(PIECES, (pieces) =>
        expect(valuesOf(arriving(reader(framing), right, pieces))).toEqual(VALUES),
      ),
    ));

  // Everything that may stand before it on a shared line, and must never be taken for it.
  const FOREIGN: readonly (readonly [string, Uint8Array])[] = [
    ['of another unit', framed(framing, UNIT + 1, ANSWER)],
    ['of another unit, the same but for its number', framed(framing, 1, ANSWER)],
    [
      'to another function',
      framed(framing, UNIT, answerRequest(readRegistersRequest('input', 40, 6), MEMORY)),
    ],
    [
      'with another count',
      framed(framing, UNIT, answerRequest(readRegistersRequest('holding', 40, 5), MEMORY)),
    ],
    ['to a write', framed(framing, UNIT, answerRequest(writeRegistersRequest(40, [1]), MEMORY))],
    ['an exception of another function', framed(framing, UNIT, Uint8Array.of(0x84, 2))],
    ...(framing === 'tcp'
      ? [['of a request before, too late', framed(framing, UNIT, ANSWER, 4)] as const]
      : []),
  ];

  test.each(FOREIGN)('an answer %s is passed over, and the right one after it taken', (_, other) => {
    expect(arriving(reader(framing), other)).toEqual({ kind: 'waiting' });
    expect(valuesOf(arriving(reader(framing), joined(other, other, right)))).toEqual(VALUES);
  });

  test('a mixture of all of these, in any order and any pieces, gives the right answer or none', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...FOREIGN.map(([, bytes]) => bytes)), { maxLength: 8 }),
        PIECES,
        (others, pieces) => {
          expect(valuesOf(arriving(reader(framing), joined(...others, right), pieces))).toEqual(VALUES);
          expect(arriving(reader(framing), joined(...others), pieces).kind).toBe('waiting');
        },
      ),
    ));

  test('an exception of the right unit and function is the answer', () => {
    const arrived = arriving(reader(framing), framed(framing, UNIT, Uint8Array.of(0x83, 2)));
    expect(() => valuesOf(arrived)).toThrow();
  });

  test('the answer to a write repeats its address and count, or is none', () => {
    const write = writeRegistersRequest(40, [1, 2]);
    const answer = answerRequest(write, MEMORY);
    expect(arriving(reader(framing, write), framed(framing, UNIT, answer)).kind).toBe('answer');
    const other = answerRequest(writeRegistersRequest(41, [1, 2]), MEMORY);
    expect(arriving(reader(framing, write), framed(framing, UNIT, other)).kind).toBe('waiting');
  });

  test('a flood of foreign frames comes to an end, whatever its length', () => {
    const flood = framed(framing, UNIT + 1, ANSWER);
    const one = reader(framing);
    let arrived: Arrived = { kind: 'waiting' };
    const chunk = joined(...Array.from({ length: 100 }, () => flood));
    for (let i = 0; i < 1000 && arrived.kind === 'waiting'; i++) arrived = one.take(chunk);
    expect(arrived.kind).toBe('broken');
    // Half a million bytes at once, too.
    const whole = new Uint8Array(500_000);
    for (let at = 0; at + flood.length < whole.length; at += flood.length) whole.set(flood, at);
    expect(reader(framing).take(whole).kind).toBe('broken');
  });

  test('of a flood of no frames at all only the beginning is looked at', () => {
    const flood = Uint8Array.from({ length: 500_000 }, (_, i) => (i % 2 ? 0xff : 0xfe));
    const atOnce = reader(framing);
    expect(atOnce.take(flood).kind).toBe('broken');
    expect(atOnce.besides.noise).toBeLessThanOrEqual(4096);
    // A little at a time, it is given up as well.
    const slowly = reader(framing);
    expect(arriving(slowly, flood, [100]).kind).toBe('broken');
    expect(slowly.besides.noise).toBeLessThanOrEqual(2 * 4096);
  });

  test('whatever bytes come, in any pieces, it neither fails nor takes what was not said', () =>
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 600 }), PIECES, (bytes, pieces) => {
        expect(['waiting', 'broken']).toContain(arriving(reader(framing), bytes, pieces).kind);
      }),
    ));
});

describe('on a serial line', () => {
  const right = rtuFrame({ unit: UNIT, pdu: ANSWER });

  test('the echo of the request is told apart, and the answer after it taken', () => {
    const echo = rtuFrame({ unit: UNIT, pdu: REQUEST });
    const one = reader('rtu');
    expect(arriving(one, echo)).toEqual({ kind: 'waiting' });
    expect(one.besides).toMatchObject({ echo: true, badSum: false, noise: 0, others: [] });
    expect(valuesOf(arriving(reader('rtu'), joined(echo, right), [3]))).toEqual(VALUES);
  });

  test('an answer with a bit turned is not taken, and told as one whose check sum does not fit', () => {
    for (let bit = 8 * 3; bit < 8 * right.length; bit++) {
      const turned = Uint8Array.from(right);
      turned[bit >> 3] = nth(turned, bit >> 3) ^ (1 << (bit & 7));
      const one = reader('rtu');
      expect(arriving(one, turned).kind).toBe('waiting');
      expect(one.besides.badSum).toBe(true);
    }
  });

  test('noise before the answer does not hide it, even where it begins like a longer frame', () => {
    for (const noise of [[0], [0xff, 0x00, 0x7f], [5, 3, 200, 1], [UNIT, 3, 100], [UNIT, 0x83]]) {
      const one = reader('rtu');
      expect(valuesOf(arriving(one, joined(Uint8Array.from(noise), right)))).toEqual(VALUES);
    }
  });

  test('bytes that are no frame are counted, and units that answer others are named', () => {
    const noisy = reader('rtu');
    arriving(
      noisy,
      Uint8Array.from({ length: 30 }, (_, i) => 200 + i),
    );
    expect(noisy.besides.noise).toBe(30);
    const others = reader('rtu');
    arriving(others, joined(rtuFrame({ unit: 3, pdu: ANSWER }), rtuFrame({ unit: 9, pdu: ANSWER })));
    expect(others.besides.others).toEqual([3, 9]);
    expect(sure(others.besides.others[0])).toBe(3);
  });
});
