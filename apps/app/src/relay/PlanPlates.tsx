import { textOf } from '@keypost/core/messages';
import { refWords } from '@keypost/core/job';
import type { Contact, RelayPlan, Tried } from '@keypost/core/planning';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { Mark } from '../ui/Mark';
import { Caution, Notice } from '../ui/Notice';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';

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
      <Plate title="Contact plan" aside={<Words as="number">{`${n} ${n === 1 ? 'pole' : 'poles'}`}</Words>}>
        {plan.poles.map(({ number, rail, no, nc }, i) => (
          <Row key={number} first={i === 0} className="gap-1">
            <Words as="strong">{`Pole ${number}, common ${number}1 on ${refWords(point.index, rail)}`}</Words>
            <Words as="body">{`${number}1-${number}4 closes: ${listed(no)}`}</Words>
            <Words as="body">{`${number}1-${number}2 opens: ${listed(nc)}`}</Words>
          </Row>
        ))}
        <Row>
          <Words as="small">
            {`The coil, ${plan.coilVolts}, is in ${plan.coilInPresent ? 'with' : 'without'} the target.`}
          </Words>
        </Row>
      </Plate>
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
    <Plate title="Relay">
      {chosen ? (
        <Row first className="flex-row gap-3">
          <Mark kind={chosen.status === 'works' ? 'proven' : chosen.status} size={26} />
          <View className="min-w-0 flex-1">
            <Words as="strong">{chosen.name}</Words>
            <Words as="small">
              {chosen.mendable
                ? `${textOf(chosen.sentence)} Put it in: the resistor that mends that is worked out then.`
                : textOf(chosen.sentence)}
            </Words>
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
          <Words as="body">{`Not: ${name}`}</Words>
          <Words as="small">{textOf(sentence)}</Words>
        </Row>
      ))}
    </Plate>
  );
}

function Terminals({ plan }: { plan: RelayPlan }) {
  return (
    <Plate title="Terminals" aside={<Words as="small">contact, socket</Words>}>
      {plan.terminals.map(({ name, printed, words, landed }, i) => (
        <Row key={name} first={i === 0} className="flex-row items-center gap-3 py-1.5">
          <Words as="number" className="w-[36px]">
            {name}
          </Words>
          <Words as="mono" className="w-[32px]">
            {printed ?? ''}
          </Words>
          <Words as="small" className="w-[72px]">
            {words}
          </Words>
          <Words as="body" className={`flex-1 text-right ${landed.length ? '' : 'text-soft'}`}>
            {landed.map(textOf).join(', ') || 'free'}
          </Words>
        </Row>
      ))}
    </Plate>
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
  const known = useKnown();
  if (!plan.change) return null;
  const put = () => void saver.save(plan.change!, { then: () => router.navigate(point.base as never) });
  return (
    <View className="gap-3">
      {!known && <WhoAmI />}
      <SaveNotice saver={saver} />
      <Button
        label={`Put ${tag} into the job`}
        kind="main"
        disabled={!known || disabled}
        waiting={saver.saving}
        onPress={put}
      />
    </View>
  );
}
