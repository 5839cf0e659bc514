import { convert } from './quantity.ts';

/** In which units of measurement a job shows first what is given in one of the two. */
export const UNIT_SYSTEMS = ['metric', 'us'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

/** What is said in the place of each unit where the other system is shown; what stands in neither list is said alike. */
const IN_PLACE: Readonly<Record<UnitSystem, Readonly<Record<string, string>>>> = {
  us: {
    bar: 'psi',
    kPa: 'psi',
    MPa: 'psi',
    'kg/cm²': 'psi',
    mbar: 'in H2O',
    Pa: 'in H2O',
    'mm H2O': 'in H2O',
    '°C': '°F',
    m: 'ft',
    mm: 'in',
    cm: 'in',
    'm³/h': 'gal/min',
    'l/min': 'gal/min',
    'l/s': 'gal/min',
    'm³/min': 'cfm',
    l: 'gal',
    'm³': 'gal',
    kg: 'lb',
    t: 'lb',
    kN: 'lbf',
    N: 'lbf',
    'm/s': 'ft/s',
    'kg/m³': 'lb/ft³',
  },
  metric: {
    psi: 'bar',
    'in H2O': 'mbar',
    'in Hg': 'mbar',
    '°F': '°C',
    ft: 'm',
    in: 'mm',
    'gal/min': 'm³/h',
    gpm: 'm³/h',
    cfm: 'm³/min',
    'ft³/min': 'm³/min',
    gal: 'l',
    lb: 'kg',
    lbf: 'kN',
    klbf: 'kN',
    'ft/s': 'm/s',
    'lb/ft³': 'kg/m³',
  },
};

/** The unit in which a system shows what is given in a unit. */
export const unitIn = (unit: string, system: UnitSystem): string => IN_PLACE[system][unit] ?? unit;

/** Whether the two systems show a unit's quantities differently. */
export const hasTwoUnits = (unit: string): boolean => unitIn(unit, 'us') !== unitIn(unit, 'metric');

/** A value in a unit as a system shows it. */
export function inSystem(value: number, unit: string, system: UnitSystem): { value: number; unit: string } {
  const shown = unitIn(unit, system);
  return { value: convert(value, unit, shown) ?? value, unit: shown };
}
