import { oncePer } from '../lists/index.ts';
import type { Settings } from '../model/index.ts';
import type { DeviceDescription } from './description/deviceDescription.ts';
import type { ModuleDescription } from './description/moduleDescription.ts';
import type { FaceRow, Indicator, PartTerminal, TerminalRole } from './description/terminals.ts';
import type { Handling } from './handling/handling.ts';
import { settingAsParameter, takesSetting } from './parameters.ts';
import type { Parameter, Setting } from './parameters.ts';

/** What devices and modules have in common. */
export interface PartType {
  readonly id: string;
  readonly name: string;
  readonly title: string;
  readonly group: string;
  readonly terminals: readonly PartTerminal[];
  readonly settings?: readonly Setting[];
  /** What it is set to besides, on which no circuit hangs. */
  readonly parameters?: readonly Parameter[];
  readonly indicators?: readonly Indicator[];
  /** How it is drawn, where that does not follow from its elements. */
  readonly face?: readonly FaceRow[];
  readonly cautions?: { readonly isolate?: string; readonly supply?: string; readonly follow?: string };
}

/** The common part of a description. */
export const partType = (description: DeviceDescription | ModuleDescription): PartType => {
  const { id, name, title, group, terminals, settings, parameters, indicators, face, cautions } = description;
  return { id, name, title, group, terminals, settings, parameters, indicators, face, cautions };
};

export const terminalWithRole = (type: PartType, role: TerminalRole): PartTerminal | undefined =>
  type.terminals.find((terminal) => terminal.role === role);

/** Every setting of a part: what was chosen, and the first choice of what was not. */
export function settingsOf(type: PartType, chosen: Settings = {}): Settings {
  return Object.fromEntries(
    (type.settings ?? []).map((setting) => {
      const value = chosen[setting.key];
      const stands = value !== undefined && takesSetting(setting, value);
      return [setting.key, stands ? value : (setting.choices[0]?.value ?? '')];
    }),
  );
}

/** The number that stands printed on a terminal beside its name, as its part was chosen; nothing where none does. */
export function printedOn(type: PartType, chosen: Settings | undefined, name: string): string | undefined {
  const printed = type.terminals.find((terminal) => terminal.name === name)?.printed;
  const setting = (type.settings ?? []).find(({ names }) => names !== undefined);
  if (!printed || !setting) return printed;
  return settingsOf(type, chosen)[setting.key] === setting.names ? printed : undefined;
}

/** Everything that a part is set to: its switches and parameters, those of its instrument, in the order of its menu. */
export const parametersOfType = oncePer(
  (type: PartType & { readonly handling?: Handling }): readonly Parameter[] => [
    ...(type.settings ?? []).filter(({ place }) => place !== 'version').map(settingAsParameter),
    ...(type.parameters ?? []),
    ...(type.handling?.parameters ?? []),
  ],
);
