import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { networkFaults, networkSteps } from '@keypost/core/setting';
import type { EthernetPlan, NetworkMember } from '@keypost/core/model';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { StatusIcon } from '../ui/StatusIcon';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { FaultList } from './FaultList';
import { NetworkMemberForm } from './NetworkMemberForm';
import { RegisterMap } from './RegisterMap';

/** A network: who has which address, what would not work, and the order in which it is brought up. */
export function NetworkPlanView({ view, plan }: { view: JobView; plan: EthernetPlan }) {
  const wide = useWide();
  const faults = useMemo(() => networkFaults(plan), [plan]);
  const [editing, setEditing] = useState<string>();
  const done = () => setEditing(undefined);
  return (
    <>
      <Text as="head">{plan.tag}</Text>
      <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
        <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
          <FaultList
            title="Before anything is plugged in"
            faults={faults.map(({ sentence }) => sentence).map(textOf)}
            clear="Addresses, masks, gateways, names and files fit together."
          />
          {wide && <Steps plan={plan} />}
        </View>
        <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
          {plan.members.map((member) =>
            editing === member.id ? (
              <NetworkMemberForm key={member.id} view={view} plan={plan} member={member} onDone={done} />
            ) : (
              <Member
                key={member.id}
                view={view}
                plan={plan}
                member={member}
                wrong={faults.some(({ tags }) => tags.includes(member.tag))}
                onEdit={() => setEditing(member.id)}
              />
            ),
          )}
          {editing === 'new' ? (
            <NetworkMemberForm view={view} plan={plan} onDone={done} />
          ) : (
            <Button label="Add a participant" onPress={() => setEditing('new')} />
          )}
          {!wide && <Steps plan={plan} />}
        </View>
      </View>
    </>
  );
}

function Steps({ plan }: { plan: EthernetPlan }) {
  return (
    <Card title="Order of bringing it up">
      <View role="list" aria-label="Order of bringing it up">
        {networkSteps(plan).map(({ key, title, detail, caution }, i) => (
          <Row key={key} first={i === 0}>
            <View role="listitem" className="flex-row gap-3">
              <Text as="number" className="w-[26px]">
                {String(i + 1)}
              </Text>
              <View className="min-w-0 flex-1 gap-0.5">
                <Text as="body">{textOf(title)}</Text>
                {detail && <Text as="small">{textOf(detail)}</Text>}
                {caution && <Caution>{textOf(caution)}</Caution>}
              </View>
            </View>
          </Row>
        ))}
      </View>
    </Card>
  );
}

function Member({
  view,
  plan,
  member,
  wrong,
  onEdit,
}: {
  view: JobView;
  plan: EthernetPlan;
  member: NetworkMember;
  wrong: boolean;
  onEdit: () => void;
}) {
  const [open, setOpen] = useState(false);
  const { tag, role, address, mask, gateway, name, file, map } = member;
  return (
    <Card title={tag} aside={<Button label={`Edit ${tag}`} kind="bare" onPress={onEdit} />}>
      <Row first className="gap-1">
        <View className="flex-row items-center justify-between gap-3">
          <Text as="number" className={wrong ? 'text-fail' : ''}>
            {address}
          </Text>
          <StatusIcon kind={wrong ? 'failed' : 'proven'} size={18} />
        </View>
        <Text as="small">
          {[
            role,
            `mask ${mask}`,
            gateway && `gateway ${gateway}`,
            name && `name ${name}`,
            file !== 'not needed' && `description file ${file}`,
          ]
            .filter(Boolean)
            .join(', ')}
        </Text>
        {member.link && (
          <Button
            label={open ? 'Close its registers' : `Registers of ${tag}, ${map.length}`}
            onPress={() => setOpen(!open)}
          />
        )}
      </Row>
      {open && (
        <RegisterMap
          view={view}
          planId={plan.id}
          rowId={member.id}
          map={map}
          change={(next) => ({
            kind: 'setPlan',
            plan: {
              ...plan,
              members: plan.members.map((row) => (row.id === member.id ? { ...row, map: next } : row)),
            },
          })}
        />
      )}
    </Card>
  );
}
