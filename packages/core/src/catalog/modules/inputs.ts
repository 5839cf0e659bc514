import type { Sense } from '../../circuit/index.ts';
import type { ModuleDescription } from '../description/moduleDescription.ts';
import { iecInput, signalRoles } from './parts.ts';

const SENSE_WORDS: Record<Sense, string> = {
  sink: 'sinking',
  source: 'sourcing',
  both: 'sink or source, selectable',
};
const COUNT_WORDS = ['', 'one common', 'two commons', 'three commons', 'four commons'];

/** Splits channels into groups of the given sizes, with commons COM1, COM2 … */
function groups(sizes: readonly number[]): ModuleDescription['groups'] {
  let next = 0;
  return sizes.map((size, g) => ({
    common: `COM${g + 1}`,
    channels: Array.from({ length: size }, () => next++),
  }));
}

function inputs(
  { id, name, tag = 'DI' }: { id: string; name: string; tag?: string },
  sense: Sense,
  iecType: 1 | 2 | 3,
  sizes: readonly number[],
): ModuleDescription {
  const made = groups(sizes);
  const places = made.flatMap(({ common, channels }) => channels.map((channel) => ({ channel, common })));
  return {
    id,
    name,
    title: 'inputs',
    group: 'Inputs',
    terms: ['input card', 'DI', 'digital input', 'PLC', '24 V inputs', 'NPN', 'PNP', 'discrete'],
    tag,
    allocates: true,
    image: { area: 'I', each: 'X' },
    groups: made,
    ports: places.map(({ channel, common }) => ({
      kind: 'digital',
      channel,
      label: `channel ${channel}`,
      name: `I${channel}`,
      terminal: `I${channel}`,
      common,
      roles: signalRoles(`I${channel}`),
      input: 'input',
      sense,
      iecType,
    })),
    terminals: [
      ...places.map(({ channel }) => ({ name: `I${channel}` })),
      ...made.map(({ common }) => ({ name: common, words: 'common' })),
    ],
    behaviours: [{ model: 'optocoupler-input', id: 'input', ...iecInput(iecType) }],
  };
}

function inputModule(sense: Sense, iecType: 1 | 2 | 3, ...sizes: number[]): ModuleDescription {
  const channels = sizes.reduce((sum, size) => sum + size, 0);
  const id = `di${channels}-${sense}-${sizes.join('-')}`;
  const name = `${channels}-channel DC input, ${SENSE_WORDS[sense]}, ${COUNT_WORDS[sizes.length] ?? ''}`;
  return inputs({ id, name }, sense, iecType, sizes);
}

export const INPUT_MODULES: readonly ModuleDescription[] = [
  inputModule('sink', 3, 4),
  inputModule('sink', 3, 8),
  inputModule('sink', 1, 16),
  inputModule('source', 3, 4),
  inputModule('source', 3, 8),
  inputModule('source', 1, 16),
  inputModule('both', 1, 4),
  inputModule('both', 1, 8),
  inputModule('both', 1, 4, 4),
  inputModule('both', 1, 16),
  inputModule('both', 1, 8, 8),
  inputModule('both', 1, 4, 4, 4, 4),
  inputModule('sink', 2, 8, 8),
  inputs(
    {
      id: 'controller-8-6',
      name: 'Controller with 14 built-in DC inputs, sink or source, selectable, two commons',
      tag: 'PLC',
    },
    'both',
    1,
    [8, 6],
  ),
];

/** The module that is offered first. */
export const USUAL_MODULE = 'di8-both-4-4';
