import type { JobView } from '@keypost/api';
import { hasDictionary, makeRound, roundOfCode, secondsOfActs } from '@keypost/core/fault';
import type { Dictionary, Round } from '@keypost/core/fault';
import { useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo } from 'react';
import { View } from 'react-native';
import { useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { useIndex } from '../data/useIndex';
import { useJobId } from '../job/useJobId';
import { usePoint } from '../point/usePoint';
import type { OpenPoint } from '../point/usePoint';
import { Beside } from '../ui/Beside';
import { Busy } from '../ui/Busy';
import { Notice } from '../ui/Notice';
import { PageHead, Screen } from '../ui/Screen';
import { Text } from '../ui/Text';
import { useTokens } from '../ui/theme';
import { useTask } from '../workers/useTask';
import { AnswerCard } from './AnswerCard';
import { Debrief } from './Debrief';
import { DoneCard } from './DoneCard';
import { OLDER_ROUND } from './rounds';
import { RoundMeter } from './RoundMeter';
import { useRound } from './useRound';

const NONE = 'No round of this job has this code. It may be of another job, or points were added since.';

/** A round of practice, by its code. */
export function RoundScreen() {
  const jobId = useJobId();
  const { code = '' } = useLocalSearchParams<{ code?: string }>();
  const job = useJob(jobId);
  return (
    <Screen pair head={<PageHead title="Practice" over={code} back={`/job/${jobId}/practice`} />}>
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the round">
        {(view) => <Coded view={view} code={code} />}
      </Loaded>
    </Screen>
  );
}

function Coded({ view, code }: { view: JobView; code: string }) {
  const index = useIndex(view);
  const found = roundOfCode(
    code,
    view.content.points.map(({ tag }) => tag),
  );
  const key = found === 'older' ? undefined : found;
  const pointId = key && view.content.points[key.point]?.id;
  const point = usePoint(view, index, pointId ?? '');
  const { ink } = useTokens();
  const { start, answer, error } = useTask('faults');
  useEffect(() => {
    if (pointId !== undefined) start({ job: view.content, pointId });
  }, [start, view.content, pointId]);
  const round = useMemo(
    () => (key && point && answer ? makeRound(point.analysis, answer, key) : undefined),
    // The code says all of the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [code, point?.analysis, answer],
  );
  if (found === 'older') return <Notice>{OLDER_ROUND}</Notice>;
  if (!key || !point || !hasDictionary(point.analysis)) return <Notice>{NONE}</Notice>;
  if (error) return <Notice>{error.message}</Notice>;
  if (!answer)
    return (
      <View className="flex-row items-center gap-3">
        <Busy color={ink} size="small" label="Hiding" />
        <Text as="soft">Something is hidden …</Text>
      </View>
    );
  if (!round)
    return (
      <Notice>This point has no fault of this sort that anything could show. Begin another round.</Notice>
    );
  return <Played key={code} point={point} dictionary={answer} round={round} code={code} />;
}

function Played(of: { point: OpenPoint; dictionary: Dictionary; round: Round; code: string }) {
  const play = useRound(of);
  const { point, dictionary, round } = of;
  const seconds = secondsOfActs(
    point.analysis,
    dictionary,
    play.acts.map(({ act }) => act),
  );
  const { tag, name } = point.analysis.context.point;
  const isOver = play.over !== undefined || play.answer !== undefined;
  return (
    <View className="gap-4">
      <View>
        <Text as="title">{`${tag}  ${name}`}</Text>
        <Text as="soft">
          {isOver
            ? 'The round is over.'
            : round.faults.length > 1
              ? 'Two things are broken in this copy.'
              : 'It does not work: something is broken in this copy.'}
        </Text>
      </View>
      {play.over !== undefined && <Notice>{play.over}</Notice>}
      <Beside
        left={
          isOver ? (
            <Debrief {...of} play={play} seconds={seconds} />
          ) : (
            <RoundMeter point={point} play={play} />
          )
        }
        right={
          <>
            <DoneCard point={point} acts={play.acts} seconds={seconds} />
            {!isOver && (
              <AnswerCard point={point} dictionary={dictionary} round={round} play={play} seconds={seconds} />
            )}
          </>
        }
      />
    </View>
  );
}
