import { nth, sure } from '../lists/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import fc from 'fast-check';
import { DISTANCE_SENSOR } from '../../test/description.ts';
import { JobProblem } from '../model/problem.ts';
import { channelProblems, switchedBy, teachText } from './smartSensor.ts';
import {
  decodeParameter,
  describedParameters,
  encodeParameter,
  parameterBytes,
} from './describedParameters.ts';
import { encodeRecord } from './processData.ts';
import { knownDescription } from './knownDescription.ts';
import { liveItems, portFlag, readQualifier } from './liveValue.ts';
import { portAddresses } from './portAddresses.ts';
import { readDescription } from './readDescription.ts';
import type { BusParameter } from './describedParameters.ts';
import type { DescribedRecord } from './descriptionTypes.ts';
import type { SwitchChannel } from './smartSensor.ts';

const description = readDescription(DISTANCE_SENSOR);
const parameters = describedParameters(description);
const of = (key: string): BusParameter => sure(parameters.find((p) => p.key === key));

describe('parameters of a description', () => {
  test('stand in the order of its menus, in its own words, limits and units', () => {
    expect(parameters.slice(0, 2).map(({ key, label }) => [key, label])).toEqual([
      ['v61.1', 'Output 1: Logic'],
      ['v60', 'Switching point 1'],
    ]);
    expect(of('v60')).toMatchObject({ kind: 'number', unit: 'cm', min: 3, max: 200, factory: '50' });
    expect(of('v61.1')).toMatchObject({
      kind: 'choice',
      choices: [
        { value: '0', label: 'normally open' },
        { value: '1', label: 'normally closed' },
      ],
    });
    expect(of('v24')).toMatchObject({ kind: 'text', from: 'tag', max: 32 });
    expect(of('v16').readOnly).toBe(true);
  });

  test('go to bytes and back', () => {
    expect([...encodeParameter(of('v60'), '50')]).toEqual([0x01, 0xf4]);
    expect(decodeParameter(of('v60'), Uint8Array.of(0x01, 0xf4))).toBe('50');
    expect([...encodeParameter(of('v60'), '0.5 m')]).toEqual([0x01, 0xf4]);
    expect(decodeParameter(of('v24'), new TextEncoder().encode('LT-270'))).toBe('LT-270');
    expect(parameterBytes(of('v61.2'))).toBe(1);
    expect(() => encodeParameter(of('v60'), 'much')).toThrow(JobProblem);
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 2000 }), (raw) => {
        const bytes = Uint8Array.of(raw >> 8, raw & 0xff);
        expect([...encodeParameter(of('v60'), decodeParameter(of('v60'), bytes))]).toEqual([...bytes]);
      }),
    );
  });

  test('a file is read once, and refused as often as it is asked for', () => {
    expect(knownDescription(DISTANCE_SENSOR)).toBe(knownDescription(DISTANCE_SENSOR));
    expect(refusalOf(() => knownDescription('<a/>'))).toMatch(
      'ioLink.file-begins-device-description rootName=a',
    );
    expect(refusalOf(() => knownDescription('<a/>'))).toMatch(
      'ioLink.file-begins-device-description rootName=a',
    );
  });
});

describe('a live value', () => {
  const record: DescribedRecord = {
    bitLength: 32,
    items: [
      {
        name: 'Level',
        subindex: 1,
        bitOffset: 16,
        type: { kind: 'int', bits: 16 },
        allowed: {
          values: [{ value: '-30000', name: 'sensor broken' }],
          ranges: [{ min: -100, max: 1000 }],
        },
        scale: { gradient: 0.1, offset: 5, unit: 'mm' },
      },
      {
        name: 'Q2',
        subindex: 2,
        bitOffset: 1,
        type: { kind: 'boolean' },
        allowed: { values: [], ranges: [] },
      },
      {
        name: 'Q1',
        subindex: 3,
        bitOffset: 0,
        type: { kind: 'boolean' },
        allowed: { values: [], ranges: [] },
      },
    ],
  };
  const level = (raw: number, state: Parameters<typeof liveItems>[2] = 'connected', valid = true) =>
    nth(
      liveItems(
        record,
        encodeRecord(
          record,
          new Map<string, number | boolean>([
            ['Level', raw],
            ['Q1', true],
          ]),
        ),
        state,
        valid,
      ),
      0,
    );

  test('has gradient, offset and unit', () => {
    expect(level(250)).toEqual({ name: 'Level', unit: 'mm', value: 30, text: '30' });
  });

  test.each([
    [25.7791, [0, 45], '25.779'],
    [0.0092953, [0, 45], '0.009'],
    [-0.0001, [-45, 45], '0.000'],
    [-351.432, [-500, 100], '−351.43'],
    [0.0092953, undefined, '0.0092953'],
    [-0.0092953, [-1e30, 1e30], '−0.0092953'],
  ])('floating point has the digits of its range: %s in %s', (value, range, text) => {
    const [min = 0, max = 0] = range ?? [];
    const allowed = { ranges: range ? [{ min, max }] : [], values: [] };
    const item = {
      name: 'V',
      subindex: 1,
      bitOffset: 0,
      bitLength: 32,
      type: { kind: 'float32' as const },
      allowed,
    };
    const layout = { bitLength: 32, items: [item] };
    const bytes = encodeRecord(layout, new Map([['V', value]]));
    expect(nth(liveItems(layout, bytes, 'connected', true), 0).text).toBe(text);
  });

  test.each([
    ['too far, by the profile', 32760, 'ioLink.too-far'],
    ['too near, by the profile', -32760, 'ioLink.too-near'],
    ['no signal, by the profile', 32764, 'ioLink.no-signal'],
    ['by its own words', -30000, 'sensor broken'],
    ['ioLink.above-range', 1001, 'ioLink.above-range'],
    ['ioLink.below-range', -101, 'ioLink.below-range'],
  ])('%s it has a flag and no value', (_, raw, words) => {
    const item = level(raw);
    expect(said(item.flag)).toMatch(words);
    expect(item.value).toBeUndefined();
  });

  test.each([
    ['no device', true],
    ['wrong device', true],
    ['disabled', true],
    ['no answer', true],
    ['connected', false],
  ] as const)('port %s, valid %s: never a number without its flag', (state, valid) => {
    const item = level(250, state, valid);
    expect(item.flag).toEqual(portFlag(state, valid));
    expect(item.flag).toBeDefined();
    expect(item.value).toBeUndefined();
  });

  test('the qualifier byte', () => {
    expect(readQualifier(0b10110000)).toEqual({
      valid: true,
      deviceError: false,
      connected: true,
      active: true,
    });
    expect(readQualifier(0)).toEqual({ valid: false, deviceError: false, connected: false, active: false });
  });
});

describe('addresses of ports', () => {
  const ports = [{ input: 3, output: 0 }, undefined, { input: 2, output: 2 }, { input: 1, output: 0 }];
  const first = (numbering: 'byte' | 'word' | 'register') =>
    portAddresses(ports, 65, numbering).map((port) => port && [port.firstIn, port.qualifier, port.firstOut]);

  test('by bytes follow one another, a qualifier after each', () => {
    expect(first('byte')).toEqual([
      ['%IB65', '%IB68', undefined],
      undefined,
      ['%IB69', '%IB71', '%QB65'],
      ['%IB72', '%IB73', undefined],
    ]);
  });
  test('by words and registers every port begins at a whole one', () => {
    expect(first('word')).toEqual([
      ['%IW33 high', '%IW34 low', undefined],
      undefined,
      ['%IW35 high', '%IW36 high', '%QW33 high'],
      ['%IW37 high', '%IW37 low', undefined],
    ]);
    expect(first('register')[2]).toEqual([
      'input register 35 high',
      'input register 36 high',
      'output register 33 high',
    ]);
  });
  test('never overlap', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ input: fc.nat(32), output: fc.nat(32) }), { minLength: 1, maxLength: 8 }),
        fc.nat(100),
        (list, from) => {
          const byte = (text: string): number => Number(sure(/\d+/.exec(text))[0]);
          let next = from;
          for (const port of portAddresses(list, from, 'byte')) {
            const { firstIn, qualifier } = sure(port);
            if (firstIn) expect(byte(firstIn)).toBe(next);
            next = byte(sure(qualifier)) + 1;
          }
        },
      ),
    );
  });
});

describe('a switching channel of the smart-sensor profile', () => {
  const channel = (more: Partial<SwitchChannel> = {}): SwitchChannel => ({
    sp1: 50,
    sp2: 20,
    mode: '1',
    turned: false,
    hysteresis: 5,
    ...more,
  });
  const up = [10, 30, 49, 50, 46, 45, 44, 30];

  test.each<[string, Partial<SwitchChannel>, number[], string]>([
    ['single point', {}, up, '00011100'],
    ['turned', { turned: true }, up, '11100011'],
    ['two points', { mode: '3' }, [10, 30, 50, 30, 20, 19, 30], '0011100'],
    ['window', { mode: '2' }, [10, 20, 50, 55, 56, 52, 50, 15, 14], '011100110'],
    ['off', { mode: '0', turned: true }, up, '00000000'],
  ])('%s', (_, more, values, expected) => {
    expect(switchedBy(channel(more), values).map(Number).join('')).toBe(expected);
  });

  test('what cannot be together is refused', () => {
    expect(said(channelProblems(channel({ mode: '2', sp2: 50 }))[0])).toMatch(
      'ioLink.sp1-sp2-both-needs sp1=50 switchMode=window',
    );
    expect(said(channelProblems(channel({ mode: '2', hysteresis: 40 }))[0])).toMatch(
      'ioLink.hysteresis-wider-window-never hysteresis=40 sp1=50 sp2=20',
    );
    expect(() => switchedBy(channel({ hysteresis: -1 }), [1])).toThrow(JobProblem);
    expect(said(teachText(0x07))).toMatch('ioLink.failed-old-values-stay');
    expect(said(teachText(0x11))).toBe('SP1 taken');
  });

  test('within its hysteresis it never chatters', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 45.01, max: 49.99, noNaN: true }), { minLength: 2, maxLength: 30 }),
        (values) => {
          expect(new Set(switchedBy(channel(), [60, ...values])).size).toBe(1);
        },
      ),
    );
  });
});
