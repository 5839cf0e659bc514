import { supplyTerminals } from '@keypost/core/catalog';
import type { PartType } from '@keypost/core/catalog';
import { refText } from '@keypost/core/job';
import type { JobIndex } from '@keypost/core/job';

export interface TerminalOption {
  readonly value: string;
  readonly label: string;
  readonly group: string;
}

/** The terminals of a part, each with what it is and where it stands. */
export const terminalsOf = (index: JobIndex, item: string, tag: string, type: PartType): TerminalOption[] =>
  type.terminals.map(({ name, words, stacking }) => {
    const ref = `${item}:${name}`;
    const notes = [words, stacking && `${stacking.row} row, ${stacking.level}`];
    const said = notes.filter(Boolean).join(', ');
    return { value: ref, label: `${refText(index, ref)}${said ? `, ${said}` : ''}`, group: tag };
  });

/** The rails of every supply of a job. */
export const rails = (index: JobIndex): TerminalOption[] =>
  index.job.supplies.flatMap((supply) =>
    supplyTerminals(supply).map((rail) => {
      const ref = `${supply.id}:${rail}`;
      return { value: ref, label: refText(index, ref), group: `Supply ${supply.tag}` };
    }),
  );

/** Every terminal of a job: the rails, then those of some parts, then all others. */
export function jobTerminals(index: JobIndex, near: readonly string[] = []): TerminalOption[] {
  const { devices, modules } = index.job;
  const parts = [
    ...devices.map((device) => ({ ...device, type: index.deviceType(device) })),
    ...modules.map((module) => ({ ...module, type: index.moduleType(module) })),
  ];
  const first = parts.filter(({ id }) => near.includes(id));
  const others = parts.filter(({ id }) => !near.includes(id));
  return [
    ...rails(index),
    ...[...first, ...others].flatMap(({ id, tag, type }) => terminalsOf(index, id, tag, type)),
  ];
}
