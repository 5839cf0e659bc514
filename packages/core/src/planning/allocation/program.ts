import { nth } from '../../lists/index.ts';
import type { Counted } from './classes.ts';
import { share } from './flow.ts';
import type { AllocationProblem, CommonRail } from './problem.ts';

/** What an integer programming solver is asked and what it answers; the call of the package `highs`. */
export type IntegerSolver = (
  program: string,
  options: {
    readonly time_limit: number;
    /** How far from the least it may be: less than one common. */
    readonly mip_rel_gap: 0;
    readonly mip_abs_gap: 0.5;
    readonly output_flag: false;
  },
) => { readonly Status: string; readonly Columns: Readonly<Record<string, object>> };

/** How much time a solver has left, s. */
export interface TimeLeft {
  seconds: number;
}

/** A solver whose time is taken from what is left. */
export const spending =
  (solver: IntegerSolver, left: TimeLeft): IntegerSolver =>
  (program, options) => {
    const started = performance.now();
    try {
      return solver(program, options);
    } finally {
      left.seconds -= (performance.now() - started) / 1000;
    }
  };

/** How many modules of each class are used, and on which rails how many of their groups of each class are put. */
export interface Choice {
  readonly modules: readonly number[];
  readonly onRail: readonly Readonly<Record<CommonRail, number>>[];
  readonly moduleCount: number;
  readonly commonCount: number;
}

/** A choice, and whether none with fewer modules, or as many and fewer commons, is possible; or that none is. */
export type Solved =
  | { readonly kind: 'yes'; readonly choice: Choice; readonly exact: boolean }
  | { readonly kind: 'no' }
  | { readonly kind: 'unknown' };

/** What is looked for: any places at all, or the fewest modules and then commons. */
export type Aim = 'any' | 'fewest';

/**
 * Solves a counted problem as an integer program. With the fewest commons known, it also looks for a choice that
 * leaves most of them on the rail where they are.
 * @param seconds after which it is content with what was found until then.
 */
export function solve(
  problem: AllocationProblem,
  c: Counted,
  aim: Aim,
  solver: IntegerSolver,
  seconds: number,
): Solved {
  if (!c.keys.length && !c.moduleClasses.some(({ forced }) => forced)) return nothingToPlace(c);
  const solved = answered(problem, c, solver, { ...goalOf(problem, c, aim), seconds });
  if (aim === 'any' || solved.kind !== 'yes' || !c.groupClasses.some(({ now }) => now)) return solved;
  const kept = answered(problem, c, solver, { ...keeping(c, solved.choice), seconds: seconds / 2 });
  return kept.kind === 'yes' ? { ...kept, exact: solved.exact } : solved;
}

/** What a program is to make small, what else must hold, and how long it may take. */
interface Goal {
  readonly cost: readonly string[];
  readonly rows: readonly string[];
  readonly leastModules: readonly number[];
  readonly seconds: number;
}

/** One module more weighs more than all commons. */
function goalOf(problem: AllocationProblem, c: Counted, aim: Aim): Omit<Goal, 'seconds'> {
  const modules = c.moduleClasses.map((_, m) => modulesUsed(m));
  const weight = problem.groups.length + 1;
  return {
    cost: aim === 'any' ? modules : [...modules.map((name) => `${weight} ${name}`), ...commonsOf(c)],
    rows: [],
    leastModules: c.moduleClasses.map(({ forced, moduleIds }) =>
      forced || aim === 'any' ? moduleIds.length : 0,
    ),
  };
}

/** As many modules and commons as a choice has, and the fewest commons that go to another rail. */
function keeping(c: Counted, { modules, moduleCount, commonCount }: Choice): Omit<Goal, 'seconds'> {
  const turned = c.groupClasses.flatMap(({ rails, now }, k) =>
    rails.filter((rail) => now && rail !== now).map((rail) => groupsOn(k, rail)),
  );
  return {
    cost: turned.length ? turned : [`0 ${modulesUsed(0)}`],
    rows: [
      `${modules.map((_, m) => modulesUsed(m)).join(' + ')} = ${moduleCount}`,
      `${commonsOf(c).join(' + ')} = ${commonCount}`,
    ],
    leastModules: c.moduleClasses.map(({ forced, moduleIds }) => (forced ? moduleIds.length : 0)),
  };
}

const commonsOf = (c: Counted): string[] =>
  c.groupClasses.flatMap(({ rails }, k) => rails.map((rail) => groupsOn(k, rail)));

function answered(problem: AllocationProblem, c: Counted, solver: IntegerSolver, goal: Goal): Solved {
  if (goal.seconds <= 0) return { kind: 'unknown' };
  const program = programOf(problem, c, goal);
  if (!program) return { kind: 'no' };
  const { Status, Columns } = solver(program, {
    time_limit: goal.seconds,
    mip_rel_gap: 0,
    mip_abs_gap: 0.5,
    output_flag: false,
  });
  if (Status === 'Infeasible') return { kind: 'no' };
  const choice = choiceOf(c, Columns);
  return choice && holds(problem, c, choice)
    ? { kind: 'yes', choice, exact: Status === 'Optimal' }
    : { kind: 'unknown' };
}

function nothingToPlace(c: Counted): Solved {
  const onRail = c.groupClasses.map(() => ({ '-': 0, '+': 0 }));
  const modules = c.moduleClasses.map(() => 0);
  return { kind: 'yes', choice: { modules, onRail, moduleCount: 0, commonCount: 0 }, exact: true };
}

const SIDES = { '-': 'm', '+': 'p' } as const;
const modulesUsed = (m: number): string => `M${m}`;
const groupsOn = (k: number, rail: CommonRail): string => `G${k}${SIDES[rail]}`;
const devicesIn = (demand: number, k: number, rail: CommonRail): string => `D${demand}_${k}${SIDES[rail]}`;

interface Place {
  readonly k: number;
  readonly rail: CommonRail;
}

/** Devices that may go to the same places, how many. */
interface Demand {
  readonly count: number;
  readonly places: readonly Place[];
}

/** All devices that are to be placed; those of several keys are one demand where they fit the same places. */
function demandsOf(problem: AllocationProblem, c: Counted): Demand[] {
  const demands = new Map<string, Demand>();
  c.keys.forEach((key, d) => {
    const places = placesOf(problem, c, key);
    const name = JSON.stringify(places);
    demands.set(name, { count: nth(c.counts, d) + (demands.get(name)?.count ?? 0), places });
  });
  return [...demands.values()];
}

/** Where devices of a key may go: classes of groups, by rail. */
function placesOf(problem: AllocationProblem, c: Counted, key: string): Place[] {
  return c.groupClasses.flatMap(({ kind, rails, room }, k) =>
    rails.filter((rail) => room > 0 && problem.fits(key, kind, rail)).map((rail) => ({ k, rail })),
  );
}

/**
 * The program in the LP format: devices of each key go to classes of groups that suit them, groups are put on one rail
 * each, and belong to modules that are used.
 * @returns nothing when some device has no place or a group that is held has no rail, whatever the rest.
 */
function programOf(problem: AllocationProblem, c: Counted, goal: Goal): string | undefined {
  if (c.groupClasses.some(({ forced, rails }) => forced && !rails.length)) return undefined;
  const demands = demandsOf(problem, c);
  if (demands.some(({ places }) => !places.length)) return undefined;
  const devices = demands.map(({ places }, d) => places.map(({ k, rail }) => devicesIn(d, k, rail)));
  const modules = c.moduleClasses.map((_, m) => modulesUsed(m));
  const rows = [
    ...devices.map((list, d) => `${list.join(' + ')} = ${nth(demands, d).count}`),
    ...roomRows(c, demands),
    ...moduleRows(c),
    ...goal.rows,
  ];
  return [
    'Minimize',
    ` cost: ${goal.cost.join(' + ')}`,
    'Subject To',
    ...rows.map((row, n) => ` r${n}: ${row}`),
    'Bounds',
    ...modules.map(
      (name, m) => ` ${nth(goal.leastModules, m)} <= ${name} <= ${nth(c.moduleClasses, m).moduleIds.length}`,
    ),
    'General',
    // With whole groups, devices that flow to them come out whole by themselves.
    ...[...modules, ...commonsOf(c)].map((name) => ` ${name}`),
    'End',
    '',
  ].join('\n');
}

/** No more devices in the groups of a class on a rail than these groups have room for. */
function roomRows(c: Counted, demands: readonly Demand[]): string[] {
  return c.groupClasses.flatMap(({ rails, room }, k) =>
    rails.flatMap((rail) => {
      const here = demands.flatMap(({ places }, d) =>
        places.some((place) => place.k === k && place.rail === rail) ? [devicesIn(d, k, rail)] : [],
      );
      return here.length ? [`${here.join(' + ')} - ${room} ${groupsOn(k, rail)} <= 0`] : [];
    }),
  );
}

/** No more groups of a class on rails than the modules in use bring; all of them where a device is pinned there. */
function moduleRows(c: Counted): string[] {
  return c.groupClasses.flatMap(({ rails, forced }, k) => {
    if (!rails.length) return [];
    const brought = c.moduleClasses.flatMap(({ groups }, m) =>
      groups
        .filter(({ classNumber }) => classNumber === k)
        .map(({ ids }) => `- ${ids.length} ${modulesUsed(m)}`),
    );
    const put = rails.map((rail) => groupsOn(k, rail)).join(' + ');
    return [`${put} ${brought.join(' ')} ${forced ? '=' : '<='} 0`];
  });
}

type Columns = ReturnType<IntegerSolver>['Columns'];

/** The whole number that a solver gave a variable; none where it has no solution. */
function valueOf(columns: Columns, name: string): number {
  const column = columns[name];
  return column && 'Primal' in column ? Math.round(Number(column.Primal)) : 0;
}

function choiceOf(c: Counted, columns: Columns): Choice | undefined {
  if (!Object.values(columns).some((column) => 'Primal' in column)) return undefined;
  const modules = c.moduleClasses.map((_, m) => valueOf(columns, modulesUsed(m)));
  const onRail = c.groupClasses.map((_, k) => ({
    '-': valueOf(columns, groupsOn(k, '-')),
    '+': valueOf(columns, groupsOn(k, '+')),
  }));
  return {
    modules,
    onRail,
    moduleCount: modules.reduce((sum, n) => sum + n, 0),
    commonCount: onRail.reduce((sum, row) => sum + row['-'] + row['+'], 0),
  };
}

/** Whether a choice keeps to all that was asked, seen in another way: as a flow from devices to groups. */
function holds(problem: AllocationProblem, c: Counted, { modules, onRail }: Choice): boolean {
  const places = c.groupClasses.flatMap(({ rails }, k) => rails.map((rail) => ({ k, rail })));
  const isPut = c.groupClasses.every(({ forced }, k) => {
    const brought = c.moduleClasses.reduce((sum, { groups }, m) => {
      const own = groups.find(({ classNumber }) => classNumber === k);
      return sum + nth(modules, m) * (own?.ids.length ?? 0);
    }, 0);
    const { '-': minus, '+': plus } = nth(onRail, k);
    const put = minus + plus;
    return minus >= 0 && plus >= 0 && (forced ? put === brought : put <= brought);
  });
  const demands = demandsOf(problem, c).map(({ count, places: own }) => ({
    count,
    places: own.map(({ k, rail }) => places.findIndex((place) => place.k === k && place.rail === rail)),
  }));
  const room = places.map(({ k, rail }) => nth(onRail, k)[rail] * nth(c.groupClasses, k).room);
  return isPut && share(demands, room) !== undefined;
}
