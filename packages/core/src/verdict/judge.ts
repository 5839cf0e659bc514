import { nth, oncePer } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { JobContent } from '../model/index.ts';
import { analyse, safetyTarget, SAFETY_NOTE } from '../analysis/index.ts';
import type { Analysis } from '../analysis/index.ts';
import type { PointContext } from '../network/index.ts';
import { JobIndex } from '../job/index.ts';
import { diagnose } from './reasons/diagnose.ts';
import type { Reason } from './reasons/reason.ts';
import { outputShort, shortReasons } from './reasons/shorts.ts';
import { stopsSomething } from './reasons/stops.ts';
import { worksSentence } from './worksSentence.ts';

/**
 * `works`: surely on in one state and surely off in the other; `doubtful`: it does so at nominal values but not
 * over the whole tolerance, or a limit is passed; `cannot`: it does not follow the target; `open`: not landed.
 */
export type VerdictStatus = 'works' | 'doubtful' | 'cannot' | 'open';

/** What the solved states say of a point. */
export interface Judgement {
  readonly status: VerdictStatus;
  /** One sentence or two: what, and why. */
  readonly sentence: Message;
  readonly reasons: readonly Reason[];
  /** Stands beside the verdict whatever it is. */
  readonly note?: Message;
}

/** Status and reasons alone, without looking for ways out. Several pages of one point ask for the same. */
export const judge = oncePer((analysis: Analysis): Judgement => {
  const note = analysis.context.type.description.safety ? SAFETY_NOTE : undefined;
  return { ...verdictText(analysis), ...(note && { note }) };
});

function verdictText(analysis: Analysis): Judgement {
  const { context } = analysis;
  // What can burn is said before anything else, whatever follows from it, and though the point is on no channel.
  const shorts = [...shortReasons(analysis), ...(isLanded(context) ? [] : outputShort(analysis))];
  const [short] = shorts;
  if (short) return { status: 'cannot', sentence: short.sentence, reasons: shorts };
  if (!isLanded(context))
    return {
      status: 'open',
      sentence: say('verdict.open', { point: context.point.tag }),
      reasons: [],
    };
  const reasons = diagnose(analysis);
  const stopping = reasons.filter((reason) => reason.weight === 'cannot');
  if (stopping.length) return { status: 'cannot', sentence: nth(stopping, 0).sentence, reasons };
  if (context.output.drivenBy === 'guard' && !stopsSomething(analysis))
    return {
      status: 'open',
      sentence: say('verdict.stops-nothing', { device: context.device.tag }),
      reasons,
    };
  if (reasons.length) return { status: 'doubtful', sentence: nth(reasons, 0).sentence, reasons };
  return { status: 'works', sentence: worksSentence(analysis), reasons };
}

/** A point is landed once it is on a port, leads there through others, or its signal goes to a helper that is wired. */
function isLanded(context: PointContext): boolean {
  const { ports, helpers, index, output } = context;
  return (
    ports.length > 0 ||
    (output.drivenBy === 'guard' && safetyTarget(context) !== undefined) ||
    helpers.some((helper) =>
      index.deviceType(helper).terminals.some(({ name }) => index.wiresAt(`${helper.id}:${name}`).length),
    )
  );
}

/** Status of one point of a job; used to prove a way out. What cannot work at nominal values is not looked at further. */
export function statusIn(job: JobContent, pointId: string): VerdictStatus {
  const index = new JobIndex(job);
  const quick = judge(analyse(index, pointId, 'nominal')).status;
  return quick === 'cannot' || quick === 'open' ? quick : judge(analyse(index, pointId)).status;
}
