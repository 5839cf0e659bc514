import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { SerialFrame } from '../catalog/index.ts';
import type { SerialPlan, SerialUnit } from '../model/index.ts';
import { presentValues } from '../job/index.ts';
import type { JobIndex } from '../job/index.ts';
import { readFrame } from './frame.ts';
import { registersOf } from './modbus/registers.ts';
import type { LineUnit, SerialLine } from './serialLine.ts';

/** A plan as the line that it makes. */
export function lineOf({ units, bias, mm2 }: SerialPlan): SerialLine {
  const at = bias && units.find(({ id }) => id === bias.at);
  return {
    mm2,
    units: units.map(lineUnit),
    ...(bias && at && { bias: { at: at.tag, ohms: bias.ohms, volts: bias.volts } }),
  };
}

const lineUnit = ({ answerMs, map, ...unit }: SerialUnit): LineUnit => ({
  ...unit,
  registers: map.reduce((sum, { type }) => sum + registersOf(type), 0),
  ...(answerMs !== undefined && { answerSeconds: answerMs / 1000 }),
});

/** The plan with what is known of each unit's own settings put in the plan's place: the line as it stands. */
export function planAsSet(index: JobIndex, plan: SerialPlan): SerialPlan {
  return {
    ...plan,
    units: plan.units.map((unit) => {
      if (unit.itemId === undefined) return unit;
      const { values } = presentValues(index, unit.itemId);
      const frame = values.get('frame')?.value;
      const number = values.get('unit')?.value;
      const baud = values.get('baud')?.value;
      const terminator = values.get('terminator')?.value;
      return {
        ...unit,
        ...(number !== undefined && { unit: Number(number) }),
        ...(baud !== undefined && { baud: Number(baud) }),
        ...(frame !== undefined && readFrame(frame as SerialFrame)),
        ...(terminator !== undefined && { terminated: terminator === 'on' }),
      };
    }),
  };
}

/** The two ways in which makers letter the lines, and what each name means: which line is positive at rest. */
export const LINE_NAMES: readonly { readonly names: Message; readonly words: Message }[] = [
  { names: say('fieldbus.d1-d0'), words: say('fieldbus.plain-d1-positive-rest') },
  { names: say('fieldbus.b-and-a'), words: say('fieldbus.tia-485-b-positive') },
  { names: say('fieldbus.a-and-b'), words: say('fieldbus.turned-many-makers-print') },
];

/** How the plus line is called at each unit where the names of a line differ, in a sentence; nothing where they agree. */
export function namingSentence({ units }: SerialPlan): Message | undefined {
  const names = new Set(units.map(({ plusName }) => plusName));
  if (names.size < 2) return undefined;
  const each = say('text.list', {
    parts: units.map(({ tag, plusName }) => say('fieldbus.at', { plusName, tag })),
  });
  return say('fieldbus.line-positive-rest-called', { each });
}
