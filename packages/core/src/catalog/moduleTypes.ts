import { IEC_61131_2, within } from '../circuit/index.ts';
import type { Sense } from '../circuit/index.ts';
import type { ModuleType } from './types.ts';

/** Input networks that reach the currents of their IEC 61131-2 type. */
const NETWORK = {
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
} as const;

/** Splits channels into groups of the given sizes, with commons COM1, COM2 … */
function groups(...sizes: number[]): ModuleType['groups'] {
  let next = 0;
  return sizes.map((size, g) => ({
    common: `COM${g + 1}`,
    channels: Array.from({ length: size }, () => next++),
  }));
}

const SENSE_WORDS: Record<Sense, string> = { sink: 'sinking', source: 'sourcing', both: 'two-way' };
const COUNT_WORDS = ['', 'one common', 'two commons', 'three commons', 'four commons'];

function inputModule(sense: Sense, iecType: 1 | 2 | 3, ...sizes: number[]): ModuleType {
  const channels = sizes.reduce((sum, size) => sum + size, 0);
  const commons = COUNT_WORDS[sizes.length]!;
  return {
    id: `di${channels}-${sense}-${sizes.join('-')}`,
    name: `${channels}-channel DC input, ${SENSE_WORDS[sense]}, ${commons}`,
    sense,
    iecType,
    groups: groups(...sizes),
    input: NETWORK[iecType],
    thresholds: IEC_61131_2[iecType],
  };
}

export const MODULE_TYPES: readonly ModuleType[] = [
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
  {
    id: 'controller-8-6',
    name: 'Controller with 14 built-in DC inputs, two-way, two commons',
    sense: 'both',
    iecType: 1,
    groups: groups(8, 6),
    input: NETWORK[1],
    thresholds: IEC_61131_2[1],
  },
];
