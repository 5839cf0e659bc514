import { holds } from '../../circuit/index.ts';
import type { Condition } from '../../circuit/index.ts';
import type { Logic, OutputKind, Settings } from '../../model/index.ts';

/**
 * What a contact, latch or output of a part hangs on, as data: the state of another element (`on`, `was`), what is
 * done to the part (`present`, `above` a share of its value, `forced` by a name of its own), what its outputs are
 * called for (`called`), how it is set (`setting`), and combinations of these.
 */
export type Expression =
  | boolean
  | { on: string }
  | { was: string }
  | { present: true }
  | { called: string }
  | { forced: string }
  | { above: number }
  | { setting: string; is: string }
  | { not: Expression }
  | { all: Expression[] }
  | { any: Expression[] };

/** How one output stands at a moment. */
export interface OutputNow {
  readonly kind: OutputKind;
  readonly logic: Logic;
  /** Whether what drives it calls for it to be on. */
  readonly called: boolean;
}

/** What the world, the program and its settings make of a part at one moment. */
export interface OperatingState {
  /** By the ids of its outputs. */
  readonly outputs: ReadonlyMap<string, OutputNow>;
  readonly present: boolean;
  /** Measured value as a share of the range, 0 to 1. */
  readonly level: number;
  /** Chosen value of every setting. */
  readonly settings: Settings;
  /** Outputs that the program has on, and what is pressed or broken, by the part's own names. */
  readonly forced: ReadonlySet<string>;
}

/** What an expression leaves for the circuit to decide, once everything else is known. */
export function conditionOf(expression: Expression, now: OperatingState): Condition {
  if (typeof expression === 'boolean') return expression;
  if ('on' in expression || 'was' in expression) return expression;
  if ('present' in expression) return now.present;
  if ('called' in expression) return now.outputs.get(expression.called)?.called ?? false;
  if ('forced' in expression) return now.forced.has(expression.forced);
  if ('above' in expression) return now.level > expression.above;
  if ('setting' in expression) return now.settings[expression.setting] === expression.is;
  if ('not' in expression) return { not: conditionOf(expression.not, now) };
  // What a part hangs on stays named, also while it does not matter: the walk through a module goes by that.
  if ('all' in expression) return { all: expression.all.map((part) => conditionOf(part, now)) };
  return { any: expression.any.map((part) => conditionOf(part, now)) };
}

/** Whether an expression that names no element of the circuit holds. */
export const holdsNow = (expression: Expression | undefined, now: OperatingState): boolean =>
  expression === undefined ||
  holds(
    conditionOf(expression, now),
    () => false,
    () => false,
  );
