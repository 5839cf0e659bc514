import { analyse } from '../src/analysis/index.ts';
import type { Analysis } from '../src/analysis/index.ts';
import { nodesOf } from '../src/circuit/index.ts';
import { groupsOf, suspects } from '../src/fault/diagnose.ts';
import { sightsOf } from '../src/fault/dictionary.ts';
import { subjectOf } from '../src/fault/subject.ts';
import type { Dictionary } from '../src/fault/dictionary.ts';
import { netsOf } from '../src/fault/pointFault.ts';
import { alike, isReading, middleOf } from '../src/fault/sight.ts';
import type { Sight } from '../src/fault/sight.ts';
import { JobIndex } from '../src/job/index.ts';
import { nth } from '../src/lists/index.ts';

/** What somebody would tell of a sight. */
export const readingOf = (sight: Sight): boolean | number =>
  isReading(sight) ? middleOf(sight) : sight.kind === 'on';

/** Once all that a fault shows was looked at, it and what nothing tells from it come first. */
export function expectFirst(dictionary: Dictionary, group: ReturnType<typeof groupsOf>[number]): void {
  const seen = nth(group, 0).sights.flatMap((sight, look) =>
    sight.kind === 'either' ? [] : [{ look, is: readingOf(sight) }],
  );
  const found = suspects(groupsOf(dictionary), seen);
  expect(nth(found, 0).rows.map(({ fault }) => fault?.id)).toEqual(group.map(({ fault }) => fault?.id));
}

/**
 * Each wire taken out of the job: with power on it shows what the fault of that wire shows.
 * @returns how many sights were compared.
 */
export function expectWiresOut({ context }: Analysis, { looks, rows }: Dictionary): number {
  const { job } = context.index;
  let compared = 0;
  for (const { id } of job.wires) {
    const row = rows.find(({ fault }) => fault?.id === `open ${id}`);
    if (!row) continue;
    const wires = job.wires.filter((wire) => wire.id !== id);
    const without = analyse(new JobIndex({ ...job, wires }), context.point.id);
    const nets = netsOf(without);
    const there = new Set(nets.present.elements.flatMap(nodesOf));
    const sights = sightsOf(subjectOf(without), looks, nets, undefined);
    looks.forEach((look, i) => {
      // A terminal to which nothing leads any more is in no circuit, and what is dead is another test's.
      if (look.power === 'off' || ('red' in look && !(there.has(look.red) && there.has(look.black)))) return;
      compared++;
      expect([id, look.id, alike(nth(sights, i), nth(row.sights, i))]).toEqual([id, look.id, true]);
    });
  }
  return compared;
}
