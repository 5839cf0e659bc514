import { chosenOutput, settingsOf, SIGNALS } from '../catalog/index.ts';
import type { DeviceType, Parameter } from '../catalog/index.ts';
import { LOGICS, OUTPUT_KINDS } from '../model/index.ts';
import type { Device, Logic, OutputKind, Settings } from '../model/index.ts';
import { presentValues } from './presentValues.ts';
import type { JobIndex } from './jobIndex.ts';

/** A parameter that was seen at another value than the job wants, and that changes the circuit. */
interface FoundOtherwise {
  readonly parameter: Parameter;
  readonly found: string;
  readonly wanted: string;
}

/** How a device stands: as chosen, and where somebody saw that its outputs are set otherwise, as seen. */
interface AsItStands {
  readonly outputs: Device['outputs'];
  readonly settings: Settings;
  readonly otherwise: readonly FoundOtherwise[];
}

const known = new WeakMap<JobIndex, Map<string, AsItStands>>();

/**
 * A device with the kind, logic and signal of its outputs as they were last seen; as chosen where nobody looked.
 * Worked out once for an index: every solved state asks for it.
 */
export function asItStands(index: JobIndex, device: Device): AsItStands {
  let standings = known.get(index);
  if (!standings) known.set(index, (standings = new Map()));
  let standing = standings.get(device.id);
  if (!standing) standings.set(device.id, (standing = workOut(index, device)));
  return standing;
}

function workOut(index: JobIndex, device: Device): AsItStands {
  const type = index.deviceType(device);
  let standing: AsItStands = {
    outputs: device.outputs,
    settings: settingsOf(type, device.settings),
    otherwise: [],
  };
  const parameters = (type.handling?.parameters ?? []).filter(({ from }) => from && from in READ);
  if (!parameters.length) return standing;
  const { values } = presentValues(index, device.id);
  for (const parameter of parameters) {
    const found = values.get(parameter.key)?.value;
    const read = parameter.from && READ[parameter.from];
    if (found !== undefined && read) standing = read(standing, parameter, found, type, device) ?? standing;
  }
  return standing;
}

type Read = (
  standing: AsItStands,
  parameter: Parameter,
  found: string,
  type: DeviceType,
  device: Device,
) => AsItStands | undefined;

const READ: Readonly<Partial<Record<string, Read>>> = {
  'signal.kind': (standing, parameter, found, { outputs }) => {
    const wanted = outputs.find(({ signal }) => signal)?.signal;
    if (wanted === undefined || wanted === found || !(found in SIGNALS)) return undefined;
    const settings = { ...standing.settings, [parameter.key]: found };
    return { ...standing, settings, otherwise: [...standing.otherwise, { parameter, found, wanted }] };
  },
  'output.kind': (standing, parameter, found, type, device) => {
    const kind = OUTPUT_KINDS.find((known) => known === found);
    return kind && withOutput(standing, parameter, { kind }, type, device);
  },
  'output.logic': (standing, parameter, found, type, device) => {
    const logic = LOGICS.find((known) => known === found);
    return logic && withOutput(standing, parameter, { logic }, type, device);
  },
};

/** With its switching output as it was found; nothing where that is as chosen. */
function withOutput(
  standing: AsItStands,
  parameter: Parameter,
  found: { readonly kind: OutputKind } | { readonly logic: Logic },
  type: DeviceType,
  device: Device,
): AsItStands | undefined {
  const output = type.outputs.find(({ kinds }) => !kinds.includes('none'));
  if (!output) return undefined;
  const chosen = chosenOutput(type, device, output);
  const now = { ...chosenOutput(type, standing, output), ...found };
  const [is, wanted] = 'kind' in found ? [found.kind, chosen.kind] : [found.logic, chosen.logic];
  if (is === wanted) return undefined;
  return {
    ...standing,
    outputs: { ...standing.outputs, [output.id]: now },
    otherwise: [...standing.otherwise, { parameter, found: is, wanted }],
  };
}
