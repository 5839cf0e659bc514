import { lastOf } from '../../lists/index.ts';
import { textOf } from '../../messages/index.ts';
import { refusalOf } from '../../../test/said.ts';
import fc from 'fast-check';
import { readRtuFrame, rtuFrame, takeTcpFrame, tcpFrame } from './frames.ts';
import {
  answerRequest,
  EXCEPTIONS,
  readRegistersAnswer,
  readRegistersRequest,
  UnitException,
  writeRegistersRequest,
} from './pdu.ts';
import type { UnitMemory } from './pdu.ts';

/** A unit with holding registers 0 to 199, ten input registers, and twenty coils. */
function unit(): UnitMemory & { readonly holding: number[] } {
  const holding = Array.from({ length: 200 }, (_, i) => i);
  const coils = Array.from({ length: 20 }, (_, i) => i % 3 === 0);
  return {
    holding,
    bit: (kind, address) => (kind === 'coil' ? coils[address] : undefined),
    register: (kind, address) =>
      kind === 'holding' ? holding[address] : address < 10 ? 1000 + address : undefined,
    writeBit: (address, value) => address < coils.length && ((coils[address] = value), true),
    writeRegister: (address, value) => address < holding.length && ((holding[address] = value), true),
  };
}
const bytes = (text: string): Uint8Array =>
  Uint8Array.from(text.split(' ').map((byte) => parseInt(byte, 16)));
const hex = (data: Uint8Array): string =>
  [...data].map((byte) => byte.toString(16).padStart(2, '0')).join(' ');
const asked = (request: string): string => hex(answerRequest(bytes(request), unit()));

describe('a unit answers byte for byte', () => {
  test.each([
    ['three holding registers', '03 00 6b 00 03', '03 06 00 6b 00 6c 00 6d'],
    ['an input register', '04 00 08 00 01', '04 02 03 f0'],
    ['ten coils, the lowest bit first', '01 00 00 00 0a', '01 02 49 02'],
    ['one coil on', '05 00 03 ff 00', '05 00 03 ff 00'],
    ['one register', '06 00 01 00 03', '06 00 01 00 03'],
    ['two registers', '10 00 01 00 02 04 00 0a 01 02', '10 00 01 00 02'],
    ['nine coils', '0f 00 00 00 09 02 cd 01', '0f 00 00 00 09'],
  ])('%s', (_, request, answer) => {
    expect(asked(request)).toBe(answer);
  });

  test.each([
    ['an unknown function', '2b 0e 01 00', 'ab 01'],
    ['a register that it lacks', '03 00 c7 00 02', '83 02'],
    ['beyond the last address', '03 ff ff 00 02', '83 02'],
    ['no register', '03 00 00 00 00', '83 03'],
    ['more than a request reads', '03 00 00 00 7e', '83 03'],
    ['a coil value that is none', '05 00 03 00 01', '85 03'],
    ['a write of registers that it lacks', '10 00 c7 00 02 04 00 01 00 02', '90 02'],
    ['a count that does not fit the bytes', '10 00 01 00 02 03 00 0a 01', '90 03'],
    ['a torn request', '03 00', '83 03'],
    ['inputs that it lacks', '02 00 00 00 01', '82 02'],
  ])('%s is the protocol’s own exception', (_, request, answer) => {
    expect(asked(request)).toBe(answer);
  });

  test('a write of several is whole or not at all', () => {
    const memory = unit();
    answerRequest(bytes('10 00 c6 00 03 06 00 01 00 02 00 03'), memory);
    expect(memory.holding[198]).toBe(198);
  });
});

describe('a client and a unit', () => {
  test('what is written is read back, whatever it was', () => {
    const values = fc.array(fc.integer({ min: 0, max: 0xffff }), { minLength: 1, maxLength: 100 });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100 }), values, (first, written) => {
        const memory = unit();
        const done = answerRequest(writeRegistersRequest(first, written), memory);
        expect(done[0]).toBe(16);
        const request = readRegistersRequest('holding', first, written.length);
        expect(readRegistersAnswer(request, answerRequest(request, memory))).toEqual(written);
      }),
      { numRuns: 200, seed: 4 },
    );
  });

  test('an exception is told in words, a foreign answer refused', () => {
    const request = readRegistersRequest('holding', 300, 1);
    const failed = (): number[] => readRegistersAnswer(request, answerRequest(request, unit()));
    expect(failed).toThrow(UnitException);
    expect(failed).toThrow(textOf(EXCEPTIONS[2]));
    expect(refusalOf(() => readRegistersAnswer(request, bytes('03 04 00 01 00 02')))).toMatch(
      'fieldbus.answer-does-belong-what',
    );
  });

  test.each([
    [() => readRegistersRequest('holding', -1, 1), 'fieldbus.registers-numbered-0-65535'],
    [() => readRegistersRequest('input', 0, 126), 'fieldbus.request-reads-1-registers readRegisters=125'],
    [() => writeRegistersRequest(0, []), 'fieldbus.request-writes-1-registers writeRegisters=123'],
    [() => writeRegistersRequest(0, [70000]), 'fieldbus.register-holds-0-65535 wrong=70000'],
  ])('%s cannot be asked', (ask, words) => {
    expect(refusalOf(ask)).toMatch(words);
  });
});

describe('frames', () => {
  const frame = fc.record({
    unit: fc.integer({ min: 1, max: 247 }),
    transaction: fc.integer({ min: 0, max: 0xffff }),
    pdu: fc.uint8Array({ minLength: 1, maxLength: 253 }),
  });

  test('over TCP come whole, however the stream is cut', () => {
    fc.assert(
      fc.property(fc.array(frame, { minLength: 1, maxLength: 4 }), fc.nat(), (frames, cut) => {
        const stream = Uint8Array.from(frames.flatMap((f) => [...tcpFrame(f)]));
        const at = cut % (stream.length + 1);
        const got: unknown[] = [];
        let kept = new Uint8Array();
        for (const piece of [stream.slice(0, at), stream.slice(at)]) {
          kept = Uint8Array.from([...kept, ...piece]);
          for (let taken = takeTcpFrame(kept); taken && taken !== 'broken'; taken = takeTcpFrame(kept)) {
            got.push(taken.frame);
            kept = Uint8Array.from(taken.rest);
          }
        }
        expect(got).toEqual(frames);
        expect(kept).toHaveLength(0);
      }),
      { numRuns: 150, seed: 8 },
    );
  });

  test('over TCP that cannot begin so are broken', () => {
    expect(takeTcpFrame(bytes('00 01 00 07 00 06 01 03'))).toBe('broken');
    expect(takeTcpFrame(bytes('00 01 00 00 00 01 01 03'))).toBe('broken');
    expect(takeTcpFrame(bytes('00 01 00 00 ff ff 01 03'))).toBe('broken');
    expect(takeTcpFrame(bytes('00 01 00'))).toBeUndefined();
  });

  test('in RTU framing come back, and not with a wrong check sum', () => {
    fc.assert(
      fc.property(frame, ({ unit: to, pdu }) => {
        const sent = rtuFrame({ unit: to, pdu });
        expect(readRtuFrame(sent)).toEqual({ unit: to, pdu });
        sent[sent.length - 1] = lastOf(sent) ^ 1;
        expect(readRtuFrame(sent)).toBeUndefined();
      }),
    );
  });
});
