import {
  awgToMm2,
  convert,
  dimensionOf,
  gaugeText,
  hasTwoUnits,
  inSystem,
  unitIn,
  UNIT_SYSTEMS,
  UNITS,
} from './index.ts';

describe('metric and US units', () => {
  // NIST SP 811, appendix B.8: 1 psi = 6894.757 Pa, 1 US gallon = 3.785412 l, 1 ft = 0.3048 m; °F = 1.8 °C + 32.
  test.each([
    [6, 'bar', 'us', 87.0226, 'psi'],
    [100, '°C', 'us', 212, '°F'],
    [-40, '°F', 'metric', -40, '°C'],
    [40, 'm³/h', 'us', 176.115, 'gal/min'],
    [10, 'm', 'us', 32.8084, 'ft'],
    [100, 'psi', 'metric', 6.89476, 'bar'],
    [12, 'mA', 'us', 12, 'mA'],
    [50, '%', 'us', 50, '%'],
  ] as const)('%d %s in %s are %d %s', (value, unit, system, shown, shownIn) => {
    const told = inSystem(value, unit, system);
    expect(told.unit).toBe(shownIn);
    expect(told.value).toBeCloseTo(shown, 3);
  });

  test('stay within their dimension and come back, each unit that the core knows', () => {
    for (const unit of Object.values(UNITS).flatMap((known) => Object.keys(known)))
      for (const system of UNIT_SYSTEMS) {
        const shown = unitIn(unit, system);
        expect([unit, dimensionOf(shown)]).toEqual([unit, dimensionOf(unit)]);
        // What a system shows is its own: shown again, it stays.
        expect([unit, unitIn(shown, system)]).toEqual([unit, shown]);
        expect(convert(inSystem(7, unit, system).value, shown, unit)).toBeCloseTo(7, 9);
      }
  });

  test('are two of a pressure and one of a current', () => {
    expect(['bar', 'psi', '°C', 'gpm'].every(hasTwoUnits)).toBe(true);
    expect(['mA', 'V', 'Ω', '%', '1/min'].some(hasTwoUnits)).toBe(false);
  });
});

describe('the gauge nearest to a section', () => {
  test.each([-3, -1, 0, 1, 2, 8, 14, 22, 30])('of gauge number %i itself is that', (gauge) => {
    expect(gaugeText(awgToMm2(gauge))).toBe(gauge > 0 ? `AWG ${gauge}` : `AWG ${1 - gauge}/0`);
  });

  // Sections of IEC 60228 and the gauges that usually stand in for them.
  test.each([
    [0.34, 'AWG 22'],
    [0.5, 'AWG 20'],
    [0.75, 'AWG 18'],
    [1, 'AWG 18'],
    [1.5, 'AWG 16'],
    [2.5, 'AWG 14'],
    [4, 'AWG 12'],
    [6, 'AWG 10'],
    [10, 'AWG 8'],
    [70, 'AWG 2/0'],
  ])('of %d mm² is %s', (mm2, gauge) => expect(gaugeText(mm2)).toBe(gauge));
});
