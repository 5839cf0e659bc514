import type { Fingerprint } from '../model/index.ts';
import { aboutValue } from '../network/index.ts';
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

/** What the controller is to hold, as a fingerprint: what its scaling works out to, whatever it comes from. */
const aboutChain = ({ chain, scaling }: PointChain): Fingerprint => {
  const { format, range } = chain.converter;
  const { low, high, unit } = chain.controller;
  return aboutValue('scaling', {
    format,
    range,
    low,
    high,
    unit,
    shape: scaling.controller.shape,
    times: scaling.controller.multiplier,
  });
};

/** The one step of Scale: that the controller holds what was worked out. A change of the chain opens it again. */
export function scaleStep({ context }: Analysis, made: PointChain): StampedStep {
  const step = {
    key: 'scale.taken',
    title: `Controller: ${scalingWords(made)}`,
    about: aboutChain(made),
    detail: 'Entered in the controller and read back there.',
  };
  const [stamped] = stampedSteps(context.index.job, context.point.id, [step]);
  return stamped ?? { step, changed: [] };
}
