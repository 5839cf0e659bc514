import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { sheetOf } from '../setting/index.ts';
import type { SheetLine } from '../setting/index.ts';
import type { PointContext } from '../network/index.ts';
import { seen } from './sought.ts';
import type { Sought, SoughtGroup } from './sought.ts';

/** What an input may have been given to do besides reading: its function, when it is active, and what follows. */
const ROLES = ['function', 'active', 'action'] as const;

/** The words of a line's value as it is required; else as it stands; else as it comes. */
function wanted({ required, present, parameter }: SheetLine): Text | undefined {
  const value = required?.value ?? present?.value ?? parameter.factory;
  return parameter.choices?.find((choice) => choice.value === value)?.label ?? value;
}

/** What the controller does with a point's inputs, where it was given something to do; nothing elsewhere. */
export function functionGroup({ index, ports }: PointContext): SoughtGroup[] {
  const checks = ports.flatMap(({ module, port }): Sought[] => {
    const { lines } = sheetOf(index, module.id);
    return ROLES.flatMap((role): Sought[] => {
      const line = lines.find(({ parameter }) => parameter.key === `${port.name}.${role}`);
      const words = line && wanted(line);
      // What an input means is asked once somebody said it.
      if (!line || words === undefined || (role === 'function' && !line.required && !line.present)) return [];
      const what = { key: `does.${role}-${port.name}`, label: line.parameter.label, detail: module.tag };
      return [seen(what, true, words, say('proof.other'))];
    });
  });
  return checks.length ? [{ key: 'does', title: say('proof.what-controller-does'), checks }] : [];
}
