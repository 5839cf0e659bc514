import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { supplyTerminals } from '../catalog/index.ts';
import type { PartTerminal } from '../catalog/index.ts';
import type { JobContent } from '../model/index.ts';
import { otherEnd, JobIndex, printedAt, refText } from '../job/index.ts';

/** One terminal of a sheet with the wires on it. */
interface SheetTerminal {
  readonly name: string;
  readonly printed: string;
  /** What it is, and on which row and level of a stack it stands. */
  readonly words: Text;
  readonly wires: readonly {
    readonly number: string;
    readonly colour: string;
    readonly to: string;
    readonly cable: string;
  }[];
}

/** The terminals of one supply, module or device. */
export interface SheetPart {
  readonly tag: string;
  readonly kind: string;
  readonly terminals: readonly SheetTerminal[];
}

/** Every terminal of a panel with what is landed on it, as the panel is: supplies, modules, then devices. */
export function terminalSheet(job: JobContent): SheetPart[] {
  const index = new JobIndex(job);
  const sheetOf = (id: string, tag: string, kind: string, terminals: readonly PartTerminal[]): SheetPart => ({
    tag,
    kind,
    terminals: terminals.map(({ name, words = '', stacking }) => {
      const ref = `${id}:${name}`;
      const place = stacking ? say('planning.row', { row: stacking.row, level: stacking.level }) : '';
      return {
        name,
        printed: printedAt(index, id, name) ?? '',
        words: place ? say('text.list', { parts: [words, place].filter(Boolean) }) : words,
        wires: index.wiresAt(ref).map((wire) => ({
          number: wire.number,
          colour: wire.colour,
          to: refText(index, otherEnd(wire, ref)),
          cable: [wire.cable, wire.core].filter(Boolean).join(' '),
        })),
      };
    }),
  });
  return [
    ...job.supplies.map((supply) =>
      sheetOf(
        supply.id,
        supply.tag,
        `${supply.volts} V ${supply.kind === 'ac' ? 'AC' : 'DC'}`,
        supplyTerminals(supply).map((name) => ({ name })),
      ),
    ),
    ...job.modules.map((module) => {
      const type = index.moduleType(module);
      return sheetOf(module.id, module.tag, type.name, type.terminals);
    }),
    ...job.devices.map((device) => {
      const type = index.deviceType(device);
      return sheetOf(device.id, device.tag, type.name, type.terminals);
    }),
  ];
}
