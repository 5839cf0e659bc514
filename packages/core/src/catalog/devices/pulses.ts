import type { DeviceDescription, OutputDescription } from '../description/deviceDescription.ts';
import { atLeast, atMost, between, span, tolerant } from '../description/figure.ts';
import type { PartTerminal } from '../description/terminals.ts';
import { MAGNETIC_FLOW, PULSE_FLOW } from '../handling/magneticFlow.ts';
import { FLOW, fourWire } from './analog.ts';

const pulsing = (terminals: string[], more: Partial<OutputDescription>): OutputDescription => ({
  id: 'pulse',
  label: 'Pulse output',
  drivenBy: 'pulses',
  terminals,
  kinds: ['contact'],
  logics: ['no'],
  landsOn: 'pulses',
  rule: 'pulse',
  element: 'output',
  words: { present: 'Pulse', away: 'Between pulses' },
  stimulus: 'the device’s own pulse simulation, or real flow',
  ...more,
});

const FED: DeviceDescription['behaviours'][number] = {
  model: 'supply',
  id: 'supply',
  plus: 'L+',
  minus: 'L-',
  ohms: tolerant('Ω', 300, 20),
  minimum: atLeast('V', 18),
};

const common: Pick<DeviceDescription, 'group' | 'handling' | 'supply' | 'indicators'> = {
  group: 'Pulse outputs',
  handling: PULSE_FLOW,
  supply: { plus: 'L+', minus: 'L-', volts: between('V', 18, 30) },
  indicators: [{ id: 'fed', label: 'Display', kind: 'lamp' }],
};

/** An isolated transistor between two terminals of its own: it conducts one way only and keeps 1 V at 10 mA. */
const PASSIVE = {
  terminals: [
    { name: 'P+', role: 'pulse', words: 'pulse, collector', colour: 'WH' },
    { name: 'P-', role: 'pulseReturn', words: 'pulse, emitter', colour: 'GY' },
  ] satisfies PartTerminal[],
  output: pulsing(['P+', 'P-'], { passive: true, across: ['P+', 'P-'], rated: atMost('A', 0.03) }),
  behaviours: [
    {
      model: 'diode',
      id: 'way',
      anode: 'P+',
      cathode: '~p',
      drop: span('V', 0.5, 0.7, 0.9),
      ohms: span('Ω', 10, 20, 30),
    },
    {
      model: 'contact',
      id: 'output',
      a: '~p',
      b: 'P-',
      closed: { all: [{ called: 'pulse' }, { on: 'fed' }] },
      ohms: span('Ω', 1, 2, 5),
    },
    { model: 'resistor', id: 'leak', a: '~p', b: 'P-', ohms: span('Ω', 1e6, 2e6, 1e7) },
  ] satisfies DeviceDescription['behaviours'],
  face: { a: 'P+', b: 'P-', glyph: { kind: 'slot', id: 'output' } } as const,
};

const MAGNETIC = fourWire('4-20 mA', {
  id: 'flow-magnetic-pulse',
  name: 'Magnetic flow meter with memory module, own supply, 4-20 mA and passive pulse output',
  title: 'magnetic flow, 4-20 mA, pulse',
  handling: MAGNETIC_FLOW,
  stimulus: FLOW,
});

export const PULSE_DEVICES: readonly DeviceDescription[] = [
  {
    ...common,
    id: 'flow-pulse-passive',
    name: 'Flow meter, passive pulse output (isolated transistor)',
    title: 'flow meter, passive pulse',
    terminals: [
      { name: 'L+', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'L-', role: 'minus', words: 'supply minus', colour: 'BU' },
      ...PASSIVE.terminals,
    ],
    outputs: [PASSIVE.output],
    behaviours: [FED, ...PASSIVE.behaviours],
    face: [{ a: 'L+', b: 'L-', glyph: { kind: 'line', id: 'supply' } }, PASSIVE.face],
  },
  {
    ...MAGNETIC,
    terminals: [...MAGNETIC.terminals, ...PASSIVE.terminals],
    outputs: [...MAGNETIC.outputs, PASSIVE.output],
    behaviours: [...MAGNETIC.behaviours, ...PASSIVE.behaviours],
    face: [...(MAGNETIC.face ?? []), PASSIVE.face],
  },
  {
    ...common,
    id: 'flow-pulse-active',
    name: 'Flow meter, active pulse output, own output supply',
    title: 'flow meter, active pulse',
    terminals: [
      { name: 'L+', role: 'plus', words: 'supply plus', colour: 'BN' },
      { name: 'L-', role: 'minus', words: 'supply minus', colour: 'BU' },
      { name: 'U+', role: 'extraPlus', words: 'output supply plus', colour: 'RD' },
      { name: 'P', role: 'out', words: 'pulse', colour: 'WH' },
      { name: 'U-', role: 'extraMinus', words: 'output supply minus', colour: 'GY' },
    ],
    outputs: [
      pulsing(['P', 'U+', 'U-'], {
        kinds: ['pnp', 'npn'],
        stage: { plus: 'U+', minus: 'U-', minimum: atLeast('V', 10) },
        rated: atMost('A', 0.05),
      }),
    ],
    behaviours: [
      FED,
      {
        model: 'transistor-output',
        id: 'output',
        output: 'pulse',
        plus: 'U+',
        minus: 'U-',
        out: 'P',
        active: { all: [{ called: 'pulse' }, { on: 'fed' }] },
        drop: span('V', 0.5, 1, 2),
        leakage: span('A', 0, 0.00001, 0.0001),
        rated: atMost('A', 0.05),
        minimum: atLeast('V', 10),
      },
      { model: 'resistor', id: 'stage', a: 'U+', b: 'U-', ohms: span('Ω', 8000, 10000, 20000) },
    ],
    face: [
      { a: 'L+', b: 'L-', glyph: { kind: 'line', id: 'supply' } },
      { a: 'U+', b: 'U-', middle: 'P', glyph: { kind: 'slot', id: 'output/high' } },
    ],
  },
];
