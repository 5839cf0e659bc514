import { nth, sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import { DEVICE_TYPES, RELAY_TYPES } from '../catalog/index.ts';
import type { LoadRating } from '../catalog/index.ts';
import { refuse } from '../model/index.ts';
import { judgeContact } from '../verdict/index.ts';
import { ToolReader } from './tool.ts';
import type { Tool } from './tool.ts';

const KINDS: Readonly<Record<LoadRating['kind'], Text>> = {
  resistive: 'heater, resistor',
  motor: 'motor, fan, pump',
  filament: say('tools.filament-lamp'),
  led: say('tools.led-lamp'),
  coil: 'coil, valve, contactor',
};

/** How many times its running current a load of a kind draws at the start: the most that the catalog knows of. */
const inrushOf = (kind: string): number =>
  Math.max(1, ...DEVICE_TYPES.map(({ load }) => (load?.kind === kind ? load.inrush : 1)));

const RATED = RELAY_TYPES.filter(({ contacts }) => contacts !== undefined);

export const CONTACTS_TOOL: Tool = {
  id: 'contacts',
  name: say('tools.relay-contacts'),
  hint: say('tools.whether-contact-carries-makes'),
  fields: [
    {
      key: 'relay',
      label: say('proof.relay-2'),
      kind: 'choice',
      choices: RATED.map(({ id, name }) => ({ value: id, label: name })),
    },
    {
      key: 'load',
      label: say('proof.load'),
      kind: 'choice',
      choices: Object.entries(KINDS).map(([value, label]) => ({ value, label })),
    },
    { key: 'watts', label: say('tools.power'), kind: 'number', hint: say('tools.w-load') },
    { key: 'volts', label: say('tools.voltage'), kind: 'number', unit: 'V' },
    { key: 'count', label: say('tools.many-contact'), kind: 'number' },
  ],
  first: { relay: nth(RATED, 0).id, load: 'motor', watts: '80', volts: '230', count: '1' },
  work(values) {
    const read = new ToolReader(CONTACTS_TOOL, values);
    const relay = read.choice('relay');
    const { contacts, name } = RATED.find(({ id }) => id === relay) ?? {};
    const [watts, volts, count] = [read.number('watts'), read.number('volts'), read.number('count')];
    if (!(watts > 0)) refuse(say('tools.power-above-0-w'), 'watts');
    if (!(volts > 0)) refuse(say('tools.voltage-above-0-v'), 'volts');
    if (!(Number.isInteger(count) && count >= 1)) refuse(say('tools.load-more-whole-number'), 'count');
    const amps = (count * watts) / volts;
    const inrush = amps * inrushOf(read.choice('load'));
    const rating = sure(contacts);
    const reasons = judgeContact(say('tools.the-contact'), rating, amps, inrush);
    const over =
      volts > rating.maxVolts
        ? [
            {
              sentence: say('tools.v-above-v-may', { volts, maxVolts: rating.maxVolts }),
              weight: 'cannot' as const,
            },
          ]
        : [];
    const under =
      volts < rating.minVolts
        ? [
            {
              sentence: say('tools.v-below-v-keep', { volts, minVolts: rating.minVolts }),
              weight: 'doubtful' as const,
            },
          ]
        : [];
    const all = [...over, ...reasons, ...under];
    return {
      title: all.length
        ? all.some(({ weight }) => weight === 'cannot')
          ? say('tools.contact-do')
          : say('tools.doubtful')
        : say('tools.contact-do-2'),
      lines: [
        {
          label: say('tools.running'),
          value: say('tools.of-a', { amps, amps2: rating.amps }),
          tone: amps > rating.amps ? 'bad' : 'good',
        },
        {
          label: say('tools.at-the-start'),
          value: say('tools.of-a-2', { inrush, inrushAmps: rating.inrushAmps }),
          tone: inrush > rating.inrushAmps ? 'bad' : 'good',
        },
        {
          label: say('tools.stays-clean'),
          value: say('tools.and-v', { minAmps: rating.minAmps, minVolts: rating.minVolts }),
        },
      ],
      words: [
        ...all.map(({ sentence }) => ({ text: sentence, tone: 'bad' as const })),
        { text: say('tools.mains-those-licensed-authorised', { name }) },
      ],
    };
  },
};
