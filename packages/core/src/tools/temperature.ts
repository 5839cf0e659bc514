import { refuse, Scaling } from '../model/index.ts';
import type { SensorClass } from '../model/index.ts';
import {
  COUPLE_TYPES,
  couplesVoltage,
  coupleTolerance,
  ELEMENTS,
  hotEnd,
  ohmsOf,
  ohmsPerKelvin,
  seebeck,
  temperatureOf,
  thermistorOhms,
  thermistorTemperature,
  thermometerElement,
  thermometerTolerance,
} from '../scaling/index.ts';
import type { CoupleType, ThermometerClass } from '../scaling/index.ts';
import { convert } from '../units/index.ts';
import { at, ToolReader, withUnit } from './tool.ts';
import type { Tool, ToolField, ToolLine } from './tool.ts';

const fahrenheit = (celsius: number): string => withUnit(convert(celsius, '°C', '°F')!, '°F');
const same = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

const knownAs = (signal: string): ToolField[] => [
  {
    key: 'known',
    label: 'Known is',
    kind: 'choice',
    choices: [
      { value: 'temperature', label: 'the temperature' },
      { value: 'signal', label: signal },
    ],
  },
  {
    key: 'temperature',
    label: 'Temperature',
    kind: 'number',
    unit: '°C',
    onlyIf: { key: 'known', is: ['temperature'] },
  },
];

/** The class of a sensor, kept with a point's chain. */
const classChange =
  (name: string | undefined): Tool['send'] =>
  (_values, _index, point) => {
    const before = point.scaling ?? Scaling.parse({});
    return name === undefined
      ? []
      : [
          {
            kind: 'setScaling',
            pointId: point.id,
            scaling: { ...before, sensor: { ...before.sensor, class: name as SensorClass } },
          },
        ];
  };

export const RTD_TOOL: Tool = {
  id: 'rtd',
  name: 'Resistance thermometer',
  hint: '°C and Ω of Pt, Ni and thermistors, with class and leads',
  fields: [
    {
      key: 'element',
      label: 'Element',
      kind: 'choice',
      choices: [
        ...ELEMENTS.map(({ id }) => ({ value: id, label: id })),
        { value: 'ntc', label: 'thermistor' },
      ],
    },
    {
      key: 'class',
      label: 'Class',
      kind: 'choice',
      choices: same(['AA', 'A', 'B', 'C']),
      onlyIf: { key: 'element', is: ELEMENTS.filter(({ metal }) => metal === 'Pt').map(({ id }) => id) },
    },
    {
      key: 'ohms25',
      label: 'Resistance at 25 °C',
      kind: 'number',
      unit: 'Ω',
      onlyIf: { key: 'element', is: ['ntc'] },
    },
    { key: 'beta', label: 'B value', kind: 'number', unit: 'K', onlyIf: { key: 'element', is: ['ntc'] } },
    ...knownAs('the resistance'),
    { key: 'ohms', label: 'Resistance', kind: 'number', unit: 'Ω', onlyIf: { key: 'known', is: ['signal'] } },
    {
      key: 'leads',
      label: 'Both leads together, two wires',
      kind: 'number',
      unit: 'Ω',
      optional: true,
      hint: 'leave it empty for three or four wires',
    },
  ],
  first: {
    element: 'Pt100',
    class: 'B',
    ohms25: '10000',
    beta: '3435',
    known: 'temperature',
    temperature: '50',
    ohms: '119.4',
    leads: '',
  },
  work(values) {
    const read = new ToolReader(RTD_TOOL, values);
    const chosen = read.choice('element');
    const isSignal = read.choice('known') === 'signal';
    const key = isSignal ? 'ohms' : 'temperature';
    const given = read.number(key);
    const ntc = chosen === 'ntc' ? { ohms25: read.number('ohms25'), beta: read.number('beta') } : undefined;
    const element = ntc ? undefined : thermometerElement(chosen);
    const toOhms = (t: number): number => (ntc ? thermistorOhms(ntc, t) : ohmsOf(element!, t));
    const toCelsius = (ohms: number): number =>
      ntc ? thermistorTemperature(ntc, ohms) : temperatureOf(element!, ohms);
    const celsius = isSignal ? at(key, () => toCelsius(given)) : given;
    const ohms = at(key, () => toOhms(celsius));
    const slope = element ? ohmsPerKelvin(element, celsius) : toOhms(celsius + 0.5) - toOhms(celsius - 0.5);
    const leads = read.maybe('leads') ?? 0;
    if (leads < 0) refuse('A resistance is 0 Ω or more.', 'leads');
    const name = element && ((element.metal === 'Ni' ? 'Ni' : read.choice('class')) as ThermometerClass);
    const tolerance = name && thermometerTolerance(name, celsius);
    const lines: ToolLine[] = [
      { label: 'Temperature', value: `${withUnit(celsius, '°C')}, ${fahrenheit(celsius)}` },
      { label: 'Resistance', value: withUnit(ohms, 'Ω', 6) },
      { label: 'For each K', value: withUnit(slope, 'Ω', 4) },
      ...(tolerance
        ? [
            {
              label: `Class ${name}`,
              value: `±${withUnit(tolerance.kelvin, 'K', 3)}, ±${withUnit(Math.abs(tolerance.kelvin * slope), 'Ω', 3)}`,
            },
          ]
        : []),
      ...(leads > 0
        ? [{ label: 'Leads add', value: `${withUnit(leads / slope, 'K', 3)}`, tone: 'bad' as const }]
        : []),
    ];
    return {
      title: `${withUnit(celsius, '°C')} = ${withUnit(ohms, 'Ω', 6)}`,
      lines,
      words:
        tolerance && !tolerance.holds
          ? [{ text: `Class ${name} is not defined at this temperature.`, tone: 'bad' }]
          : [],
    };
  },
  send: (values, index, point) =>
    classChange(values.element === 'ntc' ? undefined : values.class)!(values, index, point),
};

export const COUPLE_TOOL: Tool = {
  id: 'couple',
  name: 'Thermocouple',
  hint: '°C and mV of types B to T, with the cold junction',
  fields: [
    { key: 'type', label: 'Type', kind: 'choice', choices: same(COUPLE_TYPES) },
    { key: 'class', label: 'Class', kind: 'choice', choices: same(['1', '2', '3']) },
    ...knownAs('the voltage'),
    {
      key: 'millivolts',
      label: 'Voltage at the terminals',
      kind: 'number',
      unit: 'mV',
      onlyIf: { key: 'known', is: ['signal'] },
    },
    { key: 'cold', label: 'Terminals are at', kind: 'number', unit: '°C' },
  ],
  first: { type: 'K', class: '2', known: 'temperature', temperature: '200', millivolts: '7.34', cold: '20' },
  work(values) {
    const read = new ToolReader(COUPLE_TOOL, values);
    const type = read.choice('type') as CoupleType;
    const name = Number(read.choice('class')) as 1 | 2 | 3;
    const isSignal = read.choice('known') === 'signal';
    const cold = read.number('cold');
    const hot = isSignal
      ? at('millivolts', () => hotEnd(type, read.number('millivolts'), cold))
      : read.number('temperature');
    const volts = at(isSignal ? 'cold' : 'temperature', () => couplesVoltage(type, hot, cold));
    const tolerance = coupleTolerance(type, name, hot);
    const perKelvin = seebeck(type, hot);
    return {
      title: `${withUnit(hot, '°C')} = ${withUnit(volts, 'mV')}`,
      lines: [
        { label: 'Hot end', value: `${withUnit(hot, '°C')}, ${fahrenheit(hot)}` },
        { label: 'At the terminals', value: withUnit(volts, 'mV') },
        { label: 'Against 0 °C', value: withUnit(couplesVoltage(type, hot, 0), 'mV') },
        { label: 'For each K', value: withUnit(perKelvin * 1000, 'µV', 3) },
        ...(tolerance ? [{ label: `Class ${name}`, value: `±${withUnit(tolerance.kelvin, 'K', 3)}` }] : []),
      ],
      words: [
        ...(tolerance ? [] : [{ text: `Type ${type} has no class ${name}.`, tone: 'bad' as const }]),
        ...(tolerance?.holds === false
          ? [{ text: `Class ${name} is not defined at this temperature.`, tone: 'bad' as const }]
          : []),
        {
          text: `Read without compensation it would be ${withUnit(couplesVoltage(type, cold, 0) / seebeck(type, Math.max(cold, 0.1)), 'K', 3)} too low.`,
        },
      ],
    };
  },
  send: (values, index, point) => classChange(values.class)!(values, index, point),
};
