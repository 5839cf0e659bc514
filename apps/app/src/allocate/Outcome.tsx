import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { partsOf, railText } from '@keypost/core/job';
import type { Allocated, Impossible, Placement } from '@keypost/core/planning';
import type { Change } from '@keypost/core/job';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { StatusIcon } from '../ui/StatusIcon';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import type { Tasks } from '../workers/tasks';

/** What came of an allocation: the change to accept, or the devices in conflict and the ways out. */
export function Outcome({
  view,
  outcome: { allocation, change },
  onLeave,
  onLeaveOut,
}: {
  view: JobView;
  outcome: Tasks['allocate']['answer'];
  onLeave: () => void;
  /** Works it out again without some points. */
  onLeaveOut: (ids: readonly string[]) => void;
}) {
  const router = useRouter();
  const saver = useSave(view);
  if (allocation.kind === 'undecided') return <Undecided />;
  if (allocation.kind === 'impossible') return <Conflicting outcome={allocation} onLeaveOut={onLeaveOut} />;
  const leave = () => {
    onLeave();
    router.navigate(`/job/${view.id}/panel`);
  };
  return (
    <>
      <Card title="Outcome">
        <Row first className="flex-row gap-3">
          <StatusIcon kind="proven" size={26} label="possible" />
          <View className="flex-1">
            <Text as="strong">
              {`${allocation.placements.length} devices on ${counted(allocation.modules, 'module')} with ${counted(allocation.commons, 'common')}`}
            </Text>
            <Text as="small">{provenText(allocation)}</Text>
          </View>
        </Row>
        <Row>
          <Text as="body">
            {change ? changeText(change) : 'Everything is on such a channel already. Nothing to change.'}
          </Text>
        </Row>
      </Card>
      {change && (
        <View className="gap-3">
          <SaveNotice saver={saver} />
          <View className="flex-row gap-3">
            <Button
              label="Accept the change"
              kind="main"
              grow
              waiting={saver.saving}
              onPress={() => void saver.save(change, { then: leave })}
            />
            <Button label="Leave it" onPress={onLeave} />
          </View>
        </View>
      )}
      <Groups view={view} allocation={allocation} />
    </>
  );
}

const counted = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

const provenText = ({ exact }: Allocated): string =>
  exact
    ? 'Fewer cannot do: every other arrangement was ruled out.'
    : 'Found in the time allowed; fewer modules or commons were not ruled out.';

function changeText(change: Change): string {
  const parts = partsOf(change);
  const moved = parts.filter((part) => part.kind === 'assign' && part.place).length;
  const turned = parts.filter(({ kind }) => kind === 'setCommon').length;
  return [
    moved ? `${moved} of them ${moved === 1 ? 'moves' : 'move'}` : 'None of them moves',
    turned ? `${counted(turned, 'common')} ${turned === 1 ? 'goes' : 'go'} to another rail` : '',
  ]
    .filter(Boolean)
    .join(', ')
    .concat('.');
}

/** Every group that is used, its rail, and each device with the reason for its place. */
function Groups({ view, allocation }: { view: JobView; allocation: Allocated }) {
  const groups = new Map<string, Placement[]>();
  for (const placement of allocation.placements)
    groups.set(placement.group.id, [...(groups.get(placement.group.id) ?? []), placement]);
  const volts = view.content.supplies.find(({ kind }) => kind === 'dc')?.volts ?? 24;
  return [...groups].map(([id, placements]) => {
    const { group, rail } = nth(placements, 0);
    return (
      <Card
        key={id}
        title={`${textOf(group.moduleTag)} ${group.common}`}
        aside={<Text as="mono">{`on ${railText(rail, volts)}`}</Text>}
      >
        {[...placements]
          .sort((a, b) => a.channel - b.channel)
          .map(({ applicant, channel, sentence }, i) => (
            <Row key={applicant.id} first={i === 0} className="flex-row gap-3 py-2">
              <Text as="number" className="w-[28px]">
                {String(channel)}
              </Text>
              <View className="min-w-0 flex-1">
                <Text as="strong">{applicant.tag}</Text>
                <Text as="small">{textOf(sentence).replace(`${applicant.tag}: `, '')}</Text>
              </View>
            </Row>
          ))}
      </Card>
    );
  });
}

function Undecided() {
  return (
    <Card title="Outcome">
      <Row first className="flex-row gap-3">
        <StatusIcon kind="doubtful" size={26} label="not decided" />
        <Text as="body" className="flex-1">
          No answer in two seconds: neither places for all nor a proof that there are none. Pin fewer devices,
          keep fewer channels free, and work it out again.
        </Text>
      </Row>
    </Card>
  );
}

function Conflicting({
  outcome: { conflict, isSmallest, sentence, remedies },
  onLeaveOut,
}: {
  outcome: Impossible;
  onLeaveOut: (ids: readonly string[]) => void;
}) {
  const last = conflict.at(-1);
  return (
    <Card title="Outcome">
      <Row first className="flex-row gap-3">
        <StatusIcon kind="cannot" size={26} />
        <View className="flex-1 gap-1">
          <Text as="body">{textOf(sentence)}</Text>
          {conflict.length > 1 && <Text as="small">{conflict.map(({ tag }) => tag).join(', ')}</Text>}
          {!isSmallest && (
            <Text as="small">
              So far as it was looked: fewer of these may be in conflict already. Leave some out and try
              again.
            </Text>
          )}
        </View>
      </Row>
      {remedies.map((way) => (
        <Row key={textOf(way)}>
          <Text as="body">{textOf(way)}</Text>
        </Row>
      ))}
      {last && (
        <Row>
          <Button label={`Leave ${last.tag} as it is and go on`} onPress={() => onLeaveOut([last.id])} />
        </Row>
      )}
    </Card>
  );
}
