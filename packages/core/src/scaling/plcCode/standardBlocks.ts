import type { PlcType, StandardBlock } from './program.ts';

/** An instance of a function block: what it was given last, what it gives, and what it keeps. Truths are 0 and 1. */
export interface BlockState {
  readonly inputs: Record<string, number>;
  readonly outputs: Record<string, number>;
  /** Moment from which on it counts, ms. */
  since: number;
  before: number;
}

interface Standard {
  readonly inputs: Readonly<Record<string, PlcType>>;
  readonly fresh: () => BlockState;
  readonly run: (state: BlockState, now: number) => void;
}

const state = (inputs: readonly string[], outputs: readonly string[]) => (): BlockState => ({
  inputs: Object.fromEntries(inputs.map((name) => [name, 0])),
  outputs: Object.fromEntries(outputs.map((name) => [name, 0])),
  since: 0,
  before: 0,
});

const TIMER = { inputs: { IN: 'BOOL', PT: 'TIME' }, fresh: state(['IN', 'PT'], ['Q', 'ET']) } as const;

/** Standard function blocks as IEC 61131-3 has them (2.5.2.3, tables 34 to 37). */
export const STANDARD_BLOCKS: Readonly<Record<StandardBlock, Standard>> = {
  /** On after its input was on for a time. */
  TON: {
    ...TIMER,
    run: (own, now) => {
      const { IN = 0, PT = 0 } = own.inputs;
      if (IN && !own.before) own.since = now;
      own.before = IN;
      own.outputs.ET = IN ? Math.min(now - own.since, PT) : 0;
      own.outputs.Q = IN && now - own.since >= PT ? 1 : 0;
    },
  },
  /** Off after its input was off for a time. */
  TOF: {
    ...TIMER,
    run: (own, now) => {
      const { IN = 0, PT = 0 } = own.inputs;
      if (!IN && own.before) own.since = now;
      const counts = !IN && own.outputs.Q === 1;
      own.outputs.ET = counts ? Math.min(now - own.since, PT) : 0;
      own.outputs.Q = IN || (counts && now - own.since < PT) ? 1 : 0;
      own.before = IN;
    },
  },
  /** Kept until it is reset; the reset wins. */
  RS: {
    inputs: { S: 'BOOL', R1: 'BOOL' },
    fresh: state(['S', 'R1'], ['Q1']),
    run: ({ inputs: { S = 0, R1 = 0 }, outputs }) => {
      outputs.Q1 = !R1 && (S || outputs.Q1) ? 1 : 0;
    },
  },
  /** On for one cycle when its input comes. */
  R_TRIG: {
    inputs: { CLK: 'BOOL' },
    fresh: state(['CLK'], ['Q']),
    run: (own) => {
      const { CLK = 0 } = own.inputs;
      own.outputs.Q = CLK && !own.before ? 1 : 0;
      own.before = CLK;
    },
  },
};
