import type { JobView } from '@keypost/api';
import { partTypesOf } from '@keypost/core/catalog';
import type { BusPlan } from '@keypost/core/model';
import { useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { FormActions } from '../ui/FormActions';

type Kind = BusPlan['kind'];

/** A new plan, with what of its kind the job already holds. */
export function NewPlan({ view, onDone }: { view: JobView; onDone: () => void }) {
  const saver = useSave(view);
  const known = useKnown();
  const [kind, setKind] = useState<Kind>('serial');
  const [tag, setTag] = useState('');
  return (
    <View className="gap-4">
      <RadioGroup
        label="What is planned"
        value={kind}
        onChange={setKind}
        options={[
          { value: 'serial', label: 'Serial line' },
          { value: 'ethernet', label: 'Network' },
        ]}
      />
      <Field label="Its name" value={tag} onChange={setTag} maxLength={24} hint="such as LINE 2" />
      {!known && <WhoAmI />}
      <SaveNotice saver={saver} />
      <FormActions
        label="Make the plan"
        disabled={!known || tag.trim() === ''}
        waiting={saver.saving}
        onStore={() =>
          void saver.save({ kind: 'setPlan', plan: made(view, kind, tag.trim()) }, { then: onDone })
        }
        onCancel={onDone}
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
