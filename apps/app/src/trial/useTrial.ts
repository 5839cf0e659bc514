import { choiceWithin, outputOfType, partTypesOf, takesRange, USUAL_DEVICE } from '@keypost/core/catalog';
import type { DeviceOutput, DeviceType, PartTypes } from '@keypost/core/catalog';
import { JobProblem, Logic, OutputKind } from '@keypost/core/model';
import { plateQuestions, trialJob, trialTargets } from '@keypost/core/planning';
import type { Trial, TrialTarget } from '@keypost/core/planning';
import { useEffect, useMemo } from 'react';
import { mutate } from 'swr';
import { z } from 'zod';
import { useDraftState } from '../data/drafts';
import { keys } from '../data/jobs';
import { beginScratch, scratchKinds } from '../data/scratch';
import { SCRATCH } from '../data/server';
import { parseTyped } from '../ui/typedNumbers';

const Answers = z.object({
  typeId: z.string(),
  outputId: z.string(),
  kind: OutputKind,
  logic: Logic,
  target: z.string(),
  rail: z.enum(['+', '-', 'open']),
  low: z.string(),
  high: z.string(),
  unit: z.string(),
  plate: z.record(z.string(), z.string()),
});
type Answers = z.infer<typeof Answers>;

const FIRST: Answers = {
  typeId: USUAL_DEVICE,
  outputId: 'output',
  kind: 'pnp',
  logic: 'no',
  target: '',
  rail: '-',
  low: '0',
  high: '100',
  unit: '%',
  plate: {},
};

export interface TrialForm {
  readonly answers: Answers;
  readonly types: PartTypes;
  readonly type: DeviceType;
  readonly output: DeviceOutput | undefined;
  readonly targets: readonly TrialTarget[];
  readonly target: TrialTarget | undefined;
  readonly change: (patch: Partial<Answers>) => void;
  readonly takeDevice: (typeId: string) => void;
  readonly takeOutput: (outputId: string) => void;
  /** What is tried; nothing while a figure cannot be read. */
  readonly trial: Trial | undefined;
  /** Why it cannot be put together at all. */
  readonly problem: string | undefined;
}

/** The answers to what is in the hand and what it goes to, and the job that holds nothing but that. */
export function useTrial(): TrialForm {
  const [kept, keep] = useDraftState('trial', Answers, FIRST);
  const own = scratchKinds();
  const types = useMemo(() => partTypesOf(own), [own]);
  // A kind of one's own may be gone since.
  const answers = types.findDevice(kept) ? kept : FIRST;
  const type = types.device(answers);
  const output = outputOfType(type, answers.outputId);
  const targets = useMemo(() => trialTargets(types, type.id, output?.id ?? ''), [types, type, output]);
  const target = targets.find(({ id }) => id === answers.target) ?? targets[0];
  const trial = useMemo(
    () => (target ? trialOf(answers, type, output, target.id) : undefined),
    [answers, type, output, target],
  );
  const problem = useScratch(trial);
  const change = (patch: Partial<Answers>) => keep({ ...answers, ...patch });
  const takeDevice = (typeId: string) => {
    const next = types.device({ typeId });
    const plate = Object.fromEntries(
      plateQuestions(next).map(({ from = '', choices = [] }) => [
        from.replace('plate.', ''),
        choices.find(({ value }) => value !== 'none')?.value ?? '',
      ]),
    );
    change({
      typeId,
      target: '',
      plate,
      ...usualRange(next),
      ...choiceWithin(outputOfType(next, undefined), answers),
    });
  };
  const takeOutput = (outputId: string) =>
    change({ target: '', ...choiceWithin(outputOfType(type, outputId), answers) });
  return { answers, types, type, output, targets, target, change, takeDevice, takeOutput, trial, problem };
}

/** A range that is plainly an example, in the unit of what a device senses. */
function usualRange({ description }: DeviceType): Pick<Answers, 'low' | 'high' | 'unit'> {
  const [sense] = description.senses ?? [];
  const unit = sense === 'temperature' ? '°C' : sense === 'pressure' ? 'bar' : '%';
  return { low: '0', high: sense === 'pressure' ? '10' : '100', unit };
}

function trialOf(
  { typeId, kind, logic, rail, low, high, unit, plate }: Answers,
  type: DeviceType,
  output: DeviceOutput | undefined,
  target: string,
): Trial | undefined {
  const base = { typeId, outputId: output?.id ?? '', kind, logic, target, rail };
  const asked = Object.keys(plate).length ? { plate } : {};
  if (!takesRange(type)) return { ...base, ...asked };
  const [from, to] = [low, high].map((text) => parseTyped(text, unit));
  if (!from?.ok || !to?.ok || from.value === to.value) return undefined;
  return { ...base, ...asked, range: { low: from.value, high: to.value, unit } };
}

/** Puts a trial where the pages of a job find it. @returns why it cannot be. */
function useScratch(trial: Trial | undefined): string | undefined {
  const made = useMemo(() => {
    if (!trial) return undefined;
    try {
      return { job: trialJob(scratchKinds(), trial) };
    } catch (error) {
      if (error instanceof JobProblem) return { problem: error.message };
      throw error;
    }
  }, [trial]);
  useEffect(() => {
    if (trial && made && 'job' in made && made.job && beginScratch(JSON.stringify(trial), made.job))
      void mutate(keys.job(SCRATCH));
  }, [trial, made]);
  return made?.problem;
}
