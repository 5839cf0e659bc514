import { partTypesOf } from '../catalog/index.ts';
import { refWords } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import type { JobContent, Stamp } from '../model/index.ts';
import { fixed } from '../units/index.ts';

const STEP_NAMES: Readonly<Record<string, string>> = {
  isolate: 'Isolate, lock off, prove dead',
  supply: 'Supply leads landed',
  power: 'Power up and measure the supply',
  signal: 'Signal leads landed',
  tug: 'All wires tugged',
  common: 'Common compared with the rule',
  follow: 'Input follows the output',
  sensitivity: 'Sensitivity set',
  'scale.taken': 'Scaling entered in the controller',
  'safe-supply': 'Safety relay fed',
  'safe-closed': 'Both channels closed with the guard',
  'safe-reset': 'Reset tried',
  'safe-open': 'Guard opened: the safe side dropped out',
  'safe-one': 'Channel 1 opened alone',
  'safe-two': 'Channel 2 opened alone',
  'safe-cross': 'Channels joined for a moment',
  'safe-feedback': 'Feedback opened',
  'safe-selector': 'Position of the selector written down',
  'safe-time': 'Drop-out time measured',
};

/** What a step was, by its key and the job alone: also where it is none any more. */
export function stampName(
  job: JobContent,
  { step, pointId, values }: Pick<Stamp, 'step' | 'pointId' | 'values'>,
): string {
  const { devices, modules, points } = job;
  const tagOf = (id: string): string =>
    [...devices, ...modules].find((row) => row.id === id)?.tag ?? 'a part that is gone';
  if (step === 'sensitivity' && values?.setting !== undefined && values.scale !== undefined)
    return `Sensitivity set to ${fixed(values.setting, 1)} of ${fixed(values.scale, 0)}`;
  const [kind = '', id = ''] = [step.slice(0, step.indexOf('-')), step.slice(step.indexOf('-') + 1)];
  if (kind === 'helper') return `${tagOf(id)} landed`;
  if (kind === 'switch') return `Switches of ${tagOf(id)} set`;
  if (step.startsWith('fit.')) {
    const deviceId = points.find((point) => point.id === pointId)?.deviceId;
    const device = devices.find((row) => row.id === deviceId);
    const checks = device ? partTypesOf(job).findDevice(device)?.handling?.fit : undefined;
    return checks?.find(({ key }) => key === step.slice(4))?.title ?? 'A check of the fitting';
  }
  return STEP_NAMES[step] ?? step;
}

/** The parts of a fingerprint that changed, in words: each wire by its number, each part by its tag, none twice. */
export function changedWords(index: JobIndex, changed: readonly string[]): string {
  const said = changed.map((key) => {
    const at = key.indexOf(':');
    const id = key.slice(at + 1);
    const tag = index.device(id)?.tag ?? index.module(id)?.tag ?? 'a part that is gone';
    switch (key.slice(0, at)) {
      case 'wire': {
        const wire = index.job.wires.find((row) => row.id === id);
        return wire ? `wire ${wire.number} to ${refWords(index, wire.to)}` : 'a wire that is gone';
      }
      case 'kind':
        return `what ${tag} is`;
      case 'figures':
        return `the figures of ${tag}`;
      case 'settings':
        return `the settings of ${tag}`;
      case 'supply':
        return `supply ${index.supply(id)?.tag ?? ''}`.trim();
      case 'point':
        return 'the point itself';
      default:
        return key;
    }
  });
  return [...new Set(said)].join(', ');
}
