import { ownTextOf } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { fromVersion1, readJobFile } from '../jobFile/index.ts';
import type { Pictures } from '../jobFile/index.ts';
import type { JobContent, Point } from '../model/index.ts';
import { JobContent as Job } from '../model/index.ts';
import { landSteps } from '../presentation/index.ts';
import type { LandStep } from '../presentation/index.ts';
import { chainOf, scaleStep } from '../scaling/index.ts';
import { fitSteps } from '../setting/index.ts';
import { proofFingerprint } from './plan.ts';

/** Reads a job file of any version, with the pictures of its photos. @throws JobProblem with every problem found. */
export function openWholeFile(text: string): { readonly job: JobContent; readonly pictures: Pictures } {
  const { job, titles, pictures } = readJobFile(text);
  return { job: titles ? sealVersion1(job, titles) : job, pictures };
}

/** The same, where nobody asks for pictures. */
export const openJobFile = (text: string): JobContent => openWholeFile(text).job;

/** Brings the stored rows of a job of version 1 to those of today. @throws ZodError where they are no job. */
export function openVersion1(rows: Readonly<Record<string, unknown>>): JobContent {
  const { job, titles } = fromVersion1(rows);
  return sealVersion1(Job.parse(job), titles);
}

/**
 * Gives the stamps and results of a version 1 job their fingerprints: a stamp whose step still has the title by which
 * it held then, and every result. What does not hold any more keeps one that nothing has, and is to be done again.
 */
function sealVersion1(job: JobContent, titles: ReadonlyMap<string, string>): JobContent {
  const index = new JobIndex(job);
  const steps = new Map(job.points.map((point) => [point.id, stepsOf(index, point)]));
  const proofs = new Map(
    job.points
      .filter(({ id }) => job.results.some(({ pointId }) => pointId === id))
      .map(({ id }) => [id, proofFingerprint(analyse(index, id))]),
  );
  return {
    ...job,
    stamps: job.stamps.map((stamp) => {
      const step = steps.get(stamp.pointId)?.find(({ key }) => key === stamp.step);
      return step && asVersion1Said(step.title) === titles.get(stamp.id)?.trim()
        ? { ...stamp, fingerprint: step.about() }
        : stamp;
    }),
    results: job.results.map((result) => ({
      ...result,
      fingerprint: proofs.get(result.pointId) ?? result.fingerprint,
    })),
  };
}

/** A title in the words of version 1, which called every LED a lamp and cut what was long. */
const asVersion1Said = (title: Text): string =>
  ownTextOf(title)
    .replace(/\bLED\b/g, 'lamp')
    .slice(0, 200)
    .trim();

function stepsOf(index: JobIndex, point: Point): LandStep[] {
  const analysis = analyse(index, point.id);
  const made = chainOf(analysis);
  return [
    ...fitSteps(index, point).map(({ step }) => step),
    ...landSteps(analysis),
    ...(made && 'chain' in made ? [scaleStep(analysis, made).step] : []),
  ];
}
