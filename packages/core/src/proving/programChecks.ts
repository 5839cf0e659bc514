import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Point, Program } from '../model/index.ts';
import type { PointContext } from '../network/index.ts';
import { seen } from './sought.ts';
import type { Sought, SoughtGroup } from './sought.ts';

/** One thing to do with the inputs of a program, and what its output must do then. */
export interface ProgramCase {
  readonly key: string;
  /** Each input as it is put, in the program's order. */
  readonly inputs: readonly boolean[];
  readonly on: boolean;
  /** What is looked at: the inputs as they stand, or, of what is held, as they were taken away or ended. */
  readonly after?: 'away' | 'ended';
}

/** Whether the inputs as they stand ask for the output, without what was held before. */
const calls = ({ how, of }: Program, inputs: readonly boolean[]): boolean => {
  const each = of.map(({ turned }, i) => inputs[i] !== (turned ?? false));
  return how === 'all' ? each.every(Boolean) : each.some(Boolean);
};

/**
 * The fewest cases that tell a program from any with an input missing, turned or joined otherwise: for `all`, every
 * input as asked, then each alone otherwise; for `any`, none as asked, then each alone.
 */
export function programCases(program: Program): ProgramCase[] {
  const { how, of, until } = program;
  const asked = of.map(({ turned }) => !(turned ?? false));
  const turnedAt = (which: number, base: readonly boolean[]) =>
    base.map((value, i) => (i === which ? !value : value));
  const start = how === 'all' ? asked : asked.map((value) => !value);
  const put = (key: string, inputs: readonly boolean[]): ProgramCase => ({
    key,
    inputs,
    on: calls(program, inputs),
  });
  const first = put('case-all', start);
  const each = of.map((_, i) => put(`case-${i}`, turnedAt(i, start)));
  if (until === undefined) return [first, ...each];
  // What is held is ended before the next case, so that each begins from nothing.
  const away = turnedAt(0, how === 'all' ? asked : (each[0]?.inputs ?? asked));
  return [
    first,
    ...each,
    { key: 'case-held', inputs: away, on: true, after: 'away' },
    { key: 'case-ended', inputs: away, on: false, after: 'ended' },
  ];
}

/** The tags of points by their ids; of one that is not there, its id. */
const tagsIn =
  (points: readonly Tagged[]) =>
  (id: string): string =>
    points.find((point) => point.id === id)?.tag ?? id;

type Tagged = Pick<Point, 'id' | 'tag'>;

/** A program in words, by the tags of its inputs among the points of its job. */
export function programText(program: Program, points: readonly Tagged[]): Message {
  const tagOf = tagsIn(points);
  const { how, of, until, onDelay = 0, offDelay = 0 } = program;
  return say('proof.program', {
    how,
    inputs: of.map(({ pointId, turned }) =>
      turned ? say('proof.program-not', { tag: tagOf(pointId) }) : tagOf(pointId),
    ),
    until: until === undefined ? undefined : tagOf(until),
    onDelay,
    offDelay,
  });
}

/** What is proven of the program that switches an output: nothing where none was said. */
export function programGroup({ index, point, port, device }: PointContext): SoughtGroup[] {
  const { program } = point;
  if (!program || port?.kind !== 'output') return [];
  const tagOf = tagsIn(index.job.points);
  const { onDelay = 0, offDelay = 0 } = program;
  const checks = programCases(program).map(({ key, inputs, on, after }): Sought => {
    const put = program.of.map(({ pointId }, i) =>
      say('proof.program-input', { tag: tagOf(pointId), on: inputs[i] ?? false }),
    );
    const label =
      after === undefined
        ? say('proof.program-with', { put })
        : say('proof.program-then', { after, put, until: tagOf(program.until ?? '') });
    const wait = on ? (after ? 0 : onDelay) : offDelay;
    const detail = wait > 0 ? say('proof.program-after', { seconds: wait }) : say('proof.program-bits');
    return seen({ key: `program.${key}`, label, detail }, on, say('proof.on'), say('proof.off'));
  });
  return [
    {
      key: 'program',
      title: say('proof.program-title', { tag: device.tag }),
      how: programText(program, index.job.points),
      caution: say('proof.program-moves'),
      checks,
    },
  ];
}
