import { analyse } from '../analysis/index.ts';
import { applyChange, JobIndex, NOBODY, refText } from '../job/index.ts';
import type { Change } from '../job/index.ts';
import { canonical } from '../lists/index.ts';
import { say, textOf } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { splitRef } from '../model/index.ts';
import type { JobContent, Wire } from '../model/index.ts';
import { contextOf } from '../network/index.ts';
import { judge } from './judge.ts';
import type { VerdictStatus } from './judge.ts';
import { panelFindings } from './panelFindings.ts';

/** A point whose verdict a change of wires turns. */
interface Turned {
  readonly pointId: string;
  readonly tag: string;
  readonly before: VerdictStatus;
  readonly after: VerdictStatus;
  readonly sentence: Message;
}

/** What a change of wires does, before it is stored. */
export interface Effects {
  /** Rails that it joins, shorts first. */
  readonly joins: readonly Message[];
  readonly turned: readonly Turned[];
  /** Terminals that bear more wires than a clamp usually takes. */
  readonly crowded: readonly Message[];
  /** Points whose circuit it is in, and which go on as they did. */
  readonly unmoved: readonly string[];
}

/**
 * Works out what a change of wires does: the rails that it joins, and each point whose circuit it is in, solved before and
 * after.
 * @throws JobProblem where it cannot be made.
 */
export function effectsOf(job: JobContent, change: Change): Effects {
  const [before, after] = [job, applyChange(job, change, NOBODY)].map((one) => new JobIndex(one)) as [
    JobIndex,
    JobIndex,
  ];
  const known = new Set(panelFindings(before).map(({ sentence }) => textOf(sentence)));
  const joins = panelFindings(after).flatMap(({ sentence }) =>
    known.has(textOf(sentence)) ? [] : [sentence],
  );
  const refs = touchedBy(job.wires, after.job.wires);
  const isIn = (index: JobIndex, pointId: string): boolean => {
    const { scope } = contextOf(index, pointId);
    return refs.some((ref) => scope.refs.has(ref));
  };
  const near = job.points.filter(({ id }) => isIn(before, id) || isIn(after, id));
  const seen = near.map(({ id, tag }) => {
    const [was, now] = [before, after].map((index) => judge(analyse(index, id)));
    return { pointId: id, tag, was, now };
  });
  const isTurned = ({ was, now }: (typeof seen)[number]): boolean =>
    was?.status !== now?.status ||
    (now?.status === 'cannot' && textOf(was?.sentence ?? '') !== textOf(now.sentence));
  return {
    joins,
    crowded: crowdedAt(after, refs),
    turned: seen.flatMap((one) =>
      one.was && one.now && isTurned(one)
        ? [
            {
              pointId: one.pointId,
              tag: one.tag,
              before: one.was.status,
              after: one.now.status,
              sentence: one.now.sentence,
            },
          ]
        : [],
    ),
    unmoved: seen.filter((one) => !isTurned(one)).map(({ tag }) => tag),
  };
}

/** A clamp usually takes two wires; more only where its maker says so. */
const USUAL = 2;

/** Of some terminals those that bear more than usual; rails have as many as they need. */
const crowdedAt = (index: JobIndex, refs: readonly string[]): Message[] =>
  [...new Set(refs)].flatMap((ref) => {
    const count = index.wiresAt(ref).length;
    return count > USUAL && !index.supply(splitRef(ref).item)
      ? [say('verdict.terminal-bears', { terminal: refText(index, ref), count, usual: USUAL })]
      : [];
  });

/** The terminals of wires that come, go, or are led elsewhere. */
function touchedBy(before: readonly Wire[], after: readonly Wire[]): string[] {
  const texts = (wires: readonly Wire[]) => new Map(wires.map((wire) => [canonical(wire), wire]));
  const [was, now] = [texts(before), texts(after)];
  return [
    ...[...was].filter(([text]) => !now.has(text)),
    ...[...now].filter(([text]) => !was.has(text)),
  ].flatMap(([, { from, to, asFound }]) =>
    [from, to, asFound?.from, asFound?.to].filter((ref) => ref !== undefined),
  );
}
