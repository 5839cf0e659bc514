import { Wire } from '@keypost/core/model';
import type { Wire as WireRow } from '@keypost/core/model';
import { schemaResolver } from '../ui/schemaResolver';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { SaveNotice } from '../data/SaveNotice';
import { expecting, useSave } from '../data/useSave';
import { Conflict } from '../data/Conflict';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { FormField } from '../ui/FormField';
import { numeric } from '../ui/numeric';
import { section } from '../ui/section';

const Form = z.object({
  number: Wire.shape.number,
  lengthM: numeric(Wire.shape.lengthM, 'm'),
  mm2: section(Wire.shape.mm2, '0.75, or AWG 18'),
  cable: z.string().trim().max(24),
  core: z.string().trim().max(12),
  ferrule: z.string().trim().max(12),
});

/** What the plan says of a wire: number, length, cross-section, cable, core and ferrule. */
export function WirePlan({ point, wire }: { point: OpenPoint; wire: WireRow }) {
  const [open, setOpen] = useState(false);
  if (!open) return <Button label="Change the plan of this wire" onPress={() => setOpen(true)} />;
  return <PlanForm point={point} wire={wire} onDone={() => setOpen(false)} />;
}

function PlanForm({ point, wire, onDone }: { point: OpenPoint; wire: WireRow; onDone: () => void }) {
  const saver = useSave(point.view);
  const [seen] = useState(() => expecting(point.view, 'wires', wire.id));
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: {
      number: wire.number,
      lengthM: String(wire.lengthM),
      mm2: String(wire.mm2),
      cable: wire.cable ?? '',
      core: wire.core ?? '',
      ferrule: wire.ferrule ?? '',
    },
  });
  const { control, handleSubmit } = form;
  const { draft, leave } = useLeaving(form, `${point.view.id}.wire.${wire.id}`, onDone);
  const submit = handleSubmit((patch) =>
    saver.save({ kind: 'editWire', wireId: wire.id, patch }, { expects: seen, then: leave }),
  );
  return (
    <View className="gap-4">
      <DraftNotice draft={draft} />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField control={control} name="lengthM" label="Length" unit="m" mono inputMode="decimal" />
        </View>
        <View className="flex-1">
          <FormField control={control} name="mm2" label="Section" hint="mm² or AWG" mono />
        </View>
      </View>
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField control={control} name="cable" label="Cable" />
        </View>
        <View className="flex-1">
          <FormField control={control} name="core" label="Core" />
        </View>
      </View>
      <View className="flex-row gap-3">
        <View className="flex-1">
          <FormField control={control} name="number" label="Number" mono />
        </View>
        <View className="flex-1">
          <FormField control={control} name="ferrule" label="Ferrule" />
        </View>
      </View>
      <Conflict saver={saver} view={point.view} onTake={leave} />
      {saver.problem?.details.status !== 409 && <SaveNotice saver={saver} />}
      <Button label="Store the plan" kind="main" waiting={saver.saving} onPress={() => void submit()} />
    </View>
  );
}
