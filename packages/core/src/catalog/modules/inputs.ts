import { IEC_61131_2, within } from '../../circuit/index.ts';
import type { Element, InputThresholds, Sense, Span } from '../../circuit/index.ts';
import type { DigitalPort, ModuleGroup, ModuleType, PartTerminal } from '../types.ts';

/** An optocoupler input: lamp diode, its series resistor, and what is parallel to both. */
export interface InputNetwork {
  readonly ledVolts: Span;
  readonly seriesOhms: Span;
  readonly parallelOhms: Span;
}

/** Input networks that reach the currents of their IEC 61131-2 type. */
export const NETWORK: Readonly<Record<1 | 2 | 3, InputNetwork>> = {
  1: {
    ledVolts: within(1, 1.2, 1.4),
    seriesOhms: within(4230, 4700, 5170),
    parallelOhms: within(10800, 12000, 13200),
  },
  2: {
    ledVolts: within(1, 1.2, 1.4),
    seriesOhms: within(1425, 1500, 1575),
    parallelOhms: within(4275, 4500, 4725),
  },
  3: {
    ledVolts: within(1, 1.2, 1.4),
    seriesOhms: within(3240, 3600, 3960),
    parallelOhms: within(6120, 6800, 7480),
  },
};

/** A digital input as an element of a module. */
export const inputElement = (
  id: string,
  terminal: string,
  common: string,
  sense: Sense,
  network: InputNetwork,
  thresholds: InputThresholds,
): Element => ({ kind: 'optocoupler', id, terminal, common, sense, ...network, thresholds });

/** Roles of leads that bring a switched signal. */
export const signalRoles = (terminal: string): DigitalPort['roles'] => ({
  out: terminal,
  sideB: terminal,
  complement: terminal,
  auxReturn: terminal,
});

/** Splits channels into groups of the given sizes, with commons COM1, COM2 … */
function groups(...sizes: number[]): ModuleGroup[] {
  let next = 0;
  return sizes.map((size, g) => ({
    common: `COM${g + 1}`,
    channels: Array.from({ length: size }, () => next++),
  }));
}

const SENSE_WORDS: Record<Sense, string> = { sink: 'sinking', source: 'sourcing', both: 'two-way' };
const COUNT_WORDS = ['', 'one common', 'two commons', 'three commons', 'four commons'];

function inputs(
  id: string,
  name: string,
  sense: Sense,
  iecType: 1 | 2 | 3,
  sizes: readonly number[],
): ModuleType {
  const made = groups(...sizes);
  const places = made.flatMap(({ common, channels }) => channels.map((channel) => ({ channel, common })));
  const thresholds = IEC_61131_2[iecType];
  const network = NETWORK[iecType];
  const ports = places.map(({ channel, common }): DigitalPort => ({
    kind: 'digital',
    channel,
    label: `channel ${channel}`,
    name: `I${channel}`,
    terminal: `I${channel}`,
    common,
    roles: signalRoles(`I${channel}`),
    sense,
    iecType,
    thresholds,
    seriesOhms: network.seriesOhms.nom,
  }));
  const terminals: PartTerminal[] = [
    ...places.map(({ channel }) => ({ name: `I${channel}` })),
    ...made.map(({ common }) => ({ name: common, words: 'common' })),
  ];
  return {
    id,
    name,
    family: 'inputs',
    groups: made,
    ports: () => ports,
    terminals,
    circuit: () =>
      ports.map(({ name: port, terminal, common }) =>
        inputElement(port, terminal, common, sense, network, thresholds),
      ),
  };
}

function inputModule(sense: Sense, iecType: 1 | 2 | 3, ...sizes: number[]): ModuleType {
  const channels = sizes.reduce((sum, size) => sum + size, 0);
  return inputs(
    `di${channels}-${sense}-${sizes.join('-')}`,
    `${channels}-channel DC input, ${SENSE_WORDS[sense]}, ${COUNT_WORDS[sizes.length]!}`,
    sense,
    iecType,
    sizes,
  );
}

export const INPUT_MODULES: readonly ModuleType[] = [
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
  inputs('controller-8-6', 'Controller with 14 built-in DC inputs, two-way, two commons', 'both', 1, [8, 6]),
];
