import { oncePer } from '../lists/index.ts';
import type {
  FaultBody,
  FaultExperience,
  FaultRecord,
  FaultSort,
  JobContent,
  Rated,
} from '../model/index.ts';

type Mended = Extract<FaultBody, { kind: 'mended' }>;
type Looks = Extract<FaultBody, { kind: 'opened' }>['seen'];

/** A fault from when it was reported until it was mended. */
export interface FaultCase {
  readonly id: string;
  readonly pointId: string;
  readonly symptom: string;
  readonly opened: Pick<FaultRecord, 'by' | 'at'>;
  /** All that was seen, as it was handed over last, by whom, and what they wrote. */
  readonly seen: Looks;
  readonly handed: (Pick<FaultRecord, 'by' | 'at'> & { readonly note: string }) | undefined;
  readonly mended: (Pick<FaultRecord, 'by' | 'at'> & Mended) | undefined;
  /** When the same was mended before at this point, the last time first. */
  readonly before: readonly string[];
}

/** The faults of a job in the order in which they were reported. */
export const faultCases = ({ faults }: Pick<JobContent, 'faults'>): readonly FaultCase[] => casesOf(faults);

const casesOf = oncePer((faults: JobContent['faults']): readonly FaultCase[] => {
  const cases = new Map<string, FaultCase>();
  const mended: { readonly pointId: string; readonly fault: string; readonly at: string }[] = [];
  for (const { id, pointId, body, by, at } of faults) {
    if (body.kind === 'opened') {
      const { symptom, seen } = body;
      const opened = { by, at };
      cases.set(id, { id, pointId, symptom, opened, seen, handed: undefined, mended: undefined, before: [] });
      continue;
    }
    if (body.kind === 'rated') continue;
    const own = cases.get(body.of);
    if (!own) continue;
    if (body.kind === 'seen')
      cases.set(own.id, { ...own, seen: body.seen, handed: { by, at, note: body.note } });
    else {
      const before = mended
        .filter((one) => one.pointId === pointId && one.fault === body.fault)
        .map((one) => one.at)
        .reverse();
      cases.set(own.id, { ...own, mended: { ...body, by, at }, before });
      if (body.fault !== undefined) mended.push({ pointId, fault: body.fault, at });
    }
  }
  return [...cases.values()];
});

/** The fault of a point that is open; the last, if there are several. */
export const openCase = (job: Pick<JobContent, 'faults'>, pointId: string): FaultCase | undefined =>
  faultCases(job).findLast((one) => one.pointId === pointId && !one.mended);

/** What a job's own record says of how often each sort of fault is what is wrong. */
export function faultExperience({ faults }: Pick<JobContent, 'faults'>): FaultExperience {
  const mended = new Map<FaultSort, number>();
  const rated = new Map<FaultSort, Rated>();
  for (const { body, by, at } of faults)
    if (body.kind === 'mended') mended.set(body.sort, (mended.get(body.sort) ?? 0) + 1);
    else if (body.kind === 'rated') rated.set(body.sort, { often: body.often, by, at });
  return { mended, rated };
}
