import type { JobContent, Result } from '../model/job.ts';
import { analyse, judge } from '../wiring/analysis.ts';
import type { Analysis, Judgement } from '../wiring/analysis.ts';
import { JobIndex } from '../wiring/jobIndex.ts';
import { landSteps, stampedSteps } from '../wiring/steps.ts';
import { checkKeys } from './plan.ts';

export type Mark = 'open' | 'underway' | 'proven' | 'failed' | 'doubtful' | 'cannot';
export type Stage = 'land' | 'prove';

export interface PointProgress {
  readonly pointId: string;
  readonly tag: string;
  readonly name: string;
  readonly verdict: Judgement;
  readonly stages: readonly { readonly stage: Stage; readonly mark: Mark }[];
  readonly overall: Mark;
  /** What stops the point, or what is to be done next. */
  readonly line: string;
}

/** The last result of each check of a point. Earlier ones stay in the log. */
export function latestResults(job: JobContent, pointId: string): Map<string, Result> {
  return new Map(job.results.filter((r) => r.pointId === pointId).map((r) => [r.check, r]));
}

/** How far a point is: one mark a stage, one for all, and a line that says why or what next. */
export function progressOf(job: JobContent, analysis: Analysis): PointProgress {
  const { point } = analysis.context;
  const verdict = judge(analysis);
  const steps = stampedSteps(job, point.id, landSteps(analysis));
  const done = steps.filter(({ stamp }) => stamp).length;
  const blocked = verdict.status === 'cannot' || verdict.status === 'doubtful';
  const land: Mark =
    verdict.status === 'cannot' || verdict.status === 'doubtful'
      ? verdict.status
      : counted(done, steps.length);
  const checks = checkKeys(analysis);
  const latest = latestResults(job, point.id);
  const failed = [...latest.values()].find((result) => !result.pass);
  const passed = checks.filter((key) => latest.get(key)?.pass).length;
  const prove: Mark = failed ? 'failed' : counted(passed, checks.length);
  const overall = worst(land, prove);
  const next = steps.find(({ stamp }) => !stamp)?.step.title;
  return {
    pointId: point.id,
    tag: point.tag,
    name: point.name,
    verdict,
    stages: [
      { stage: 'land', mark: land },
      { stage: 'prove', mark: prove },
    ],
    overall,
    line: blocked
      ? shortReason(verdict)
      : failed
        ? failedLine(failed)
        : verdict.status === 'open'
          ? 'Next: choose a channel'
          : next
            ? `Next: ${next}`
            : overall === 'proven'
              ? 'Proven'
              : `Next: prove, ${checks.length - passed} of ${checks.length} checks to do`,
  };
}

/** Progress of every point of a job, in the job's order. */
export function jobProgress(job: JobContent): PointProgress[] {
  const index = new JobIndex(job);
  return job.points.map((point) => progressOf(job, analyse(index, point.id)));
}

function counted(done: number, all: number): Mark {
  if (done === 0) return 'open';
  return done < all ? 'underway' : 'proven';
}

function worst(land: Mark, prove: Mark): Mark {
  if (land === 'cannot') return 'cannot';
  if (prove === 'failed') return 'failed';
  if (land === 'doubtful') return 'doubtful';
  if (land === 'proven' && prove === 'proven') return 'proven';
  return land === 'open' && prove === 'open' ? 'open' : 'underway';
}

function shortReason({ reasons, sentence }: Judgement): string {
  return (reasons[0]?.sentence ?? sentence).split('. ')[0]!.replace(/\.$/, '');
}

function failedLine(result: Result): string {
  const state = result.check.startsWith('present')
    ? ' with target'
    : result.check.startsWith('away')
      ? ' without target'
      : '';
  const label = result.subject.split(',')[0]!;
  const seen =
    typeof result.measured === 'number' ? `${result.measured.toFixed(1)} V` : result.measured ? 'on' : 'off';
  return `${label}${state} ${seen}; expected ${result.expected.text}`;
}
