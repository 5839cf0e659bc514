import { refusalOf } from '../../test/said.ts';
import { sure } from '../lists/index.ts';
import fc from 'fast-check';
import { JobProblem } from '../model/problem.ts';
import {
  ELEMENTS,
  METALS,
  ohmsOf,
  ohmsPerKelvin,
  temperatureOf,
  thermometerElement,
  thermometerTolerance,
} from './rtd.ts';
import { betaOf, thermistorOhms, thermistorTemperature } from './thermistor.ts';
import {
  thermocoupleMillivolts,
  thermocoupleRange,
  thermocoupleTemperature,
  thermocoupleTolerance,
  thermocoupleVoltage,
  hotEnd,
  seebeck,
} from './thermocouple.ts';
import { THERMOCOUPLE_TYPES } from './thermocoupleFunctions.ts';
import type { ThermocoupleType } from './thermocoupleFunctions.ts';

/** IEC 60751:2008, table 1: Pt100, °C and Ω to 0.01 Ω. */
const PT100: readonly (readonly [t: number, ohms: number])[] = [
  [-200, 18.52],
  [-150, 39.72],
  [-100, 60.26],
  [-50, 80.31],
  [-20, 92.16],
  [0, 100],
  [20, 107.79],
  [50, 119.4],
  [100, 138.51],
  [150, 157.33],
  [200, 175.86],
  [250, 194.1],
  [300, 212.05],
  [400, 247.09],
  [500, 280.98],
  [600, 313.71],
  [700, 345.28],
  [800, 375.7],
  [850, 390.48],
];

/** DIN 43760:1987: Ni100, °C and Ω to 0.1 Ω. */
const NI100: readonly (readonly [t: number, ohms: number])[] = [
  [-60, 69.5],
  [-40, 79.1],
  [-20, 89.3],
  [0, 100],
  [20, 111.2],
  [40, 123],
  [60, 135.3],
  [80, 148.3],
  [100, 161.8],
  [120, 176],
  [160, 206.6],
  [180, 223.2],
];

/** IEC 60584-1:2013, tables of the reference functions: °C and mV to 0.001 mV, cold junction at 0 °C. */
const THERMOCOUPLES: Readonly<
  Record<ThermocoupleType, readonly (readonly [t: number, millivolts: number])[]>
> = {
  B: [
    [100, 0.033],
    [200, 0.178],
    [300, 0.431],
    [400, 0.787],
    [500, 1.242],
    [600, 1.792],
    [700, 2.431],
    [800, 3.154],
    [1000, 4.834],
    [1200, 6.786],
    [1400, 8.956],
    [1600, 11.263],
    [1800, 13.591],
    [1820, 13.82],
  ],
  E: [
    [-200, -8.825],
    [-100, -5.237],
    [-50, -2.787],
    [0, 0],
    [50, 3.048],
    [100, 6.319],
    [200, 13.421],
    [300, 21.036],
    [400, 28.946],
    [500, 37.005],
    [600, 45.093],
    [800, 61.017],
    [1000, 76.373],
  ],
  J: [
    [-210, -8.095],
    [-100, -4.633],
    [-50, -2.431],
    [0, 0],
    [50, 2.585],
    [100, 5.269],
    [200, 10.779],
    [300, 16.327],
    [500, 27.393],
    [700, 39.132],
    [760, 42.919],
    [800, 45.494],
    [1000, 57.953],
    [1200, 69.553],
  ],
  K: [
    [-200, -5.891],
    [-100, -3.554],
    [-50, -1.889],
    [0, 0],
    [50, 2.023],
    [100, 4.096],
    [200, 8.138],
    [300, 12.209],
    [400, 16.397],
    [500, 20.644],
    [600, 24.905],
    [800, 33.275],
    [1000, 41.276],
    [1200, 48.838],
    [1372, 54.886],
  ],
  N: [
    [-200, -3.99],
    [-100, -2.407],
    [-50, -1.269],
    [0, 0],
    [50, 1.34],
    [100, 2.774],
    [200, 5.913],
    [300, 9.341],
    [500, 16.748],
    [700, 24.527],
    [900, 32.371],
    [1100, 40.087],
    [1300, 47.513],
  ],
  R: [
    [-50, -0.226],
    [50, 0.296],
    [100, 0.647],
    [200, 1.469],
    [300, 2.401],
    [400, 3.408],
    [600, 5.583],
    [800, 7.95],
    [1000, 10.506],
    [1100, 11.85],
    [1300, 14.629],
    [1500, 17.451],
    [1700, 20.222],
    [1768, 21.101],
  ],
  S: [
    [-50, -0.236],
    [50, 0.299],
    [100, 0.646],
    [200, 1.441],
    [300, 2.323],
    [400, 3.259],
    [600, 5.239],
    [800, 7.345],
    [1000, 9.587],
    [1100, 10.757],
    [1300, 13.159],
    [1500, 15.582],
    [1700, 17.947],
    [1768, 18.693],
  ],
  T: [
    [-200, -5.603],
    [-100, -3.379],
    [-50, -1.819],
    [0, 0],
    [50, 2.036],
    [100, 4.279],
    [150, 6.704],
    [200, 9.288],
    [250, 12.013],
    [300, 14.862],
    [350, 17.819],
    [400, 20.872],
  ],
};

describe.each([
  ['Pt', PT100, 0.005, 100],
  ['Ni', NI100, 0.05, 100],
] as const)('resistance thermometers of %s', (metal, table, rounding, ohmsOfTable) => {
  const elements = ELEMENTS.filter((element) => element.metal === metal);

  test.each(elements)('$id has the published resistances, both ways', (element) => {
    expect(table.length).toBeGreaterThanOrEqual(10);
    const times = element.ohms / ohmsOfTable;
    for (const [t, ohms] of table) {
      expect(Math.abs(ohmsOf(element, t) - ohms * times)).toBeLessThanOrEqual(rounding * times + 1e-9);
      if (t === METALS[metal].min || t === METALS[metal].max) continue;
      const kelvin = Math.abs(temperatureOf(element, ohms * times) - t);
      expect(kelvin).toBeLessThanOrEqual((1.01 * rounding * times) / ohmsPerKelvin(element, t));
    }
  });

  test.each(elements)('$id comes back to the same temperature from anywhere', (element) => {
    const { min, max } = METALS[metal];
    fc.assert(
      fc.property(fc.double({ min, max, noNaN: true }), (t) => {
        expect(Math.abs(temperatureOf(element, ohmsOf(element, t)) - t)).toBeLessThan(1e-6);
      }),
    );
  });
});

describe.each(THERMOCOUPLE_TYPES)('thermocouple type %s', (type) => {
  const { min, max, usableFrom } = thermocoupleRange(type);

  test('has the published voltages, both ways', () => {
    expect(THERMOCOUPLES[type].length).toBeGreaterThanOrEqual(10);
    for (const [t, millivolts] of THERMOCOUPLES[type]) {
      expect(Math.abs(thermocoupleMillivolts(type, t) - millivolts)).toBeLessThanOrEqual(0.000501);
      if (t === min || t === max || millivolts > thermocoupleMillivolts(type, max)) continue;
      expect(Math.abs(thermocoupleTemperature(type, millivolts) - t)).toBeLessThanOrEqual(
        0.00051 / seebeck(type, t - 0.3) + 1e-6,
      );
    }
  });

  test('comes back to the same temperature from anywhere', () => {
    fc.assert(
      fc.property(fc.double({ min: usableFrom, max, noNaN: true }), (t) => {
        const back = thermocoupleTemperature(type, thermocoupleMillivolts(type, t));
        // Where the curve is nearly flat, the last digit of the voltage is more than 1 µK.
        expect(Math.abs(back - t)).toBeLessThan(1e-6 + 1e-13 / Math.max(seebeck(type, t), 1e-9));
      }),
    );
  });

  test('its segments meet, its voltage rises, and its slope is that of its curve', () => {
    for (let t = usableFrom + 1; t < max - 1; t += 1) {
      expect(thermocoupleMillivolts(type, t + 1)).toBeGreaterThan(thermocoupleMillivolts(type, t));
      const chord = (thermocoupleMillivolts(type, t + 0.01) - thermocoupleMillivolts(type, t - 0.01)) / 0.02;
      expect(Math.abs(chord - seebeck(type, t))).toBeLessThan(2e-4);
    }
  });

  test('a warm cold junction is added as voltage, not as degrees', () => {
    const hot = (usableFrom + max) / 2;
    const cold = Math.max(23, usableFrom);
    expect(hotEnd(type, thermocoupleVoltage(type, hot, cold), cold)).toBeCloseTo(hot, 6);
  });

  test('refuses what its function does not hold', () => {
    expect(() => thermocoupleMillivolts(type, max + 1)).toThrow(JobProblem);
    expect(() => thermocoupleMillivolts(type, min - 1)).toThrow(JobProblem);
    expect(refusalOf(() => thermocoupleTemperature(type, 100))).toMatch(
      `scaling.type-gives-mv-c type=${type} `,
    );
  });
});

describe('tolerances', () => {
  test.each([
    ['AA', 0, 0.1, true],
    ['AA', 100, 0.27, true],
    ['A', 100, 0.35, true],
    ['B', 100, 0.8, true],
    ['B', -50, 0.55, true],
    ['C', 200, 2.6, true],
    ['AA', 300, 0.61, false],
    ['A', 500, 1.15, false],
    ['Ni', 100, 1.1, true],
    ['Ni', -40, 1.52, true],
  ] as const)('class %s at %d °C is ±%d K', (name, t, kelvin, holds) => {
    const tolerance = thermometerTolerance(name, t);
    expect(tolerance.kelvin).toBeCloseTo(kelvin, 10);
    expect(tolerance.holds).toBe(holds);
  });

  test.each([
    ['K', 1, 200, 1.5],
    ['K', 1, 1000, 4],
    ['K', 2, 400, 3],
    ['T', 1, 300, 1.2],
    ['T', 3, -150, 2.25],
    ['J', 2, 100, 2.5],
    ['S', 1, 1000, 1],
    ['R', 1, 1300, 1.6],
    ['S', 2, 1200, 3],
    ['B', 3, 1000, 5],
    ['B', 2, 1000, 2.5],
    ['E', 2, 600, 4.5],
  ] as const)('type %s class %d at %d °C is ±%d K', (type, name, t, kelvin) => {
    expect(sure(thermocoupleTolerance(type, name, t)).kelvin).toBeCloseTo(kelvin, 10);
  });

  test('a class that a type has not is none', () => {
    expect(thermocoupleTolerance('B', 1, 800)).toBeUndefined();
  });
});

describe('elements and thermistors', () => {
  test('an element is named by metal and ohms', () => {
    expect(thermometerElement('Pt100')).toMatchObject({ metal: 'Pt', ohms: 100 });
    expect(thermometerElement('ni1000')).toMatchObject({ metal: 'Ni', ohms: 1000 });
    for (const wrong of ['Cu50', 'Pt', 'Pt0', 'Pt-100'])
      expect(() => thermometerElement(wrong)).toThrow(JobProblem);
  });

  test('refuses what no element has', () => {
    const pt = thermometerElement('Pt100');
    expect(refusalOf(() => ohmsOf(pt, -250))).toMatch(
      'scaling.defined-c-c-outside id=Pt100 min=-200 max=850 source=IEC 60751:2008 t=-250',
    );
    expect(refusalOf(() => temperatureOf(pt, 5))).toMatch(
      'scaling.c-outside id=Pt100 low=0.185201 ohms=100 high=3.90481 min=-200 max=850 ohms2=5',
    );
    expect(() => temperatureOf(pt, Number.NaN)).toThrow(JobProblem);
  });

  test('a thermistor of 10 kΩ and 3435 K', () => {
    const ntc = { ohms25: 10000, beta: 3435 };
    expect(thermistorOhms(ntc, 25)).toBeCloseTo(10000, 9);
    // By hand: 10 kΩ · exp(3435 (1/373.15 − 1/298.15)) = 10 kΩ · exp(−2.31564) = 986.9 Ω.
    expect(thermistorOhms(ntc, 100)).toBeCloseTo(987, 0);
    expect(betaOf(25, 10000, 100, thermistorOhms(ntc, 100))).toBeCloseTo(3435, 6);
    fc.assert(
      fc.property(fc.double({ min: -80, max: 300, noNaN: true }), (t) => {
        expect(thermistorTemperature(ntc, thermistorOhms(ntc, t))).toBeCloseTo(t, 6);
      }),
    );
    expect(refusalOf(() => thermistorTemperature(ntc, -1))).toMatch('scaling.resistance-above-0');
    expect(refusalOf(() => betaOf(20, 100, 20, 90))).toMatch('scaling.b-value-needs-two');
  });
});

test.each<[ThermocoupleType, number, number]>([
  // Last lines of the tables of IEC 60584-1:2013.
  ['B', 13.82, 1820],
  ['E', 76.373, 1000],
  ['J', 69.553, 1200],
  ['K', 54.886, 1372],
  ['N', 47.513, 1300],
  ['R', 21.101, 1768],
  ['S', 18.693, 1768],
  ['T', 20.872, 400],
])('type %s: the published end %d mV is its end, %d °C', (type, millivolts, celsius) => {
  expect(Math.abs(thermocoupleTemperature(type, millivolts) - celsius)).toBeLessThan(0.1);
  expect(() => thermocoupleTemperature(type, millivolts + 0.01)).toThrow(JobProblem);
});

test('the published ends of Pt100, 18.52 and 390.48 Ω, are its ends (IEC 60751:2008)', () => {
  const pt = thermometerElement('Pt100');
  expect(temperatureOf(pt, 18.52)).toBeCloseTo(-200, 1);
  expect(temperatureOf(pt, 390.48)).toBeCloseTo(850, 1);
  expect(() => temperatureOf(pt, 18.5)).toThrow(JobProblem);
});
