import { DEVICE_TYPES, RELAY_TYPES } from '../catalog/index.ts';
import type { LoadRating } from '../catalog/index.ts';
import { refuse } from '../model/index.ts';
import { judgeContact } from '../verdict/index.ts';
import { ToolReader, withUnit } from './tool.ts';
import type { Tool } from './tool.ts';

const KINDS: Readonly<Record<LoadRating['kind'], string>> = {
  resistive: 'heater, resistor',
  motor: 'motor, fan, pump',
  filament: 'filament lamp',
  led: 'LED lamp',
  coil: 'coil, valve, contactor',
};

/** How many times its running current a load of a kind draws at the start: the most that the catalog knows of. */
const inrushOf = (kind: string): number =>
  Math.max(1, ...DEVICE_TYPES.map(({ load }) => (load?.kind === kind ? load.inrush : 1)));

const RATED = RELAY_TYPES.filter(({ contacts }) => contacts !== undefined);

export const CONTACTS_TOOL: Tool = {
  id: 'contacts',
  name: 'Relay contacts',
  hint: 'whether a contact carries, makes and keeps clean on a load',
  fields: [
    {
      key: 'relay',
      label: 'Relay',
      kind: 'choice',
      choices: RATED.map(({ id, name }) => ({ value: id, label: name })),
    },
    {
      key: 'load',
      label: 'Load',
      kind: 'choice',
      choices: Object.entries(KINDS).map(([value, label]) => ({ value, label })),
    },
    { key: 'watts', label: 'Power', kind: 'number', hint: 'W, of one load' },
    { key: 'volts', label: 'Voltage', kind: 'number', unit: 'V' },
    { key: 'count', label: 'So many on the contact', kind: 'number' },
  ],
  first: { relay: RATED[0]!.id, load: 'motor', watts: '80', volts: '230', count: '1' },
  work(values) {
    const read = new ToolReader(CONTACTS_TOOL, values);
    const relay = read.choice('relay');
    const { contacts, name } = RATED.find(({ id }) => id === relay) ?? {};
    const [watts, volts, count] = [read.number('watts'), read.number('volts'), read.number('count')];
    if (!(watts > 0)) refuse('A power is above 0 W.', 'watts');
    if (!(volts > 0)) refuse('A voltage is above 0 V.', 'volts');
    if (!(Number.isInteger(count) && count >= 1)) refuse('One load or more, a whole number.', 'count');
    const amps = (count * watts) / volts;
    const inrush = amps * inrushOf(read.choice('load'));
    const rating = contacts!;
    const reasons = judgeContact('The contact', rating, amps, inrush);
    const over =
      volts > rating.maxVolts
        ? [
            {
              sentence: `${volts} V is above the ${rating.maxVolts} V that it may switch.`,
              weight: 'cannot' as const,
            },
          ]
        : [];
    const under =
      volts < rating.minVolts
        ? [
            {
              sentence: `${volts} V is below the ${rating.minVolts} V that keep it clean.`,
              weight: 'doubtful' as const,
            },
          ]
        : [];
    const all = [...over, ...reasons, ...under];
    return {
      title: all.length
        ? all.some(({ weight }) => weight === 'cannot')
          ? 'This contact cannot do it'
          : 'Doubtful'
        : 'This contact can do it',
      lines: [
        {
          label: 'Running',
          value: `${withUnit(amps, 'A', 3)} of ${rating.amps} A`,
          tone: amps > rating.amps ? 'bad' : 'good',
        },
        {
          label: 'At the start',
          value: `${withUnit(inrush, 'A', 3)} of ${rating.inrushAmps} A`,
          tone: inrush > rating.inrushAmps ? 'bad' : 'good',
        },
        {
          label: 'Stays clean from',
          value: `${withUnit(rating.minAmps * 1000, 'mA')} and ${rating.minVolts} V`,
        },
      ],
      words: [
        ...all.map(({ sentence }) => ({ text: sentence, tone: 'bad' as const })),
        { text: `${name}. Mains only by those licensed or authorised under the local code.` },
      ],
    };
  },
};
