import type { DemoPoint } from './demoPoint.ts';
import { found, helper } from './demoPoint.ts';

/** Flow that is counted. */
const PULSES: readonly DemoPoint[] = [
  {
    tag: 'FQ-260',
    name: 'Make-up flow, pulses',
    typeId: 'flow-pulse-passive',
    output: 'contact',
    logic: 'no',
    at: ['ct-1', 0],
    range: { low: 0, high: 40, unit: 'm³/h' },
    landed: 5,
    more: [
      { kind: 'moveWire', wireId: 'fq-260-b-P-', to: 'g1:-' },
      helper(
        'FQ-260',
        'R260',
        'resistor',
        [
          ['1', 'g1:+', 'RD'],
          ['2', 'ct-1:C1'],
        ],
        { ohms: '2200', watts: '1' },
      ),
    ],
  },
  {
    tag: 'FQ-261',
    name: 'Backwash flow, pulses',
    typeId: 'flow-pulse-active',
    output: 'pnp',
    logic: 'no',
    at: ['ct-1', 1],
    range: { low: 0, high: 18, unit: 'm³/h' },
    landed: 3,
    more: [found('FQ-261', 'U+', { missing: true })],
  },
];

/** What turns, and what comes back from the mains side. */
const TURNING: readonly DemoPoint[] = [
  {
    tag: 'SE-264',
    name: 'Reclaim belt, drum encoder',
    typeId: 'encoder-line-driver',
    outputId: 'a',
    output: 'pushpull',
    logic: 'no',
    at: ['ct-2', 0],
    range: { low: 0, high: 90, unit: '1/min' },
    more: [{ kind: 'setPlate', pointId: 'se-264', plate: { perTurn: '500' } }],
    landed: 4,
  },
  {
    tag: 'HC-266',
    name: 'Reclaim boom, slew lever',
    typeId: 'joystick-bipolar',
    at: ['ai-5', 0],
    range: { low: -100, high: 100, unit: '%' },
    landed: 4,
  },
  {
    tag: 'SB-265',
    name: 'Wash-down bay, horn off',
    typeId: 'push-button',
    output: 'contact',
    logic: 'no',
    at: ['di-ac', 0],
    landed: 2,
  },
];

/** What is counted, turned and pressed. */
export const COUNTED: readonly DemoPoint[] = [...PULSES, ...TURNING];
