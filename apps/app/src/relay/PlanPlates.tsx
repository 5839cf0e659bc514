import { sure } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { refText } from '@keypost/core/job';
import type { Contact, RelayPlan, Tried } from '@keypost/core/planning';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { StatusIcon } from '../ui/StatusIcon';
import { Caution, Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

const listed = (contacts: readonly Contact[]): string =>
  contacts
    .map(({ words }) => words)
    .map(textOf)
    .join(', ') || 'free';

/** The plan: which pole does what, the relay that bears it, its terminals, and the way into the job. */
export function PlanPlates({
  point,
  plan,
  tag,
  stale,
}: {
  point: OpenPoint;
  plan: RelayPlan;
  tag: string;
  /** A newer plan is being worked out. */
  stale: boolean;
}) {
  const chosen = plan.tried.find(({ typeId }) => typeId === plan.chosen);
  const n = plan.poles.length;
  return (
    <View className={`gap-4 ${stale ? 'opacity-50' : ''}`}>
      <Card title="Contact plan" aside={<Text as="number">{`${n} ${n === 1 ? 'pole' : 'poles'}`}</Text>}>
        {plan.poles.map(({ number, rail, no, nc }, i) => (
          <Row key={number} first={i === 0} className="gap-1">
            <Text as="strong">{`Pole ${number}, common ${number}1 on ${refText(point.index, rail)}`}</Text>
            <Text as="body">{`${number}1-${number}4 closes: ${listed(no)}`}</Text>
            <Text as="body">{`${number}1-${number}2 opens: ${listed(nc)}`}</Text>
          </Row>
        ))}
        <Row>
          <Text as="small">
            {`The coil, ${plan.coilVolts}, is in ${plan.coilInPresent ? 'with' : 'without'} the target.`}
          </Text>
        </Row>
      </Card>
      <RelayChoice chosen={chosen} tried={plan.tried} />
      {chosen && <Terminals plan={plan} />}
      {plan.cautions.map((caution) => (
        <Caution key={textOf(caution)}>{textOf(caution)}</Caution>
      ))}
      {chosen && <Accept point={point} plan={plan} tag={tag} disabled={stale} />}
    </View>
  );
}

function RelayChoice({ chosen, tried }: { chosen: Tried | undefined; tried: readonly Tried[] }) {
  const others = tried.filter((each) => each !== chosen);
  return (
    <Card title="Relay">
      {chosen ? (
        <Row first className="flex-row gap-3">
          <StatusIcon kind={chosen.status === 'works' ? 'proven' : chosen.status} size={26} />
          <View className="min-w-0 flex-1">
            <Text as="strong">{chosen.name}</Text>
            <Text as="small">
              {chosen.mendable
                ? `${textOf(chosen.sentence)} Put it in: the resistor that mends that is worked out then.`
                : textOf(chosen.sentence)}
            </Text>
          </View>
        </Row>
      ) : (
        <Row first>
          <Notice>
            No relay of the catalog does all of it. Let it do less, or share it between two relays.
          </Notice>
        </Row>
      )}
      {others.map(({ typeId, name, sentence }) => (
        <Row key={typeId}>
          <Text as="body">{`Not: ${name}`}</Text>
          <Text as="small">{textOf(sentence)}</Text>
        </Row>
      ))}
    </Card>
  );
}

function Terminals({ plan }: { plan: RelayPlan }) {
  return (
    <Card title="Terminals" aside={<Text as="small">contact, socket</Text>}>
      {plan.terminals.map(({ name, printed, words, landed }, i) => (
        <Row key={name} first={i === 0} className="flex-row items-center gap-3 py-1.5">
          <Text as="number" className="w-[36px]">
            {name}
          </Text>
          <Text as="mono" className="w-[32px]">
            {printed ?? ''}
          </Text>
          <Text as="small" className="w-[72px]">
            {words}
          </Text>
          <Text as="body" className={`flex-1 text-right ${landed.length ? '' : 'text-soft'}`}>
            {landed.map(textOf).join(', ') || 'free'}
          </Text>
        </Row>
      ))}
    </Card>
  );
}

function Accept({
  point,
  plan,
  tag,
  disabled,
}: {
  point: OpenPoint;
  plan: RelayPlan;
  tag: string;
  disabled: boolean;
}) {
  const router = useRouter();
  const saver = useSave(point.view);
  if (!plan.change) return null;
  const put = () => void saver.save(sure(plan.change), { then: () => router.navigate(point.base) });
  return (
    <View className="gap-3">
      <SaveNotice saver={saver} />
      <Button
        label={`Put ${tag} into the job`}
        kind="main"
        disabled={disabled}
        waiting={saver.saving}
        onPress={put}
      />
    </View>
  );
}
