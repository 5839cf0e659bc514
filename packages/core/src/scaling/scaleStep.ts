import { lastOf, nth } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Fingerprint } from '../model/index.ts';
import { aboutValue } from '../network/index.ts';
import { stampedSteps } from '../presentation/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { StampedStep } from '../presentation/index.ts';
import type { GivenSignal } from './givenSignal.ts';
import { programEnds } from './pointCode.ts';
import type { PointChain } from './pointChainTypes.ts';

const SHAPE_TEXT = {
  linear: say('scaling.straight-line'),
  root: say('scaling.square-root'),
  table: say('scaling.by-its-table'),
} as const;

/** What the controller is to make of the counts, in a line. */
export function scalingText({ chain, scaling }: PointChain): Message {
  const { format, range } = chain.converter;
  const { controller } = chain;
  const ends = programEnds(chain);
  const times =
    scaling.controller.multiplier === 1
      ? ''
      : say('scaling.times', { multiplier: scaling.controller.multiplier });
  const from =
    format.kind === 'unit'
      ? say('scaling.counts-each', { high: format.high, unit: chain.converter.unit })
      : say('scaling.counts-over', {
          low: format.low,
          high: format.high,
          low2: range.low,
          high2: range.high,
          unit: chain.converter.unit,
        });
  return say('scaling.are-to', {
    from,
    ...ends,
    unit: controller.unit,
    shapeWord: SHAPE_TEXT[scaling.controller.shape],
    times,
  });
}

/** What the controller is to hold, as a fingerprint: what its scaling works out to, whatever it comes from. */
const aboutChain = ({ chain, scaling }: PointChain): Fingerprint => {
  const { format, range } = chain.converter;
  const { unit } = chain.controller;
  const { low, high } = programEnds(chain);
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

/** What the controller is to make of what its program writes, as a fingerprint. */
const aboutGiven = ({ format, of, rows }: GivenSignal): Fingerprint =>
  aboutValue('scaling', {
    format,
    unit: of,
    ends: [nth(rows, 0), lastOf(rows)].map(({ value, counts, given }) => ({ value, counts, given })),
  });

function givenText({ of, rows }: GivenSignal): Message {
  const [low, high] = [nth(rows, 0), lastOf(rows)];
  return say('scaling.writes-counts-for', {
    low: low.counts,
    high: high.counts,
    low2: low.value,
    high2: high.value,
    unit: of,
  });
}

/** The one step of Scale: that the controller holds what was worked out. A change of the chain opens it again. */
export function scaleStep({ context }: Analysis, made: PointChain | GivenSignal): StampedStep {
  const step = {
    key: 'scale.taken',
    title: say('scaling.controller-holds', {
      scaling: 'chain' in made ? scalingText(made) : givenText(made),
    }),
    about: () => ('chain' in made ? aboutChain(made) : aboutGiven(made)),
    detail: say('scaling.entered-controller-read-back'),
  };
  const [stamped] = stampedSteps(context.index.job, context.point.id, [step]);
  return stamped ?? { step, changed: [] };
}
