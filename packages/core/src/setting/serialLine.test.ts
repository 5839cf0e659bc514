import { nth, sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import fc from 'fast-check';
import {
  byteSeconds,
  gapSeconds,
  longestLine,
  pollSeconds,
  serialFaults,
  voltsAtRest,
} from './serialLine.ts';
import type { LineUnit, SerialLine } from './serialLine.ts';

const unit = (tag: string, more: Partial<LineUnit> = {}): LineUnit => ({
  tag,
  unit: Number(tag.replace(/\D/g, '')) || undefined,
  baud: 19200,
  parity: 'even',
  stopBits: 1,
  plusName: '+',
  terminated: false,
  unitLoad: 1,
  fromLastM: 20,
  registers: 10,
  ...more,
});
const line = (more: Partial<SerialLine> = {}, ...units: LineUnit[]): SerialLine => ({
  units: [unit('MASTER', { terminated: true }), ...units, unit('PM9', { terminated: true })],
  bias: { at: 'MASTER', ohms: 390, volts: 5 },
  mm2: 0.25,
  ...more,
});
const faults = (l: SerialLine): string[] =>
  serialFaults(l)
    .map(({ sentence }) => sentence)
    .map(said);

test('a line in order has nothing against it', () => {
  expect(faults(line({}, unit('PM1'), unit('PM2')))).toEqual([]);
});

describe('what is wrong is named with whom it concerns', () => {
  test.each<[string, LineUnit, string]>([
    [
      'a number used twice',
      unit('PM9B', { unit: 9 }),
      'fieldbus.same-unit-number before=PM9B tag=PM9 unit=9',
    ],
    ['a number out of range', unit('PM1', { unit: 248 }), 'fieldbus.unit-number-1-247 tag=PM1 unit=248'],
    [
      'another baud',
      unit('PM1', { baud: 9600 }),
      'fieldbus.set-others unit=PM1 words=(fieldbus.baud baud=9600) main=(fieldbus.baud baud=19200)',
    ],
    ['another frame', unit('PM1', { parity: 'none', stopBits: 2 }), 'fieldbus.set-others'],
    [
      'a terminator in the middle',
      unit('PM1', { terminated: true }),
      'fieldbus.end-line-switch-terminator-off tag=PM1',
    ],
    [
      'too many receivers',
      unit('PM1', { unitLoad: 31 }),
      'fieldbus.receivers-unit-loads-together loads=33 maxUnitLoads=32',
    ],
    [
      'too long a line',
      unit('PM1', { fromLastM: 1300 }),
      'fieldbus.line-m-long-baud metres=1320 baud=19200 longest=1200',
    ],
  ])('%s', (_, wrong, words) => {
    expect(faults(line({}, wrong)).join(' ')).toMatch(words);
  });

  test('an end without its terminator', () => {
    const { units, ...rest } = line({}, unit('PM1'));
    const open = { ...rest, units: units.map((u) => (u.tag === 'PM9' ? { ...u, terminated: false } : u)) };
    expect(faults(open)).toEqual(['fieldbus.end-line-switch-terminator tag=PM9']);
  });

  test('terminators without bias, and a bias that is too weak', () => {
    expect(faults(line({ bias: undefined })).join()).toMatch('fieldbus.nothing-holds-line-rest');
    expect(faults(line({ bias: { at: 'MASTER', ohms: 2200, volts: 5 } })).join()).toMatch(
      'fieldbus.rest-v-stand-between min=0.0658215 tag=PM9 minLineVolts=0.2',
    );
  });
});

describe('the line at rest', () => {
  test('by hand: two terminators between two bias resistors, no cable to speak of', () => {
    const short = line({}, ...[]);
    const bare: SerialLine = {
      ...short,
      units: short.units.map((u) => ({ ...u, unitLoad: 0, fromLastM: 0 })),
    };
    // 60 Ω of 840 Ω at 5 V.
    for (const volts of voltsAtRest(bare).values()) expect(volts).toBeCloseTo((5 * 60) / 840, 4);
  });

  test('falls along the cable from the bias, and with every receiver', () => {
    const far = line({}, unit('PM1', { fromLastM: 600 }));
    const volts = [...voltsAtRest(far).values()];
    expect(volts[0]).toBeGreaterThan(nth(volts, 1));
    expect(volts[1]).toBeGreaterThan(nth(volts, 2));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 25 }), (n) => {
        const many = (k: number) =>
          line({}, ...Array.from({ length: k }, (_, i) => unit(`PM${100 + i}`, { fromLastM: 1 })));
        const at = (k: number) => sure(voltsAtRest(many(k)).get('PM9'));
        expect(at(n)).toBeLessThan(at(n - 1));
      }),
      { numRuns: 12, seed: 1 },
    );
  });
});

describe('time', () => {
  test('of a byte and a gap by hand', () => {
    // 11 bits at 19200 baud are 0.573 ms, 3.5 of them 2.005 ms; above that baud the gap is fixed.
    expect(byteSeconds(unit('A')) * 1000).toBeCloseTo(0.573, 3);
    expect(gapSeconds(unit('A')) * 1000).toBeCloseTo(2.005, 3);
    expect(gapSeconds(unit('A', { baud: 115200 }))).toBe(0.00175);
    expect(byteSeconds({ baud: 9600, parity: 'none', stopBits: 1 })).toBeCloseTo(10 / 9600, 12);
  });

  test('of a cycle: eight and twenty-five bytes, two gaps and the answer, for each unit that is read', () => {
    const one = line();
    const override = 33 * (11 / 19200) + 2 * 3.5 * (11 / 19200) + 0.005;
    expect(pollSeconds(one)).toBeCloseTo(override, 9);
    expect(pollSeconds(line({}, unit('PM1'), unit('PM2')))).toBeCloseTo(3 * override, 9);
    expect(pollSeconds(line({}, unit('PM1', { registers: 0 })))).toBeCloseTo(override, 9);
  });

  test('more registers than one request reads take two', () => {
    const many = (registers: number) => pollSeconds({ ...line(), units: [unit('PM1', { registers })] });
    const step = many(126) - many(125);
    expect(step).toBeGreaterThan(13 * byteSeconds(unit('A')));
  });
});

test('the longest line falls with the baud', () => {
  expect([9600, 93750, 187500, 500000, 1500000, 12000000].map(longestLine)).toEqual([
    1200,
    1200,
    1000,
    400,
    200,
    undefined,
  ]);
});
