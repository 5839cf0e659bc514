import { say } from '../../messages/index.ts';
import type { JobContent } from '../../model/index.ts';
import { splitRef } from '../../model/index.ts';
import { statusIn } from '../judge.ts';
import { arcChainFaults, arcUnitsOf } from '../../analysis/index.ts';
import { ownWires, applyChange, NOBODY, partsOf, JobIndex } from '../../job/index.ts';
import type { Change } from '../../job/index.ts';
import type { PointContext } from '../../network/index.ts';
import { bleeder, pullUp } from './bleeder.ts';
import { landWires, moveChannel, moveContact, otherSensor, turnCommon, turnSupply } from './candidates.ts';
import { coilSensors } from './coilSensors.ts';
import { elements } from './elements.ts';
import { excerpt } from './excerpt.ts';
import { asPlanned } from './asPlanned.ts';
import { missingWires } from './missingWires.ts';
import { movedWires } from './movedWires.ts';
import { otherSettings } from './settings.ts';
import { openShorts } from './shorts.ts';
import type { Remedy } from './remedy.ts';

const MAX_REMEDIES = 4;

export interface Found {
  /** Best first. */
  readonly remedies: readonly Remedy[];
  /** So many changes were solved to find them. */
  readonly tried: number;
}

/**
 * Proposes changes and keeps those that hold when they are solved: the point then works, and no neighbour that
 * worked before stops.
 */
export function findRemedies(context: PointContext): Found {
  let tried = 0;
  const holding = (candidate: Remedy): boolean => {
    tried++;
    return holds(context, candidate);
  };
  const candidates: (Remedy | readonly Remedy[])[] = [
    ...openShorts(context),
    ...asPlanned(context),
    ...coilSensors(context),
    ...elements(context),
    ...chainSwitches(context),
    ...landWires(context),
    ...turnSupply(context),
    ...turnCommon(context),
    ...otherSettings(context),
    ...moveContact(context),
    ...firstOf(bleeder(context)),
    ...firstOf(pullUp(context)),
    ...moveChannel(context),
    ...otherSensor(context),
  ];
  const found = held(candidates, holding, MAX_REMEDIES);
  // A wire that is missing, or elsewhere, is looked for last: there are many places where it could go.
  if (found.length) return { remedies: found, tried };
  const missing = held(missingWires(context), holding, 1);
  const remedies = missing.length ? missing : held(movedWires(context), holding, 1);
  return { remedies, tried };
}

/** Those that hold, at most so many; of ways that are alike the first. */
function held(
  ways: readonly (Remedy | readonly Remedy[])[],
  holds: (candidate: Remedy) => boolean,
  most: number,
): Remedy[] {
  const found: Remedy[] = [];
  for (const way of ways) {
    if (found.length >= most) break;
    const alike = 'sentence' in way ? [way] : way;
    const good = alike.find(holds);
    if (good) found.push(good);
  }
  return found;
}

/** The switches of all arc units of the chain as its number of units asks. */
function chainSwitches({ index, type }: PointContext): Remedy[] {
  if (!type.description.chain) return [];
  const { change } = arcChainFaults(index);
  return change ? [{ sentence: say('remedy.set-chain'), change }] : [];
}

/** Of ways that differ only in a value the first that holds is enough. */
function firstOf(ways: readonly Remedy[]): (readonly Remedy[])[] {
  return ways.length ? [ways] : [];
}

function holds({ index, point, type, scope }: PointContext, { change }: Remedy): boolean {
  const modules = new Set(
    [
      ...scope.parts.keys(),
      ...modulesOf(change),
      index.placeOf(point)?.moduleId,
      ...ownWires(index, point).flatMap(({ from, to }) => modulesAt(index, from, to)),
    ].filter((id) => id !== undefined),
  );
  const chain = type.description.chain ? arcUnitsOf(index).map(({ deviceId }) => deviceId) : [];
  const before = excerpt(index, [...scope.deviceIds, ...chain], modules);
  let after: JobContent;
  try {
    after = applyChange(before, change, NOBODY);
  } catch {
    return false;
  }
  if (statusIn(after, point.id) !== 'works') return false;
  return neighbours(new JobIndex(after), change)
    .flatMap((id) => index.pointsFor(id).map((neighbour) => neighbour.id))
    .every((id) => id === point.id || statusIn(before, id) !== 'works' || statusIn(after, id) === 'works');
}

const modulesAt = (index: JobIndex, ...refs: string[]): string[] =>
  refs.map((ref) => splitRef(ref).item).filter((item) => index.module(item) !== undefined);

function modulesOf(change: Change): string[] {
  return partsOf(change).flatMap((part) =>
    part.kind === 'setCommon'
      ? [part.moduleId]
      : part.kind === 'assign' && part.place
        ? [part.place.moduleId]
        : part.kind === 'editModule'
          ? [part.id]
          : [],
  );
}

/** Devices on which a change acts besides its own: those of a common or a module that it turns, or of one left loose. */
function neighbours(after: JobIndex, change: Change): string[] {
  return partsOf(change).flatMap((part) => {
    if (part.kind === 'setCommon')
      return after
        .portsOf(part.moduleId)
        .filter(({ common }) => common === part.common)
        .flatMap(({ channel }) => after.deviceAt({ moduleId: part.moduleId, channel })?.id ?? []);
    if (part.kind === 'editModule')
      return after
        .portsOf(part.id)
        .flatMap(({ channel }) => after.deviceAt({ moduleId: part.id, channel })?.id ?? []);
    if (
      part.kind !== 'assign' ||
      !part.place ||
      after.railOf(part.place.moduleId, after.commonOf(part.place))
    )
      return [];
    return after.mates(part.place).map(({ id }) => id);
  });
}
