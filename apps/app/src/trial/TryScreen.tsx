import { say, textOf } from '@keypost/core/messages';
import { JobIndex } from '@keypost/core/job';
import { contextOf } from '@keypost/core/network';
import { BENCH } from '@keypost/core/planning';
import type { Trial } from '@keypost/core/planning';
import { chainOf, isMeasured } from '@keypost/core/scaling';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useJob } from '../data/jobs';
import { SCRATCH } from '../data/server';
import { useIndex } from '../data/useIndex';
import { scratchJob } from '../data/scratch';
import { useSave } from '../data/useSave';
import type { Saver } from '../data/useSave';
import { FiveStates } from '../land/FiveStates';
import { Loop } from '../land/Loop';
import { RuleCard } from '../land/RuleCard';
import { usePoint } from '../point/usePoint';
import type { OpenPoint } from '../point/usePoint';
import { VerdictText } from '../point/VerdictText';
import { Card } from '../ui/Card';
import { MoreRow } from '../ui/MoreRow';
import { Notice } from '../ui/Notice';
import { PageHead, Screen } from '../ui/Screen';
import { StatusIcon } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import { useWide } from '../ui/useWide';
import { HandCard, TargetCard } from './questions';
import { KeepCard } from './KeepCard';
import { useTrial } from './useTrial';
import type { TrialForm } from './useTrial';

const ON_THE_BENCH = say('planning.on-the-bench');

/** Whether what is in the hand works with what it goes to, asked without a job. */
export function TryScreen() {
  const form = useTrial();
  const wide = useWide();
  const { data: view } = useJob(SCRATCH);
  const solved = usePoint(view, useIndex(view), SCRATCH);
  const { trial, problem, target } = form;
  const point = problem ? undefined : solved;
  const isBench = target?.id === BENCH && point?.verdict.status === 'open';
  const questions = (
    <>
      <HandCard form={form} />
      <TargetCard form={form} />
    </>
  );
  const answer = problem ? (
    <Notice>{problem}</Notice>
  ) : (
    trial && point && <Answer form={form} trial={trial} point={point} isBench={isBench} />
  );
  return (
    <Screen
      head={<PageHead title="Will it work together?" over="Without a job" back="/" />}
      dock={!wide && trial && point && <InShort point={point} isBench={isBench} />}
      narrow={!wide}
    >
      {wide ? <SideBySide left={questions} right={answer} /> : [questions, answer]}
    </Screen>
  );
}

function SideBySide({ left, right }: { left: ReactNode; right: ReactNode }) {
  return (
    <View className="flex-row gap-6">
      <View className="w-[420px] gap-4">{left}</View>
      <View className="min-w-0 flex-1 gap-4">{right}</View>
    </View>
  );
}

interface Asked {
  readonly form: TrialForm;
  readonly trial: Trial;
  readonly point: OpenPoint;
  /** It stands on its supply alone. */
  readonly isBench: boolean;
}

/** Stores a way out, and takes it over into the answers where it changes one of them. */
function useSaveAnswered(view: OpenPoint['view'], { change }: TrialForm): Saver {
  const saver = useSave(view);
  const adopt = () => {
    const job = scratchJob();
    if (!job) return;
    const { kind, logic, rail = 'open' } = contextOf(new JobIndex(job), SCRATCH);
    // Only the common of an input for direct current is asked about.
    change({ kind, logic, ...(rail !== 'L' && rail !== 'N' && { rail }) });
  };
  return { ...saver, save: (what) => saver.save(what, { then: adopt }) };
}

function Answer({ form, trial, point, isBench }: Asked) {
  const saver = useSaveAnswered(point.view, form);
  return (
    <>
      {isBench ? <BenchText /> : <VerdictText point={point} saver={saver} />}
      <Loop point={point} />
      <FiveStates analysis={point.analysis} />
      <RuleCard point={point} />
      <Further point={point} />
      <KeepCard trial={trial} tried={point.view.content} />
    </>
  );
}

/** The verdict in reach of the eye while the questions are answered. */
function InShort({ point: { verdict }, isBench }: { point: OpenPoint; isBench: boolean }) {
  const { status, sentence } = verdict;
  return (
    <View
      role="status"
      className="min-h-[60px] flex-row items-center gap-3 border-t-[1.5px] border-edge bg-plate px-4 py-2"
    >
      <StatusIcon kind={status === 'works' ? 'proven' : status} size={26} />
      <Text as="strong" className="min-w-0 flex-1">
        {textOf(isBench ? ON_THE_BENCH : sentence)}
      </Text>
    </View>
  );
}

/** On a supply alone nothing is judged: what must be seen is told. */
function BenchText() {
  return (
    <View role="region" aria-label="Verdict" className="flex-row gap-3">
      <StatusIcon kind="open" size={26} />
      <Text as="body" className="min-w-0 flex-1">
        {textOf(ON_THE_BENCH)}
      </Text>
    </View>
  );
}

/** What else can be done with it before it stands in a job. */
function Further({ point: { analysis, base } }: { point: OpenPoint }) {
  const made = isMeasured(analysis) ? chainOf(analysis) : undefined;
  const measures = made !== undefined && !('problem' in made);
  return (
    <Card title="Go on with it here">
      {measures && (
        <MoreRow
          first
          to={`${base}/scale/calibrate`}
          label="Calibrate it"
          hint="what to inject, what must come, as found and as left"
        />
      )}
      {measures && (
        <MoreRow
          first={false}
          to={`${base}/scale`}
          label="Scale it"
          hint="from what is sensed to what a screen shows"
        />
      )}
      <MoreRow first={!measures} to={`${base}/set`} label="Set it" hint="its switches and parameters" />
      <MoreRow first={false} to={`${base}/prove`} label="Prove it" hint="what to measure in each state" />
      <MoreRow
        first={false}
        to={`${base}/parts`}
        label="Figures of its datasheet"
        hint={`in place of what is typical of ${analysis.context.type.description.title}`}
      />
    </Card>
  );
}
