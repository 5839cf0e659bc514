import type { ApiProblem } from '@keypost/api';
import { sure } from '@keypost/core/lists';
import { MAKE_UPS } from '@keypost/core/catalog';
import { makeUpChanges, USUAL_HERTZ, USUAL_UNITS } from '@keypost/core/job';
import type { MostSensors, SingleChange } from '@keypost/core/job';
import { COLOUR_REGIONS, JobContent } from '@keypost/core/model';
import { REGION_TEXT } from '@keypost/core/presentation';
import { NUMBER_STYLES } from '@keypost/core/units';
import { schemaResolver } from '../ui/schemaResolver';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { mutate } from 'swr';
import { v4 as uuid } from 'uuid';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { notStored } from '../data/SaveNotice';
import { keys } from '../data/jobs';
import { server } from '../data/server';
import { whoActs } from '../data/who';
import { asProblem } from '../data/asProblem';
import { FormActions } from '../ui/FormActions';
import { FormField } from '../ui/FormField';
import { Notice } from '../ui/Notice';
import { FormChoice } from '../ui/FormChoice';
import { Card, Row } from '../ui/Card';
import { z } from 'zod';

const VOLTS = ['24', '12', '48'] as const;

const Form = z.object({
  name: JobContent.shape.name,
  site: JobContent.shape.site,
  volts: z.enum(VOLTS),
  makeUp: z.enum(MAKE_UPS.map(({ id }) => id)),
  sensors: z.enum(['pnp', 'npn']),
  colours: z.enum(COLOUR_REGIONS),
  numbers: z.enum(NUMBER_STYLES),
});
type Values = z.infer<typeof Form>;

/** A new job in three questions: its supply, what stands in the panel, and by whose conventions. */
export function NewJob({ onCancel }: { onCancel: () => void }) {
  const { begin, problem } = useBeginning();
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: {
      name: '',
      site: '',
      volts: '24' as const,
      makeUp: 'nothing',
      sensors: 'pnp' as const,
      colours: 'iec' as const,
      numbers: 'point' as const,
    },
  });
  const { control, handleSubmit, formState } = form;
  const { draft, leave } = useLeaving(form, 'new-job', onCancel);
  const submit = handleSubmit((values) => begin(values, draft.drop));
  return (
    <Card title="New job">
      <Row first className="gap-4">
        <DraftNotice draft={draft} />
        <FormField control={control} name="name" label="Name" hint="What is wired, such as Pump room 2" />
        <FormField control={control} name="site" label="Site" hint="Where it is" />
        <Questions control={control} />
        {problem && <Notice>{notStored(problem)}</Notice>}
        <FormActions
          label="Begin"
          waiting={formState.isSubmitting}
          onStore={() => void submit()}
          onCancel={leave}
        />
      </Row>
    </Card>
  );
}

type FormControl = Control<z.input<typeof Form>, unknown, Values>;

/** The three questions: supply, what stands in the panel, conventions. */
function Questions({ control }: { control: FormControl }) {
  const makeUp = useWatch({ control, name: 'makeUp' });
  return (
    <>
      <FormChoice
        control={control}
        name="volts"
        label="Its control supply"
        options={VOLTS.map((value) => ({ value, label: `${value} V DC` }))}
      />
      <FormChoice
        control={control}
        name="makeUp"
        label="What is in the panel"
        options={MAKE_UPS.map(({ id, label, hint }) => ({ value: id, label, hint }))}
      />
      {makeUp !== 'nothing' && (
        <FormChoice
          control={control}
          name="sensors"
          label="Its sensors are mostly"
          options={[
            { value: 'pnp', label: 'PNP', hint: 'commons on 0 V' },
            { value: 'npn', label: 'NPN', hint: 'commons on plus' },
          ]}
        />
      )}
      <FormChoice
        control={control}
        name="colours"
        label="By whose conventions"
        options={COLOUR_REGIONS.map((value) => ({
          value,
          label: REGION_TEXT[value],
          hint: `${USUAL_HERTZ[value]} Hz, ${USUAL_UNITS[value] === 'us' ? 'US units' : 'metric'}`,
        }))}
      />
      <FormChoice
        control={control}
        name="numbers"
        label="Numbers are written"
        options={NUMBER_STYLES.map((value) => ({ value, label: value === 'comma' ? '12,5' : '12.5' }))}
      />
    </>
  );
}

/** Makes a job and puts into it what was answered; sent twice, both are done once. */
function useBeginning() {
  const router = useRouter();
  const [problem, setProblem] = useState<ApiProblem>();
  const [ids] = useState(() => ({ job: uuid(), change: uuid() }));
  const begin = async ({ name, site, ...answers }: Values, drop: () => void): Promise<void> => {
    const by = await whoActs();
    if (by === undefined) return;
    setProblem(undefined);
    try {
      const job = await server('createJob', { body: { id: ids.job, name, site, by } });
      const change = { kind: 'batch' as const, changes: answered(job.content, answers) };
      await server('changeJob', { params: { jobId: job.id }, body: { changeId: ids.change, by, change } });
      await mutate(keys.jobs);
      drop();
      router.navigate(`/job/${job.id}/panel`);
    } catch (error) {
      setProblem(asProblem(error));
    }
  };
  return { begin, problem };
}

function answered(
  job: JobContent,
  {
    volts,
    makeUp,
    sensors,
    colours,
    numbers,
  }: Pick<Values, 'volts' | 'makeUp' | 'colours' | 'numbers'> & { sensors: MostSensors },
): SingleChange[] {
  const head: SingleChange[] = [
    {
      kind: 'editJob',
      patch: { colours, mainsHertz: USUAL_HERTZ[colours], numbers, units: USUAL_UNITS[colours] },
    },
    { kind: 'editSupply', id: sure(job.supplies[0]).id, patch: { volts: Number(volts) } },
  ];
  const modules = sure(MAKE_UPS.find(({ id }) => id === makeUp));
  return [...head, ...makeUpChanges({ ...job, colours }, modules, sensors, uuid)];
}
