import { codeOf } from '@keypost/core/messages';
import type { ApiProblem } from '@keypost/api';
import { JobContent } from '@keypost/core/model';
import { schemaResolver } from '../ui/schemaResolver';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { mutate } from 'swr';
import { useLeaving } from '../data/drafts';
import { newId } from './newId';
import { DraftNotice } from '../data/DraftNotice';
import { notStored } from '../data/SaveNotice';
import { keys } from '../data/jobs';
import { server } from '../data/server';
import { changeSettings, useSettings } from '../data/settings';
import { asProblem } from '../data/asProblem';
import { FormActions } from '../ui/FormActions';
import { FormField } from '../ui/FormField';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { z } from 'zod';

const Form = z.object({
  name: JobContent.shape.name,
  site: JobContent.shape.site,
  by: z.string().trim().min(1, codeOf('model.initials')).max(40),
});

/** A new, empty job. */
export function NewJob({ onCancel }: { onCancel: () => void }) {
  const { by } = useSettings();
  const router = useRouter();
  const [problem, setProblem] = useState<ApiProblem>();
  // Sent twice, it is made once.
  const [id, setId] = useState<string>();
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: { name: '', site: '', by },
  });
  const { control, handleSubmit, formState } = form;
  const { draft, leave } = useLeaving(form, 'new-job', onCancel);
  const submit = handleSubmit(async (values) => {
    setProblem(undefined);
    try {
      changeSettings({ by: values.by });
      const own = id ?? (await newId());
      setId(own);
      const job = await server('createJob', { body: { id: own, ...values } });
      await mutate(keys.jobs);
      draft.drop();
      router.navigate(`/job/${job.id}/panel`);
    } catch (error) {
      setProblem(asProblem(error));
    }
  });
  return (
    <Card title="New job">
      <Row first className="gap-4">
        <DraftNotice draft={draft} />
        <FormField control={control} name="name" label="Name" hint="What is wired, such as Pump room 2" />
        <FormField control={control} name="site" label="Site" hint="Where it is" />
        <FormField
          control={control}
          name="by"
          label="Your initials"
          hint="Every stamp and result carries them"
        />
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
