import { nth, sure } from '../../lists/index.ts';
import type { AllocationProblem, Applicant, CommonRail, Group } from './problem.ts';

/** Groups that are alike: as many free channels to give, the same rails, the same kind. */
interface GroupClass {
  readonly kind: string;
  readonly room: number;
  readonly rails: readonly CommonRail[];
  /** The rail on which their commons are now. */
  readonly now?: CommonRail;
  /** A pinned device sits here: the group is used in any case. */
  readonly forced: boolean;
}

/** Modules that are alike: how many groups of each class they have. */
interface ModuleClass {
  readonly groups: readonly { readonly classNumber: number; readonly ids: readonly string[] }[];
  readonly moduleIds: readonly string[];
  readonly room: number;
  readonly forced: boolean;
}

/** The problem by kinds instead of by single devices and groups: what is alike is counted, not tried one by one. */
export interface Counted {
  readonly keys: readonly string[];
  readonly counts: readonly number[];
  readonly groupClasses: readonly GroupClass[];
  readonly moduleClasses: readonly ModuleClass[];
  readonly classOf: ReadonlyMap<string, number>;
  readonly groupsOf: ReadonlyMap<string, readonly Group[]>;
  readonly free: readonly Applicant[];
}

/** The first of those kinds of groups in which the same devices work on the same rails. */
function alikeKinds({ groups, fits }: AllocationProblem, keys: readonly string[]): (kind: string) => string {
  const first = new Map<string, string>();
  const alike = new Map<string, string>();
  for (const { kind } of groups) {
    if (alike.has(kind)) continue;
    const signature = keys.map((key) => `${fits(key, kind, '-')} ${fits(key, kind, '+')}`).join();
    if (!first.has(signature)) first.set(signature, kind);
    alike.set(kind, sure(first.get(signature)));
  }
  return (kind) => sure(alike.get(kind));
}

/** Counts a problem. Pinned devices are taken out: they take their channel and bind their group's rail. */
export function counted(problem: AllocationProblem): Counted {
  const pinned = problem.applicants.filter(({ pinned: at }) => at);
  const free = problem.applicants.filter(({ pinned: at }) => !at);
  const keys = [...new Set(free.map(({ key }) => key))];
  const kindOf = alikeKinds(problem, keys);
  const groupClasses: GroupClass[] = [];
  const numbers = new Map<string, number>();
  const classOf = new Map<string, number>();
  for (const group of problem.groups) {
    const here = pinned.filter(({ pinned: at }) => sure(at).groupId === group.id);
    const rails = group.rails.filter((rail) => here.every(({ key }) => problem.fits(key, group.kind, rail)));
    const room = Math.max(0, group.channels.length - here.length - group.spare);
    const made: GroupClass = {
      kind: kindOf(group.kind),
      room,
      rails,
      forced: here.length > 0,
      now: group.now,
    };
    const name = JSON.stringify(made);
    let number = numbers.get(name);
    if (number === undefined) {
      number = groupClasses.push(made) - 1;
      numbers.set(name, number);
    }
    classOf.set(group.id, number);
  }
  const groupsOf = gathered(problem.groups, ({ moduleId }) => moduleId);
  return {
    keys,
    counts: keys.map((key) => free.filter((a) => a.key === key).length),
    groupClasses,
    moduleClasses: moduleClasses(groupsOf, classOf, groupClasses),
    classOf,
    groupsOf,
    free,
  };
}

function moduleClasses(
  groupsOf: ReadonlyMap<string, readonly Group[]>,
  classOf: ReadonlyMap<string, number>,
  groupClasses: readonly GroupClass[],
): ModuleClass[] {
  const bySignature = new Map<string, string[]>();
  for (const [moduleId, groups] of groupsOf) {
    const signature = groups
      .map(({ id }) => sure(classOf.get(id)))
      .sort((a, b) => a - b)
      .join(' ');
    bySignature.set(signature, [...(bySignature.get(signature) ?? []), moduleId]);
  }
  return [...bySignature.entries()].map(([signature, moduleIds]) => {
    const numbers = signature.split(' ').map(Number);
    const classes = [...new Set(numbers)];
    return {
      moduleIds,
      groups: classes.map((classNumber) => ({
        classNumber,
        ids: sure(groupsOf.get(nth(moduleIds, 0)))
          .filter(({ id }) => classOf.get(id) === classNumber)
          .map(({ id }) => id),
      })),
      room: numbers.reduce((sum, number) => sum + nth(groupClasses, number).room, 0),
      forced: numbers.some((number) => nth(groupClasses, number).forced),
    };
  });
}

/** Lists of what has the same name, in the order in which the names come. */
export function gathered<T>(items: readonly T[], nameOf: (item: T) => string): Map<string, T[]> {
  const lists = new Map<string, T[]>();
  for (const item of items) {
    const list = lists.get(nameOf(item));
    if (list) list.push(item);
    else lists.set(nameOf(item), [item]);
  }
  return lists;
}
