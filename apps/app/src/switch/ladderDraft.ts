import { LadderPlan } from '@keypost/core/model';
import type { Level } from '@keypost/core/switching';
import { z } from 'zod';
import { problemsBy } from '../ui/issueText';
import { typedMaybe } from '../ui/typedNumbers';

/** A level as it is typed. */
const LevelTexts = z.object({
  id: z.string(),
  name: z.string(),
  limit: z.string(),
  hysteresis: z.string(),
  delay: z.string(),
  direction: z.enum(['above', 'below']),
  does: z.array(z.string()),
  lit: z.string(),
  dark: z.string(),
  clearedBy: z.enum(['itself', 'anyone', 'operator', 'key']),
  onFault: z.enum(['acts', 'rests', 'holds']),
  kept: z.enum(['yes', 'no']),
});

/** A ladder as it is typed. */
export const LadderTexts = z.object({
  levels: z.array(LevelTexts),
  startUp: z.string(),
  faultsWaitToo: z.enum(['yes', 'no']),
  bypass: z.string(),
});

export type LevelTexts = z.infer<typeof LevelTexts>;
export type LadderTexts = z.infer<typeof LadderTexts>;

const yesNo = (value: boolean): 'yes' | 'no' => (value ? 'yes' : 'no');

const levelTexts = (level: Level): LevelTexts => ({
  id: level.id,
  name: level.name,
  limit: String(level.limit),
  hysteresis: String(level.hysteresis),
  delay: String(level.delay),
  direction: level.direction,
  does: level.does,
  lit: String(level.rhythm?.lit ?? 0.5),
  dark: String(level.rhythm?.dark ?? 0.5),
  clearedBy: level.clearedBy,
  onFault: level.onFault,
  kept: yesNo(level.keptOverPowerCut),
});

/** A plan as it is typed. */
export const textsOf = ({ levels, startUp, faultsWaitToo, bypass }: LadderPlan): LadderTexts => ({
  levels: levels.map(levelTexts),
  startUp: String(startUp),
  faultsWaitToo: yesNo(faultsWaitToo),
  bypass: String(bypass.seconds),
});

/** What is wrong, by the path of its field, such as `levels.0.limit`. */
export type Problems = Readonly<Record<string, string>>;

/** What was typed as a plan, or what is wrong by field. */
export function readLadder(texts: LadderTexts, unit: string): { plan: LadderPlan } | { problems: Problems } {
  const parsed = LadderPlan.safeParse({
    unit,
    levels: texts.levels.map(({ lit, dark, kept, ...level }) => ({
      ...level,
      limit: typedMaybe(level.limit, unit),
      hysteresis: typedMaybe(level.hysteresis, unit),
      delay: typedMaybe(level.delay, 's'),
      ...(level.does.includes('flash') && {
        rhythm: { lit: typedMaybe(lit, 's'), dark: typedMaybe(dark, 's') },
      }),
      keptOverPowerCut: kept === 'yes',
    })),
    startUp: typedMaybe(texts.startUp, 's'),
    faultsWaitToo: texts.faultsWaitToo === 'yes',
    bypass: { seconds: typedMaybe(texts.bypass, 's'), ends: true, shown: true },
  });
  if (parsed.success) return { plan: parsed.data };
  return { problems: problemsBy(parsed.error, (path) => path.join('.')) };
}

/** A further level, above or below those that are there. */
export function nextLevel({ levels }: LadderTexts): LevelTexts {
  const ids = new Set(levels.map(({ id }) => id));
  let n = levels.length + 1;
  while (ids.has(`l${n}`)) n++;
  return {
    id: `l${n}`,
    name: `Level ${n}`,
    limit: '',
    hysteresis: levels.at(-1)?.hysteresis ?? '',
    delay: '10',
    direction: levels.at(-1)?.direction ?? 'above',
    does: ['show', 'lamp'],
    lit: '0.5',
    dark: '0.5',
    clearedBy: 'itself',
    onFault: 'acts',
    kept: 'no',
  };
}
