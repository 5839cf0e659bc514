import { sure } from '../lists/index.ts';
import { refusalOf, said } from '../../test/said.ts';
import fc from 'fast-check';
import { JobProblem } from '../model/problem.ts';
import { Bands, RawFormat } from '../model/scaling.ts';
import {
  bandOf,
  bandText,
  BAND_SETS,
  followBands,
  reactionText,
  swallowedEnds,
  usualBands,
} from './bands.ts';
import { beyondTable, checkTable, rootOf, SQUARE, straight, tableOf } from '../sensing/curve.ts';
import { loopCurveOf } from './loopCurve.ts';
import { countsOf, findRawFormat, RAW_FORMATS, resolutionOf, valueOfCounts, widthOf } from './rawFormats.ts';
import type { ConverterRange } from './rawFormats.ts';

const MA: ConverterRange = { low: 4, high: 20, zero: 'removed' };
const LIVE: ConverterRange = { ...MA, zero: 'included' };
const VOLTS: ConverterRange = { low: 0, high: 10, zero: 'removed' };

describe('raw formats', () => {
  /** Ends, middle and what lies above, by hand. */
  test.each<[string, ConverterRange, number, number]>([
    ['27648', MA, 4, 0],
    ['27648', MA, 12, 13824],
    ['27648', MA, 20, 27648],
    ['27648', MA, 22, 31104],
    ['27648', MA, 3.6, -691],
    ['27648', MA, 30, 32511],
    ['27648', MA, 0, -4864],
    ['27648', LIVE, 4, 5530],
    ['27648', LIVE, 20, 27648],
    ['pm27648', VOLTS, -10, -27648],
    ['pm27648', VOLTS, 0, 0],
    ['pm27648', VOLTS, 5, 13824],
    ['pm27648', VOLTS, 12, 32511],
    ['32767', VOLTS, 5, 16384],
    ['32767', MA, 21, 32767],
    ['pm32767', VOLTS, -10, -32767],
    ['65535', MA, 12, 32768],
    ['65535', LIVE, 4, 13107],
    ['4000', MA, 12, 2000],
    ['4000', MA, 20.2, 4050],
    ['4000', MA, 25, 4095],
    ['4000', LIVE, 4, 800],
    ['b10', VOLTS, 10, 1023],
    ['b12', VOLTS, 5, 2048],
    ['b14', VOLTS, 10, 16383],
    ['b16', MA, 4, 0],
    ['b18', VOLTS, 10, 262143],
    ['b20', VOLTS, 5, 524288],
    ['b22', VOLTS, 10, 4194303],
    ['b24', VOLTS, 10, 16777215],
    ['12left', VOLTS, 10, 32752],
    ['12left', VOLTS, 5, 16376],
    ['micro', MA, 4, 4000],
    ['micro', MA, 20, 20000],
    ['micro', VOLTS, 10, 10000],
    ['micro', MA, 30, 25000],
    ['tenth', MA, 85.04, 850],
    ['tenth', MA, -12.3, -123],
    ['hundredth', MA, 21.37, 2137],
    ['pct10', MA, 12, 500],
    ['pct100', MA, 20, 10000],
    ['pct4000h', MA, 12, 8192],
  ])('%s writes for %o the value %d as %d', (id, range, value, counts) => {
    expect(countsOf(sure(findRawFormat(id)), range, value).counts).toBe(counts);
  });

  test('every format that ships is sound, named once, and tried above', () => {
    expect(new Set(RAW_FORMATS.map(({ id }) => id)).size).toBe(RAW_FORMATS.length);
    for (const format of RAW_FORMATS) expect(RawFormat.parse(format)).toEqual(format);
  });

  test.each(RAW_FORMATS)('$id comes back within a count, wherever it does not stop', (format) => {
    for (const range of [MA, LIVE, VOLTS])
      fc.assert(
        fc.property(fc.double({ min: -15, max: 25, noNaN: true }), (value) => {
          const { counts, stopped } = countsOf(format, range, value);
          expect(Number.isInteger(counts)).toBe(true);
          expect(counts).toBeGreaterThanOrEqual(format.min);
          expect(counts).toBeLessThanOrEqual(format.max);
          const back = valueOfCounts(format, range, counts);
          expect(countsOf(format, range, back).counts).toBe(counts);
          if (!stopped)
            expect(Math.abs(back - value)).toBeLessThanOrEqual(resolutionOf(format, range) / 2 + 1e-9);
        }),
      );
  });

  test.each(RAW_FORMATS.filter(({ min, max }) => max - min < 70000))(
    '$id gives every one of its counts back',
    (format) => {
      for (let counts = format.low; counts <= format.max; counts += format.step)
        if (countsOf(format, MA, valueOfCounts(format, MA, counts)).counts !== counts)
          throw new Error(
            `${counts} came back as ${countsOf(format, MA, valueOfCounts(format, MA, counts)).counts}`,
          );
    },
  );

  test('a wider format tells more apart', () => {
    expect(resolutionOf(sure(findRawFormat('b10')), VOLTS)).toBeCloseTo(10 / 1023, 12);
    expect(resolutionOf(sure(findRawFormat('12left')), VOLTS)).toBeCloseTo((10 / 32752) * 8, 12);
    expect(widthOf(sure(findRawFormat('27648')))).toEqual({ bits: 16, signed: true });
    expect(widthOf(sure(findRawFormat('65535')))).toEqual({ bits: 16, signed: false });
    expect(widthOf(sure(findRawFormat('b24')))).toEqual({ bits: 32, signed: false });
  });

  test.each([
    [{ low: 10, high: 10 }, 'model.counts-top-more-those'],
    [{ low: 0, high: 100, min: 5 }, 'model.converter-must-reach-counts'],
    [{ low: 0, high: 100, max: 50 }, 'model.converter-must-reach-counts-top'],
    [{ low: 0, high: 2 ** 26, max: 2 ** 26 }, 'model.most-24-bits-worked'],
    [{ low: 0.5 }, 'model.counts-whole-numbers'],
  ])('one of your own is refused: %o', (wrong, code) => {
    const sound = { id: 'own', name: 'Own', kind: 'share', low: 0, high: 100, min: 0, max: 100 };
    const own = Object.assign(sound, wrong);
    expect(RawFormat.safeParse(own).error?.issues[0]?.message).toBe(code);
  });
});

describe('curves', () => {
  test('a straight line, a reversed one, and a range of zero', () => {
    expect(straight(4, 0, 20, 40).at(12)).toBe(20);
    expect(straight(4, 40, 20, 0).at(8)).toBe(30);
    expect(straight(4, 40, 20, 0).inverse(30)).toBe(8);
    expect(refusalOf(() => straight(4, 0, 4, 40))).toMatch('scaling.range-zero-scaled-two');
    expect(() => straight(4, 5, 20, 5).inverse(5)).toThrow(JobProblem);
  });

  test('square and root undo each other; a cut gives zero', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (x) => {
        expect(rootOf(0).at(SQUARE.at(x))).toBeCloseTo(x, 9);
        expect(rootOf(0).inverse(rootOf(0).at(x))).toBeCloseTo(x, 9);
      }),
    );
    expect(rootOf(0.05).at(0.0024)).toBe(0);
    expect(rootOf(0.05).at(0.0026)).toBeCloseTo(0.051, 3);
    expect(rootOf(0).at(-0.1)).toBe(0);
  });

  const TABLE = [
    { in: 12, out: 240 },
    { in: 4, out: 0 },
    { in: 20, out: 500 },
    { in: 8, out: 100 },
  ];

  test('a table in any order: pieces, both ways, beyond its ends', () => {
    const table = tableOf(TABLE);
    expect([4, 6, 8, 10, 16, 20, 22].map(table.at)).toEqual([0, 50, 100, 170, 370, 500, 565]);
    expect(table.inverse(370)).toBe(16);
    expect(table.inverse(565)).toBe(22);
    expect(beyondTable(TABLE, 22)).toBe(true);
    expect(beyondTable(TABLE, 20)).toBe(false);
  });

  test('a table is checked: course, largest step, sag', () => {
    const check = checkTable(TABLE);
    expect(check.course).toBe('rising');
    expect(check.largestStep).toEqual({ from: { in: 12, out: 240 }, to: { in: 20, out: 500 } });
    // A parabola y = x² by steps of 1 bends by 2; straight pieces miss it by h²·2/8 = 0.25 in the middle.
    expect(checkTable([0, 1, 2, 3].map((x) => ({ in: x, out: x * x }))).sag).toBeCloseTo(0.25, 12);
    const turns = checkTable([...TABLE, { in: 22, out: 400 }]);
    expect(turns).toMatchObject({ course: 'turns', turnsAt: { in: 20, out: 500 } });
    expect(refusalOf(() => tableOf([...TABLE, { in: 22, out: 400 }]).inverse(450))).toMatch(
      'scaling.table-turns-round-value inValue=20',
    );
    expect(
      tableOf([
        { in: 0, out: 10 },
        { in: 5, out: 4 },
        { in: 10, out: 0 },
      ]).inverse(2),
    ).toBe(7.5);
    expect(refusalOf(() => tableOf([...TABLE, { in: 8, out: 1 }]))).toMatch(
      'scaling.stands-table-twice-each inValue=8',
    );
    expect(refusalOf(() => tableOf([{ in: 8, out: 1 }]))).toMatch('scaling.table-needs-two-points');
  });

  test('rising tables come back to the same signal from anywhere', () => {
    const table = fc
      .uniqueArray(fc.integer({ min: -500, max: 500 }), { minLength: 2, maxLength: 64 })
      .map((ins) => ins.sort((a, b) => a - b).map((x, i) => ({ in: x, out: i * 3 + x / 1000 })));
    fc.assert(
      fc.property(table, fc.double({ min: -600, max: 600, noNaN: true }), (points, x) => {
        const curve = tableOf(points);
        expect(curve.inverse(curve.at(x))).toBeCloseTo(x, 6);
      }),
    );
  });
});

describe('bands', () => {
  const ne43 = usualBands(4, 20, 'mA');

  test('NAMUR NE 43 at its very limits', () => {
    expect([3.5, 3.6, 3.61, 3.79, 3.8, 4, 20.5, 20.51, 20.99, 21, 22].map((mA) => bandOf(ne43, mA))).toEqual([
      'lowFault',
      'lowFault',
      'under',
      'under',
      'range',
      'range',
      'range',
      'over',
      'over',
      'highFault',
      'highFault',
    ]);
  });

  test('other ranges get limits of their own, and zero volts are no break', () => {
    const volts = usualBands(0, 10, 'V');
    expect(bandOf(volts, 0)).toBe('range');
    expect(bandOf(volts, 10.6)).toBe('highFault');
    expect(bandOf(usualBands(2, 10, 'V'), 0)).toBe('lowFault');
    for (const { bands } of BAND_SETS) expect(Bands.parse(bands)).toEqual(bands);
  });

  test('what a fault is called hangs on what is measured', () => {
    expect(said(bandText('lowFault', { unit: 'mA' }))).toBe('scaling.wire-break');
    expect(said(bandText('highFault', { unit: 'mA' }))).toBe('scaling.short');
    expect(said(bandText('highFault', { unit: 'Hz' }))).toBe('scaling.too-many');
    // An open thermometer has more ohms than any temperature.
    expect(said(bandText('highFault', { unit: 'Ω' }))).toBe('scaling.wire-break');
    expect(said(bandText('lowFault', { unit: 'Ω' }))).toBe('scaling.short');
    expect(said(bandText('under', { unit: 'Ω' }))).toBe('scaling.under-range');
  });

  const samples = [0, 1, 2, 3, 4, 5].map((at) => ({
    at,
    signal: at >= 1 && at <= 4 ? 3 : 12,
    value: at * 10,
  }));
  const valuesOf = (reaction: Bands['reaction'], substitute?: number) =>
    followBands({ ...ne43, delay: 2, reaction, substitute }, samples).map(({ value }) => value);

  test('a break counts after its delay; then hold, substitute, fail', () => {
    expect(valuesOf('hold')).toEqual([0, 0, 0, 0, 0, 50]);
    expect(valuesOf('substitute', 99)).toEqual([0, 0, 0, 99, 99, 50]);
    expect(valuesOf('fail')).toEqual([0, 0, 0, undefined, undefined, 50]);
    expect(said(reactionText({ ...ne43, reaction: 'substitute', substitute: 7 }))).toBe(
      'scaling.put-place after=(scaling.after-s delay=2) substitute=7',
    );
  });

  test('limits that swallow an end of the range are told with it', () => {
    const range = { low: 4, high: 20 };
    const told = (bands: Partial<Bands>) =>
      swallowedEnds({ ...ne43, ...bands }, range, { unit: 'mA' }).map(said);
    for (const { bands } of BAND_SETS) expect(told(bands)).toEqual([]);
    expect(told({ lowFault: 4, underAt: 4 })).toEqual([
      'scaling.end-swallowed end=4 unit=mA limit=4 band=(scaling.wire-break)',
    ]);
    expect(told({ underAt: 4.2 })).toEqual([
      'scaling.end-swallowed end=4 unit=mA limit=4.2 band=(scaling.under-range)',
    ]);
    expect(told({ overAt: 19.5, highFault: 20 })).toEqual([
      'scaling.end-swallowed end=20 unit=mA limit=20 band=(scaling.short)',
    ]);
  });

  test('limits in a wrong order, or without their substitute, are refused', () => {
    expect(Bands.safeParse({ ...ne43, underAt: 3 }).error?.issues[0]?.message).toBe(
      'model.low-high-limits-stand',
    );
    expect(Bands.safeParse({ ...ne43, reaction: 'substitute' }).error?.issues[0]?.message).toBe(
      'model.say-which-value-put',
    );
  });
});

test('a loop that gives the same whatever comes cannot be told back', () => {
  const flat = loopCurveOf(
    [4, 12, 20].map((signal) => ({ signal, nom: 54, min: 53, max: 55 })),
    'mA',
  );
  expect(refusalOf(() => flat.inverse(54))).toMatch('scaling.input-sees-whatever-sensor text=54 mA');
  expect(() => loopCurveOf([])).toThrow(JobProblem);
});
