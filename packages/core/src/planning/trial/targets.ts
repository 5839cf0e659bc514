import { outputOfType, parametersOfType, settingsOf } from '../../catalog/index.ts';
import type {
  DeviceOutput,
  DeviceType,
  ModuleType,
  PossiblePort,
  Parameter,
  PartTypes,
} from '../../catalog/index.ts';
import { portFits, takesAc } from '../../job/index.ts';
import { BENCH } from './trial.ts';
import type { TrialTarget } from './trial.ts';

/** Of the modules on which an output can be landed, the first of each group that takes current in the same sense. */
function modulesFor(
  { modules }: PartTypes,
  type: DeviceType,
  output: DeviceOutput | undefined,
): ModuleType[] {
  const seen = new Set<string>();
  return modules.filter((module) => {
    const port = fittingPort(module, type, output)?.port;
    if (!port) return false;
    const key = `${module.group} ${port.kind === 'digital' ? `${port.sense} ${port.acVolts ?? ''}` : ''}`;
    return !seen.has(key) && seen.add(key);
  });
}

/** The channel of a kind of module on which an output can be landed, the first as it comes before what it can be set to. */
export function fittingPort(
  module: ModuleType,
  type: DeviceType,
  output: DeviceOutput | undefined,
): PossiblePort | undefined {
  return module.possiblePorts(settingsOf(module)).find(({ port }) => portFits(type, output, port));
}

/** So many kinds of inputs stand before the bench. */
const IN_FRONT = 3;

/** What an output can be tried on: inputs of each sense, loads and relays of its own mains or control voltage, the bench. */
export function trialTargets(types: PartTypes, typeId: string, outputId: string): TrialTarget[] {
  const type = types.device({ typeId });
  const output = outputOfType(type, outputId);
  const switches = output?.landsOn === 'switched';
  const mains = type.description.mains === true;
  const loads = switches
    ? types.devices.filter(({ load, coil, outputs, description }) => {
        // A stack light is wired tier by tier, and an indicator shows no switch.
        if (description.tiers || outputs.some(({ signal }) => signal !== undefined)) return false;
        const current = load?.current ?? coil?.kind;
        const volts = load?.volts ?? coil?.volts ?? 0;
        return (current === 'any' || current === (mains ? 'ac' : 'dc')) && (mains ? volts > 60 : volts <= 60);
      })
    : [];
  const modules = modulesFor(types, type, output);
  const [usual, others] = [modules.slice(0, IN_FRONT), modules.slice(IN_FRONT)];
  return [
    ...(mains ? [] : usual.map(targetOfModule)),
    ...(switches && !mains
      ? [{ id: BENCH, is: 'bench', name: 'A supply and a meter', hasCommon: false } as const]
      : []),
    ...(mains ? [] : others.map(targetOfModule)),
    ...loads.map(({ id, name }) => ({ id, is: 'load', name, hasCommon: false }) as const),
    ...(mains ? modules.map(targetOfModule) : []),
  ];
}

function targetOfModule(module: ModuleType): TrialTarget {
  const port = module.ports(settingsOf(module)).find(({ kind }) => kind === 'digital');
  return {
    id: module.id,
    is: 'module',
    name: module.name,
    hasCommon: port !== undefined && !takesAc(port) && port.inside === undefined && module.groups.length > 0,
  };
}

/** What a kind of device is asked about its name-plate, since it gives something else with each answer. */
export const plateQuestions = (type: DeviceType): Parameter[] =>
  parametersOfType(type).filter(({ from, kind }) => kind === 'choice' && from === 'plate.element');
