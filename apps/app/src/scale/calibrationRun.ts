import { nth } from '@keypost/core/lists';
import { refusalText, schemaRefusal } from '../data/refusalText';
import { textOf } from '@keypost/core/messages';
import { JobProblem, Reference } from '@keypost/core/model';
import { judgeCalibration } from '@keypost/core/scaling';
import { parseTyped } from '../ui/typedNumbers';
import type { CalibrationOf } from '@keypost/core/model';
import type { CalibrationOutcome, CalibrationSides } from '@keypost/core/scaling';

/** Shares of the range at which a transmitter is checked, %. */
export const SHARES = [0, 25, 50, 75, 100] as const;

/** What is typed of a calibration: one text a share for what was injected and read. */
export interface RunTexts {
  readonly injected: readonly string[];
  readonly read: readonly string[];
  readonly limit: string;
  readonly name: string;
  readonly percent: string;
  readonly fixed: string;
  readonly burnout: string;
}

const EMPTY: readonly string[] = SHARES.map(() => '');

export const NOTHING_READ = { injected: EMPTY, read: EMPTY, burnout: '' } as const;

export const FIRST_TEXTS: RunTexts = {
  ...NOTHING_READ,
  limit: '0.5',
  name: 'Reference',
  percent: '0.05',
  fixed: '0',
};

type RunBody = Omit<CalibrationOf<'transmitter'>, 'kind' | 'side' | 'worstPercent' | 'pass'>;
export type Run =
  { readonly body: RunBody; readonly outcome: CalibrationOutcome } | { readonly problem: string };

/** What was typed as a run that can be judged; nothing to say while nothing was read. */
export function readRun(
  texts: RunTexts,
  { injects, gives, wantedOf }: CalibrationSides,
  points: readonly { readonly share: number; readonly inject: number }[],
  alarm: 'low' | 'high',
): Run {
  const readings: RunBody['readings'] = [];
  for (const [i, { share, inject }] of points.entries()) {
    if (nth(texts.read, i).trim() === '') continue;
    const read = parseTyped(nth(texts.read, i), gives.unit);
    const typed = nth(texts.injected, i).trim();
    const injected = typed === '' ? { ok: true as const, value: inject } : parseTyped(typed, injects.unit);
    if (!read.ok) return { problem: `Read at ${share} %: ${textOf(read.problem)}` };
    if (!injected.ok) return { problem: `Injected at ${share} %: ${textOf(injected.problem)}` };
    readings.push({ share, injected: injected.value, read: read.value });
  }
  if (readings.length < 2) return { problem: readings.length ? 'Two readings at least.' : '' };
  const terms = readTerms(texts, injects.unit, gives.unit);
  if ('problem' in terms) return terms;
  const { burnout, ...rest } = terms;
  const body: RunBody = {
    ...rest,
    injects,
    gives,
    readings,
    ...(burnout !== undefined && { burnout: { wanted: alarm, read: burnout } }),
  };
  try {
    return { body, outcome: judgeCalibration(body, readings, wantedOf) };
  } catch (error) {
    if (error instanceof JobProblem) return { problem: refusalText(error) };
    throw error;
  }
}

/** Limit, reference and the reading with the sensor opened. */
function readTerms(
  texts: RunTexts,
  injected: string,
  given: string,
): (Pick<RunBody, 'limitPercent' | 'reference'> & { burnout?: number }) | { problem: string } {
  const limit = parseTyped(texts.limit, '%');
  if (!limit.ok || !(limit.value > 0 && limit.value <= 20))
    return { problem: 'A limit is above 0 and at most 20 % of span.' };
  const [percent, fixed] = [parseTyped(texts.percent, '%'), parseTyped(texts.fixed, injected)];
  const reference = Reference.safeParse({
    name: texts.name,
    percent: percent.ok ? percent.value : NaN,
    fixed: fixed.ok ? fixed.value : NaN,
  });
  if (!reference.success) return { problem: `Reference: ${schemaRefusal(reference)}` };
  const burnt = texts.burnout.trim() === '' ? undefined : parseTyped(texts.burnout, given);
  if (burnt && !burnt.ok) return { problem: `Sensor opened: ${textOf(burnt.problem)}` };
  return { limitPercent: limit.value, reference: reference.data, ...(burnt?.ok && { burnout: burnt.value }) };
}
