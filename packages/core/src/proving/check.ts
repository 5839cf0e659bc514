import type { Message, Text } from '../messages/index.ts';

/** What a check expects: a lamp or bit that is on or off, a voltage within limits, V, or a value of an injected signal. */
export type Expected =
  | { readonly kind: 'yesno'; readonly value: boolean; readonly yes: Text; readonly no: Text }
  | { readonly kind: 'volts'; readonly min: number; readonly nom: number; readonly max: number }
  /** A current or a count as it is read off directly. */
  | {
      readonly kind: 'reading';
      readonly min: number;
      readonly nom: number;
      readonly max: number;
      readonly unit: string;
      readonly digits: number;
    }
  | {
      readonly kind: 'value';
      readonly min: number;
      readonly nom: number;
      readonly max: number;
      readonly unit: string;
      readonly digits: number;
      /** What was injected, in the source's unit, and the value that one unit of it is worth. */
      readonly injected: number;
      readonly perInjected: number;
    };

export interface Check {
  readonly key: string;
  readonly label: Text;
  readonly detail: Text;
  readonly expected: Expected;
}

export interface CheckGroup {
  /** `supply`, or the key of a state. */
  readonly key: string;
  readonly title: Text;
  readonly how?: Text;
  readonly caution?: Text;
  readonly checks: readonly Check[];
}

export interface ProofPlan {
  /** Why there is nothing to prove yet. */
  readonly blocked?: Message;
  readonly groups: readonly CheckGroup[];
}

/** The unit in which a check's value is read. */
export const unitOfExpected = (expected: Expected): string =>
  expected.kind === 'value' || expected.kind === 'reading' ? expected.unit : 'V';
