import { exactly, percent, solveWithBands, within } from '../circuit/index.ts';
import type { Element } from '../circuit/index.ts';
import { refuse } from '../model/index.ts';
import { DIGITAL_OHMS } from '../analysis/index.ts';
import { wireOhms } from '../network/index.ts';
import { at, ToolReader, withUnit } from './tool.ts';
import type { Tool } from './tool.ts';

/** The transmitter's own drop is left out of the circuit: what stands between its terminals is what is left for it. */
function loopCircuit(read: ToolReader): { elements: Element[]; amps: number } {
  const positive = (key: string): number => {
    const value = read.number(key);
    return value > 0 ? value : refuse('It is above 0.', key);
  };
  const notNegative = (key: string): number => {
    const value = read.maybe(key) ?? 0;
    return value >= 0 ? value : refuse('It is 0 or more.', key);
  };
  const volts = positive('volts');
  const amps = positive('milliamps') / 1000;
  const wire = wireOhms({ lengthM: positive('length'), mm2: positive('mm2') });
  const barrier = notNegative('barrier');
  const drop = notNegative('drop');
  const burden = notNegative('burden');
  const resistor = (id: string, a: string, b: string, ohms: ReturnType<typeof exactly>): Element => ({
    kind: 'resistor',
    id,
    a,
    b,
    ohms,
  });
  const small = (ohms: number): number => Math.max(ohms, 1e-6);
  return {
    amps,
    elements: [
      {
        kind: 'source',
        id: 'supply',
        plus: 'p',
        minus: '0',
        volts: percent(volts, read.number('tolerance')),
        internalOhms: exactly(0),
        limitAmps: exactly(1),
      },
      resistor('there', 'p', 'a', wire),
      resistor('back', 'b', 'c', wire),
      resistor('barrier', 'c', 'd', exactly(small(barrier))),
      resistor('burden', 'd', 'e', exactly(small(burden))),
      {
        kind: 'source',
        id: 'drop',
        plus: 'e',
        minus: '0',
        volts: exactly(drop),
        internalOhms: exactly(1e-6),
        limitAmps: exactly(1),
      },
      {
        kind: 'transmitter',
        id: 'signal',
        plus: 'a',
        minus: 'b',
        amps: exactly(amps),
        liftVolts: within(-200, -200, -200),
      },
    ],
  };
}

export const LOOP_TOOL: Tool = {
  id: 'loop',
  name: 'Loop budget',
  hint: 'whether a two-wire transmitter gets its volts, and how long the cable may be',
  fields: [
    { key: 'volts', label: 'Supply', kind: 'number', unit: 'V' },
    { key: 'tolerance', label: 'Its tolerance, ±', kind: 'number', unit: '%' },
    { key: 'needs', label: 'Transmitter needs at least', kind: 'number', unit: 'V' },
    { key: 'milliamps', label: 'Top current', kind: 'number', unit: 'mA' },
    { key: 'length', label: 'Cable, one way', kind: 'number', unit: 'm' },
    { key: 'mm2', label: 'Cross-section', kind: 'number', unit: 'mm²' },
    { key: 'burden', label: 'Input resistor', kind: 'number', unit: 'Ω' },
    { key: 'barrier', label: 'Barrier, resistance', kind: 'number', unit: 'Ω', optional: true },
    { key: 'drop', label: 'Barrier, fixed drop', kind: 'number', unit: 'V', optional: true },
    {
      key: 'digital',
      label: 'Digital communication on the loop',
      kind: 'choice',
      choices: [
        { value: 'no', label: 'no' },
        { value: 'yes', label: 'yes' },
      ],
    },
  ],
  first: {
    volts: '24',
    tolerance: '3',
    needs: '12',
    milliamps: '21',
    length: '100',
    mm2: '0.5',
    burden: '250',
    barrier: '',
    drop: '',
    digital: 'no',
  },
  work(values) {
    const read = new ToolReader(LOOP_TOOL, values);
    const { elements, amps } = loopCircuit(read);
    const { bands } = at('volts', () =>
      solveWithBands({ elements, reference: '0' }, [{ kind: 'volts', a: 'a', b: 'b' }]),
    );
    const left = bands[0]!;
    const needs = read.number('needs');
    const margin = left.min - needs;
    const length = read.number('length');
    const perMetre = 2 * wireOhms({ lengthM: 1, mm2: read.number('mm2') }).max;
    const longest = Math.max(0, length + margin / (amps * perMetre));
    const ohms =
      (read.maybe('burden') ?? 0) +
      (read.maybe('barrier') ?? 0) +
      2 * wireOhms({ lengthM: length, mm2: read.number('mm2') }).nom;
    const digital = read.choice('digital') === 'yes';
    return {
      title:
        margin >= 0
          ? `It gets its volts, ${withUnit(margin, 'V', 3)} to spare`
          : `${withUnit(-margin, 'V', 3)} too little`,
      lines: [
        {
          label: 'Left for the transmitter',
          value: `${withUnit(left.min, 'V', 3)} at worst, ${withUnit(left.nom, 'V', 3)} usually`,
          tone: margin >= 0 ? 'good' : 'bad',
        },
        { label: 'It needs', value: withUnit(needs, 'V') },
        { label: 'Longest cable', value: withUnit(longest, 'm', 3) },
        {
          label: 'Resistance of the loop',
          value: withUnit(ohms, 'Ω', 4),
          tone: digital ? (ohms >= DIGITAL_OHMS ? 'good' : 'bad') : undefined,
        },
      ],
      words:
        digital && ohms < DIGITAL_OHMS
          ? [{ text: `Digital communication needs at least ${DIGITAL_OHMS} Ω in the loop.`, tone: 'bad' }]
          : [],
    };
  },
};
