import { readNumber } from '@keypost/core/units';
import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { JobProblem } from '@keypost/core/model';
import { stampName } from '@keypost/core/presentation';
import { sensitivitySetting } from '@keypost/core/planning';
import type { SensitivitySetting } from '@keypost/core/planning';
import { useState } from 'react';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import type { Saver } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import type { OpenPoint } from '../point/usePoint';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { Field } from '../ui/Field';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { dayAndTime } from '../ui/dates';

/** Name of the step under which a setting is noted. */
const STEP = 'sensitivity';

type Outcome =
  | { readonly found: SensitivitySetting; readonly values: Record<string, number> }
  | { readonly problem: string }
  | undefined;

/** Where to set the sensitivity of a diffuse sensor, from where the object is lost and the background is seen. */
export function SensitivityCard({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const [scale, setScale] = useState('10');
  const [lost, setLost] = useState('');
  const [seen, setSeen] = useState('');
  const [led, setLamp] = useState<'on' | 'off'>('on');
  if (!point.type.description.sensitivity) return null;
  const outcome = work(scale, lost, seen, led === 'on');
  const { id: pointId } = point.analysis.context.point;
  const note = (values: Record<string, number>) =>
    void saver.save({
      kind: 'stamp',
      stamp: { id: uuid(), pointId, step: STEP, fingerprint: {}, values },
    });
  return (
    <Card title="Sensitivity">
      <Row first className="gap-4">
        <Text as="small">
          Turn it up from nothing. Note where the object is just seen or lost, then, without the object, where
          the background is just seen.
        </Text>
        <Field
          label="Full scale of the adjuster"
          value={scale}
          onChange={setScale}
          mono
          inputMode="decimal"
        />
        <View className="flex-row gap-3">
          <View className="flex-1">
            <Field label="Object lost at" value={lost} onChange={setLost} mono inputMode="decimal" />
          </View>
          <View className="flex-1">
            <Field
              label="Background seen at"
              hint="empty if never"
              value={seen}
              onChange={setSeen}
              mono
              inputMode="decimal"
            />
          </View>
        </View>
        <RadioGroup
          label="Stability LED, with and without the object"
          value={led}
          onChange={setLamp}
          options={[
            { value: 'on', label: 'On in both' },
            { value: 'off', label: 'Not in both' },
          ]}
        />
        {outcome && 'problem' in outcome && <Text as="fail">{outcome.problem}</Text>}
        {outcome && 'found' in outcome && (
          <Found found={outcome.found} saver={saver} onNote={() => note(outcome.values)} />
        )}
        <LastNote point={point} />
      </Row>
    </Card>
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

function work(scale: string, lost: string, seen: string, stable: boolean): Outcome {
  if (lost.trim() === '') return undefined;
  try {
    const entered = {
      scale: readNumber(scale),
      objectLost: readNumber(lost),
      ...(seen.trim() !== '' && { backgroundSeen: readNumber(seen) }),
    };
    const found = sensitivitySetting({ ...entered, stable });
    return { found, values: { ...entered, stable: Number(stable), setting: found.setting } };
  } catch (error) {
    if (error instanceof JobProblem) return { problem: textOf(nth(error.problems, 0).message) };
    throw error;
  }
}
