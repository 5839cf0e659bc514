import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';
import { stampName } from '@keypost/core/presentation';
import { sensitivitySetting } from '@keypost/core/planning';
import type { SensitivitySetting } from '@keypost/core/planning';
import { useForm, useWatch } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { DraftNotice } from '../data/DraftNotice';
import { useLeaving } from '../data/drafts';
import type { Saver } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { FormChoice } from '../ui/FormChoice';
import { FormField } from '../ui/FormField';
import { numeric, readInto } from '../ui/numeric';
import { schemaResolver } from '../ui/schemaResolver';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { dayAndTime } from '../ui/dates';

/** Name of the step under which a setting is noted. */
const STEP = 'sensitivity';

const maybe = z
  .string()
  .transform((text, context) => (text.trim() === '' ? undefined : readInto(text, '', context)));

const Form = z.object({ scale: numeric(z.number()), lost: maybe, seen: maybe, led: z.enum(['on', 'off']) });

const EMPTY: z.input<typeof Form> = { scale: '10', lost: '', seen: '', led: 'on' };

type Outcome =
  | { readonly found: SensitivitySetting; readonly values: Record<string, number> }
  | { readonly problem: string }
  | undefined;

/** Where to set the sensitivity of a diffuse sensor, from where the object is lost and the background is seen. */
export function SensitivityCard({ point, saver }: { point: OpenPoint; saver: Saver }) {
  return point.type.description.sensitivity ? <OpenCard point={point} saver={saver} /> : null;
}

function OpenCard({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const { id: pointId } = point.analysis.context.point;
  const form = useForm<z.input<typeof Form>, unknown, z.output<typeof Form>>({
    mode: 'onChange',
    resolver: schemaResolver(Form),
    defaultValues: EMPTY,
  });
  const { control, reset } = form;
  const { draft, leave } = useLeaving(form, `${point.view.id}.${pointId}.sensitivity`, () => reset(EMPTY));
  const typed = useWatch({ control });
  const outcome = work(typed);
  const note = (values: Record<string, number>) =>
    void saver.save(
      { kind: 'stamp', stamp: { id: uuid(), pointId, step: STEP, fingerprint: {}, values } },
      { then: leave },
    );
  return (
    <Card title="Sensitivity">
      <Row first className="gap-4">
        <Text as="small">
          Turn it up from nothing. Note where the object is just seen or lost, then, without the object, where
          the background is just seen.
        </Text>
        <DraftNotice draft={draft} />
        <Readings control={control} />
        {outcome && 'problem' in outcome && <Text as="fail">{outcome.problem}</Text>}
        {outcome && 'found' in outcome && (
          <Found found={outcome.found} saver={saver} onNote={() => note(outcome.values)} />
        )}
        <LastNote point={point} />
      </Row>
    </Card>
  );
}

/** What is noted while the adjuster is turned. */
function Readings({ control }: { control: Control<z.input<typeof Form>, unknown, z.output<typeof Form>> }) {
  return (
    <>
      <FormField control={control} name="scale" label="Full scale of the adjuster" mono inputMode="decimal" />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField control={control} name="lost" label="Object lost at" mono inputMode="decimal" />
        </View>
        <View className="flex-1">
          <FormField
            control={control}
            name="seen"
            label="Background seen at"
            hint="empty if never"
            mono
            inputMode="decimal"
          />
        </View>
      </View>
      <FormChoice
        control={control}
        name="led"
        label="Stability LED, with and without the object"
        options={[
          { value: 'on', label: 'On in both' },
          { value: 'off', label: 'Not in both' },
        ]}
      />
    </>
  );
}

function Found({
  found: { sentence, verdict },
  saver,
  onNote,
}: {
  found: SensitivitySetting;
  saver: Saver;
  onNote: () => void;
}) {
  const known = useKnown();
  return (
    <>
      <View className="flex-row gap-3" role="status">
        <StatusIcon kind={verdict === 'good' ? 'proven' : 'doubtful'} size={24} />
        <Text as="body" className="flex-1">
          {textOf(sentence)}
        </Text>
      </View>
      {!known && <WhoAmI />}
      <Button label="It is set so: note it" disabled={!known} waiting={saver.saving} onPress={onNote} />
    </>
  );
}

/** What was noted last, by whom and when. */
function LastNote({ point: { view, analysis } }: { point: OpenPoint }) {
  const { id } = analysis.context.point;
  const last = view.content.stamps.findLast((stamp) => stamp.pointId === id && stamp.step === STEP);
  if (!last) return null;
  const when = dayAndTime(last.at);
  return <Text as="small">{`Noted ${when} by ${last.by}: ${textOf(stampName(view.content, last))}`}</Text>;
}

function work(typed: unknown): Outcome {
  const read = Form.safeParse(typed);
  // What is wrong with a number stands at its field.
  if (!read.success || read.data.lost === undefined) return undefined;
  const { scale, lost, seen, led } = read.data;
  const stable = led === 'on';
  try {
    const entered = { scale, objectLost: lost, ...(seen !== undefined && { backgroundSeen: seen }) };
    const found = sensitivitySetting({ ...entered, stable });
    return { found, values: { ...entered, stable: Number(stable), setting: found.setting } };
  } catch (error) {
    if (error instanceof JobProblem) return { problem: textOf(nth(error.problems, 0).message) };
    throw error;
  }
}
