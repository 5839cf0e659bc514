import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Analysis } from '../analysis/index.ts';
import { parametersOf } from '../job/index.ts';
import { unlessRefused } from '../model/index.ts';
import { arrivesAsData, chainOf, cutoffOf } from '../scaling/index.ts';
import { convert } from '../units/index.ts';

/** Something that no circuit shows: how it looks, and what confirms it. */
export interface BesideRule {
  readonly id: string;
  readonly looks: Message;
  readonly confirm: Message;
}

interface Rule {
  readonly id: string;
  /** What to say at a point; nothing where it cannot be. */
  readonly at: (analysis: Analysis) => Omit<BesideRule, 'id'> | undefined;
}

const isFlow = ({ context }: Analysis): boolean =>
  context.point.range !== undefined &&
  (convert(1, context.point.range.unit, 'l/min') !== undefined ||
    convert(1, context.point.range.unit, 'kg/h') !== undefined);

const isLevel = ({ context }: Analysis): boolean =>
  context.point.range !== undefined && convert(1, context.point.range.unit, 'm') !== undefined;

const isSerial = ({ context }: Analysis): boolean =>
  context.ports.some(({ port }) => port.kind === 'serial' || port.kind === 'ethernet');

const RULES: readonly Rule[] = [
  {
    id: 'cut-off',
    at: (analysis) => {
      const made = unlessRefused(() => chainOf(analysis));
      if (!isFlow(analysis) || !made || 'problem' in made) return undefined;
      const { display, controller } = made.chain;
      return {
        looks: say('fault.beside-cut-off'),
        confirm: say('fault.confirm-cut-off', { below: cutoffOf(display), unit: controller.unit }),
      };
    },
  },
  {
    id: 'alarm-as-zero',
    at: ({ present }) =>
      present.measured[0]?.unit === 'mA'
        ? { looks: say('fault.beside-alarm-zero'), confirm: say('fault.confirm-alarm-zero') }
        : undefined,
  },
  {
    id: 'foreign-unit',
    at: ({ context }) =>
      parametersOf(context.index.job, context.device.id).some(({ from }) => from === 'range.unit')
        ? {
            looks: say('fault.beside-foreign-unit'),
            confirm: say('fault.confirm-foreign-unit', {
              device: context.device.tag,
              unit: context.point.range?.unit ?? '',
            }),
          }
        : undefined,
  },
  {
    id: 'coil-ohms',
    at: ({ context }) =>
      context.type.description.chain?.coils?.length
        ? { looks: say('fault.beside-coil'), confirm: say('fault.confirm-coil') }
        : undefined,
  },
  {
    id: 'no-device-found',
    at: ({ context }) =>
      context.output.digitalOhms
        ? { looks: say('fault.beside-not-found'), confirm: say('fault.confirm-not-found') }
        : undefined,
  },
  {
    id: 'near-or-far',
    at: (analysis) =>
      isLevel(analysis)
        ? { looks: say('fault.beside-near-far'), confirm: say('fault.confirm-near-far') }
        : undefined,
  },
  {
    id: 'double-address',
    at: (analysis) =>
      isSerial(analysis)
        ? { looks: say('fault.beside-double'), confirm: say('fault.confirm-double') }
        : undefined,
  },
  {
    id: 'frozen',
    at: (analysis) =>
      arrivesAsData(analysis)
        ? { looks: say('fault.beside-frozen'), confirm: say('fault.confirm-frozen') }
        : undefined,
  },
];

/** What can be at a point that its circuit does not show, each with the check that confirms it. */
export const besideRules = (analysis: Analysis): BesideRule[] =>
  RULES.flatMap(({ id, at }) => {
    const said = at(analysis);
    return said ? [{ id, ...said }] : [];
  });
