import type { Message } from '../../messages/index.ts';
export type ReasonCode =
  | 'no-earth'
  | 'no-supply'
  | 'supply-reversed'
  | 'supply-outside'
  | 'common-open'
  | 'same-pull'
  | 'wrong-sense'
  | 'group-mixed'
  | 'back-feed'
  | 'always-on'
  | 'always-off'
  | 'not-following'
  | 'undecided'
  | 'over-voltage'
  | 'over-current'
  | 'no-solution'
  | 'leak-holds'
  | 'starved'
  | 'kept-in'
  | 'coil-kind'
  | 'coil-volts'
  | 'coil-suppressor'
  | 'contact-rating'
  | 'contact-wetting'
  | 'duty-unmet'
  | 'duty-edge'
  | 'ac-dc'
  | 'short-circuit'
  | 'loop-open'
  | 'loop-volts'
  | 'loop-ohms'
  | 'found-otherwise'
  | 'signal-reading'
  | 'signal-switch'
  | 'lead-error'
  | 'sense-open'
  | 'safety-bypass'
  | 'safety-channel'
  | 'safety-output'
  | 'safety-shared'
  | 'safety-cross'
  | 'safety-reset'
  | 'safety-feedback'
  | 'pulse-resistor'
  | 'pulse-speed'
  | 'line-swapped'
  | 'line-terminators'
  | 'line-bias'
  | 'port-class'
  | 'cable-length'
  | 'resistor-power'
  | 'output-overload'
  | 'overload'
  | 'coil-sensor'
  | 'element-open'
  | 'chain'
  | 'setting-risk'
  | 'inside-fault';

export interface Reason {
  readonly code: ReasonCode;
  readonly weight: 'cannot' | 'doubtful';
  readonly sentence: Message;
}

export const cannot = (code: ReasonCode, sentence: Message): Reason => ({ code, weight: 'cannot', sentence });
export const doubtful = (code: ReasonCode, sentence: Message): Reason => ({
  code,
  weight: 'doubtful',
  sentence,
});
