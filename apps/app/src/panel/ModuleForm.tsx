import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { commonText } from '@keypost/core/network';
import { commonRails, proposeModule } from '@keypost/core/job';
import type { CommonRail } from '@keypost/core/job';
import { Module } from '@keypost/core/model';
import { partTypesOf, settingsOf, USUAL_MODULE } from '@keypost/core/catalog';
import type { ModuleType } from '@keypost/core/catalog';
import type { Module as ModuleRow } from '@keypost/core/model';
import { schemaResolver } from '../ui/schemaResolver';
import { useState } from 'react';
import type { ComponentProps } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { Control, UseFormReturn } from 'react-hook-form';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { FormFoot } from '../data/FormFoot';
import { refusedField } from '../data/refusedField';
import { expecting, useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { moduleChoice, MODULE_SIGHTS } from '../job/kindOptions';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { FormField } from '../ui/FormField';
import { MoreRow } from '../ui/MoreRow';
import { numeric } from '../ui/numeric';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';

const Form = z.object({
  tag: Module.shape.tag,
  typeId: z.string(),
  firstByte: numeric(Module.shape.firstByte),
  /** The rails on which the commons of a new one sit. */
  rails: z.record(z.string(), z.enum(['+', '-', 'L', 'N', 'open'])),
});

type FormControl = Control<z.input<typeof Form>, unknown, z.output<typeof Form>>;
type Rail = CommonRail | 'open';
type Rails = Record<string, Rail>;

const typeOptions = ({ content }: JobView) => partTypesOf(content).modules.map(moduleChoice);

/** Adds a module, or edits or removes the one given. */
export function ModuleForm({
  view,
  module,
  onDone,
}: {
  view: JobView;
  module?: ModuleRow;
  onDone: () => void;
}) {
  const saver = useSave(view);
  const [seen] = useState(() => (module ? expecting(view, 'modules', module.id) : []));
  const form = useForm({ resolver: schemaResolver(Form), defaultValues: firstValues(view, module) });
  const { control, handleSubmit, setValue } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.module.${module?.id ?? 'new'}`, onDone);
  const typeId = useWatch({ control, name: 'typeId' });
  const rails = useWatch({ control, name: 'rails' });
  const type = partTypesOf(view.content).module({ typeId });
  const takeKind = useTakingKind(form, view, module);
  const submit = handleSubmit(async ({ rails, ...values }) => {
    const commons = type.groups.map(({ common }) => railOf(rails[common]));
    if (module)
      await saver.save({ kind: 'editModule', id: module.id, patch: values }, { expects: seen, then: leave });
    else await saver.save({ kind: 'addModule', module: { id: uuid(), ...values }, commons }, { then: leave });
  });
  const remove = async () => {
    if (module) await saver.save({ kind: 'removeModule', id: module.id }, { expects: seen, then: leave });
  };
  return (
    <Card title={module ? `Edit ${module.tag}` : 'New module'}>
      <Row first className="gap-4">
        <DraftNotice draft={draft} />
        <ModuleFields
          control={control}
          takeKind={takeKind}
          saver={saver}
          types={typeOptions(view)}
          foot={() => <NotInList jobId={view.id} />}
        />
        {!module && (
          <Commons
            type={type}
            rails={rails}
            onChange={(next) => setValue('rails', next, { shouldDirty: true })}
          />
        )}
        <FormFoot
          view={view}
          saver={saver}
          label={module ? 'Store' : 'Add it'}
          onStore={() => void submit()}
          onDone={leave}
        >
          {module && <Button label="Remove" kind="danger" onPress={() => void remove()} />}
        </FormFoot>
      </Row>
    </Card>
  );
}

function NotInList({ jobId }: { jobId: string }) {
  return (
    <MoreRow
      first={false}
      to={`/job/${jobId}/kinds?of=module`}
      label="Not in the list"
      hint="a module of your own, from its datasheet"
    />
  );
}

/** Takes another kind: what was proposed for one follows to the next, until somebody types it otherwise. */
function useTakingKind(
  { getValues, setValue }: UseFormReturn<z.input<typeof Form>, unknown, z.output<typeof Form>>,
  view: JobView,
  module: ModuleRow | undefined,
) {
  return (next: string) => {
    const [before, after] = [proposalFor(view, getValues('typeId')), proposalFor(view, next)];
    setValue('typeId', next, { shouldDirty: true });
    if (module) return;
    if (getValues('tag') === before.tag) setValue('tag', after.tag);
    setValue('rails', { ...after.rails });
  };
}

/** Kind, tag and address of a module. */
function ModuleFields({
  control,
  saver,
  types,
  foot,
  takeKind,
}: {
  control: FormControl;
  saver: Saver;
  types: ReturnType<typeof typeOptions>;
  foot?: ComponentProps<typeof Select>['foot'];
  takeKind: (typeId: string) => void;
}) {
  return (
    <>
      <Controller
        control={control}
        name="typeId"
        render={({ field }) => (
          <Select
            label="Kind"
            value={field.value}
            onChange={takeKind}
            options={types}
            sights={MODULE_SIGHTS}
            foot={foot}
          />
        )}
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField
            control={control}
            name="tag"
            label="Tag"
            refused={refusedField(saver, 'tag')}
            maxLength={24}
          />
        </View>
        <View className="flex-1">
          <FormField
            control={control}
            name="firstByte"
            label="First byte"
            hint="Of its area in the controller"
            mono
            inputMode="numeric"
            refused={refusedField(saver, 'firstByte')}
          />
        </View>
      </View>
    </>
  );
}

/** On which rail each common of a new module is put. */
function Commons({
  type,
  rails,
  onChange,
}: {
  type: ModuleType;
  rails: Rails;
  onChange: (rails: Rails) => void;
}) {
  const ports = type.ports(settingsOf(type));
  return type.groups.map(({ common, channels }) => {
    const port = ports.find(({ channel }) => channels.includes(channel));
    return (
      <RadioGroup<Rail>
        key={common}
        label={groupLabel(common, channels)}
        value={rails[common] ?? 'open'}
        onChange={(rail) => onChange({ ...rails, [common]: rail })}
        options={[{ value: 'open', label: 'Not yet' }, ...(port ? commonRails(port).map(railOption) : [])]}
      />
    );
  });
}

const HINTS: Readonly<Record<CommonRail, string>> = {
  '-': 'fits PNP',
  '+': 'fits NPN',
  N: 'switched lines come in',
  L: 'seldom; all lines stay live',
};

const railOption = (rail: CommonRail) => ({
  value: rail,
  label: rail === '-' ? 'On 0 V' : rail === '+' ? 'On plus' : `On ${rail}`,
  hint: HINTS[rail],
});

const groupLabel = (common: string, channels: readonly number[]): string =>
  channels.length > 1
    ? `${textOf(commonText({ common }))}, channels ${channels[0]} to ${channels.at(-1)}`
    : textOf(commonText({ common }));

const railOf = (rail: Rail | undefined): CommonRail | null =>
  rail === undefined || rail === 'open' ? null : rail;

const proposalFor = ({ content }: JobView, typeId: string) =>
  proposeModule(content, partTypesOf(content).module({ typeId }));

function firstValues(view: JobView, module: ModuleRow | undefined) {
  const { tag, firstByte, rails } = proposalFor(view, USUAL_MODULE);
  return {
    tag: module?.tag ?? tag,
    typeId: module?.typeId ?? USUAL_MODULE,
    firstByte: String(module?.firstByte ?? firstByte),
    rails: rails as Record<string, Rail>,
  };
}
