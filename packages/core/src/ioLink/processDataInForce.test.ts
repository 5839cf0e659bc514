import { nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { TWO_MODES } from '../../test/description.ts';
import { decodeParameter, encodeParameter } from './describedParameters.ts';
import { knownDescription } from './knownDescription.ts';
import { liveItems } from './liveValue.ts';
import { decodeRecord } from './processData.ts';
import { processDataInForce } from './processDataInForce.ts';
import { instantOf, rawInstant, rawSpan, spanOf } from './timeTypes.ts';

const known = knownDescription(TWO_MODES);
const parameter = (key: string) => sure(known.parameters.find((p) => p.key === key));

describe('process data that hangs on a parameter', () => {
  test('is the one whose condition the parameter meets', () => {
    expect(processDataInForce(known, () => '0').data?.id).toBe('P0');
    expect(processDataInForce(known, (key) => (key === 'v70' ? '1' : undefined)).data?.id).toBe('P1');
  });

  test('is not guessed while nobody knows the parameter, nor where the file says nothing of its value', () => {
    const unread = processDataInForce(known, () => undefined);
    expect('unknown' in unread && said(unread.unknown)).toBe(
      'ioLink.condition-unread parameter=What it sends',
    );
    const none = processDataInForce(known, () => '7');
    expect('unknown' in none && said(none.unknown)).toBe(
      'ioLink.condition-none parameter=What it sends value=7',
    );
  });
});

describe('the whole of a simple type, and an array', () => {
  const live = (id: string, bytes: number[]) => {
    const data = known.description.processData.find((p) => p.id === id);
    return liveItems(sure(data?.input), Uint8Array.from(bytes), 'connected', true);
  };

  test('take gradient and unit from the information on the process data', () => {
    // 25 as a 32-bit float, times 0.06.
    expect(live('P0', [0x41, 0xc8, 0, 0])).toMatchObject([
      { name: 'Flow', text: '1.500', unit: 'm³/h', value: 1.5 },
    ]);
  });

  test('come apart with the first element highest', () => {
    expect(live('P1', [1, 2, 0xff, 4]).map(({ name, value }) => [name, value])).toEqual([
      ['Zone 1', 0.5],
      ['Zone 2', 1],
      ['Zone 3', -0.5],
      ['Zone 4', 2],
    ]);
  });

  test('as in the example of the standard: five elements of three bits, the first at offset 12', () => {
    const { type } = sure(known.description.variables.find(({ id }) => id === 'V_Limits'));
    if (type.kind !== 'record') throw new Error('no array');
    expect(type.items.map(({ subindex, bitOffset }) => [subindex, bitOffset])).toEqual([
      [1, 12],
      [2, 9],
      [3, 6],
      [4, 3],
      [5, 0],
    ]);
    // 010 110 100 111 101
    expect([...decodeRecord(type, Uint8Array.of(0b0010_1101, 0b0011_1101)).values()]).toEqual([
      2, 6, 4, 7, 5,
    ]);
  });
});

describe('names of values', () => {
  const item = { name: 'State', subindex: 1, bitOffset: 0, type: { kind: 'uint', bits: 8 } as const };
  const live = (
    values: { value: string; name: string }[],
    ranges: { min: number; max: number }[],
    raw: number,
  ) =>
    nth(
      liveItems(
        { bitLength: 8, items: [{ ...item, allowed: { values, ranges } }] },
        Uint8Array.of(raw),
        'connected',
        true,
      ),
      0,
    );
  const names = [
    { value: '0', name: 'idle' },
    { value: '2', name: 'dosing' },
  ];

  test('stand for the number where the list is all there is; what is not in it is flagged', () => {
    expect(live(names, [], 2)).toMatchObject({ text: 'dosing' });
    expect(said(live(names, [], 1).flag)).toBe('ioLink.value-of-none');
  });

  test('stand beside it within a range, and in its place beyond', () => {
    expect(live(names, [{ min: 0, max: 10 }], 2)).toMatchObject({ text: '2', meaning: 'dosing' });
    expect(live([{ value: '255', name: 'no echo' }], [{ min: 0, max: 10 }], 255)).toMatchObject({
      flag: 'no echo',
    });
  });

  test('of a switching bit are the device’s own', () => {
    const allowed = {
      values: [
        { value: 'true', name: 'present' },
        { value: 'false', name: 'away' },
      ],
      ranges: [],
    };
    const bit = { ...item, type: { kind: 'boolean' } as const, allowed };
    const show = (byte: number) =>
      nth(liveItems({ bitLength: 8, items: [bit] }, Uint8Array.of(byte), 'connected', true), 0);
    expect(show(1)).toMatchObject({ on: true, text: 'present' });
    expect(show(0)).toMatchObject({ on: false, text: 'away' });
  });
});

describe('points and spans of time', () => {
  test('by the marks of RFC 5905 and of the change of era', () => {
    // 1 January 1999 and 1 January 2000 (RFC 5905, figure 4); 1984 and 2036 as the standard counts them.
    expect(instantOf(3_124_137_600n << 32n)).toBe('1999-01-01T00:00:00.000Z');
    expect(instantOf(3_155_673_600n << 32n)).toBe('2000-01-01T00:00:00.000Z');
    expect(instantOf(0x9dff4400n << 32n)).toBe('1984-01-01T00:00:00.000Z');
    expect(instantOf(0n)).toBe('2036-02-07T06:28:16.000Z');
    expect(instantOf((3_155_673_600n << 32n) | 0x80000000n)).toBe('2000-01-01T00:00:00.500Z');
  });

  test('go there and back to the millisecond, over both eras', () => {
    for (let ms = Date.UTC(1984, 0, 1); ms < Date.UTC(2120, 0, 1); ms += 86_400_000 * 97 + 12_345_677) {
      const text = new Date(ms).toISOString();
      expect(instantOf(sure(rawInstant(text)))).toBe(text);
    }
    expect(rawInstant('1983-12-31T23:59:59Z')).toBeUndefined();
    expect(rawInstant('2121-01-01')).toBeUndefined();
    expect(rawInstant('soon')).toBeUndefined();
  });

  test('of a parameter are read and written in words and seconds', () => {
    const since = parameter('v72');
    expect(decodeParameter(since, encodeParameter(since, '2026-03-01T08:00:00Z'))).toBe(
      '2026-03-01T08:00:00.000Z',
    );
    const run = parameter('v73');
    expect(run).toMatchObject({ kind: 'number', unit: 's' });
    expect([...encodeParameter(run, '1.5 min')]).toEqual([0, 0, 0, 90, 0, 0, 0, 0]);
    expect(decodeParameter(run, Uint8Array.of(255, 255, 255, 255, 128, 0, 0, 0))).toBe('-0.5');
    expect(spanOf(sure(rawSpan(-12.25)))).toBe(-12.25);
    expect(() => encodeParameter(since, 'soon')).toThrow();
  });
});

test('what is not understood is named', () => {
  expect(known.description.unread.map(said)).toEqual([
    'ioLink.standard-variable-unread id=V_OperatingHours',
    'ioLink.unit-unread code=9999',
  ]);
});
