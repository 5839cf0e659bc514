import { sure } from '../src/lists/index.ts';
import { analyse } from '../src/analysis/analysis.ts';
import { solve } from '../src/circuit/solve.ts';
import { JobIndex } from '../src/job/jobIndex.ts';
import type { JobContent } from '../src/model/collections.ts';
import { assemble } from '../src/network/assemble.ts';
import { judge } from '../src/verdict/judge.ts';

/** One wire more, or one end of a wire elsewhere. */
export interface Mutant {
  readonly what: string;
  readonly job: JobContent;
}

/** Terminals that a slipped wire can meet: all of the parts of a point and of its modules, and the rails. */
function terminalsOf(job: JobContent): string[] {
  const index = new JobIndex(job);
  const { scope } = analyse(index, 'px-1', 'nominal').context;
  const parts = [...scope.deviceIds].flatMap((id) =>
    index.deviceType(sure(index.device(id))).terminals.map(({ name }) => `${id}:${name}`),
  );
  const modules = [...scope.parts.keys()].flatMap((id) =>
    index.moduleType(sure(index.module(id))).terminals.map(({ name }) => `${id}:${name}`),
  );
  return [...parts, ...modules, 'g1:+', 'g1:-'];
}

/** Every pair of terminals joined by a wire that should not be there. */
export function bridges(job: JobContent): Mutant[] {
  const refs = terminalsOf(job);
  return refs.flatMap((from, i) =>
    refs.slice(i + 1).map((to) => ({
      what: `${from} to ${to}`,
      job: {
        ...job,
        wires: [
          ...job.wires,
          { id: 'slip', number: '99', from, to, colour: 'BK' as const, lengthM: 1, mm2: 0.75 },
        ],
      },
    })),
  );
}

/** Each end of each wire moved to every other terminal. */
export function slips(job: JobContent): Mutant[] {
  const refs = terminalsOf(job);
  return job.wires.flatMap((wire) =>
    (['from', 'to'] as const).flatMap((end) =>
      refs
        .filter((ref) => ref !== wire.from && ref !== wire.to)
        .map((ref) => ({
          what: `${wire.from} to ${wire.to}: ${end} on ${ref}`,
          job: { ...job, wires: job.wires.map((row) => (row === wire ? { ...row, [end]: ref } : row)) },
        })),
    ),
  );
}

/** What moves is on though the guard is open or one channel of it is: solved apart from the analysis that is tested. */
export function letsThrough({ job }: Mutant): boolean {
  const index = new JobIndex(job);
  const { context, present } = analyse(index, 'px-1', 'nominal');
  const movers = [
    ...[...context.scope.deviceIds].flatMap((id) => {
      const { moves } = index.deviceType(sure(index.device(id))).description;
      return moves === undefined ? [] : [`${id}/${moves}`];
    }),
    ...(index.module('d') ? ['d/enabled'] : []),
  ];
  // The program may switch on whatever it has.
  const program = index.module('o') ? [['o', new Set(['Q0', 'Q1', 'Q2'])] as const] : [];
  return [undefined, 'open1', 'open2', 'stuck1', 'stuck2'].some((fault) => {
    const open = fault === undefined || fault.startsWith('stuck');
    const netlist = assemble(index, context.scope, {
      present: new Set([...(open ? [] : ['px-1-b']), ...context.scope.mateIds]),
      forced: new Map([...program, ...(fault === undefined ? [] : [['px-1-b', new Set([fault])] as const])]),
      held: present.solution.held,
    });
    const solution = solve(netlist);
    return movers.some((id) => solution.active(id));
  });
}

/** Whether the verdict would let somebody go on. */
export const passes = ({ job }: Mutant): boolean =>
  judge(analyse(new JobIndex(job), 'px-1')).status === 'works';

/** Whether it would on nominal values, which is quicker; nothing passes that does not pass so. */
export const mayPass = ({ job }: Mutant): boolean =>
  judge(analyse(new JobIndex(job), 'px-1', 'nominal')).status === 'works';
