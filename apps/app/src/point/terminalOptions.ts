import type { PointContext } from '@keypost/core/network';
import { rails, terminalsOf } from '../job/jobTerminals';
import type { TerminalOption } from '../job/jobTerminals';

/**
 * Every terminal to which a wire of a point can go: the rails, the point's own parts, the modules that it uses, then
 * all other modules of the job.
 */
export function terminalOptions({ index, device, helpers, ports, scope }: PointContext): TerminalOption[] {
  const { modules } = index.job;
  const near = new Set([...ports.map(({ module }) => module.id), ...scope.parts.keys()]);
  return [
    ...rails(index),
    ...[device, ...helpers].flatMap((part) => terminalsOf(index, part.id, part.tag, index.deviceType(part))),
    ...[...modules.filter(({ id }) => near.has(id)), ...modules.filter(({ id }) => !near.has(id))].flatMap(
      (module) => terminalsOf(index, module.id, module.tag, index.moduleType(module)),
    ),
  ];
}
