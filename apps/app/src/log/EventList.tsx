import { textOf } from '@keypost/core/messages';
import type { JobEvent } from '@keypost/api';
import { nth } from '@keypost/core/lists';
import type { JobContent } from '@keypost/core/model';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { notStored } from '../data/SaveNotice';
import type { OlderEvents } from '../data/useEvents';
import { useUndo } from '../data/useUndo';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { LongList } from '../ui/LongList';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { didText } from '../data/doneText';
import { isBeginning, whoAndWhen } from '@keypost/core/job';
import { eventText } from './eventText';
import { dateToTheSecond } from '../ui/dates';
import { useWide } from '../ui/useWide';

type Change = readonly JobEvent[];

/** What was done, newest first: a change with all that it made differ, and the way back from it. */
export function EventList({
  events,
  older,
  isOfOnePoint = false,
  title,
  jobId,
  job,
}: {
  events: readonly JobEvent[];
  older: OlderEvents;
  /** All of it is of one point, which its title names. */
  isOfOnePoint?: boolean;
  title: string;
  jobId: string;
  /** The job as it is now, for the names of what was set. */
  job?: JobContent;
}) {
  const changes = byChange(events);
  const undoing = useUndo(jobId);
  return (
    <Card title={title} aside={<Text as="mono">{`${older.isAll ? '' : 'last '}${changes.length}`}</Text>}>
      {changes.length === 0 && (
        <Row first>
          <Text as="soft">Nothing was done yet.</Text>
        </Row>
      )}
      <LongList
        label={title}
        items={changes}
        keyOf={(change) => String(nth(change, 0).id)}
        height={62}
        row={(change, first) => (
          <Row first={first} className="py-2">
            <ChangeRow change={change} job={job} isOfOnePoint={isOfOnePoint} undoing={undoing} />
          </Row>
        )}
      />
      {!older.isAll && <Older older={older} />}
    </Card>
  );
}

function Older({ older: { waiting, problem, read } }: { older: OlderEvents }) {
  return (
    <Row first={false} className="gap-3">
      {problem && <Notice>{textOf(problem.details.message)}</Notice>}
      <Button label="Show older ones" kind="plain" waiting={waiting} onPress={() => void read()} />
    </Row>
  );
}

/** Of a change that made much differ, so many lines are shown. */
const MOST_LINES = 6;

function ChangeRow({
  change,
  job,
  isOfOnePoint,
  undoing: { undo, waiting, problem, dismiss },
}: {
  change: Change;
  job: JobContent | undefined;
  isOfOnePoint: boolean;
  undoing: ReturnType<typeof useUndo>;
}) {
  const wide = useWide();
  const first = nth(change, 0);
  const { changeId } = first;
  const lines = change.map((event) => textOf(eventText(event, job, isOfOnePoint)));
  return (
    <View className="gap-1">
      <View className="flex-row items-start gap-3">
        {wide && (
          <View className="w-[220px]">
            <Text as="small">{stampLine(first)}</Text>
          </View>
        )}
        <View className="min-w-0 flex-1">
          <Lines lines={lines} />
          {!wide && <Text as="small">{stampLine(first)}</Text>}
        </View>
        {!isBeginning(first.what) && (
          <Button
            label="Undo"
            kind="bare"
            waiting={waiting === changeId}
            onPress={() => void undo({ changeId, what: didText(first) })}
          />
        )}
      </View>
      {problem && problem.of.changeId === changeId && (
        <Notice actions={<Button label="Close" onPress={dismiss} />}>
          {[notStored(problem.why), ...restOf(problem.why)].join('\n')}
        </Notice>
      )}
    </View>
  );
}

/** What a change made differ, the first few of many. */
function Lines({ lines }: { lines: readonly string[] }) {
  const [isOpen, setOpen] = useState(false);
  const more = lines.length - MOST_LINES;
  return (
    <>
      {lines.slice(0, isOpen ? undefined : MOST_LINES).map((line, i) => (
        <Text key={i} as={i === 0 ? 'body' : 'soft'}>
          {line}
        </Text>
      ))}
      {more > 0 && (
        <Pressable
          role="button"
          aria-expanded={isOpen}
          className="min-h-[48px] justify-center"
          onPress={() => setOpen(!isOpen)}
        >
          <Text as="strong" className="text-accent">
            {isOpen ? 'Show less' : `and ${more} more`}
          </Text>
        </Pressable>
      )}
    </>
  );
}

/** What else is in the way, after the first. */
const restOf = ({ details }: NonNullable<ReturnType<typeof useUndo>['problem']>['why']): string[] =>
  (details.problems ?? []).slice(1, 4).map(({ message }) => textOf(message));

/** Events of one change stand together. */
function byChange(events: readonly JobEvent[]): Change[] {
  const changes = new Map<string, JobEvent[]>();
  for (const event of events) {
    // A job that came in whole is told row by row.
    const key = isBeginning(event.what) ? String(event.id) : event.changeId;
    const change = changes.get(key);
    if (change) change.unshift(event);
    else changes.set(key, [event]);
  }
  return [...changes.values()];
}

function stampLine(event: JobEvent): string {
  const { by, at } = whoAndWhen(event);
  return [dateToTheSecond(at), by, ...(event.what === 'undo' ? ['an undoing'] : [])].join(' · ');
}
