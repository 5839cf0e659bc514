import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { PointState } from '../analysis/index.ts';
import type { Check, CheckGroup, Expected } from './check.ts';

/** A check before its limits are worked out: what is expected, how to find it, or where the meter goes in which state. */
export type Sought = Omit<Check, 'expected'> & {
  readonly look:
    | Extract<Expected, { kind: 'yesno' }>
    | (() => Expected)
    | { readonly state: PointState; readonly red: string; readonly black: string };
};

export type SoughtGroup = Omit<CheckGroup, 'checks'> & { readonly checks: readonly Sought[] };

/** The key of a check in a state. */
export const stateKey = (state: PointState, key: string): string =>
  `${state.situation.key}.${key}`.slice(0, 60);

/** Something that is seen or not. */
export const seen = (what: Omit<Check, 'expected'>, value: boolean, yes: Text, no: Text): Sought => ({
  ...what,
  look: { kind: 'yesno', value, yes, no },
});

/** Something that is seen or not in a state. */
export const yesno = (
  state: PointState,
  key: string,
  label: Text,
  detail: Text,
  value: boolean,
  yes: Text = say('proof.on'),
  no: Text = say('proof.off'),
): Sought => seen({ key: stateKey(state, key), label, detail }, value, yes, no);
