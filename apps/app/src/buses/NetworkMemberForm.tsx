import { useLeaving } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { schemaResolver } from '../ui/schemaResolver';
import type { JobView } from '@keypost/api';
import { partTypesOf } from '@keypost/core/catalog';
import { NetworkMember, NETWORK_ROLES } from '@keypost/core/model';
import { parseIpv4, prefixOf } from '@keypost/core/setting';
import type { EthernetPlan } from '@keypost/core/model';
import { Controller, useForm } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { v4 as uuid } from 'uuid';
import { z } from 'zod';
import { FormField } from '../ui/FormField';
import { Select } from '../ui/Select';
import { PlanRowForm, withRow } from './PlanRowForm';

const Form = z.object({
  tag: NetworkMember.shape.tag,
  itemId: z.string(),
  role: NetworkMember.shape.role,
  address: z
    .string()
    .refine((text) => parseIpv4(text) !== undefined, 'Four numbers from 0 to 255, such as 192.168.10.30.'),
  mask: z.string().refine((text) => prefixOf(text) !== undefined, 'Such as 255.255.255.0, or /24.'),
  gateway: z.string(),
  name: z.string(),
  nameOnDevice: z.string(),
  file: z.enum(['installed', 'missing', 'not needed']),
});
type FormControl = Control<z.input<typeof Form>, unknown, z.output<typeof Form>>;

/** One participant of a network, or a new one. */
export function NetworkMemberForm({
  view,
  plan,
  member,
  onDone,
}: {
  view: JobView;
  plan: EthernetPlan;
  member?: NetworkMember;
  onDone: () => void;
}) {
  const form = useForm({
    resolver: schemaResolver(Form),
    defaultValues: textsOf(plan, member),
  });
  const { control, handleSubmit } = form;
  const { draft, leave } = useLeaving(form, `${view.id}.member.${plan.id}.${member?.id ?? 'new'}`, onDone);
  return (
    <PlanRowForm
      view={view}
      planId={plan.id}
      title={member ? member.tag : 'New participant'}
      label="Store it"
      change={(row: NetworkMember) => ({
        kind: 'setPlan',
        plan: { ...plan, members: withRow(plan.members, row) },
      })}
      submit={(store) => void handleSubmit((output) => store(rowFrom(member, output)))()}
      removal={
        member && {
          label: `Take ${member.tag} out`,
          change: {
            kind: 'setPlan',
            plan: { ...plan, members: plan.members.filter(({ id }) => id !== member.id) },
          },
        }
      }
      onDone={leave}
    >
      <DraftNotice draft={draft} />
      <Fields control={control} view={view} />
    </PlanRowForm>
  );
}

function Fields({ control, view }: { control: FormControl; view: JobView }) {
  const types = partTypesOf(view.content);
  const items = [
    ...view.content.modules,
    ...view.content.devices.filter((device) =>
      types.findDevice(device)?.outputs.some(({ landsOn }) => landsOn === 'ethernet'),
    ),
  ].map(({ id, tag }) => ({ value: id, label: tag }));
  const pick = (
    name: 'role' | 'file' | 'itemId',
    label: string,
    options: readonly { value: string; label: string }[],
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Select label={label} value={field.value} onChange={field.onChange} options={options} />
      )}
    />
  );
  return (
    <>
      <FormField control={control} name="tag" label="Tag" />
      {pick(
        'role',
        'What it is',
        NETWORK_ROLES.map((value) => ({ value, label: value })),
      )}
      {pick('itemId', 'Part of the job', [{ value: '', label: 'none' }, ...items])}
      <FormField control={control} name="address" label="IP address" mono />
      <FormField control={control} name="mask" label="Mask" mono />
      <FormField control={control} name="gateway" label="Gateway" mono hint="empty where there is none" />
      <FormField
        control={control}
        name="name"
        label="Name in the project"
        hint="small letters, digits and dashes; empty where none is used"
      />
      <FormField control={control} name="nameOnDevice" label="Name that the device has" />
      {pick('file', 'Description file in the project', [
        { value: 'not needed', label: 'not needed' },
        { value: 'installed', label: 'installed' },
        { value: 'missing', label: 'missing' },
      ])}
    </>
  );
}

function textsOf(plan: EthernetPlan, member: NetworkMember | undefined): z.input<typeof Form> {
  const none = {
    tag: '',
    itemId: '',
    role: 'device',
    address: '',
    gateway: '',
    name: '',
    nameOnDevice: '',
  } as const;
  const mask = plan.members[0]?.mask ?? '255.255.255.0';
  return { ...none, mask, file: 'not needed', ...member };
}

/** A member as the form has it; what the form does not show stays. */
function rowFrom(
  member: NetworkMember | undefined,
  { itemId, gateway, name, nameOnDevice, ...rest }: z.output<typeof Form>,
): NetworkMember {
  const {
    itemId: _,
    gateway: __,
    name: ___,
    nameOnDevice: ____,
    ...kept
  } = member ?? { id: uuid(), map: [] };
  return {
    ...kept,
    ...rest,
    ...(itemId && { itemId }),
    ...(gateway && { gateway }),
    ...(name && { name, nameOnDevice }),
  } as NetworkMember;
}
