import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { JobProblem } from '../model/index.ts';

/**
 * Terms of the smart-sensor profile (IO-Link Smart Sensor Profile, second edition): of each switching signal channel
 * the set points SP1 and SP2, its logic, its mode and its hysteresis, and how it is taught.
 */
/** `select`: by which a channel is chosen to be taught. */
export const SWITCH_CHANNELS = [
  { channel: 1, points: 60, config: 61, select: 0 },
  { channel: 2, points: 62, config: 63, select: 2 },
] as const;

export const SWITCH_MODES = {
  '0': 'off',
  '1': say('ioLink.single-point'),
  '2': 'window',
  '3': say('ioLink.two-points'),
} as const;

/** Index for commands, and of the teach channel chosen and its result. */
export const COMMAND_INDEX = 2;
export const TEACH_SELECT_INDEX = 58;
export const TEACH_RESULT_INDEX = 59;

/** Commands to teach by what they take over. */
export const TEACH_COMMANDS = {
  'SP1 from the present value': 65,
  'SP2 from the present value': 66,
  cancel: 79,
} as const;
export type TeachCommand = keyof typeof TEACH_COMMANDS;

const STATES: Readonly<Record<number, Text>> = {
  0: 'idle',
  1: 'SP1 taken',
  2: 'SP2 taken',
  3: say('ioLink.sp1-sp2-taken'),
  4: say('ioLink.waiting-command'),
  5: 'busy',
  7: say('ioLink.failed-old-values-stay'),
};

/** What the byte of a teach result says: state in the lower half, flags of what was taken in the upper. */
export const teachText = (byte: number): Text => STATES[byte & 0x0f] ?? say('ioLink.state', { byte });

/** A switching signal channel as it is set. */
export interface SwitchChannel {
  readonly sp1: number;
  readonly sp2: number;
  readonly mode: keyof typeof SWITCH_MODES;
  readonly turned: boolean;
  readonly hysteresis: number;
}

/** What cannot be set together: equal points of a window, a hysteresis wider than what lies between. */
export function channelProblems({ sp1, sp2, mode, hysteresis }: SwitchChannel): Message[] {
  if (hysteresis < 0) return [say('ioLink.hysteresis-0-more')];
  if (mode === '0' || mode === '1') return [];
  if (sp1 === sp2) return [say('ioLink.sp1-sp2-both-needs', { sp1, switchMode: SWITCH_MODES[mode] })];
  return mode === '2' && hysteresis > Math.abs(sp1 - sp2)
    ? [say('ioLink.hysteresis-wider-window-never', { hysteresis, sp1, sp2 })]
    : [];
}

/**
 * Output of a channel for a row of values, one after the other.
 * @param was whether it compared as on before the first; turned it gives the opposite.
 * Single point: on from SP1 up, off below SP1 less the hysteresis. Two points: on from the higher, off below the lower.
 * Window: on between the two, off beyond either by the hysteresis.
 * @throws JobProblem for what cannot be set together.
 */
export function switchedBy(channel: SwitchChannel, values: readonly number[], was = false): boolean[] {
  const problems = channelProblems(channel);
  if (problems.length) throw new JobProblem(problems.map((message) => ({ path: '', message })));
  const { mode, turned, sp1, sp2, hysteresis } = channel;
  const [low, high] = [Math.min(sp1, sp2), Math.max(sp1, sp2)];
  let on = was;
  return values.map((value) => {
    if (mode === '1') on = on ? value >= sp1 - hysteresis : value >= sp1;
    else if (mode === '3') on = on ? value >= low : value >= high;
    else if (mode === '2')
      on = on ? value >= low - hysteresis && value <= high + hysteresis : value >= low && value <= high;
    return mode === '0' ? false : on !== turned;
  });
}
