import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import type { JobContent, Result } from '../model/index.ts';
import { analyse } from '../analysis/index.ts';
import { judge } from '../verdict/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { Judgement } from '../verdict/index.ts';
import { openCase } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import { BySection } from './sectioned.ts';
import { landSteps, stampedSteps } from '../presentation/index.ts';
import type { StampedStep } from '../presentation/index.ts';
import { countSet, fitSteps, sheetsOf } from '../setting/index.ts';
import { chainOf, disagreementOf, givenSignal, scaleStep } from '../scaling/index.ts';
import { calibrationsOf } from '../sensing/index.ts';
import {
  channelsStand,
  inputFaults,
  ladderOf,
  outputsOf,
  outputStep,
  switchStep,
} from '../switching/index.ts';
import { aboutPoint, changedParts } from '../network/index.ts';
import type { PointContext } from '../network/index.ts';
import { checkName, checkKeys } from './plan.ts';
import { resultValues } from './judge.ts';

export type Status = 'open' | 'underway' | 'proven' | 'failed' | 'doubtful' | 'cannot';
export type Stage = 'fit' | 'land' | 'set' | 'scale' | 'switch' | 'prove';

export interface PointProgress {
  readonly pointId: string;
  readonly tag: string;
  readonly name: string;
  readonly verdict: Judgement;
  readonly stages: readonly { readonly stage: Stage; readonly mark: Status }[];
  readonly overall: Status;
  /** What stops the point, or what is to be done next. */
  readonly line: Text;
}

/** The last result of each check of a point. Earlier ones stay in the log. */
export function latestResults(job: JobContent, pointId: string): Map<string, Result> {
  return new Map(job.results.filter((r) => r.pointId === pointId).map((r) => [r.check, r]));
}

/** Of those the ones that still hold: nothing that they were about stands otherwise now. */
function holdingResults(context: PointContext): Map<string, Result> {
  const latest = latestResults(context.index.job, context.point.id);
  if (latest.size === 0) return latest;
  const now = aboutPoint(context);
  return new Map([...latest].filter(([, { fingerprint }]) => !changedParts(fingerprint, now).length));
}

/** How far a point is: one mark a stage, one for all, and a line that says why or what next. */
export function progressOf(job: JobContent, analysis: Analysis): PointProgress {
  const { point } = analysis.context;
  const verdict = judge(analysis);
  const parts = stageParts(job, analysis, verdict);
  const overall = worst(parts);
  const fault = openCase(job, point.id);
  const failed = [...holdingResults(analysis.context).values()].find((result) => !result.pass);
  return {
    pointId: point.id,
    tag: point.tag,
    name: point.name,
    verdict,
    stages: parts.map(({ stage, mark }) => ({ stage, mark })),
    // Whatever was proven: somebody says that it does not work.
    overall: fault && overall !== 'cannot' ? 'failed' : overall,
    line:
      verdict.status === 'cannot' || verdict.status === 'doubtful'
        ? shortReason(verdict)
        : fault
          ? say('proof.fault-open', { symptom: fault.symptom })
          : failed
            ? failedLine(failed)
            : verdict.status === 'open'
              ? say('proof.next-choose-channel')
              : (parts.find(({ next }) => next)?.next ?? say('proof.proven')),
  };
}

interface StagePart {
  readonly stage: Stage;
  readonly mark: Status;
  /** What is to be done next in it; nothing when it is done. */
  readonly next?: Text;
}

/** The stages that apply to a point, in the order in which they are gone through. */
function stageParts(job: JobContent, analysis: Analysis, verdict: Judgement): StagePart[] {
  const { index, point } = analysis.context;
  const fit = stampsPart('fit', fitSteps(index, point));
  const land = stampsPart('land', stampedSteps(job, point.id, landSteps(analysis)));
  const { status } = verdict;
  return [
    ...(fit ? [fit] : []),
    {
      ...(land ?? { stage: 'land', mark: 'open' }),
      ...((status === 'cannot' || status === 'doubtful') && { mark: status }),
    },
    ...setPart(index, point.id),
    ...scalePart(analysis),
    ...switchPart(analysis),
    provePart(analysis),
  ];
}

function stampsPart(stage: Stage, steps: readonly StampedStep[]): StagePart | undefined {
  if (!steps.length) return undefined;
  const done = steps.filter(({ stamp }) => stamp).length;
  const next = steps.find(({ stamp }) => !stamp)?.step.title;
  return {
    stage,
    mark: counted(done, steps.length),
    ...(next !== undefined && { next: say('proof.next', { next }) }),
  };
}

function setPart(index: JobIndex, pointId: string): StagePart[] {
  const { done, required, differ } = countSet(sheetsOf(index, pointId));
  if (!required) return [];
  const left = required - done;
  const mark = done === 0 && differ > 0 ? 'underway' : counted(done, required);
  const next = differ
    ? say('proof.values-differ', { differ, required })
    : say('proof.values-do', { left, required });
  return [{ stage: 'set', mark, ...(left > 0 && { next: say('proof.next-set', { next }) }) }];
}

/** Scale: done once the controller was said to hold it, and the screen shows what there is. */
function scalePart(analysis: Analysis): StagePart[] {
  const made = chainOf(analysis);
  if (!made) return givenPart(analysis);
  if ('problem' in made)
    return [{ stage: 'scale', mark: 'open', next: say('proof.next-scale', { problem: made.problem }) }];
  const off = disagreementOf(analysis, made);
  const { stamp } = scaleStep(analysis, made);
  if (off)
    return [{ stage: 'scale', mark: 'underway', next: say('proof.next-scale-off', { off: off.sentence }) }];
  return stamp
    ? [{ stage: 'scale', mark: 'proven' }]
    : [{ stage: 'scale', mark: 'open', next: say('proof.next-scale-enter-controller') }];
}

/** The same of a signal that the controller gives, once its range and its output are known. */
function givenPart(analysis: Analysis): StagePart[] {
  const given = givenSignal(analysis);
  if (!given || 'problem' in given) return [];
  if (given.otherwise)
    return [
      { stage: 'scale', mark: 'underway', next: say('proof.next-scale-off', { off: given.otherwise }) },
    ];
  return scaleStep(analysis, given).stamp
    ? [{ stage: 'scale', mark: 'proven' }]
    : [{ stage: 'scale', mark: 'open', next: say('proof.next-scale-enter-controller') }];
}

/** Switch, where anything of it was begun: done once the alarms, the device's channels and what was taught are right. */
function switchPart(analysis: Analysis): StagePart[] {
  const parts = [
    ...alarmsPart(analysis),
    ...outputsPart(analysis),
    ...channelsPart(analysis),
    ...inputPart(analysis),
    ...taughtPart(analysis),
  ];
  const worstFirst = ['doubtful', 'underway', 'open', 'proven'] as const;
  const found = worstFirst.flatMap((mark) => parts.find((part) => part.mark === mark) ?? [])[0];
  return found ? [found] : [];
}

const switchAt = (mark: Status, next?: Text): StagePart[] => [
  { stage: 'switch', mark, ...(next !== undefined && { next }) },
];

function alarmsPart(analysis: Analysis): StagePart[] {
  const found = ladderOf(analysis);
  if (!found) return [];
  if ('problem' in found) return switchAt('doubtful', say('proof.next', { next: found.problem }));
  const { length } = found.findings;
  if (length) return switchAt('underway', say('proof.next-switch-wrong', { count: length }));
  if (found.unsafe[0]) return switchAt('doubtful', say('proof.next-switch-unsafe'));
  return switchStep(analysis, found).stamp
    ? switchAt('proven')
    : switchAt('open', say('proof.next-switch-enter'));
}

function outputsPart(analysis: Analysis): StagePart[] {
  return outputsOf(analysis).flatMap((found) => {
    const { name } = found.output;
    if ('problem' in found) return switchAt('doubtful', say('proof.next', { next: found.problem }));
    if (found.threshold.findings.length)
      return switchAt('underway', say('proof.next-threshold-wrong', { name }));
    if (found.unsafe.length) return switchAt('doubtful', say('proof.next-threshold-unsafe', { name }));
    return outputStep(analysis, found).stamp
      ? switchAt('proven')
      : switchAt('open', say('proof.next-threshold-enter', { name }));
  });
}

/** What an input reads with a fault, where somebody said which side is safe. */
function inputPart(analysis: Analysis): StagePart[] {
  if (analysis.context.point.switching?.safeInput === undefined) return [];
  return inputFaults(analysis).some(({ safe, hidden }) => safe === false && !hidden)
    ? switchAt('doubtful', say('proof.next-input-unsafe'))
    : switchAt('proven');
}

function channelsPart(analysis: Analysis): StagePart[] {
  const is = channelsStand(analysis);
  if (!is) return [];
  return is === 'required' ? switchAt('proven') : switchAt('underway', say('proof.next-switch-channel'));
}

/** What was taught last counts. */
function taughtPart({ context: { index, point } }: Analysis): StagePart[] {
  const last = calibrationsOf(index.job, point.id).findLast(({ body }) => body.kind === 'taught')?.body;
  if (last?.kind !== 'taught') return [];
  return last.ok ? switchAt('proven') : switchAt('doubtful', say('proof.next-switch-taught'));
}

function provePart(analysis: Analysis): StagePart {
  const checks = checkKeys(analysis);
  const latest = holdingResults(analysis.context);
  const passed = checks.filter((key) => latest.get(key)?.pass).length;
  const failed = [...latest.values()].some((result) => !result.pass);
  return {
    stage: 'prove',
    mark: failed ? 'failed' : counted(passed, checks.length),
    ...(passed < checks.length && {
      next: say('proof.next-prove-checks-do', { checks, passed }),
    }),
  };
}

const sections = new BySection((index, pointId) => progressOf(index.job, analyse(index, pointId)));

/** How far each point of a job is, worked out when it is asked for; after a change only where it reaches. */
export const progressIn = (job: JobContent): ((pointId: string) => PointProgress) => sections.of(job);

/** Progress of every point of a job, in the job's order. */
export const jobProgress = (job: JobContent): PointProgress[] =>
  job.points.map(({ id }) => id).map(progressIn(job));

function counted(done: number, all: number): Status {
  if (done === 0) return 'open';
  return done < all ? 'underway' : 'proven';
}

/** Stages that do not make a point begun. */
const COMES_LATER: ReadonlySet<Stage> = new Set(['set', 'scale', 'switch']);

/** One mark for all stages. What the sheet knows by itself does not make a point begun. */
function worst(parts: readonly StagePart[]): Status {
  const has = (mark: Status): boolean => parts.some((part) => part.mark === mark);
  if (has('cannot')) return 'cannot';
  if (has('failed')) return 'failed';
  if (has('doubtful')) return 'doubtful';
  if (parts.every(({ mark }) => mark === 'proven')) return 'proven';
  return parts.every(({ stage, mark }) => COMES_LATER.has(stage) || mark === 'open') ? 'open' : 'underway';
}

function shortReason({ reasons, sentence }: Judgement): Message {
  return say('text.brief', { text: reasons[0]?.sentence ?? sentence });
}

const failedLine = (result: Result): Message => {
  const { measured, expected } = resultValues(result);
  return say('proof.expected', { checkName: checkName(result.check), measured, expected });
};
