import { partTypesOf } from '../catalog/index.ts';
import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { JobContent, Module } from '../model/index.ts';
import { refuse, splitRef } from '../model/index.ts';
import type { SingleChange } from './changeSchema.ts';
import { JobIndex } from './jobIndex.ts';
import { commonWire, railColour, supplyOfRail } from './propose.ts';

/** Puts the common of a group on a rail, or takes it off; refused where it sits on one through something else. */
export function setCommon(
  job: JobContent,
  { moduleId, common, rail }: Extract<SingleChange, { kind: 'setCommon' }>,
): JobContent {
  const module = job.modules.find(({ id }) => id === moduleId);
  if (!module) return refuse(say('job.module-job'), 'moduleId');
  if (!isCommon(job, module, common)) refuse(say('job.has-no', { module: module.tag, common }), 'common');
  const ref = `${moduleId}:${common}`;
  const index = new JobIndex(job);
  const old = index
    .wiresAt(ref)
    .find(
      (wire) => index.railAt(ref) && [wire.from, wire.to].some((end) => index.supply(splitRef(end).item)),
    );
  const sits = old ? undefined : index.railBehind(ref);
  if (sits) return sits.rail === rail ? job : refuse(behindOthers(index, ref), 'common');
  if (!rail) return { ...job, wires: job.wires.filter((wire) => wire !== old) };
  const supply = supplyOfRail(job, rail, index.railAt(ref)?.supply);
  if (!supply) return refuse(say('job.no-supply-with-rail', { rail }), 'rail');
  if (!old) return { ...job, wires: [...job.wires, commonWire(job, moduleId, common, rail, supply)] };
  const moved = { from: ref, to: `${supply.id}:${rail}`, colour: railColour(job, rail) };
  return { ...job, wires: job.wires.map((wire) => (wire === old ? { ...wire, ...moved } : wire)) };
}

/** That a common sits on its rail through something: a wire beside that would join two rails. */
function behindOthers(index: JobIndex, ref: string): Message {
  const { item, terminal } = splitRef(ref);
  const parts = index.across(ref).flatMap((end) => index.device(splitRef(end).item)?.tag ?? []);
  return say('job.common-behind', { module: index.module(item)?.tag ?? item, common: terminal, parts });
}

/** Whether a terminal belongs on a rail: the common of a group, or of a port. */
function isCommon(job: JobContent, module: Module, terminal: string): boolean {
  const types = partTypesOf(job);
  const type = types.findModule(module);
  if (!type?.terminals.some(({ name }) => name === terminal)) return false;
  return (
    type.groups.some(({ common }) => common === terminal) ||
    types.ports(module).some(({ common }) => common === terminal)
  );
}
