import type { JobView } from '@keypost/api';
import { partTypesOf } from '@keypost/core/catalog';
import type { BusPlan } from '@keypost/core/model';
import { SerialPlan } from '@keypost/core/model';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { FormChoice } from '../ui/FormChoice';
import { FormActions } from '../ui/FormActions';
import { FormField } from '../ui/FormField';
import { schemaResolver } from '../ui/schemaResolver';

const Form = z.object({ kind: z.enum(['serial', 'ethernet']), tag: SerialPlan.shape.tag });

type Kind = BusPlan['kind'];

/** A new plan, with what of its kind the job already holds. */
export function NewPlan({ view, onDone }: { view: JobView; onDone: () => void }) {
  const saver = useSave(view);
  const form = useForm<z.infer<typeof Form>>({
    resolver: schemaResolver(Form),
    defaultValues: { kind: 'serial', tag: '' },
  });
  const { control, handleSubmit } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.plan.new`, onDone);
  return (
    <View className="gap-4">
      <DraftNotice draft={draft} />
      <FormChoice
        control={control}
        name="kind"
        label="What is planned"
        options={[
          { value: 'serial', label: 'Serial line' },
          { value: 'ethernet', label: 'Network' },
        ]}
      />
      <FormField control={control} name="tag" label="Its name" maxLength={24} hint="such as LINE 2" />
      <SaveNotice saver={saver} />
      <FormActions
        label="Make the plan"
        waiting={saver.saving}
        onStore={() =>
          void handleSubmit(({ kind, tag }) =>
            saver.save({ kind: 'setPlan', plan: made(view, kind, tag) }, { then: leave }),
          )()
        }
        onCancel={leave}
      />
    </View>
  );
}

function made({ content }: JobView, kind: Kind, tag: string): BusPlan {
  const id = uuid();
  if (kind === 'serial') {
    const master = content.modules.find(
      (module) => partTypesOf(content).module(module).description.fieldbus === 'serial',
    );
    const frame = { baud: 19200, parity: 'even', stopBits: 1, plusName: '+', unitLoad: 1, map: [] } as const;
    return {
      kind,
      id,
      tag,
      mm2: 0.34,
      framing: 'rtu',
      units: [
        {
          ...frame,
          id: 'master',
          tag: master?.tag ?? 'Master',
          ...(master && { itemId: master.id }),
          terminated: true,
          fromLastM: 0,
          map: [],
        },
      ],
      bias: { at: 'master', ohms: 390, volts: 5 },
    };
  }
  return {
    kind,
    id,
    tag,
    members: [
      {
        id: 'laptop',
        tag: 'Laptop',
        role: 'laptop',
        address: '192.168.10.99',
        mask: '255.255.255.0',
        file: 'not needed',
        map: [],
      },
    ],
  };
}
