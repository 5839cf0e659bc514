import { say, textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import {
  DeviceDescription,
  ModuleDescription,
  problemsOfDevice,
  problemsOfModule,
} from '@keypost/core/catalog';
import type { OwnCollection } from '@keypost/core/job';
import type { Problem } from '@keypost/core/model';
import { problemsOfIssues } from '@keypost/core/model';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { FieldErrors, Resolver, ResolverResult } from 'react-hook-form';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { FormFoot } from '../data/FormFoot';
import { expecting, useSave } from '../data/useSave';
import { Field } from '../ui/Field';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { ChannelsCard } from './ChannelsCard';
import { DescriptionFigures } from './DescriptionFigures';
import { OutputsCard } from './OutputsCard';
import { ParametersCard } from './ParametersCard';
import { TerminalsCard } from './TerminalsCard';

/** What is being made or changed: a description, and whether it is one of the job already. */
export interface Draft {
  readonly collection: OwnCollection;
  readonly description: Record<string, unknown>;
  readonly isNew: boolean;
}

interface Values {
  description: DeviceDescription | ModuleDescription;
}

/** One kind in one form; what is not sound about it is told while it is changed. */
export function KindForm({ view, draft, onDone }: { view: JobView; draft: Draft; onDone: () => void }) {
  const saver = useSave(view);
  const { collection } = draft;
  const form = useForm<Values>({
    defaultValues: { description: draft.description as unknown as Values['description'] },
    resolver: soundness(collection),
  });
  const { control, setValue, handleSubmit, formState } = form;
  const name = draft.isNew ? `new.${collection}` : draft.description.id;
  const { draft: kept, leave } = useLeaving(form, `${view.id}.kind.${String(name)}`, onDone);
  const description = useWatch({ control, name: 'description' });
  const problems = formState.errors.description as { problems: readonly Problem[] } | undefined;
  const setDescription = (next: Values['description']) =>
    setValue('description', next, { shouldValidate: formState.isSubmitted });
  const [seen] = useState(() => (draft.isNew ? [] : expecting(view, collection, description.id)));
  const change = (patch: Partial<DeviceDescription & ModuleDescription>) =>
    setDescription({ ...description, ...patch });
  const store = () => {
    // What is not said is left out, as in a file.
    const plain = JSON.parse(JSON.stringify(description)) as Record<string, unknown>;
    const own = { id: description.id, description: plain };
    return void saver.save({ kind: 'setOwnKind', collection, own }, { expects: seen, then: leave });
  };
  return (
    <>
      <DraftNotice draft={kept} />
      <NameCard description={description} onChange={change} />
      <TerminalsCard description={description} onChange={setDescription} />
      {'outputs' in description ? (
        <OutputsCard description={description} onChange={setDescription} />
      ) : (
        <ChannelsCard description={description} onChange={setDescription} />
      )}
      <DescriptionFigures description={description} onChange={setDescription} />
      <ParametersCard description={description} onChange={setDescription} />
      <Card>
        <Row first className="gap-3">
          {formState.isSubmitted && <Problems problems={problems?.problems ?? []} />}
          <FormFoot
            view={view}
            saver={saver}
            label="Store the kind"
            onStore={() => void handleSubmit(store)()}
            onDone={leave}
          />
        </Row>
      </Card>
    </>
  );
}

/** What is wrong with a kind refuses its form as a whole. */
const soundness =
  (collection: OwnCollection): Resolver<Values> =>
  ({ description }): ResolverResult<Values> => {
    const problems = problemsOf(collection, description);
    if (problems.length === 0) return { values: { description }, errors: {} };
    const errors = { description: { type: 'unsound', problems } } as unknown as FieldErrors<Values>;
    return { values: {}, errors };
  };

function NameCard({
  description,
  onChange,
}: {
  description: Values['description'];
  onChange: (patch: { name?: string; title?: string }) => void;
}) {
  return (
    <Card title="What it is">
      <Row first className="gap-4">
        <Field
          label="Name"
          value={description.name}
          onChange={(name) => onChange({ name })}
          maxLength={100}
          hint="What it is, without maker and part number"
        />
        <Field
          label="In two words"
          value={description.title}
          onChange={(title) => onChange({ title })}
          maxLength={40}
          hint="As on its plate in the drawing"
        />
      </Row>
    </Card>
  );
}

function Problems({ problems }: { problems: readonly Problem[] }) {
  if (!problems.length) return <Text as="small">Nothing is wrong with it any more.</Text>;
  return (
    <>
      <Text as="fail">It cannot be stored yet:</Text>
      {problems.slice(0, 6).map(({ path, message }) => (
        <Text key={`${path} ${textOf(message)}`} as="fail">
          {textOf(message)}
        </Text>
      ))}
    </>
  );
}

/** Everything that is not sound about a description. */
function problemsOf(collection: Draft['collection'], description: unknown): Problem[] {
  const schema = collection === 'ownDevices' ? DeviceDescription : ModuleDescription;
  const read = schema.safeParse(JSON.parse(JSON.stringify(description)));
  if (!read.success)
    return problemsOfIssues(read.error.issues).map(({ path, message }) => ({
      path,
      message: say('text.colon', { name: path, text: message }),
    }));
  return collection === 'ownDevices'
    ? problemsOfDevice(read.data as DeviceDescription)
    : problemsOfModule(read.data as ModuleDescription);
}
