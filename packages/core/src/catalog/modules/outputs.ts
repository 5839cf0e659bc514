import type { ModuleDescription } from '../description/moduleDescription.ts';
import { driver, moduleSupply, outputPort, SUPPLY_TERMINALS } from './parts.ts';

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
  behaviours: [
    ...[1, 2, 3, 4].map((n): ModuleDescription['behaviours'][number] => ({
      model: 'contact',
      id: `K${n}`,
      a: `${n}1`,
      b: `${n}4`,
      closed: { all: [{ on: 'fed' }, { forced: `K${n}` }] },
    })),
    moduleSupply(),
  ],
};

export const OUTPUT_MODULES: readonly ModuleDescription[] = [TRANSISTORS, RELAYS];
