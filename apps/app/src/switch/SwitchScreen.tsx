import { textOf } from '@keypost/core/messages';
import type { Message } from '@keypost/core/messages';
import { chainOf, moveChain } from '@keypost/core/scaling';
import {
  deviceChannels,
  exampleSignal,
  LADDER_KINDS,
  ladderOf,
  playLadder,
  switchStep,
} from '@keypost/core/switching';
import type { LadderKind, PointLadder } from '@keypost/core/switching';
import { unlessRefused } from '@keypost/core/model';
import { written } from '@keypost/core/units';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { linkNumber, linkText } from '../chain/chainText';
import { useSave } from '../data/useSave';
import { PointFrame, PointPage } from '../point/PointFrame';
import { NextStep, StampSteps } from '../point/StampSteps';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { MoreRow } from '../ui/MoreRow';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { FaultCard } from './FaultCard';
import { Findings } from './Findings';
import { LadderChart } from './LadderChart';
import { LinksAt } from './LinksAt';
import { Standing } from './Standing';
import { InputCard } from './InputCard';
import { thresholdSteps, Thresholds } from './Thresholds';
import { TimeSlider } from './TimeSlider';
import { endOf, frameAt, valueAt } from './times';

/** Switch: at which value something switches, how surely, and what follows. */
export function SwitchScreen() {
  return <PointFrame>{(point) => <Switch point={point} />}</PointFrame>;
}

function Switch({ point }: { point: OpenPoint }) {
  const made = useMemo(() => chainOf(point.analysis), [point.analysis]);
  const found = useMemo(() => ladderOf(point.analysis), [point.analysis]);
  if (found && !('problem' in found)) return <WithLadder point={point} found={found} />;
  return <WithoutLadder point={point} made={made} found={found} />;
}

function WithoutLadder({
  point,
  made,
  found,
}: {
  point: OpenPoint;
  made: ReturnType<typeof chainOf>;
  found: { readonly problem: Message } | undefined;
}) {
  const saver = useSave(point.view);
  const steps = thresholdSteps(point);
  const problem = found?.problem ?? (made && 'problem' in made ? made.problem : undefined);
  return (
    <PointPage
      point={point}
      page="switch"
      dock={<NextStep point={point} steps={steps} saver={saver} />}
      main={
        <>
          {problem && <Notice>{textOf(problem)}</Notice>}
          {!made && (
            <Text as="soft">
              Nothing of this point is measured by the controller. Where its device switches can be taught.
            </Text>
          )}
          <Thresholds point={point} />
          {made && !('problem' in made) && <FirstLadder base={point.base} />}
          <InputCard point={point} />
        </>
      }
      aside={
        <>
          <More point={point} hasLadder={false} hasValue={made !== undefined && !('problem' in made)} />
          <StampSteps
            point={point}
            steps={steps}
            title="Where it is decided"
            label="Steps of Switch"
            saver={saver}
          />
        </>
      }
    />
  );
}

const KIND_TEXT: Readonly<Record<LadderKind, readonly [label: string, hint: string]>> = {
  warn: ['A warning above a limit', 'shown and a lamp, goes by itself'],
  pauseStop: ['Pause, then stop', 'lamp and delay, the stop locked until its key'],
  warnPauseStop: ['Warning, pause, stop', 'three levels above each other'],
  stopBelow: ['Stop below a limit', 'too little for so long stops it'],
};

/** What somebody may want of alarms, to begin with. */
function FirstLadder({ base }: { base: OpenPoint['base'] }) {
  return (
    <Card title="Alarms at this value">
      {LADDER_KINDS.map((kind, i) => (
        <MoreRow
          key={kind}
          first={i === 0}
          to={`${base}/switch/ladder?kind=${kind}`}
          label={KIND_TEXT[kind][0]}
          hint={KIND_TEXT[kind][1]}
        />
      ))}
    </Card>
  );
}

function WithLadder({ point, found }: { point: OpenPoint; found: PointLadder }) {
  const saver = useSave(point.view);
  const steps = [
    ...(found.findings.length ? [] : [switchStep(point.analysis, found)]),
    ...thresholdSteps(point),
  ];
  return (
    <PointPage
      point={point}
      page="switch"
      main={
        <>
          <Played point={point} found={found} />
          <Findings findings={found.findings} unit={found.unit} />
          <FaultCard found={found} />
          <Thresholds point={point} />
        </>
      }
      aside={
        <>
          <More point={point} hasLadder hasValue />
          <LimitCard found={found} />
          <StampSteps
            point={point}
            steps={steps}
            title="In the controller"
            label="Steps of Switch"
            saver={saver}
          />
        </>
      }
      dock={<NextStep point={point} steps={steps} saver={saver} />}
    />
  );
}

/** The ladder over a made-up course, with how it stands where one looks. */
function Played({ point, found }: { point: OpenPoint; found: PointLadder }) {
  const { ladder, unit, bandOf, made } = found;
  const { signal, frames, end } = useMemo(() => {
    const course = exampleSignal(ladder, 'slow');
    return { signal: course, frames: playLadder(ladder, course), end: endOf(course) };
  }, [ladder]);
  const [share, setShare] = useState(0.5);
  const at = share * end;
  const value = valueAt(signal, at);
  return (
    <View className="gap-2">
      <Text as="small">
        A made-up course through every level. What each waits for, does and keeps stands below it.
      </Text>
      <LadderChart ladder={ladder} unit={unit} bandOf={bandOf} signal={signal} frames={frames} at={at} />
      <TimeSlider at={at} end={end} onChange={(to) => setShare(to / end)} />
      <LinksAt made={made} value={value} />
      <Standing
        ladder={ladder}
        frame={frameAt(frames, at)}
        at={at}
        point={point.analysis.context.point.tag}
      />
    </View>
  );
}

/** Every limit with its band, in the units of the chain. */
function LimitCard({ found: { ladder, made, bandOf, unit } }: { found: PointLadder }) {
  const words = linkText(made);
  return (
    <Card title="Limits in every unit">
      {ladder.levels.map(({ id, name, limit }, i) => {
        const rows = unlessRefused(() => moveChain(made.chain, 'value', limit).rows);
        return (
          <Row key={id} first={i === 0} className="gap-0.5">
            <View className="flex-row flex-wrap items-baseline justify-between gap-x-2">
              <Text as="strong">{name}</Text>
              <Text as="number">{`${written(limit, 4)} ±${written(bandOf(limit), 2)} ${unit}`}</Text>
            </View>
            {rows && (
              <Text as="mono">
                {(['signal', 'counts', 'display'] as const)
                  .map(
                    (key) =>
                      `${linkNumber(key, rows[key].value, words[key].digits)} ${words[key].unit || 'counts'}`,
                  )
                  .join('  ')}
              </Text>
            )}
          </Row>
        );
      })}
    </Card>
  );
}

/** Pages for alarms that are there. */
const OF_LADDER = [
  ['switch/ladder', 'Ladder', 'levels, limits, delays, who clears them'],
  ['switch/play', 'Play', 'over a drawn or recorded course, with keys and breaks'],
  ['switch/code', 'Code', 'function block, executed beside the ladder'],
  ['prove', 'Test plan', 'from both sides, delays, break, key, power cut'],
] as const;

const OF_VALUE = [
  ['switch/threshold', 'A threshold', 'a bit or a relay: how surely, its hysteresis, its reaction'],
] as const;

const OF_DEVICE = [
  ['switch/device', 'In the device', 'its own switching channels: set points, hysteresis, window, NO or NC'],
] as const;

const OF_ALL = [['switch/teach', 'Teach', 'whether readings are steady, and what to set']] as const;

/** The pages of Switch that a point has. */
function More({
  point: { base, analysis },
  hasLadder,
  hasValue,
}: {
  point: OpenPoint;
  hasLadder: boolean;
  hasValue: boolean;
}) {
  const rows = [
    ...(hasLadder ? OF_LADDER : []),
    ...(hasValue ? OF_VALUE : []),
    ...(deviceChannels(analysis).length ? OF_DEVICE : []),
    ...OF_ALL,
  ];
  return (
    <Card title="More">
      {rows.map(([to, label, hint], i) => (
        <MoreRow key={to} first={i === 0} to={`${base}/${to}`} label={label} hint={hint} />
      ))}
    </Card>
  );
}
