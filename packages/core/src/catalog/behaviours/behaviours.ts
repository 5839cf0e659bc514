import type { z } from 'zod';
import type { Element } from '../../circuit/index.ts';
import { holdsNow } from '../description/expression.ts';
import type { OperatingState } from '../description/expression.ts';
import { BASIC } from './basic.ts';
import type { Around } from './behaviour.ts';
import { INPUTS } from './inputs.ts';
import { LOADS } from './loads.ts';
import { MEASURING } from './measuring.ts';
import { OUTPUTS } from './outputs.ts';

/** Every electrical behaviour, by the names that descriptions use. */
export const ALL = [...BASIC, ...OUTPUTS, ...LOADS, ...MEASURING, ...INPUTS] as const;

export type Known = (typeof ALL)[number];

/** A behaviour with the figures of one part. */
export type BehaviourOf = z.infer<ReturnType<Known['schema']>>;
export type Model = BehaviourOf['model'];
export type OfModel<M extends Model> = Extract<BehaviourOf, { model: M }>;

const byModel = new Map<string, Known>(ALL.map((known) => [known.model, known]));

/** What a behaviour puts between the terminals of its part at one moment. */
export function elementsOf(own: BehaviourOf, now: OperatingState, around: Around): Element[] {
  if (!holdsNow(own.onlyIf, now)) return [];
  const known = byModel.get(own.model);
  return known
    ? (known.elements as (own: BehaviourOf, now: OperatingState, around: Around) => Element[])(
        own,
        now,
        around,
      )
    : [];
}

/** The behaviours of one model among some. */
export const ofModel = <M extends Model>(behaviours: readonly BehaviourOf[], model: M): OfModel<M>[] =>
  behaviours.filter((own): own is OfModel<M> => own.model === model);
