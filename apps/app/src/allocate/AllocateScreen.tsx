import { Tick } from '../ui/OptionTile';
import { sure } from '@keypost/core/lists';
import { refusalText } from '../data/refusalText';
import { JobPage } from '../job/JobPage';
import type { JobView } from '@keypost/api';
import { JobIndex } from '@keypost/core/job';
import { problemOf } from '@keypost/core/planning';
import type { AllocationRequest } from '@keypost/core/planning';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Busy } from '../ui/Busy';
import { Button } from '../ui/Button';
import { RadioGroup } from '../ui/RadioGroup';
import { useTokens } from '../ui/theme';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';
import { Outcome } from './Outcome';

/** Puts every switching device on a channel; what comes of it is a change to accept. */
export function AllocateScreen() {
  return (
    <JobPage narrow title="Allocate channels" back="/panel" what="the panel">
      {(view) => <Allocate view={view} />}
    </JobPage>
  );
}

/** Asks what is to be kept, and shows what was worked out for that. */
export function Allocate({ view }: { view: JobView }) {
  const [pinned, setPinned] = useState<ReadonlySet<string>>(new Set());
  const [spare, setSpare] = useState<Spare>('0');
  const { start, cancel, busy, answer, error } = useTask('allocate');
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  // What was worked out for something else is not there to be accepted.
  const anew =
    <T,>(put: (next: T) => void) =>
    (next: T): void => {
      put(next);
      cancel();
    };
  const work = (without: ReadonlySet<string>) => {
    const request: AllocationRequest = { pinned, left: without, spareShare: Number(spare) / 100 };
    setLeft(without);
    start({ job: view.content, request });
  };
  const leaveOut = (ids: readonly string[]) => work(new Set([...left, ...ids]));
  return (
    <>
      <Text as="body">
        Every switching sensor and contact gets a channel whose group suits it, on as few modules and commons
        as possible. Nothing changes until you accept it.
      </Text>
      <Card title="What to keep">
        <Row first>
          <RadioGroup
            label="Channels of each group that stay free"
            value={spare}
            onChange={anew(setSpare)}
            options={[
              { value: '0', label: 'None' },
              { value: '10', label: '10 %' },
              { value: '20', label: '20 %' },
              { value: '30', label: '30 %' },
            ]}
          />
        </Row>
        <Pins view={view} pinned={pinned} onChange={anew(setPinned)} />
      </Card>
      {busy ? (
        <Solving onCancel={cancel} />
      ) : (
        <Button
          label={answer ? 'Work it out again' : 'Work it out'}
          kind={answer ? 'plain' : 'main'}
          onPress={() => work(new Set())}
        />
      )}
      {error && <Notice>{refusalText(error)}</Notice>}
      {answer && !busy && <Outcome view={view} outcome={answer} onLeave={cancel} onLeaveOut={leaveOut} />}
    </>
  );
}

type Spare = '0' | '10' | '20' | '30';

function Solving({ onCancel }: { onCancel: () => void }) {
  const { ink } = useTokens();
  return (
    <Card title="Working it out">
      <Row first className="gap-3">
        <View className="flex-row items-center gap-3" role="status">
          <Busy label="Working" color={ink} />
          <Text as="body">
            Solving each kind of device in each kind of group, then looking for the fewest modules and commons
          </Text>
        </View>
        <Button label="Stop" onPress={onCancel} />
      </Row>
    </Card>
  );
}

/** Points that stay where they are. */
function Pins({
  view,
  pinned,
  onChange,
}: {
  view: JobView;
  pinned: ReadonlySet<string>;
  onChange: (pinned: ReadonlySet<string>) => void;
}) {
  const [open, setOpen] = useState(false);
  const movable = useMemo(() => {
    const index = new JobIndex(view.content);
    const { applicants } = problemOf(view.content, { pinned: new Set(), spareShare: 0 });
    return applicants.flatMap(({ id, tag }) => {
      const place = index.placeOf(index.point(id));
      return place
        ? [{ id, tag, at: `${sure(index.module(place.moduleId)).tag} ${index.port(place).label}` }]
        : [];
    });
  }, [view]);
  const toggle = (id: string) => {
    const next = new Set(pinned);
    if (!next.delete(id)) next.add(id);
    onChange(next);
  };
  return (
    <>
      <Row className="flex-row items-center justify-between gap-3 py-1">
        <Text as="strong">{pinned.size ? `${pinned.size} stay where they are` : 'Any may move'}</Text>
        <Button label={open ? 'Close' : 'Pin some'} kind="bare" onPress={() => setOpen(!open)} />
      </Row>
      {open &&
        movable.map(({ id, tag, at }) => (
          <Tick
            key={id}
            label={`${tag} stays on ${at}`}
            isOn={pinned.has(id)}
            onPress={() => toggle(id)}
            className="min-h-[48px] flex-row items-center gap-3 border-t border-line px-4 active:bg-wash"
          >
            <View
              className={`h-[24px] w-[24px] items-center justify-center rounded-[5px] border-fine border-ink ${pinned.has(id) ? 'bg-ink' : 'bg-plate'}`}
            >
              {pinned.has(id) && (
                <Text as="strong" className="text-plate">
                  ✓
                </Text>
              )}
            </View>
            <Text as="strong">{tag}</Text>
            <Text as="soft" className="flex-1">
              {at}
            </Text>
          </Tick>
        ))}
    </>
  );
}
