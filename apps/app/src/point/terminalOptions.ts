import { supplyTerminals } from '@keypost/core/catalog';
import { refText } from '@keypost/core/job';
import type { JobIndex } from '@keypost/core/job';
import type { PartType } from '@keypost/core/catalog';
import type { PointContext } from '@keypost/core/network';

export interface TerminalOption {
  readonly value: string;
  readonly label: string;
  readonly group: string;
}

const optionsOf = (index: JobIndex, item: string, tag: string, type: PartType): TerminalOption[] =>
  type.terminals.map(({ name, words, stacking }) => {
    const ref = `${item}:${name}`;
    const notes = [words, stacking && `${stacking.row} row, ${stacking.level}`];
    const said = notes.filter(Boolean).join(', ');
    return { value: ref, label: `${refText(index, ref)}${said ? `, ${said}` : ''}`, group: tag };
  });

/**
 * Every terminal to which a wire of a point can go: the rails, the point's own parts, the modules that it uses, then
 * all other modules of the job.
 */
export function terminalOptions({ index, device, helpers, ports, scope }: PointContext): TerminalOption[] {
  const { supplies, modules } = index.job;
  const near = new Set([...ports.map(({ module }) => module.id), ...scope.parts.keys()]);
  return [
    ...supplies.flatMap((supply) =>
      supplyTerminals(supply).map((rail) => {
        const ref = `${supply.id}:${rail}`;
        return { value: ref, label: refText(index, ref), group: `Supply ${supply.tag}` };
      }),
    ),
    ...[device, ...helpers].flatMap((part) => optionsOf(index, part.id, part.tag, index.deviceType(part))),
    ...[...modules.filter(({ id }) => near.has(id)), ...modules.filter(({ id }) => !near.has(id))].flatMap(
      (module) => optionsOf(index, module.id, module.tag, index.moduleType(module)),
    ),
  ];
}
