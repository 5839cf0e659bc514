import { SwitchingOutput, WATCHED } from '@keypost/core/model';
import { USUAL_RELAY_PERCENT } from '@keypost/core/switching';
import { z } from 'zod';
import { problemsBy } from '../ui/issueText';
import { typedMaybe } from '../ui/typedNumbers';
import { modeRead, modeTexts, ModeTexts, NO_MODE } from './ModeFields';

const InFault = z.enum(['on', 'off', 'hold']);

/** A threshold as it is typed. */
export const ThresholdTexts = ModeTexts.extend({
  name: z.string(),
  decidedBy: z.enum(['controller', 'relay']),
  watches: z.enum(WATCHED),
  logic: z.enum(['no', 'nc']),
  damping: z.string(),
  onDelay: z.string(),
  offDelay: z.string(),
  startUp: z.string(),
  leastPulse: z.string(),
  clearedBy: z.enum(['itself', 'anyone', 'operator', 'key']),
  break: InFault,
  short: InFault,
  invalid: InFault,
  safeSide: z.enum(['none', 'on', 'off']),
  accuracy: z.string(),
});
export type ThresholdTexts = z.infer<typeof ThresholdTexts>;

export const NEW_THRESHOLD: ThresholdTexts = {
  ...NO_MODE,
  name: 'Threshold',
  decidedBy: 'controller',
  watches: 'value',
  logic: 'no',
  damping: '0',
  onDelay: '0',
  offDelay: '0',
  startUp: '0',
  leastPulse: '0',
  clearedBy: 'itself',
  break: 'off',
  short: 'off',
  invalid: 'off',
  safeSide: 'none',
  accuracy: String(USUAL_RELAY_PERCENT),
};

/** A threshold that is stored, as it is typed. */
export const thresholdTexts = (output: SwitchingOutput): ThresholdTexts => ({
  ...modeTexts(output.mode),
  name: output.name,
  decidedBy: output.decidedBy,
  watches: output.watches,
  logic: output.logic,
  damping: String(output.damping),
  onDelay: String(output.onDelay),
  offDelay: String(output.offDelay),
  startUp: String(output.startUp),
  leastPulse: String(output.leastPulse),
  clearedBy: output.clearedBy,
  ...output.onFault,
  safeSide: output.safeSide ?? 'none',
  accuracy: String(output.accuracyPercent ?? USUAL_RELAY_PERCENT),
});

/** Whether nothing that it switches at was typed yet. */
export const isBare = ({ kind, set, reset, low, high }: ThresholdTexts): boolean =>
  (kind === 'points' ? [set, reset] : [low, high]).some((text) => text.trim() === '');

/** What was typed as a threshold, or what is wrong by field. */
export function readThreshold(
  texts: ThresholdTexts,
  id: string,
  unit: string,
): { readonly output: SwitchingOutput } | { readonly problems: Readonly<Record<string, string>> } {
  const seconds = (text: string) => typedMaybe(text, 's');
  const parsed = SwitchingOutput.safeParse({
    id,
    name: texts.name.trim(),
    decidedBy: texts.decidedBy,
    watches: texts.watches,
    unit,
    mode: modeRead(texts, unit),
    logic: texts.logic,
    damping: seconds(texts.damping),
    onDelay: seconds(texts.onDelay),
    offDelay: seconds(texts.offDelay),
    startUp: seconds(texts.startUp),
    leastPulse: seconds(texts.leastPulse),
    clearedBy: texts.clearedBy,
    onFault: { break: texts.break, short: texts.short, invalid: texts.invalid },
    ...(texts.safeSide !== 'none' && { safeSide: texts.safeSide }),
    ...(texts.decidedBy === 'relay' && { accuracyPercent: typedMaybe(texts.accuracy, '%') }),
  });
  return parsed.success
    ? { output: parsed.data }
    : { problems: problemsBy(parsed.error, (path) => String(path.at(-1))) };
}
