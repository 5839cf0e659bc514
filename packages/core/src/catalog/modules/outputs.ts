import { within } from '../../circuit/index.ts';
import type { Element } from '../../circuit/index.ts';
import { contact, transistorOutput } from '../behaviours/switching.ts';
import type { ModuleType, OutputPort } from '../types.ts';
import { moduleSupply, SUPPLY_TERMINALS_OF_MODULE } from './analog.ts';

/** A transistor output of a module that the program switches. */
export function driver(
  name: string,
  style: 'pnp' | 'npn',
  plus: string,
  minus: string,
  amps: number,
  on: boolean,
): Element {
  return transistorOutput(name, { plus, out: name, minus }, style, on, {
    dropVolts: within(0.1, 0.3, 0.6),
    ratedAmps: amps,
    leastVolts: 8,
  });
}

/** An output as a port. */
export const outputPort = (
  channel: number,
  name: string,
  label: string,
  drives: OutputPort['drives'],
  ratedAmps: number,
  common: string,
  terminal = name,
): OutputPort => ({
  kind: 'output',
  channel,
  label,
  name,
  terminal,
  common,
  roles: drives === 'low' ? { loadMinus: terminal } : { loadPlus: terminal },
  drives,
  ratedAmps,
});

const OUTPUT_NAMES = Array.from({ length: 8 }, (_, n) => `Q${n}`);

const transistorModule: ModuleType = {
  id: 'do8-high',
  name: '8-channel DC output, switching plus, 0.5 A each',
  family: 'outputs',
  groups: [],
  ports: () => OUTPUT_NAMES.map((name, n) => outputPort(n, name, `output ${n}`, 'high', 0.5, 'M')),
  terminals: [...OUTPUT_NAMES.map((name) => ({ name })), ...SUPPLY_TERMINALS_OF_MODULE],
  circuit: ({ forced }) => [
    ...OUTPUT_NAMES.map((name) => driver(name, 'pnp', 'L+', 'M', 0.5, forced.has(name))),
    ...moduleSupply(),
  ],
};

const relayModule: ModuleType = {
  id: 'ro4',
  name: '4-channel relay output, one NO contact each, 2 A',
  family: 'outputs',
  groups: [],
  ports: () =>
    [1, 2, 3, 4].map((n) => outputPort(n - 1, `K${n}`, `relay output ${n}`, 'contact', 2, `${n}1`, `${n}4`)),
  terminals: [
    ...[1, 2, 3, 4].flatMap((n) => [
      { name: `${n}1`, words: 'common' },
      { name: `${n}4`, words: 'NO' },
    ]),
    ...SUPPLY_TERMINALS_OF_MODULE,
  ],
  circuit: ({ forced }) => [
    ...[1, 2, 3, 4].map((n) =>
      contact(`K${n}`, `${n}1`, `${n}4`, { all: [{ on: 'fed' }, forced.has(`K${n}`)] }),
    ),
    ...moduleSupply(),
  ],
};

export const OUTPUT_MODULES: readonly ModuleType[] = [transistorModule, relayModule];
