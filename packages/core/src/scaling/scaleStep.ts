import { plain } from '../units/index.ts';
import { stampedSteps } from '../presentation/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { StampedStep } from '../presentation/index.ts';
import type { PointChain } from './pointChainTypes.ts';

const SHAPE_WORDS = {
  linear: 'in a straight line',
  root: 'as a square root',
  table: 'by its table',
} as const;

/** What the controller is to make of the counts, in a line. */
export function scalingWords({ chain, scaling }: PointChain): string {
  const { format, range } = chain.converter;
  const { controller } = chain;
  const times = scaling.controller.multiplier === 1 ? '' : `, times ${plain(scaling.controller.multiplier)}`;
  const from =
    format.kind === 'unit'
      ? `${format.high} counts for each ${chain.converter.unit}`
      : `${format.low} to ${format.high} counts over ${plain(range.low)} to ${plain(range.high)} ${chain.converter.unit}`;
  return `${from} are ${plain(controller.low)} to ${plain(controller.high)} ${controller.unit} ${SHAPE_WORDS[scaling.controller.shape]}${times}`;
}

/** The one step of Scale: that the controller holds what was worked out. A change of the chain opens it again. */
export function scaleStep({ context }: Analysis, made: PointChain): StampedStep {
  const step = {
    key: 'scale.taken',
    title: `Controller: ${scalingWords(made)}`.slice(0, 200),
    detail: 'Entered in the controller and read back there.',
  };
  return stampedSteps(context.index.job, context.point.id, [step])[0]!;
}
