import { MAX_LEVELS } from '@keypost/core/model';
import type { LadderPlan } from '@keypost/core/model';
import {
  bandIn,
  exampleSignal,
  LADDER_KINDS,
  ladderOver,
  playLadder,
  proposeLadder,
  rangeOf,
  switchingWith,
} from '@keypost/core/switching';
import type { Ladder, LadderKind } from '@keypost/core/switching';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ChainSubPage } from '../chain/ChainSubPage';
import type { ChainMoment } from '../chain/useChain';
import { dropDraft, useDraftState } from '../data/drafts';
import { FormFoot } from '../data/FormFoot';
import { expecting, useSave } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Field } from '../ui/Field';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';
import { FaultCard } from './FaultCard';
import { Findings } from './Findings';
import { LadderChart } from './LadderChart';
import { LadderTexts, nextLevel, readLadder, textsOf } from './ladderDraft';
import type { LevelTexts, Problems } from './ladderDraft';
import { LevelFields } from './LevelFields';
import { endOf } from './times';

/** The levels over a value: each is typed or moved, and the whole is checked as it is. */
export function LadderScreen() {
  return (
    <ChainSubPage title="Alarm ladder" of="switch" pair>
      {(point, { made }) => <LadderForm point={point} made={made} />}
    </ChainSubPage>
  );
}

const isKind = (kind: unknown): kind is LadderKind => LADDER_KINDS.some((known) => known === kind);

/** What the form begins with: what is stored, else a usual ladder over the range. */
function useFirst({ analysis }: OpenPoint, made: ChainMoment['made']): LadderTexts {
  const { kind } = useLocalSearchParams<{ kind?: string }>();
  const [first] = useState(() => {
    const stored = analysis.context.point.switching?.ladder;
    const { unit } = made.chain.sensor;
    if (stored?.unit === unit) return textsOf(stored);
    return textsOf(proposeLadder(isKind(kind) ? kind : 'warn', unit, rangeOf(made), bandIn(analysis, made)));
  });
  return first;
}

function LadderForm({ point, made }: { point: OpenPoint; made: ChainMoment['made'] }) {
  const router = useRouter();
  const saver = useSave(point.view);
  const { point: row } = point.analysis.context;
  const { unit } = made.chain.sensor;
  const draft = `${point.view.id}.${row.id}.ladder`;
  const [texts, setTexts] = useDraftState(draft, LadderTexts, useFirst(point, made));
  const [seen] = useState(() => expecting(point.view, 'points', row.id));
  const [tried, setTried] = useState(false);
  const read = useMemo(() => readLadder(texts, unit), [texts, unit]);
  const problems: Problems = 'problems' in read ? read.problems : {};
  const leave = () => {
    dropDraft(draft);
    router.navigate(`${point.base}/switch`);
  };
  const store = (ladder: LadderPlan | null) =>
    void saver.save(
      { kind: 'setSwitching', pointId: row.id, switching: switchingWith(row.switching, { ladder }) },
      { expects: seen, then: leave },
    );
  return (
    <View className="gap-4">
      <Beside
        left={
          <>
            {'plan' in read && <Checked point={point} made={made} plan={read.plan} />}
            {'problems' in read && tried && <Text as="fail">Some fields are not right yet.</Text>}
          </>
        }
        right={
          <>
            <LevelList
              texts={texts}
              unit={unit}
              range={rangeOf(made)}
              problems={problems}
              setTexts={setTexts}
            />
            <WholeFields
              texts={texts}
              problems={problems}
              change={(patch) => setTexts((before) => ({ ...before, ...patch }))}
            />
          </>
        }
      />
      <FormFoot
        view={point.view}
        saver={saver}
        label="Keep the alarms"
        onStore={() => ('plan' in read ? store(read.plan) : setTried(true))}
        onDone={leave}
      >
        {row.switching?.ladder && <Button label="Take them away" kind="danger" onPress={() => store(null)} />}
      </FormFoot>
    </View>
  );
}

/** All levels as they are typed, and a way to a further one. */
function LevelList({
  texts: { levels },
  unit,
  range,
  problems,
  setTexts,
}: {
  texts: LadderTexts;
  unit: string;
  range: Ladder['range'];
  problems: Problems;
  setTexts: (next: (before: LadderTexts) => LadderTexts) => void;
}) {
  const level = (i: number, patch: Partial<LevelTexts> | undefined) =>
    setTexts((before) => ({
      ...before,
      levels: before.levels.flatMap((one, k) => (k !== i ? [one] : patch ? [{ ...one, ...patch }] : [])),
    }));
  return (
    <>
      {levels.map((one, i) => (
        <LevelFields
          key={one.id}
          level={one}
          place={i}
          unit={unit}
          range={range}
          problems={problems}
          onChange={(patch) => level(i, patch)}
          {...(levels.length > 1 && { onRemove: () => level(i, undefined) })}
        />
      ))}
      {levels.length < MAX_LEVELS && (
        <Button
          label="Add a level"
          onPress={() => setTexts((before) => ({ ...before, levels: [...before.levels, nextLevel(before)] }))}
        />
      )}
    </>
  );
}

/** The ladder as it is typed, drawn and checked. */
function Checked({ point, made, plan }: { point: OpenPoint; made: ChainMoment['made']; plan: LadderPlan }) {
  const found = useMemo(() => ladderOver(point.analysis, made, plan), [point.analysis, made, plan]);
  const { ladder, bandOf, findings, unit } = found;
  const { signal, frames } = useMemo(() => {
    const course = exampleSignal(ladder, 'slow');
    return { signal: course, frames: playLadder(ladder, course) };
  }, [ladder]);
  const end = endOf(signal);
  return (
    <>
      <LadderChart ladder={ladder} unit={unit} bandOf={bandOf} signal={signal} frames={frames} at={end / 2} />
      <Findings findings={findings} unit={unit} />
      {found.unsafe.length > 0 && <FaultCard found={found} />}
    </>
  );
}

/** What holds for all levels. */
function WholeFields({
  texts,
  problems,
  change,
}: {
  texts: LadderTexts;
  problems: Problems;
  change: (patch: Partial<LadderTexts>) => void;
}) {
  return (
    <Card title="For all levels">
      <Row first className="gap-4">
        <Field
          label="After the start no limit counts for"
          value={texts.startUp}
          onChange={(startUp) => change({ startUp })}
          problem={problems.startUp}
          unit="s"
          mono
          inputMode="decimal"
        />
        {texts.startUp !== '0' && (
          <RadioGroup
            label="A break or short while it starts"
            value={texts.faultsWaitToo}
            onChange={(faultsWaitToo) => change({ faultsWaitToo })}
            options={[
              { value: 'no', label: 'Counts at once' },
              { value: 'yes', label: 'Waits too' },
            ]}
          />
        )}
        <Field
          label="May be passed over for"
          value={texts.bypass}
          onChange={(bypass) => change({ bypass })}
          problem={problems['bypass.seconds']}
          hint="0 where it may not. It is shown all the while, ends by itself, and never passes over what locks."
          unit="s"
          mono
          inputMode="decimal"
        />
      </Row>
    </Card>
  );
}
