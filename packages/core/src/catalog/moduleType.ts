import { nth, oncePer } from '../lists/index.ts';
import type { Element } from '../circuit/index.ts';
import type { Settings } from '../model/index.ts';
import { elementsOf, ofModel } from './behaviours/behaviours.ts';
import { analogFigures, thresholdsOf } from './behaviours/inputs.ts';
import type { OperatingState } from './description/expression.ts';
import { maxOf, nominalOf } from './description/figure.ts';
import type { ModuleDescription, PortDescription } from './description/moduleDescription.ts';
import { partType, settingsOf } from './partType.ts';
import type { PartType } from './partType.ts';
import type { Port } from './ports.ts';

/** A module's description with what is read off it. */
export interface ModuleType extends PartType {
  readonly description: ModuleDescription;
  readonly groups: ModuleDescription['groups'];
  /** Its ports under the given settings, by channel. */
  readonly ports: (settings: Settings) => readonly Port[];
  /** All that its channels can be: as they are under the given settings first, then what they would be under others. */
  readonly possiblePorts: (settings: Settings) => readonly PossiblePort[];
  readonly circuit: (now: OperatingState) => readonly Element[];
}

/** What a channel is, or could be, and what has to be set for that: nothing for what it is. */
export interface PossiblePort {
  readonly port: Port;
  readonly settings: Settings;
}

/** For so many different settings the ports of a kind of module are kept. */
const MAX_SETTINGS = 200;

/** A description as the rest of the core uses it. Made once for each. */
export const moduleTypeOf = oncePer(makeType);

function makeType(description: ModuleDescription): ModuleType {
  const known = new Map<string, readonly Port[]>();
  const part = partType(description);
  const stands = ({ when }: PortDescription, settings: Settings): boolean =>
    when === undefined || when.is.includes(settings[when.setting] ?? '');
  const ports = (settings: Settings): readonly Port[] => {
    const text = JSON.stringify(settings);
    let made = known.get(text);
    if (!made) {
      const all = settingsOf(part, settings);
      made = description.ports
        .filter((port) => stands(port, all))
        .map((port) => portOf(description, port, settings));
      if (known.size < MAX_SETTINGS) known.set(text, made);
    }
    return made;
  };
  return {
    ...part,
    description,
    groups: description.groups,
    ports,
    possiblePorts: (settings) => {
      const all = settingsOf(part, settings);
      const others = description.ports.flatMap((port): PossiblePort[] => {
        if (!port.when || stands(port, all)) return [];
        const own = { [port.when.setting]: nth(port.when.is, 0) };
        return [{ port: portOf(description, port, { ...settings, ...own }), settings: own }];
      });
      return [...ports(settings).map((port): PossiblePort => ({ port, settings: {} })), ...others];
    },
    circuit: (now) => {
      const around = { ports: ports(now.settings) };
      return description.behaviours.flatMap((own) => elementsOf(own, now, around));
    },
  };
}

function portOf({ behaviours }: ModuleDescription, described: PortDescription, settings: Settings): Port {
  const { cases = [], when: _, ...port } = described;
  switch (port.kind) {
    case 'digital': {
      const [input] = ofModel(behaviours, 'optocoupler-input').filter(({ id }) => id === port.input);
      if (!input) throw new Error(`No optocoupler-input “${port.input}” senses at ${port.name}.`);
      const set = Object.assign(
        {},
        ...cases.filter(({ setting, is }) => settings[setting] === is).map((c) => c.set),
      );
      return {
        ...port,
        ...set,
        thresholds: thresholdsOf(input),
        seriesOhms: nominalOf(input.seriesOhms),
      };
    }
    case 'analog': {
      const input = behaviours.find(({ id }) => id === port.input);
      if (!input) throw new Error(`No behaviour “${port.input}” measures at ${port.name}.`);
      const { burdenOhms, ...figures } = analogFigures(input);
      return { ...port, ...figures, burdenOhms: burdenOhms(port.switchKey && settings[port.switchKey]) };
    }
    case 'output': {
      const { rated, ...rest } = port;
      return { ...rest, ratedAmps: maxOf(rated) };
    }
    default:
      return port;
  }
}
