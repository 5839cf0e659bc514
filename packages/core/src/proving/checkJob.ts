import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import type { JobContent } from '../model/index.ts';
import { fixed, formatMilliamps, formatVolts } from '../units/index.ts';
import { analyse, signalText } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { placeText } from '../network/index.ts';
import type { PointState } from '../analysis/index.ts';
import { verdictOf } from '../verdict/index.ts';
import { BySection } from './sectioned.ts';
import { progressOf } from './progress.ts';
import type { PointProgress } from './progress.ts';
import { expectedText, proofPlan } from './plan.ts';

export interface CheckedPoint {
  readonly progress: PointProgress;
  readonly place: Text;
  readonly address?: string;
  readonly states: readonly {
    readonly words: Text;
    readonly outputOn: boolean;
    readonly signal: string;
    readonly input: Text;
    readonly led?: string;
    readonly bit?: 0 | 1;
  }[];
  readonly readings: readonly { readonly check: Text; readonly expected: Text }[];
}

/** Checks every point of a job: verdict, predicted states, and the readings that prove it. */
export const checkJob = (job: JobContent): CheckedPoint[] =>
  job.points.map(({ id }) => id).map(sections.of(job));

const sections = new BySection(checkPoint);

/** The same of one point, worked out at once. */
export function checkPoint(index: JobIndex, pointId: string): CheckedPoint {
  const analysis = analyse(index, pointId);
  const { context, shown, staged } = analysis;
  const plan = proofPlan(analysis);
  return {
    progress: progressOf(index.job, analysis),
    place: placeText(context),
    address: context.address,
    states: [...shown, ...staged].map((state) => describe(state.situation.words, state)),
    readings: plan.groups.flatMap(({ title, checks }) =>
      checks.map(({ label, expected }) => ({
        check: say('text.colon', { name: title, text: label }),
        expected: expectedText(expected),
      })),
    ),
  };
}

export interface WaysOut {
  readonly remedies: readonly Text[];
  readonly needed?: Text;
}

/**
 * What would put a point right that cannot work, each solved and found to work; where nothing that was tried does, why.
 * It may lie anywhere in the job. This takes longer than all else of a point: it is for one that somebody looks at.
 * @returns gives it for each point of the job.
 */
export function waysOut(job: JobContent): (pointId: string) => WaysOut {
  const index = new JobIndex(job);
  return (pointId) => {
    const { remedies, needed } = verdictOf(analyse(index, pointId));
    return { remedies: remedies.map(({ sentence }) => sentence), ...(needed && { needed }) };
  };
}

function describe(words: Text, state: PointState): CheckedPoint['states'][number] {
  return {
    words,
    outputOn: state.outputOn,
    signal: signalText(state),
    input: inputText(state),
    led: state.led,
    bit: state.bit,
  };
}

function inputText({ inputVolts, inputAmps, measured }: PointState): Text {
  if (inputVolts) return `${formatVolts(inputVolts.nom)}, ${formatMilliamps(sure(inputAmps).nom)}`;
  const [reading] = measured;
  return reading ? `${fixed(reading.value.nom, 2)} ${reading.unit}` : say('proof.no-input');
}
