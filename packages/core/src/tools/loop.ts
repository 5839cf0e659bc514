import { nth } from '../lists/index.ts';
import { withUnit } from '../units/index.ts';
import { say } from '../messages/index.ts';
import { exactly, percent, solveWithBands, within } from '../circuit/index.ts';
import type { Element } from '../circuit/index.ts';
import { refuse } from '../model/index.ts';
import { DIGITAL_OHMS } from '../analysis/index.ts';
import { wireOhms } from '../network/index.ts';
import { at, ToolReader } from './tool.ts';
import type { Tool } from './tool.ts';

/** The transmitter's own drop is left out of the circuit: what stands between its terminals is what is left for it. */
function loopCircuit(read: ToolReader): { elements: Element[]; amps: number } {
  const positive = (key: string): number => {
    const value = read.number(key);
    return value > 0 ? value : refuse(say('tools.above-0'), key);
  };
  const notNegative = (key: string): number => {
    const value = read.maybe(key) ?? 0;
    return value >= 0 ? value : refuse(say('tools.0-more'), key);
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
  name: say('tools.loop-budget'),
  hint: say('tools.whether-two-wire-transmitter'),
  fields: [
    { key: 'volts', label: say('proof.supply'), kind: 'number', unit: 'V' },
    { key: 'tolerance', label: say('tools.its-tolerance'), kind: 'number', unit: '%' },
    { key: 'needs', label: say('tools.transmitter-needs-least'), kind: 'number', unit: 'V' },
    { key: 'milliamps', label: say('tools.top-current'), kind: 'number', unit: 'mA' },
    { key: 'length', label: say('tools.cable-way'), kind: 'number', unit: 'm' },
    { key: 'mm2', label: say('tools.cross-section'), kind: 'number', unit: 'mm²' },
    { key: 'burden', label: say('tools.input-resistor'), kind: 'number', unit: 'Ω' },
    { key: 'barrier', label: say('tools.barrier-resistance'), kind: 'number', unit: 'Ω', optional: true },
    { key: 'drop', label: say('tools.barrier-fixed-drop'), kind: 'number', unit: 'V', optional: true },
    {
      key: 'digital',
      label: say('tools.digital-communication-loop'),
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
    const left = nth(bands, 0);
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
      title: margin >= 0 ? say('tools.gets-volts-spare', { margin }) : say('tools.too-little', { margin }),
      lines: [
        {
          label: say('tools.left-transmitter'),
          value: say('tools.worst-usually', { min: left.min, left: left.nom }),
          tone: margin >= 0 ? 'good' : 'bad',
        },
        { label: say('tools.it-needs'), value: withUnit(needs, 'V') },
        { label: say('tools.longest-cable'), value: withUnit(longest, 'm', 3) },
        {
          label: say('tools.resistance-loop'),
          value: withUnit(ohms, 'Ω', 4),
          tone: digital ? (ohms >= DIGITAL_OHMS ? 'good' : 'bad') : undefined,
        },
      ],
      words:
        digital && ohms < DIGITAL_OHMS
          ? [
              {
                text: say('tools.digital-communication-needs-least', { digitalOhms: DIGITAL_OHMS }),
                tone: 'bad',
              },
            ]
          : [],
    };
  },
};
