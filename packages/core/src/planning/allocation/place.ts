import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import type { Choice } from './program.ts';
import type { Counted } from './classes.ts';
import { share } from './flow.ts';
import type { AllocationProblem, Applicant, CommonRail, Group, Placement } from './problem.ts';

/** Gives every device its channel within a choice of modules and rails; devices of an area stay together. */
export function place(
  problem: AllocationProblem,
  c: Counted,
  choice: Choice,
): { placements: Placement[]; rails: Map<string, CommonRail> } {
  const rails = railsOf(problem, c, choice);
  const used = problem.groups.filter(({ id }) => rails.has(id));
  const pinned = problem.applicants.filter(({ pinned: at }) => at);
  const room = new Map(
    used.map((group) => [group.id, nth(c.groupClasses, sure(c.classOf.get(group.id))).room] as const),
  );
  const left = new Map(c.keys.map((key, k) => [key, nth(c.counts, k)]));
  const given = new Map<string, Applicant[]>(used.map(({ id }) => [id, []]));
  for (const applicant of inAreas(c.free, rails)) {
    left.set(applicant.key, sure(left.get(applicant.key)) - 1);
    const group = candidates(problem, used, rails, room, given, applicant).find((candidate) => {
      room.set(candidate.id, sure(room.get(candidate.id)) - 1);
      if (restFits(problem, c, used, rails, room, left)) return true;
      room.set(candidate.id, sure(room.get(candidate.id)) + 1);
      return false;
    });
    if (!group) throw new Error(`No channel is left for ${applicant.tag}.`);
    sure(given.get(group.id)).push(applicant);
  }
  return { placements: channelled(problem, used, rails, given, pinned), rails };
}

/** Which single groups sit on which rail: forced ones first, then in the panel's order. */
function railsOf(problem: AllocationProblem, c: Counted, choice: Choice): Map<string, CommonRail> {
  const held = new Map<string, number>();
  for (const { current } of problem.applicants)
    if (current) held.set(current.groupId, (held.get(current.groupId) ?? 0) + 1);
  const heldBy = (moduleId: string): number =>
    sure(c.groupsOf.get(moduleId)).reduce((sum, { id }) => sum + (held.get(id) ?? 0), 0);
  const modules = new Set(
    c.moduleClasses.flatMap(({ moduleIds }, m) =>
      [...moduleIds].sort((a, b) => heldBy(b) - heldBy(a)).slice(0, nth(choice.modules, m)),
    ),
  );
  const left = choice.onRail.map((row) => ({ ...row }));
  const rails = new Map<string, CommonRail>();
  const give = (group: Group, rail: CommonRail | undefined): void => {
    const row = nth(left, sure(c.classOf.get(group.id)));
    if (!rail || rails.has(group.id) || row[rail] <= 0) return;
    row[rail]--;
    rails.set(group.id, rail);
  };
  const open = problem.groups.filter(({ moduleId }) => modules.has(moduleId));
  // Groups that hold most keep the rail that they have, if the choice has one such.
  for (const group of [...open].sort((a, b) => (held.get(b.id) ?? 0) - (held.get(a.id) ?? 0)))
    give(group, group.now);
  for (const group of open) for (const rail of ['-', '+'] as const) give(group, rail);
  return rails;
}

/**
 * Those that can stay where they are first; then areas with most devices, by key and tag, so that what belongs
 * together is given together.
 */
function inAreas(applicants: readonly Applicant[], rails: ReadonlyMap<string, CommonRail>): Applicant[] {
  const stays = ({ current }: Applicant): number => (current && rails.has(current.groupId) ? 0 : 1);
  const sizes = new Map<string, number>();
  for (const { area } of applicants) sizes.set(area, (sizes.get(area) ?? 0) + 1);
  return [...applicants].sort(
    (a, b) =>
      stays(a) - stays(b) ||
      sure(sizes.get(b.area)) - sure(sizes.get(a.area)) ||
      compare(a.area, b.area) ||
      compare(a.key, b.key) ||
      compare(a.tag, b.tag),
  );
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Groups that take a device: those that hold its area already before the others. */
function candidates(
  problem: AllocationProblem,
  used: readonly Group[],
  rails: ReadonlyMap<string, CommonRail>,
  room: ReadonlyMap<string, number>,
  given: ReadonlyMap<string, readonly Applicant[]>,
  { key, area, current }: Applicant,
): Group[] {
  const modulesOfArea = new Set(
    used.filter(({ id }) => sure(given.get(id)).some((a) => a.area === area)).map(({ moduleId }) => moduleId),
  );
  const rank = (group: Group): number =>
    group.id === current?.groupId
      ? -1
      : sure(given.get(group.id)).some((a) => a.area === area)
        ? 0
        : modulesOfArea.has(group.moduleId)
          ? 1
          : 2;
  return used
    .filter(({ id, kind }) => sure(room.get(id)) > 0 && problem.fits(key, kind, sure(rails.get(id))))
    .sort((a, b) => rank(a) - rank(b));
}

function restFits(
  problem: AllocationProblem,
  c: Counted,
  used: readonly Group[],
  rails: ReadonlyMap<string, CommonRail>,
  room: ReadonlyMap<string, number>,
  left: ReadonlyMap<string, number>,
): boolean {
  // Groups that take the same devices are one place.
  const places = new Map<string, { kind: string; rail: CommonRail; room: number }>();
  for (const { id, kind } of used) {
    const rail = sure(rails.get(id));
    const at = places.get(`${kind} ${rail}`) ?? { kind, rail, room: 0 };
    places.set(`${kind} ${rail}`, { ...at, room: at.room + sure(room.get(id)) });
  }
  const list = [...places.values()];
  const demands = c.keys.map((key) => ({
    count: sure(left.get(key)),
    places: list.flatMap(({ kind, rail }, p) => (problem.fits(key, kind, rail) ? [p] : [])),
  }));
  return (
    share(
      demands,
      list.map((at) => at.room),
    ) !== undefined
  );
}

function channelled(
  problem: AllocationProblem,
  used: readonly Group[],
  rails: ReadonlyMap<string, CommonRail>,
  given: ReadonlyMap<string, readonly Applicant[]>,
  pinned: readonly Applicant[],
): Placement[] {
  return used.flatMap((group) => {
    const rail = sure(rails.get(group.id));
    const here = pinned.filter(({ pinned: at }) => sure(at).groupId === group.id);
    const taken = new Set(here.map(({ pinned: at }) => sure(at).channel));
    const own = sure(given.get(group.id));
    const kept = own.filter(
      ({ current }) =>
        current?.groupId === group.id &&
        group.channels.includes(current.channel) &&
        !taken.has(current.channel) &&
        taken.add(current.channel),
    );
    const free = group.channels.filter((channel) => !taken.has(channel));
    const all = [...here, ...own];
    const make = (applicant: Applicant, channel: number): Placement => ({
      applicant,
      group,
      channel,
      rail,
      sentence: why(problem, applicant, group, rail, all),
    });
    return [
      ...here.map((applicant) => make(applicant, sure(applicant.pinned).channel)),
      ...kept.map((applicant) => make(applicant, sure(applicant.current).channel)),
      ...own.filter((a) => !kept.includes(a)).map((applicant, i) => make(applicant, nth(free, i))),
    ];
  });
}

const railText = (rail: CommonRail): string => (rail === '-' ? '0 V' : 'plus');

/** Why a device stands where it stands. */
function why(
  problem: AllocationProblem,
  { tag, words, key, area, pinned, current }: Applicant,
  group: Group,
  rail: CommonRail,
  mates: readonly Applicant[],
): Message {
  const common = group.common.replace(/^COM/, 'common ');
  if (pinned) return say('planning.stays-where-pinned', { tag });
  const other = rail === '-' ? '+' : '-';
  const bound = !problem.fits(key, group.kind, other);
  const kin = mates.filter((mate) => mate.area === area && mate.tag !== tag).map((mate) => mate.tag);
  const stays = current?.groupId === group.id ? say('planning.stays-here') : '';
  const because = bound
    ? say('planning.needs-on', { words, common, rail: railText(rail) })
    : say('planning.fits-either-rail-sits', { words, common, rail: railText(rail) });
  return area && kin.length
    ? say('planning.placed-beside', { tag, because, kin, stays })
    : say('planning.placed', { tag, because, stays });
}
