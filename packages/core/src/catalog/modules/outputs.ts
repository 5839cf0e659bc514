import type { ModuleDescription } from '../description/moduleDescription.ts';
import { scaling } from './parameters.ts';
import {
  analogOutput,
  analogOutputPort,
  driver,
  moduleSupply,
  outputPort,
  outputSignal,
  outputTie,
  relayContact,
  SUPPLY_TERMINALS,
} from './parts.ts';

/** What people call them. */
const TERMS = ['output card', 'DO', 'digital output', 'PLC', 'relay output', 'discrete'];

const NAMES = Array.from({ length: 8 }, (_, n) => `Q${n}`);

const TRANSISTORS: ModuleDescription = {
  id: 'do8-high',
  name: '8-channel DC output, switching plus, 0.5 A each',
  title: 'outputs',
  group: 'Outputs',
  terms: TERMS,
  tag: 'DO',
  image: { area: 'Q', each: 'X' },
  groups: [],
  ports: NAMES.map((name, n) => outputPort(n, name, `output ${n}`, 'high', 0.5, 'M')),
  terminals: [...NAMES.map((name) => ({ name })), ...SUPPLY_TERMINALS],
  behaviours: [...NAMES.map((name) => driver(name, 'pnp', 0.5)), moduleSupply()],
};

const RELAYS: ModuleDescription = {
  id: 'ro4',
  name: '4-channel relay output, one NO contact each, 2 A',
  title: 'outputs',
  group: 'Outputs',
  terms: TERMS,
  tag: 'RLY',
  image: { area: 'Q', each: 'X' },
  groups: [],
  ports: [1, 2, 3, 4].map((n) =>
    outputPort(n - 1, `K${n}`, `relay output ${n}`, 'contact', 2, `${n}1`, `${n}4`),
  ),
  terminals: [
    ...[1, 2, 3, 4].flatMap((n) => [
      { name: `${n}1`, words: 'common' },
      { name: `${n}4`, words: 'NO' },
    ]),
    ...SUPPLY_TERMINALS,
  ],
  behaviours: [...[1, 2, 3, 4].map((n) => relayContact(`K${n}`, `${n}1`, `${n}4`)), moduleSupply()],
};

const SINKING: ModuleDescription = {
  ...TRANSISTORS,
  id: 'do8-low',
  name: '8-channel DC output, switching minus, 0.5 A each',
  terms: [...TERMS, 'NPN', 'sinking', 'low side'],
  ports: NAMES.map((name, n) => outputPort(n, name, `output ${n}`, 'low', 0.5, 'L+')),
  behaviours: [...NAMES.map((name) => driver(name, 'npn', 0.5)), moduleSupply()],
};

const CHANNELS = [0, 1, 2, 3].map((n) => ({ name: `A${n}`, label: `analog output ${n}` }));

const ANALOG: ModuleDescription = {
  id: 'ao4',
  name: '4-channel analog output, 4-20 mA or 0-10 V',
  title: 'analog outputs',
  group: 'Outputs',
  terms: ['AO', 'analogue output', 'set-point', 'PLC', '0-10', '4-20'],
  tag: 'AO',
  image: { area: 'Q', each: 'W' },
  groups: [],
  ports: CHANNELS.map(({ name, label }, n) => analogOutputPort(n, name, label)),
  terminals: [
    ...CHANNELS.flatMap(({ name }) => [
      { name: `${name}+`, words: 'analog output' },
      { name: `${name}-`, words: 'analog output' },
    ]),
    ...SUPPLY_TERMINALS,
  ],
  parameters: CHANNELS.flatMap(({ name, label }) => scaling(name, label)),
  settings: CHANNELS.map(({ name, label }) => outputSignal(name, label)),
  behaviours: [...CHANNELS.flatMap(({ name }) => [analogOutput(name), outputTie(name)]), moduleSupply()],
};

export const OUTPUT_MODULES: readonly ModuleDescription[] = [TRANSISTORS, SINKING, RELAYS, ANALOG];
