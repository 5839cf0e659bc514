import { ANY_UNITS, choices, MAINS } from '../handling/menu.ts';
import type { Parameter, Setting } from '../parameters.ts';

/** How the controller or drive scales one of its analog channels. */
export function scaling(name: string, label: string): Parameter[] {
  const end = (key: 'low' | 'high', words: string, factory: string): Parameter => ({
    key: `${name}.${key}`,
    label: `${label}, value at ${words}`,
    kind: 'number',
    place: 'parameter',
    unitKey: `${name}.unit`,
    factory,
    needs: [`${name}.unit`],
    from: `range.${key}`,
  });
  return [
    {
      key: `${name}.unit`,
      label: `${label}, unit`,
      kind: 'choice',
      place: 'parameter',
      choices: ANY_UNITS,
      free: true,
      factory: '%',
      from: 'range.unit',
      wipes: [`${name}.low`, `${name}.high`],
    },
    end('low', 'bottom of range', '0'),
    end('high', 'top of range', '100'),
  ];
}

/** What an analog module filters out. */
export const MODULE_MAINS: Parameter = { ...MAINS, label: 'Mains frequency filtered out', factory: '50' };

/** What a port of an IO-Link master is: one that talks, or a switching input or output on the same pin. */
export const portMode = (name: string, label: string): Setting => ({
  key: `${name}.mode`,
  label: `${label}, mode`,
  place: 'parameter',
  choices: [
    { value: 'undefined', label: 'left undefined' },
    { value: 'off', label: 'disabled' },
    { value: 'iolink', label: 'IO-Link' },
    { value: 'input', label: 'switching input' },
    { value: 'output', label: 'switching output' },
  ],
  wipes: ['vendor', 'device', 'lengthIn', 'lengthOut', 'validation', 'backup', 'cycle'].map(
    (key) => `${name}.${key}`,
  ),
  from: 'port.mode',
});

/** How one port of an IO-Link master is run besides. */
export function portParameters(name: string, label: string): Parameter[] {
  const number = (
    key: string,
    words: string,
    min: number,
    max: number,
    rest: Partial<Parameter>,
  ): Parameter => ({
    key: `${name}.${key}`,
    label: `${label}, ${words}`,
    kind: 'number',
    place: 'parameter',
    min,
    max,
    factory: '0',
    needs: [`${name}.mode`],
    onlyIf: { key: `${name}.mode`, is: ['iolink'] },
    ...rest,
  });
  return [
    number('lengthIn', 'bytes from the device', 0, 32, { from: 'port.lengthIn' }),
    number('lengthOut', 'bytes to the device', 0, 32, { from: 'port.lengthOut' }),
    {
      key: `${name}.validation`,
      label: `${label}, identity`,
      kind: 'choice',
      place: 'parameter',
      choices: choices({ none: 'any device', type: 'same type only', serial: 'the very same device' }),
      factory: 'none',
      needs: [`${name}.mode`],
      onlyIf: { key: `${name}.mode`, is: ['iolink'] },
      wipes: ['vendor', 'device'].map((key) => `${name}.${key}`),
      usual: { value: 'type', why: 'so that a wrong device is refused instead of read' },
    },
    number('vendor', 'vendor id expected', 0, 65535, { needs: [`${name}.validation`], from: 'port.vendor' }),
    number('device', 'device id expected', 0, 16777215, {
      needs: [`${name}.validation`],
      from: 'port.device',
    }),
    {
      key: `${name}.backup`,
      label: `${label}, backup`,
      kind: 'choice',
      place: 'parameter',
      choices: choices({ none: 'none', backup: 'back up and restore', restore: 'restore only' }),
      factory: 'none',
      needs: [`${name}.validation`],
      onlyIf: { key: `${name}.mode`, is: ['iolink'] },
      usual: { value: 'backup', why: 'so that a swapped device gets its parameters back' },
    },
    number('cycle', 'cycle time', 0, 132.8, { unit: 'ms', from: 'port.cycle' }),
  ];
}

/** What an input of a universal controller means to it. */
export const functionOf = (name: string, label: string): Parameter => ({
  key: `${name}.function`,
  label: `${label}, function`,
  kind: 'choice',
  place: 'parameter',
  choices: choices({
    none: 'none',
    start: 'start and stop from outside',
    oil: 'oil pressure low',
    temperature: 'temperature high',
    level: 'level low',
    flow: 'no flow',
    inlet: 'inlet pressure low',
    own: 'a message of one’s own',
  }),
  factory: 'none',
});

const speed = (key: string, label: string, more: Partial<Parameter> = {}): Parameter => ({
  key,
  label,
  kind: 'number',
  place: 'parameter',
  unit: '1/min',
  min: 0,
  max: 10000,
  ...more,
});

/** The speed at which a universal controller runs what it drives, and between which limits. */
export const SPEEDS: readonly Parameter[] = [
  speed('speed.set', 'Speed set-point', { factory: '1500', needs: ['speed.min', 'speed.max'] }),
  speed('speed.min', 'Lowest speed', { factory: '800' }),
  speed('speed.max', 'Highest speed', { factory: '1800' }),
  speed('speed.over', 'Speed from which it stops', {
    factory: '2000',
    needs: ['speed.max'],
    caution: 'Above it what turns can burst. The maker of the machine says the value; nothing here does.',
  }),
];

/** What a universal controller does when an input is active. */
export const actionOf = (name: string, label: string): Parameter => ({
  key: `${name}.action`,
  label: `${label}, action when active`,
  kind: 'choice',
  place: 'parameter',
  choices: choices({
    none: 'none',
    warn: 'warn',
    controlled: 'controlled stop with restart',
    stop: 'stop',
    relay: 'drive a relay',
  }),
  factory: 'none',
});
