import { exampleSignal, ladderLog, playLadder } from '@keypost/core/switching';
import type { Example, LadderAct, PointLadder, Signal } from '@keypost/core/switching';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { PointSubPage } from '../point/PointSubPage';
import type { OpenPoint } from '../point/usePoint';
import { Beside } from '../ui/Beside';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Pause, Play, SkipBack, SkipForward } from '../ui/laterIcons';
import { Notice } from '../ui/Notice';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { CourseFields } from './CourseFields';
import type { Course } from './CourseFields';
import { DrawSheet } from './DrawSheet';
import { LadderChart } from './LadderChart';
import { LiveCourse } from './LiveCourse';
import { ladderHere } from './ladderHere';
import { PlayLog } from './PlayLog';
import { Standing } from './Standing';
import { TimeSlider } from './TimeSlider';
import { endOf, frameAt } from './times';
import { SPEEDS, usePlayer } from './usePlayer';
import type { Player } from './usePlayer';

/** The alarms of a point, played over a course: made up, drawn, or from a record. */
export function PlayScreen() {
  return (
    <PointSubPage title="Play the alarms" of="switch" pair>
      {(point) => <Played point={point} />}
    </PointSubPage>
  );
}

function Played({ point }: { point: OpenPoint }) {
  const found = useMemo(() => ladderHere(point), [point]);
  return typeof found === 'string' ? <Notice>{found}</Notice> : <Stage point={point} found={found} />;
}

const isExample = (course: Course): course is Example =>
  course === 'slow' || course === 'noisy' || course === 'broken';

/** A break that somebody puts in lasts so long, as a share of the course. */
const BREAK = 0.06;

/** What is played, over what, and what is done meanwhile. */
function usePlayed({ ladder }: PointLadder) {
  const [course, setCourse] = useState<Course>('slow');
  const [own, setOwn] = useState<Signal>();
  const [breaks, setBreaks] = useState<readonly number[]>([]);
  const [acts, setActs] = useState<readonly LadderAct[]>([]);
  const signal = useMemo(() => {
    const base = own ?? exampleSignal(ladder, isExample(course) ? course : 'slow');
    return broken(base, breaks);
  }, [ladder, course, own, breaks]);
  const end = endOf(signal);
  const frames = useMemo(() => playLadder(ladder, signal, acts), [ladder, signal, acts]);
  const log = useMemo(() => ladderLog(ladder, frames), [ladder, frames]);
  const player = usePlayer(end);
  const again = (next: Course, signal?: Signal) => {
    setCourse(next);
    setOwn(signal);
    setActs([]);
    setBreaks([]);
    player.go(0);
  };
  // What is read at this moment is looked at where it ends.
  const { go } = player;
  const follow = useCallback(
    (read: Signal) => {
      setOwn(read);
      go(read.at[read.at.length - 1] ?? 0);
    },
    [go],
  );
  return { course, signal, end, frames, log, player, again, follow, draw: setOwn, setActs, setBreaks };
}

function Stage({ point, found }: { point: OpenPoint; found: PointLadder }) {
  const { ladder } = found;
  const played = usePlayed(found);
  const { course, end, frames, log, player, again, follow, setActs, setBreaks } = played;
  const moments = [0, ...log.map(({ at }) => at), end];
  return (
    <Beside
      left={
        <>
          <Sheet found={found} played={played} />
          <TimeSlider at={player.at} end={end} onChange={player.go} />
          <Controls player={player} moments={moments} />
          <Standing
            ladder={ladder}
            frame={frameAt(frames, player.at)}
            at={player.at}
            point={point.analysis.context.point.tag}
          />
          <RadioGroup
            label="Speed"
            value={player.speed}
            onChange={player.setSpeed}
            options={SPEEDS.map((value) => ({ value, label: `×${value}` }))}
          />
          <Acts
            hasBypass={ladder.bypass.seconds > 0}
            act={(is) => setActs((before) => [...before, { at: player.at, is }].sort((a, b) => a.at - b.at))}
            breakHere={() => setBreaks((before) => [...before, player.at])}
          />
        </>
      }
      right={
        <>
          <PlayLog
            log={log}
            at={player.at}
            go={player.go}
            drop={(n) => setActs((before) => before.filter((_, i) => i !== n))}
          />
          <CourseFields
            name={`${point.view.id}.${point.analysis.context.point.id}`}
            course={course}
            onChoose={again}
            live={<LiveCourse point={point} made={found.made} onSignal={follow} />}
          />
        </>
      }
    />
  );
}

/** The chart, drawn over where the course is drawn by hand. */
function Sheet({
  found: { ladder, unit, bandOf },
  played: { course, signal, end, frames, player, draw },
}: {
  found: PointLadder;
  played: ReturnType<typeof usePlayed>;
}) {
  return (
    <View style={{ position: 'relative' }}>
      <LadderChart
        ladder={ladder}
        unit={unit}
        bandOf={bandOf}
        signal={signal}
        frames={frames}
        at={player.at}
      />
      {course === 'drawn' && (
        <View style={{ position: 'absolute', top: 0, left: 0, right: 0, aspectRatio: 366 / 262 }}>
          <DrawSheet ladder={ladder} seconds={end} onDraw={draw} />
        </View>
      )}
    </View>
  );
}

/** A course with breaks put in, none over another. */
function broken(signal: Signal, breaks: readonly number[]): Signal {
  const end = endOf(signal);
  const own = [
    ...(signal.faults ?? []),
    ...breaks.map((from) => ({ from, to: Math.min(end, from + BREAK * end), is: 'break' as const })),
  ].sort((a, b) => a.from - b.from);
  const apart = own.map((fault, i) => ({ ...fault, to: Math.min(fault.to, own[i + 1]?.from ?? Infinity) }));
  return apart.length ? { ...signal, faults: apart } : signal;
}

function Controls({ player, moments }: { player: Player; moments: readonly number[] }) {
  const { ink, plate } = useTokens();
  const { at, playing, go, toggle } = player;
  return (
    <View className="flex-row gap-3">
      <Button
        label="Before"
        icon={<SkipBack size={20} color={ink} />}
        onPress={() => go(moments.filter((moment) => moment < at - 1e-6).at(-1) ?? 0)}
      />
      <Button
        label={playing ? 'Pause' : 'Play'}
        kind="main"
        grow
        icon={playing ? <Pause size={20} color={plate} /> : <Play size={20} color={plate} />}
        onPress={toggle}
      />
      <Button
        label="Next"
        icon={<SkipForward size={20} color={ink} />}
        onPress={() => go(moments.find((moment) => moment > at + 1e-6) ?? at)}
      />
    </View>
  );
}

const ACTS: readonly { readonly is: LadderAct['is']; readonly label: string }[] = [
  { is: 'anyone', label: 'Clear' },
  { is: 'operator', label: 'Clear as operator' },
  { is: 'key', label: 'Turn the key' },
  { is: 'power', label: 'Power cut' },
];

/** What can be done at the moment at which one looks. */
function Acts({
  hasBypass,
  act,
  breakHere,
}: {
  hasBypass: boolean;
  act: (is: LadderAct['is']) => void;
  breakHere: () => void;
}) {
  return (
    <Card title="At this moment">
      <Row first className="flex-row flex-wrap gap-2">
        {ACTS.map(({ is, label }) => (
          <Button key={is} label={label} onPress={() => act(is)} />
        ))}
        <Button label="Break the wire" onPress={breakHere} />
        {hasBypass && (
          <>
            <Button label="Pass over it" onPress={() => act('bypass')} />
            <Button label="Stop passing over" onPress={() => act('bypassOff')} />
          </>
        )}
      </Row>
      <Row>
        <Text as="small">Nothing of this reaches the plant: it is played here only.</Text>
      </Row>
    </Card>
  );
}
