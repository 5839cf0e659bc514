import { own } from '../lists/index.ts';
import { distinct, say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { partTypesOf } from '../catalog/index.ts';
import { refText } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import type { JobContent, Stamp } from '../model/index.ts';

const STEP_NAMES: Readonly<Record<string, Message>> = {
  isolate: say('step.isolate-lock-off-prove'),
  supply: say('step.supply-leads-landed'),
  power: say('step.power-up-measure-supply'),
  signal: say('step.signal-leads-landed'),
  tug: say('step.all-wires-tugged'),
  common: say('step.common-compared-rule'),
  follow: say('step.input-follows-output'),
  sensitivity: say('step.sensitivity-set'),
  'scale.taken': say('step.scaling-entered-controller'),
  'switch.taken': say('step.alarms-entered-controller'),
  'safe-supply': say('step.safety-relay-fed'),
  'safe-closed': say('step.both-channels-closed-guard'),
  'safe-reset': say('step.reset-tried'),
  'safe-open': say('step.guard-opened-safe-side'),
  'safe-one': say('step.channel-1-opened-alone'),
  'safe-two': say('step.channel-2-opened-alone'),
  'safe-cross': say('step.channels-joined-moment'),
  'safe-feedback': say('step.feedback-opened'),
  'safe-selector': say('step.position-selector-written-down'),
  'safe-time': say('step.drop-out-time-measured'),
};

/** What a step was, by its key and the job alone: also where it is none any more. */
export function stampName(
  job: JobContent,
  { step, pointId, values }: Pick<Stamp, 'step' | 'pointId' | 'values'>,
): Text {
  const { devices, modules, points } = job;
  const tagOf = (id: string): Text =>
    [...devices, ...modules].find((row) => row.id === id)?.tag ?? say('step.part-gone');
  if (step === 'sensitivity' && values?.setting !== undefined && values.scale !== undefined)
    return say('step.sensitivity-set-2', { setting: values.setting, scale: values.scale });
  const [kind = '', id = ''] = [step.slice(0, step.indexOf('-')), step.slice(step.indexOf('-') + 1)];
  if (step.startsWith('switch.output.')) return say('step.threshold-set');
  if (kind === 'helper') return say('step.landed', { tagOf: tagOf(id) });
  if (kind === 'switch') return say('step.switches-set', { tagOf: tagOf(id) });
  if (step.startsWith('fit.')) {
    const deviceId = points.find((point) => point.id === pointId)?.deviceId;
    const device = devices.find((row) => row.id === deviceId);
    const checks = device ? partTypesOf(job).findDevice(device)?.handling?.fit : undefined;
    const title = checks?.find(({ key }) => key === step.slice(4))?.title;
    return title === undefined ? say('step.check-fitting') : say('step.fit', { check: title });
  }
  return own(STEP_NAMES, step) ?? step;
}

/** The parts of a fingerprint that changed, in words: each wire by its number, each part by its tag, none twice. */
export function changedText(index: JobIndex, changed: readonly string[]): Message {
  const said = changed.map((key) => {
    const at = key.indexOf(':');
    const id = key.slice(at + 1);
    const tag = index.device(id)?.tag ?? index.module(id)?.tag ?? say('step.part-gone');
    switch (key.slice(0, at)) {
      case 'wire': {
        const wire = index.job.wires.find((row) => row.id === id);
        return wire
          ? say('step.wire-to', { number: wire.number, ref: refText(index, wire.to) })
          : say('step.wire-gone');
      }
      case 'kind':
        return say('step.what-is', { tag });
      case 'figures':
        return say('step.the-figures-of', { tag });
      case 'settings':
        return say('step.the-settings-of', { tag });
      case 'supply':
        return say('step.supply', { supply: index.supply(id)?.tag ?? '' });
      case 'mended':
        return say('step.mended', { what: nameOf(index, id) });
      case 'point':
        return say('step.point-itself');
      default:
        return key;
    }
  });
  return say('text.list', { parts: distinct(said) });
}

/** A wire by its number, a point, a part or a supply by its tag. */
const nameOf = (index: JobIndex, id: string): string =>
  index.job.wires.find((row) => row.id === id)?.number ??
  index.job.points.find((row) => row.id === id)?.tag ??
  (index.device(id) ?? index.module(id) ?? index.supply(id))?.tag ??
  id;
