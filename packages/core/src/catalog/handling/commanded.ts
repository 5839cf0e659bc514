import type { Parameter } from '../parameters.ts';
import type { Handling } from './handling.ts';
import { SERIAL } from './handling.ts';
import { choices, rangeOf, unitOfAny } from './menu.ts';

/** What a drive does when its set-point falls below the live zero: a broken wire must not be the lowest speed. */
export const LIVE_ZERO: Parameter = {
  key: 'liveZero',
  label: 'Without its set-point',
  kind: 'choice',
  place: 'parameter',
  choices: choices({
    bottom: 'runs on at the bottom of its range',
    last: 'runs on as it was',
    fault: 'stops with a fault',
  }),
  factory: 'bottom',
  usual: {
    value: 'fault',
    why: 'so that a broken wire is seen; whether the process bears a stop is for its owner to say',
  },
};

/** Indicator at the end of a loop: its own scale must be the point's. */
export const INDICATOR: Handling = {
  fit: [],
  plate: [SERIAL],
  parameters: [
    unitOfAny('%'),
    ...rangeOf('100'),
    {
      key: 'decimals',
      label: 'Decimal places',
      kind: 'number',
      place: 'parameter',
      min: 0,
      max: 4,
      factory: '0',
      usual: { value: '1', why: 'what the loop can resolve' },
    } satisfies Parameter,
  ],
};

/** Where a drive's analog and digital outputs get what they show from. */
export const FOLLOWS = choices({
  ready: 'ready',
  running: 'running',
  fault: 'healthy: falls off on a fault and without supply',
  speed: 'set-point reached',
});

/** Drive that a controller commands: what starts it, what its set-point means, what it does without one. */
export const COMMANDED_DRIVE: Handling = {
  fit: [
    {
      key: 'motor',
      title: 'Motor’s own current, voltage and connection as on its plate entered',
      reason: 'They protect the motor; a wrong one burns it.',
      caution: 'Power wiring, earthing and first start: only by those licensed for it.',
    },
    {
      key: 'screen',
      title: 'Motor cable screened, its screen on all round at both ends',
      reason: 'Its edges disturb every signal beside it.',
    },
    {
      key: 'apart',
      title: 'Signal cables away from the motor cable, crossing it square',
      reason: 'Beside it a set-point of 4 mA shakes by a hertz.',
    },
  ],
  plate: [
    SERIAL,
    {
      key: 'motor',
      label: 'Rated current of the motor',
      kind: 'number',
      unit: 'A',
      min: 0.1,
      max: 5000,
      example: '6.3 A',
    },
  ],
  parameters: [
    {
      key: 'motor',
      label: 'Motor current',
      kind: 'number',
      place: 'parameter',
      unit: 'A',
      min: 0.1,
      max: 5000,
      from: 'plate.motor',
    },
    {
      key: 'command',
      label: 'Started by',
      kind: 'choice',
      place: 'parameter',
      choices: choices({ keypad: 'its own keypad', terminals: 'its terminals', bus: 'a fieldbus' }),
      factory: 'keypad',
      usual: { value: 'terminals', why: 'the start is wired' },
      caution: 'From then on the controller can start it.',
    },
    {
      key: 'source',
      label: 'Set-point from',
      kind: 'choice',
      place: 'parameter',
      choices: choices({
        keypad: 'its own keypad',
        A1: 'analog input 1',
        A2: 'analog input 2',
        bus: 'a fieldbus',
      }),
      factory: 'keypad',
      usual: { value: 'A1', why: 'that is where it is wired' },
    },
    {
      key: 'kind',
      label: 'Signal of analog input 1',
      kind: 'choice',
      place: 'parameter',
      choices: choices({
        '4-20 mA': '4-20 mA',
        '0-20 mA': '0-20 mA',
        '0-10 V': '0-10 V',
        '2-10 V': '2-10 V',
      }),
      factory: '0-10 V',
      from: 'signal.range',
    },
    { ...unitOfAny('Hz'), wipes: ['low', 'high'] },
    ...rangeOf('50', -1000, 1e5),
    LIVE_ZERO,
    {
      key: 'relay',
      label: 'Relay follows',
      kind: 'choice',
      place: 'parameter',
      choices: FOLLOWS,
      factory: 'running',
      usual: { value: 'fault', why: 'so that a loss of its supply is told too' },
    },
  ],
};
