import { nth, sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import { Feed, Supply } from '@keypost/core/model';
import type { Supply as SupplyRow } from '@keypost/core/model';
import { schemaResolver } from '../ui/schemaResolver';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { Controller, useForm } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { FormFoot } from '../data/FormFoot';
import { refusedField } from '../data/refusedField';
import { expecting, useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { Button } from '../ui/Button';
import { FormChoice } from '../ui/FormChoice';
import { FormField } from '../ui/FormField';
import { Notice } from '../ui/Notice';
import { numeric } from '../ui/numeric';
import { section } from '../ui/section';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';

export type NewKind = 'dc' | 'ac' | 'branch';

const Form = z.object({
  tag: Supply.shape.tag,
  volts: numeric(Supply.shape.volts, 'V'),
  tolerancePercent: numeric(Supply.shape.tolerancePercent, '%'),
  limitAmps: numeric(Supply.shape.limitAmps, 'A'),
  otherAmps: numeric(Supply.shape.otherAmps.unwrap(), 'A'),
  from: z.string(),
  protection: Feed.shape.protection,
  lengthM: numeric(Feed.shape.lengthM, 'm'),
  mm2: section(Feed.shape.mm2, '1.5, or AWG 16'),
});

type Values = z.input<typeof Form>;
type FormControl = Control<Values, unknown, z.output<typeof Form>>;

/** Adds a supply or a branch, or changes the one given. */
export function SupplyForm({
  view,
  supply,
  kind,
  onDone,
}: {
  view: JobView;
  supply?: SupplyRow;
  kind: NewKind;
  onDone: () => void;
}) {
  const saver = useSave(view);
  const [asked, setAsked] = useState(false);
  const [seen] = useState(() => (supply ? expecting(view, 'supplies', supply.id) : []));
  const form = useForm({ resolver: schemaResolver(Form), defaultValues: firstValues(view, supply, kind) });
  const { control, handleSubmit } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.supply.${supply?.id ?? `new-${kind}`}`, onDone);
  const submit = handleSubmit(async (values) => {
    const row = rowOf(view, values, kind, supply?.internalOhms);
    const { kind: _, ...patch } = row;
    if (supply)
      await saver.save({ kind: 'editSupply', id: supply.id, patch }, { expects: seen, then: leave });
    else await saver.save({ kind: 'addSupply', supply: { id: uuid(), ...row } }, { then: leave });
  });
  const remove = () =>
    void saver.save({ kind: 'removeSupply', id: sure(supply).id }, { expects: seen, then: leave });
  return (
    <Card title={supply ? `Edit ${supply.tag}` : NEW_WORDS[kind]}>
      <Row first className="gap-4">
        <DraftNotice draft={draft} />
        <SupplyFields control={control} view={view} kind={kind} own={supply?.id} saver={saver} />
        {asked && (
          <Removal view={view} supply={sure(supply)} onRemove={remove} onKeep={() => setAsked(false)} />
        )}
        <FormFoot
          view={view}
          saver={saver}
          label={supply ? 'Store' : 'Add it'}
          onStore={() => void submit()}
          onDone={leave}
        >
          {supply && <Button label="Remove" kind="danger" onPress={() => setAsked(true)} />}
        </FormFoot>
      </Row>
    </Card>
  );
}

function Removal({
  view: { content },
  supply,
  onRemove,
  onKeep,
}: {
  view: JobView;
  supply: SupplyRow;
  onRemove: () => void;
  onKeep: () => void;
}) {
  const on = (ref: string): boolean => ref.startsWith(`${supply.id}:`);
  const wires = content.wires.filter(({ from, to }) => on(from) || on(to)).length;
  return (
    <Notice
      actions={
        <>
          <Button label={`Remove ${supply.tag}`} kind="danger" onPress={onRemove} />
          <Button label="Keep it" onPress={onKeep} />
        </>
      }
    >
      {`This takes ${supply.tag} and ${wires === 1 ? 'the wire' : `the ${wires} wires`} on it out of the job.`}
    </Notice>
  );
}

function SupplyFields({
  control,
  view,
  kind,
  own,
  saver,
}: {
  control: FormControl;
  view: JobView;
  kind: NewKind;
  own: string | undefined;
  saver: Saver;
}) {
  return (
    <>
      <FormField
        control={control}
        name="tag"
        label="Tag"
        refused={refusedField(saver, 'tag')}
        maxLength={24}
      />
      {kind === 'branch' ? (
        <BranchFields control={control} view={view} own={own} />
      ) : (
        <Pair>
          <FormField
            control={control}
            name="volts"
            label="Volts"
            unit="V"
            mono
            inputMode="decimal"
            refused={refusedField(saver, 'volts')}
          />
          <FormField
            control={control}
            name="tolerancePercent"
            label="Tolerance"
            unit="%"
            mono
            inputMode="decimal"
          />
        </Pair>
      )}
      <Pair>
        <FormField
          control={control}
          name="limitAmps"
          label={kind === 'branch' ? 'It lets through' : 'It gives'}
          unit="A"
          mono
          inputMode="decimal"
        />
        <FormField control={control} name="otherAmps" label="Other loads" unit="A" mono inputMode="decimal" />
      </Pair>
    </>
  );
}

const NEW_WORDS: Readonly<Record<NewKind, string>> = {
  dc: 'New DC supply',
  ac: 'New AC supply',
  branch: 'New branch',
};

function Pair({ children }: { children: [ReactNode, ReactNode] }) {
  return (
    <View className="flex-row gap-3">
      <View className="flex-1">{children[0]}</View>
      <View className="flex-1">{children[1]}</View>
    </View>
  );
}

function BranchFields({ control, view, own }: { control: FormControl; view: JobView; own?: string }) {
  const options = view.content.supplies
    .filter(({ id }) => id !== own)
    .map(({ id, tag, volts }) => ({ value: id, label: `${tag}, ${volts} V` }));
  return (
    <>
      <Controller
        control={control}
        name="from"
        render={({ field }) => (
          <Select label="Fed by" value={field.value} options={options} onChange={field.onChange} />
        )}
      />
      <FormChoice
        control={control}
        name="protection"
        label="Protected by"
        options={[
          { value: 'fuse', label: 'Fuse' },
          { value: 'breaker', label: 'Electronic breaker' },
          { value: 'mcb-b', label: 'MCB, B' },
          { value: 'mcb-c', label: 'MCB, C' },
          { value: 'mcb-d', label: 'MCB, D' },
        ]}
      />
      <Pair>
        <FormField control={control} name="lengthM" label="Feeder" unit="m" mono inputMode="decimal" />
        <FormField control={control} name="mm2" label="Section" hint="mm² or AWG" mono />
      </Pair>
    </>
  );
}

function rowOf(
  view: JobView,
  values: z.output<typeof Form>,
  kind: NewKind,
  internalOhms: number | undefined,
): Omit<SupplyRow, 'id'> {
  const { from, protection, lengthM, mm2, otherAmps, ...own } = values;
  const parent = kind === 'branch' ? view.content.supplies.find(({ id }) => id === from) : undefined;
  return {
    ...own,
    kind: kind === 'branch' ? (parent?.kind ?? 'dc') : kind,
    ...(parent && { volts: parent.volts, tolerancePercent: parent.tolerancePercent }),
    internalOhms: internalOhms ?? (kind === 'branch' ? 0 : kind === 'ac' ? 0.5 : 0.05),
    otherAmps,
    ...(kind === 'branch' && { feed: { from, protection, lengthM, mm2 } }),
  };
}

/** What a new supply of each kind usually is. */
const USUAL = {
  dc: { letter: 'G', volts: 24, tolerancePercent: 3, limitAmps: 5 },
  ac: { letter: 'Q', volts: 230, tolerancePercent: 10, limitAmps: 16 },
  branch: { letter: 'F', volts: 24, tolerancePercent: 3, limitAmps: 2 },
} as const;

const USUAL_FEED = { protection: 'breaker', lengthM: 10, mm2: 1 } as const;

function firstValues({ content }: JobView, supply: SupplyRow | undefined, kind: NewKind): Values {
  const taken = new Set([...content.supplies, ...content.modules].map(({ tag }) => tag.toLowerCase()));
  const { letter, ...usual } = USUAL[kind];
  let n = 1;
  while (taken.has(`${letter}${n}`.toLowerCase())) n++;
  const row = { tag: `${letter}${n}`, otherAmps: 0, ...usual, ...supply };
  const feed = { from: nth(content.supplies, 0).id, ...USUAL_FEED, ...supply?.feed };
  return {
    tag: row.tag,
    volts: String(row.volts),
    tolerancePercent: String(row.tolerancePercent),
    limitAmps: String(row.limitAmps),
    otherAmps: String(row.otherAmps ?? 0),
    from: feed.from,
    protection: feed.protection,
    lengthM: String(feed.lengthM),
    mm2: String(feed.mm2),
  };
}
