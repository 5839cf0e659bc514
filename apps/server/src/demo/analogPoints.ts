import type { DemoPoint } from './demoPoint.ts';
import { helper, wired, without } from './demoPoint.ts';

/** Transmitters, temperatures, and what hangs on the drive. */
export const ANALOG: readonly DemoPoint[] = [
  {
    tag: 'FT-220',
    name: 'Make-up flow, current',
    typeId: 'flow-magnetic',

    at: ['ai-1', 0],
    range: { low: 0, high: 40, unit: 'm³/h' },
    landed: 5,
  },
  {
    tag: 'PT-221',
    name: 'Ring main pressure',
    typeId: 'pressure-2w',

    at: ['ai-1', 1],
    range: { low: 0, high: 6, unit: 'bar' },
    landed: 4,
    more: [
      without('PT-221', '+'),
      helper('PT-221', 'Z221', 'barrier-1ch', [
        ['S1', 'g1:+', 'RD'],
        ['H1', 'pt-221-b:+', 'WH', 60],
      ]),
    ],
  },
  {
    tag: 'WT-222',
    name: 'Hoist rope tension',
    typeId: 'rope-link-2w',

    at: ['ai-1', 2],
    range: { low: 0, high: 500, unit: 'kg' },
    landed: 4,
  },
  {
    tag: 'AT-223',
    name: 'Ammonia analyser',
    typeId: 'analyser-4w',

    at: ['ai-1', 3],
    range: { low: 0, high: 2, unit: 'mg/l' },
    landed: 6,
  },
  {
    tag: 'UT-224',
    name: 'Sump distance',
    typeId: 'ultrasonic-switch-analog',
    output: 'pnp',
    logic: 'no',
    at: ['ai-2', 0],
    range: { low: 200, high: 2000, unit: 'mm' },
    landed: 3,
    more: wired('ut-224-b', [['BK', 'di-3:I3', 'BK', 10]]),
  },
  {
    tag: 'PT-225',
    name: 'Blower pressure',
    typeId: 'transmitter-3w-v',

    at: ['ai-2', 1],
    range: { low: 0, high: 400, unit: 'mbar' },
    landed: 5,
  },
  {
    tag: 'TT-226',
    name: 'Tank temperature',
    typeId: 'rtd-3w',

    at: ['rtd-1', 0],
    range: { low: 0, high: 100, unit: '°C' },
    proof: 'half',
  },
  {
    tag: 'TT-227',
    name: 'Heat pump return',
    typeId: 'rtd-2w',

    at: ['rtd-1', 1],
    range: { low: 0, high: 100, unit: '°C' },
    landed: 4,
  },
  {
    tag: 'LT-228',
    name: 'Diesel day tank',
    typeId: 'sender-2w',

    at: ['rtd-1', 2],
    range: { low: 0, high: 100, unit: '%' },
    landed: 4,
  },
  {
    tag: 'TT-229',
    name: 'Heat pump flow, reference',
    typeId: 'rtd-4w',

    at: ['rtd-1', 3],
    range: { low: 0, high: 100, unit: '°C' },
    landed: 2,
  },
  {
    tag: 'TT-230',
    name: 'Generator exhaust',
    typeId: 'thermocouple-k',

    at: ['tc-1', 0],
    range: { low: 0, high: 100, unit: '°C' },
    landed: 3,
  },
  {
    tag: 'PT-229',
    name: 'Spare transmitter, tried on the bench',
    typeId: 'transmitter-2w',

    at: ['m-1', 0],
    range: { low: 0, high: 10, unit: 'bar' },
    landed: 2,
  },
];

/** Flow meters and a transmitter on the third analog module. */
export const METERS: readonly DemoPoint[] = [
  {
    tag: 'FT-231',
    name: 'Blower air',
    typeId: 'flow-vortex',

    at: ['ai-3', 0],
    range: { low: 0, high: 250, unit: 'm³/h' },
    landed: 4,
  },
  {
    tag: 'FT-232',
    name: 'Sand filter flow',
    typeId: 'flow-thermal',
    output: 'pnp',
    logic: 'no',
    at: ['ai-3', 1],
    range: { low: 0, high: 120, unit: 'l/min' },
    landed: 5,
    more: wired('ft-232-b', [['BK', 'di-3:I7', 'BK', 15]]),
  },
  {
    tag: 'FT-233',
    name: 'Return main flow',
    typeId: 'flow-clamp-on',

    at: ['ai-3', 2],
    range: { low: 0, high: 60, unit: 'm³/h' },
    landed: 5,
  },
  {
    tag: 'TT-234',
    name: 'Larval tank temperature',
    typeId: 'temperature-2w-head',
    settings: { leads: '3', alarm: 'low' },
    at: ['ai-3', 3],
    range: { low: 0, high: 40, unit: '°C' },
    more: [
      helper('TT-234', 'TE-234', 'rtd-3w', [
        ['1', 'tt-234-b:1', 'RD', 0.3],
        ['3', 'tt-234-b:4', 'WH', 0.3],
        ['4', 'tt-234-b:3', 'WH', 0.3],
      ]),
    ],
    landed: 4,
  },
];

/** Distance, vacuum, level and salinity of the intake side. */
export const INTAKE: readonly DemoPoint[] = [
  {
    tag: 'UT-216',
    name: 'Tray stack, distance',
    typeId: 'laser-distance',
    output: 'pnp',
    logic: 'no',
    at: ['ai-4', 0],
    range: { low: 200, high: 4000, unit: 'mm' },
    landed: 3,
  },
  {
    tag: 'PT-217',
    name: 'Suction line vacuum',
    typeId: 'pressure-switch-analog',
    output: 'pnp',
    logic: 'no',
    at: ['ai-4', 1],
    range: { low: -1, high: 1, unit: 'bar' },
    landed: 2,
  },
  {
    tag: 'LT-218',
    name: 'Seawater tank level',
    typeId: 'radar-2w',
    at: ['ai-4', 2],
    range: { low: 0, high: 6, unit: 'm' },
    landed: 3,
  },
  {
    tag: 'AT-219',
    name: 'Salinity of the make-up',
    typeId: 'conductivity-4w',
    at: ['ai-4', 3],
    range: { low: 0, high: 60, unit: 'mS/cm' },
    landed: 1,
  },
  {
    tag: 'WT-236',
    name: 'Feed hopper weight',
    typeId: 'load-cell-ma',
    at: ['ai-5', 2],
    range: { low: 0, high: 400, unit: 'kg' },
    landed: 2,
  },
  {
    tag: 'FT-235',
    name: 'Blower intake air',
    typeId: 'flow-dp-2w',
    at: ['ai-5', 1],
    range: { low: 0, high: 1200, unit: 'm³/h' },
    landed: 2,
  },
];

export const DRIVE: readonly DemoPoint[] = [
  {
    tag: 'XS-240',
    name: 'Pump released',
    typeId: 'dry-contact',
    output: 'contact',
    logic: 'no',
    at: ['drv-1', 0],
    proof: 'half',
  },
  {
    tag: 'SP-241',
    name: 'Pump speed by hand',
    typeId: 'potentiometer-3w',

    at: ['drv-1', 5],
    range: { low: 0, high: 50, unit: 'Hz' },
    landed: 4,
  },
  {
    tag: 'PT-242',
    name: 'Pump pressure, feedback',
    typeId: 'transmitter-2w',

    at: ['drv-1', 6],
    range: { low: 0, high: 4, unit: 'bar' },
    landed: 4,
  },
  { tag: 'XI-243', name: 'Speed on the panel', typeId: 'indicator-ma', at: ['drv-1', 7], landed: 3 },
  {
    tag: 'SC-245',
    name: 'Return pump speed',
    typeId: 'drive-commanded-ma',
    at: ['ao-1', 0],
    range: { low: 0, high: 50, unit: 'Hz' },
    landed: 2,
  },
  {
    tag: 'XA-244',
    name: 'Drive fault horn',
    typeId: 'horn-24',

    at: ['drv-1', 8],
    landed: 3,
    more: wired('drv-1', [['11', 'g1:+', 'RD']]),
  },
];
