import type { DeviceType } from '@keypost/core/catalog';
import { partTypesOf, readSetting, settingsOf } from '@keypost/core/catalog';
import { numbering } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import type { Change } from '@keypost/core/job';
import { Device } from '@keypost/core/model';
import type { Wire } from '@keypost/core/model';
import { Controller, useForm, useWatch } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Card, Row } from '../ui/Card';
import { FormActions } from '../ui/FormActions';
import { FormField } from '../ui/FormField';
import { deviceRefusal, deviceChoice, PART_SIGHTS } from '../job/kindOptions';
import { schemaResolver } from '../ui/schemaResolver';
import { Select } from '../ui/Select';
import { typedStyle } from '../ui/typedNumbers';
import { terminalOptions } from './terminalOptions';
import type { OpenPoint } from './usePoint';

/** Settings and ends stand in the order of the kind's own, since their names may hold anything. */
const Form = z
  .object({
    typeId: z.string(),
    tag: Device.shape.tag,
    settings: z.array(z.string()),
    ends: z.array(z.string()),
  })
  .refine(({ ends: [a, b, ...more] }) => more.length > 0 || !a || a !== b, {
    path: ['ends', 1],
    message: 'Choose two different terminals.',
  });

type Values = z.infer<typeof Form>;

/** Kinds that are added to a point as a further part. */
const partOptions = ({ view }: OpenPoint) =>
  partTypesOf(view.content)
    .devices.filter(({ description }) => description.part)
    .map(deviceChoice);

/** What a part of a kind begins with: as it comes from its factory, wired to nothing. */
const blank = (type: DeviceType): Pick<Values, 'settings' | 'ends'> => ({
  settings: (type.settings ?? []).map(({ key }) => settingsOf(type)[key] ?? ''),
  ends: type.terminals.map(() => ''),
});

/** A further part of a point, of one kind or of a kind to be chosen, with a wire from each end that is chosen. */
export function PartForm({
  point,
  title,
  label,
  kind,
  tag = '',
  onDone,
}: {
  point: OpenPoint;
  title: string;
  label: string;
  /** The only kind that it can be. */
  kind?: string;
  tag?: string;
  onDone: () => void;
}) {
  const saver = useSave(point.view);
  const types = partTypesOf(point.view.content);
  const first = kind ?? partOptions(point)[0]?.value ?? '';
  const form = useForm<Values>({
    resolver: schemaResolver(Form),
    defaultValues: { typeId: first, tag, ...blank(types.device({ typeId: first })) },
  });
  const { control, handleSubmit, setError, setValue } = form;
  const name = `${point.view.id}.${point.analysis.context.point.id}.part.${label}`;
  const { draft, leave } = useLeaving(form, name, onDone);
  const type = types.device({ typeId: useWatch({ control, name: 'typeId' }) });
  const choose = (typeId: string) => {
    const { settings, ends } = blank(types.device({ typeId }));
    setValue('typeId', typeId);
    setValue('settings', settings);
    setValue('ends', ends);
  };
  const store = (values: Values) => {
    const { settings, problems } = readSettings(type, values.settings);
    for (const [i, message] of problems) setError(`settings.${i}`, { message });
    if (!problems.length) void saver.save(addition(point, type, { ...values, settings }), { then: leave });
  };
  return (
    <Card title={title}>
      <Row first className="gap-4">
        {kind === undefined && <KindField value={type.id} point={point} onChange={choose} />}
        <DraftNotice draft={draft} />
        <FormField control={control} name="tag" label="Tag" hint="Such as K1, H2 or R1" maxLength={24} />
        <Ends control={control} type={type} point={point} />
        <SaveNotice saver={saver} />
        <FormActions
          label={label}
          waiting={saver.saving}
          onStore={() => void handleSubmit(store)()}
          onCancel={leave}
        />
      </Row>
    </Card>
  );
}

function KindField({
  value,
  point,
  onChange,
}: {
  value: string;
  point: OpenPoint;
  onChange: (typeId: string) => void;
}) {
  return (
    <Select
      label="Kind"
      value={value}
      options={partOptions(point)}
      onChange={onChange}
      sights={PART_SIGHTS}
      refusal={deviceRefusal}
    />
  );
}

/** Where each of its terminals goes, and how it is set. */
function Ends({ control, type, point }: { control: Control<Values>; type: DeviceType; point: OpenPoint }) {
  const options = [{ value: '', label: 'not wired yet' }, ...terminalOptions(point.analysis.context)];
  return (
    <>
      {type.terminals.map(({ name }, i) => (
        <Pick
          key={`${type.id} ${name}`}
          control={control}
          name={`ends.${i}`}
          label={endText(type, i)}
          options={options}
        />
      ))}
      {(type.settings ?? []).map((setting, i) =>
        setting.any ? (
          <FormField
            key={`${type.id} ${setting.key}`}
            control={control}
            name={`settings.${i}`}
            label={setting.label}
            unit={setting.any.unit}
            inputMode="decimal"
            mono
          />
        ) : (
          <Pick
            key={`${type.id} ${setting.key}`}
            control={control}
            name={`settings.${i}`}
            label={setting.label}
            options={setting.choices}
          />
        ),
      )}
    </>
  );
}

function Pick({
  control,
  name,
  label,
  options,
}: {
  control: Control<Values>;
  name: `settings.${number}` | `ends.${number}`;
  label: string;
  options: readonly { value: string; label: string }[];
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Select
          label={label}
          value={field.value ?? ''}
          options={options}
          onChange={field.onChange}
          problem={fieldState.error?.message}
        />
      )}
    />
  );
}

/** What was typed or chosen for each setting, numbers as they are kept; which cannot be, and why. */
function readSettings({ settings = [] }: DeviceType, texts: readonly string[]) {
  const problems: [number, string][] = [];
  const read = settings.map((setting, i): string => {
    const one = readSetting(setting, texts[i] ?? '', typedStyle());
    if (one.ok) return one.value;
    problems.push([i, textOf(one.problem)]);
    return '';
  });
  return { settings: read, problems };
}

/** The part with its wires, as a change of the job. */
function addition(point: OpenPoint, type: DeviceType, { typeId, tag, settings, ends }: Values): Change {
  const id = uuid();
  const chosen = Object.fromEntries((type.settings ?? []).map(({ key }, i) => [key, settings[i] ?? '']));
  return {
    kind: 'addHelper',
    pointId: point.analysis.context.point.id,
    device: { id, tag, typeId, ...(settings.length > 0 && { settings: chosen }) },
    wires: wiresFrom(point, id, type, ends),
  };
}

/** What an end is called: a part that is the same from both sides has two ends, any other its terminals. */
function endText({ terminals }: DeviceType, i: number): string {
  const alike = terminals.length === 2 && terminals.every(({ words }) => words === undefined);
  if (alike) return i === 0 ? 'One end on' : 'The other on';
  const { name, words } = terminals[i] ?? {};
  return `Terminal ${name ?? ''}${words ? `, ${words}` : ''}`;
}

/** A wire from each terminal of a new part for which an end was chosen. */
function wiresFrom({ view }: OpenPoint, id: string, type: DeviceType, ends: readonly string[]): Wire[] {
  const number = numbering(view.content);
  return type.terminals.flatMap(({ name, colour = 'BK' }, i) => {
    const to = ends[i];
    return to
      ? [{ id: uuid(), number: number(), from: `${id}:${name}`, to, colour, lengthM: 1, mm2: 0.75 }]
      : [];
  });
}
