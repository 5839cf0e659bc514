import { sure } from '@keypost/core/lists';
import { givesBit } from '@keypost/core/job';
import type { JobIndex } from '@keypost/core/job';
import { textOf } from '@keypost/core/messages';
import { Program } from '@keypost/core/model';
import { programText } from '@keypost/core/proving';
import type { JobContent } from '@keypost/core/model';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Controller, useFieldArray, useForm, useWatch } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { FormFoot } from '../data/FormFoot';
import { expecting, useSave } from '../data/useSave';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { FormField } from '../ui/FormField';
import { numeric } from '../ui/numeric';
import { FormChoice } from '../ui/FormChoice';
import { schemaResolver } from '../ui/schemaResolver';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';

const delay = z
  .string()
  .trim()
  .transform((text) => text || '0')
  .pipe(numeric(sure(Program.shape.onDelay.unwrap()), 's'));

const Form = z.object({
  how: Program.shape.how,
  of: z.array(z.object({ pointId: z.string(), turned: z.enum(['as', 'turned']) })),
  until: z.string(),
  onDelay: delay,
  offDelay: delay,
});
type Texts = z.input<typeof Form>;
type FormControl = Control<Texts, unknown, z.output<typeof Form>>;

/** What switches an output: which inputs, joined how, held and delayed. Only what is needed to prove the wiring. */
export function ProgramScreen() {
  return (
    <PointSubPage title="What switches it" of="prove" pair>
      {(point) => <ProgramForm point={point} />}
    </PointSubPage>
  );
}

const textsOf = (program: Program | undefined, first: string): Texts => ({
  how: program?.how ?? 'all',
  of: (program?.of ?? [{ pointId: first, turned: false }]).map(({ pointId, turned = false }) => ({
    pointId,
    turned: turned ? 'turned' : 'as',
  })),
  until: program?.until ?? '',
  onDelay: String(program?.onDelay ?? 0),
  offDelay: String(program?.offDelay ?? 0),
});

function programOf({ how, of, until, onDelay, offDelay }: z.output<typeof Form>): Program {
  return {
    how,
    of: of.map(({ pointId, turned }) => ({ pointId, ...(turned === 'turned' && { turned: true }) })),
    ...(until !== '' && { until }),
    ...(onDelay > 0 && { onDelay }),
    ...(offDelay > 0 && { offDelay }),
  };
}

/** Points whose bit a program can read, as they are chosen. */
const bitOptions = (index: JobIndex) =>
  index.job.points
    .filter((point) => givesBit(index.outputOf(point)))
    .map(({ id, tag, name }) => ({ value: id, label: `${tag}, ${name}` }));

function ProgramForm({ point }: { point: OpenPoint }) {
  const router = useRouter();
  const saver = useSave(point.view);
  const { content } = point.view;
  const row = point.analysis.context.point;
  const [seen] = useState(() => expecting(point.view, 'points', row.id));
  const options = useMemo(() => bitOptions(point.index), [point.index]);
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: textsOf(row.program, options[0]?.value ?? ''),
  });
  const { draft, leave } = useLeaving(form, `${point.view.id}.${row.id}.program`, () =>
    router.navigate(`${point.base}/prove`),
  );
  const store = (program: Program | null) =>
    void saver.save({ kind: 'editPoint', id: row.id, patch: { program } }, { expects: seen, then: leave });
  if (options.length === 0)
    return <Text as="body">No switching sensor or contact stands in this job yet. Add one first.</Text>;
  return (
    <View className="gap-4">
      <DraftNotice draft={draft} />
      <Beside
        left={<Inputs control={form.control} options={options} />}
        right={
          <>
            <Further control={form.control} options={options} />
            <InWords control={form.control} content={content} />
            <FormFoot
              view={point.view}
              saver={saver}
              label="Store"
              onStore={() => void form.handleSubmit((values) => store(programOf(values)))()}
              onDone={leave}
            >
              {row.program && <Button label="Nothing switches it" onPress={() => store(null)} />}
            </FormFoot>
          </>
        }
      />
    </View>
  );
}

type Options = ReturnType<typeof bitOptions>;

/** The inputs, each as it is or turned. */
function Inputs({ control, options }: { control: FormControl; options: Options }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'of' });
  return (
    <Card title="It is on while">
      <Row first className="gap-4">
        {fields.length > 1 && (
          <FormChoice
            control={control}
            name="how"
            label="Of these"
            options={[
              { value: 'all', label: 'all', hint: 'AND' },
              { value: 'any', label: 'any', hint: 'OR' },
            ]}
          />
        )}
        {fields.map(({ id }, i) => (
          <OneInput
            key={id}
            control={control}
            options={options}
            at={i}
            onRemove={fields.length > 1 ? () => remove(i) : undefined}
          />
        ))}
        {fields.length < 8 && (
          <Button
            label="Add an input"
            onPress={() => append({ pointId: options[0]?.value ?? '', turned: 'as' })}
          />
        )}
      </Row>
    </Card>
  );
}

function OneInput({
  control,
  options,
  at,
  onRemove,
}: {
  control: FormControl;
  options: Options;
  at: number;
  onRemove: (() => void) | undefined;
}) {
  const name = `Input ${at + 1}`;
  return (
    <View className="gap-3">
      <Controller
        control={control}
        name={`of.${at}.pointId`}
        render={({ field }) => (
          <Select label={name} value={field.value} onChange={field.onChange} options={options} />
        )}
      />
      <View className="flex-row flex-wrap items-end justify-between gap-3">
        <FormChoice
          control={control}
          name={`of.${at}.turned`}
          label={`Bit of input ${at + 1}`}
          options={[
            { value: 'as', label: 'on' },
            { value: 'turned', label: 'off', hint: 'NOT' },
          ]}
        />
        {onRemove && <Button label={`Without input ${at + 1}`} kind="bare" onPress={onRemove} />}
      </View>
    </View>
  );
}

/** What holds it and what delays it. */
function Further({ control, options }: { control: FormControl; options: Options }) {
  return (
    <Card title="Held and delayed">
      <Row first className="gap-4">
        <Controller
          control={control}
          name="until"
          render={({ field }) => (
            <Select
              label="Held until"
              value={field.value}
              onChange={field.onChange}
              options={[{ value: '', label: 'not held: it goes with its inputs' }, ...options]}
            />
          )}
        />
        <View className="flex-row gap-3">
          <View className="flex-1">
            <FormField control={control} name="onDelay" label="On after" unit="s" mono inputMode="decimal" />
          </View>
          <View className="flex-1">
            <FormField
              control={control}
              name="offDelay"
              label="Off after"
              unit="s"
              mono
              inputMode="decimal"
            />
          </View>
        </View>
      </Row>
    </Card>
  );
}

/** What was chosen in one sentence, as the proof will say it. */
function InWords({ control, content }: { control: FormControl; content: JobContent }) {
  const read = Form.safeParse(useWatch({ control }));
  if (!read.success) return null;
  return (
    <Text as="strong" role="status">
      {`${textOf(programText(programOf(read.data), content.points))}.`}
    </Text>
  );
}
