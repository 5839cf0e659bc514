import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { refuse, Scaling, unlessRefused } from '../model/index.ts';
import type { SensorClass } from '../model/index.ts';
import {
  THERMOCOUPLE_TYPES,
  thermocoupleVoltage,
  thermocoupleTemperature,
  thermocoupleTolerance,
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
} from '../sensing/index.ts';
import type { ThermocoupleType, ThermometerClass } from '../sensing/index.ts';
import { convert, withUnit } from '../units/index.ts';
import { at, ToolReader } from './tool.ts';
import type { Tool, ToolField, ToolLine } from './tool.ts';

const fahrenheit = (celsius: number): string => withUnit(sure(convert(celsius, '°C', '°F')), '°F');
const same = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

const knownAs = (signal: Message): ToolField[] => [
  {
    key: 'known',
    label: say('tools.known-is'),
    kind: 'choice',
    choices: [
      { value: 'temperature', label: say('tools.the-temperature') },
      { value: 'signal', label: signal },
    ],
  },
  {
    key: 'temperature',
    label: say('tools.temperature'),
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
  name: say('tools.resistance-thermometer'),
  hint: say('tools.c-pt-ni-thermistors'),
  fields: [
    {
      key: 'element',
      label: say('tools.element'),
      kind: 'choice',
      choices: [
        ...ELEMENTS.map(({ id }) => ({ value: id, label: id })),
        { value: 'ntc', label: 'thermistor' },
      ],
    },
    {
      key: 'class',
      label: say('tools.class'),
      kind: 'choice',
      choices: same(['AA', 'A', 'B', 'C']),
      onlyIf: { key: 'element', is: ELEMENTS.filter(({ metal }) => metal === 'Pt').map(({ id }) => id) },
    },
    {
      key: 'ohms25',
      label: say('tools.resistance-25-c'),
      kind: 'number',
      unit: 'Ω',
      onlyIf: { key: 'element', is: ['ntc'] },
    },
    { key: 'beta', label: 'B value', kind: 'number', unit: 'K', onlyIf: { key: 'element', is: ['ntc'] } },
    ...knownAs(say('tools.the-resistance')),
    {
      key: 'ohms',
      label: say('tools.resistance'),
      kind: 'number',
      unit: 'Ω',
      onlyIf: { key: 'known', is: ['signal'] },
    },
    {
      key: 'leads',
      label: say('tools.both-leads-together-two'),
      kind: 'number',
      unit: 'Ω',
      optional: true,
      hint: say('tools.leave-empty-three-four'),
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
    const toOhms = (t: number): number => (ntc ? thermistorOhms(ntc, t) : ohmsOf(sure(element), t));
    const toCelsius = (ohms: number): number =>
      ntc ? thermistorTemperature(ntc, ohms) : temperatureOf(sure(element), ohms);
    const celsius = isSignal ? at(key, () => toCelsius(given)) : given;
    const ohms = at(key, () => toOhms(celsius));
    const slope = element ? ohmsPerKelvin(element, celsius) : toOhms(celsius + 0.5) - toOhms(celsius - 0.5);
    const leads = read.maybe('leads') ?? 0;
    if (leads < 0) refuse(say('scaling.resistance-0-more'), 'leads');
    const name = element && ((element.metal === 'Ni' ? 'Ni' : read.choice('class')) as ThermometerClass);
    const tolerance = name && thermometerTolerance(name, celsius);
    const lines: ToolLine[] = [
      { label: say('tools.temperature'), value: `${withUnit(celsius, '°C')}, ${fahrenheit(celsius)}` },
      { label: say('tools.resistance'), value: withUnit(ohms, 'Ω', 6) },
      { label: say('tools.each-k'), value: withUnit(slope, 'Ω', 4) },
      ...(tolerance
        ? [
            {
              label: say('tools.class-2', { name: String(name) }),
              value: `±${withUnit(tolerance.kelvin, 'K', 3)}, ±${withUnit(Math.abs(tolerance.kelvin * slope), 'Ω', 3)}`,
            },
          ]
        : []),
      ...(leads > 0
        ? [
            {
              label: say('tools.leads-add'),
              value: `${withUnit(leads / slope, 'K', 3)}`,
              tone: 'bad' as const,
            },
          ]
        : []),
    ];
    return {
      title: `${withUnit(celsius, '°C')} = ${withUnit(ohms, 'Ω', 6)}`,
      lines,
      words:
        tolerance && !tolerance.holds
          ? [{ text: say('tools.class-defined-temperature', { name: String(name) }), tone: 'bad' }]
          : [],
    };
  },
  send: (values, index, point) =>
    sure(classChange(values.element === 'ntc' ? undefined : values.class))(values, index, point),
};

export const THERMOCOUPLE_TOOL: Tool = {
  id: 'couple',
  name: say('tools.thermocouple'),
  hint: say('tools.c-mv-types-b'),
  fields: [
    { key: 'type', label: say('tools.type'), kind: 'choice', choices: same(THERMOCOUPLE_TYPES) },
    { key: 'class', label: say('tools.class'), kind: 'choice', choices: same(['1', '2', '3']) },
    ...knownAs(say('tools.the-voltage')),
    {
      key: 'millivolts',
      label: say('tools.voltage-terminals'),
      kind: 'number',
      unit: 'mV',
      onlyIf: { key: 'known', is: ['signal'] },
    },
    { key: 'cold', label: say('tools.terminals-are-at'), kind: 'number', unit: '°C' },
  ],
  first: { type: 'K', class: '2', known: 'temperature', temperature: '200', millivolts: '7.34', cold: '20' },
  work(values) {
    const read = new ToolReader(THERMOCOUPLE_TOOL, values);
    const type = read.choice('type') as ThermocoupleType;
    const name = Number(read.choice('class')) as 1 | 2 | 3;
    const isSignal = read.choice('known') === 'signal';
    const cold = read.number('cold');
    const hot = isSignal
      ? at('millivolts', () => hotEnd(type, read.number('millivolts'), cold))
      : read.number('temperature');
    const volts = at(isSignal ? 'cold' : 'temperature', () => thermocoupleVoltage(type, hot, cold));
    const tolerance = thermocoupleTolerance(type, name, hot);
    const perKelvin = seebeck(type, hot);
    // An instrument without compensation takes the volts at its terminals for those against 0 °C.
    const short = unlessRefused(() => hot - thermocoupleTemperature(type, volts));
    return {
      title: `${withUnit(hot, '°C')} = ${withUnit(volts, 'mV')}`,
      lines: [
        { label: say('tools.hot-end'), value: `${withUnit(hot, '°C')}, ${fahrenheit(hot)}` },
        { label: say('tools.at-the-terminals'), value: withUnit(volts, 'mV') },
        { label: say('tools.against-0-c'), value: withUnit(thermocoupleVoltage(type, hot, 0), 'mV') },
        { label: say('tools.each-k'), value: withUnit(perKelvin * 1000, 'µV', 3) },
        ...(tolerance
          ? [
              {
                label: say('tools.class-2', { name: String(name) }),
                value: `±${withUnit(tolerance.kelvin, 'K', 3)}`,
              },
            ]
          : []),
      ],
      words: [
        ...(tolerance ? [] : [{ text: say('tools.type-class', { type, name }), tone: 'bad' as const }]),
        ...(tolerance?.holds === false
          ? [{ text: say('tools.class-defined-temperature', { name: String(name) }), tone: 'bad' as const }]
          : []),
        ...(short === undefined
          ? []
          : [{ text: say('tools.read-without-compensation-too', { kelvin: short }) }]),
      ],
    };
  },
  send: (values, index, point) => sure(classChange(values.class))(values, index, point),
};
