import type { Sense } from '../../circuit/index.ts';
import { atLeast, atMost, span, tolerant, TYPICAL } from '../description/figure.ts';
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

type DigitalPort = Extract<ModuleDescription['ports'][number], { kind: 'digital' }>;
type Behaviour = ModuleDescription['behaviours'][number];

function inputs(
  { id, name, tag = 'DI', terms = DC_TERMS }: { id: string; name: string; tag?: string; terms?: string[] },
  own: Pick<DigitalPort, 'sense' | 'iecType' | 'acVolts'>,
  sensing: Behaviour,
  sizes: readonly number[],
): ModuleDescription {
  const made = groups(sizes);
  const places = made.flatMap(({ common, channels }) => channels.map((channel) => ({ channel, common })));
  return {
    id,
    name,
    title: 'inputs',
    group: 'Inputs',
    terms,
    tag,
    ...(own.acVolts === undefined && { allocates: true }),
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
      ...own,
    })),
    terminals: [
      ...places.map(({ channel }) => ({ name: `I${channel}` })),
      ...made.map(({ common }) => ({ name: common, words: 'common' })),
    ],
    behaviours: [sensing],
  };
}

const DC_TERMS = ['input card', 'DI', 'digital input', 'PLC', '24 V inputs', 'NPN', 'PNP', 'discrete'];

const optocoupler = (iecType: 1 | 2 | 3): Behaviour => ({
  model: 'optocoupler-input',
  id: 'input',
  ...iecInput(iecType),
});

function inputModule(sense: Sense, iecType: 1 | 2 | 3, ...sizes: number[]): ModuleDescription {
  const channels = sizes.reduce((sum, size) => sum + size, 0);
  const id = `di${channels}-${sense}-${sizes.join('-')}`;
  const name = `${channels}-channel DC input, ${SENSE_WORDS[sense]}, ${COUNT_WORDS[sizes.length] ?? ''}`;
  return inputs({ id, name }, { sense, iecType }, optocoupler(iecType), sizes);
}

/**
 * Inputs for alternating current, told by r.m.s. values: volts that they are made for, from which they are surely on
 * and up to which surely off, and the resistance that limits their current, Ω. Figures are typical of such inputs;
 * a datasheet's own go before them.
 */
function acModule(acVolts: number, on: number, off: number, ohms: number): ModuleDescription {
  return inputs(
    {
      id: `di8-ac${acVolts}`,
      name: `8-channel AC input, ${acVolts} V, two commons`,
      terms: ['input card', 'DI', 'digital input', 'PLC', 'a.c. input', 'alternating', 'mains'],
    },
    { sense: 'both', acVolts },
    {
      model: 'optocoupler-input',
      id: 'input',
      ledVolts: span('V', 1, 1.2, 1.4),
      seriesOhms: tolerant('Ω', ohms, 10),
      parallelOhms: tolerant('Ω', ohms * 10, 10),
      onVolts: atLeast('V', on, TYPICAL),
      onAmps: atLeast('A', 0.003, TYPICAL),
      offVolts: atMost('V', off, TYPICAL),
      offAmps: atMost('A', 0.001, TYPICAL),
      offVoltsAtLowCurrent: atMost('V', off, TYPICAL),
      maxVolts: atMost('V', acVolts * 1.15, TYPICAL),
    },
    [4, 4],
  );
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
    { sense: 'both', iecType: 1 },
    optocoupler(1),
    [8, 6],
  ),
  acModule(24, 14, 5, 3300),
  acModule(115, 79, 20, 13_000),
  acModule(230, 164, 40, 27_000),
];

/** The module that is offered first. */
export const USUAL_MODULE = 'di8-both-4-4';
