import { textOf } from '@keypost/core/messages';
import type { JobView } from '@keypost/api';
import { partsOf, railWords } from '@keypost/core/job';
import type { Allocated, Impossible, Placement } from '@keypost/core/planning';
import type { Change } from '@keypost/core/job';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { useKnown, WhoAmI } from '../data/WhoAmI';
import { Button } from '../ui/Button';
import { Mark } from '../ui/Mark';
import { Plate, Row } from '../ui/Plate';
import { Words } from '../ui/Words';
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
  const known = useKnown();
  if (allocation.kind === 'impossible') return <Conflicting outcome={allocation} onLeaveOut={onLeaveOut} />;
  const leave = () => {
    onLeave();
    router.navigate(`/job/${view.id}/panel` as never);
  };
  return (
    <>
      <Plate title="Outcome">
        <Row first className="flex-row gap-3">
          <Mark kind="proven" size={26} label="possible" />
          <View className="flex-1">
            <Words as="strong">
              {`${allocation.placements.length} devices on ${counted(allocation.modules, 'module')} with ${counted(allocation.commons, 'common')}`}
            </Words>
            <Words as="small">{provenWords(allocation)}</Words>
          </View>
        </Row>
        <Row>
          <Words as="body">
            {change ? changeWords(change) : 'Everything is on such a channel already. Nothing to change.'}
          </Words>
        </Row>
      </Plate>
      {change && (
        <View className="gap-3">
          {!known && <WhoAmI />}
          <SaveNotice saver={saver} />
          <View className="flex-row gap-3">
            <Button
              label="Accept the change"
              kind="main"
              grow
              disabled={!known}
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

function provenWords({ exact, modules, leastModules }: Allocated): string {
  if (exact) return 'Fewer cannot do: every other arrangement was ruled out.';
  return modules === leastModules
    ? 'Fewer modules cannot do; fewer commons were not ruled out.'
    : `At least ${leastModules} modules are needed; between that and ${modules} nothing is proven.`;
}

function changeWords(change: Change): string {
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
    const { group, rail } = placements[0]!;
    return (
      <Plate
        key={id}
        title={`${textOf(group.moduleTag)} ${group.common}`}
        aside={<Words as="mono">{`on ${railWords(rail, volts)}`}</Words>}
      >
        {[...placements]
          .sort((a, b) => a.channel - b.channel)
          .map(({ applicant, channel, sentence }, i) => (
            <Row key={applicant.id} first={i === 0} className="flex-row gap-3 py-2">
              <Words as="number" className="w-[28px]">
                {String(channel)}
              </Words>
              <View className="min-w-0 flex-1">
                <Words as="strong">{applicant.tag}</Words>
                <Words as="small">{textOf(sentence).replace(`${applicant.tag}: `, '')}</Words>
              </View>
            </Row>
          ))}
      </Plate>
    );
  });
}

function Conflicting({
  outcome: { conflict, sentence, waysOut },
  onLeaveOut,
}: {
  outcome: Impossible;
  onLeaveOut: (ids: readonly string[]) => void;
}) {
  const last = conflict.at(-1);
  return (
    <Plate title="Outcome">
      <Row first className="flex-row gap-3">
        <Mark kind="cannot" size={26} />
        <View className="flex-1 gap-1">
          <Words as="body">{textOf(sentence)}</Words>
          {conflict.length > 1 && <Words as="small">{conflict.map(({ tag }) => tag).join(', ')}</Words>}
        </View>
      </Row>
      {waysOut.map((way) => (
        <Row key={textOf(way)}>
          <Words as="body">{textOf(way)}</Words>
        </Row>
      ))}
      {last && (
        <Row>
          <Button label={`Leave ${last.tag} as it is and go on`} onPress={() => onLeaveOut([last.id])} />
        </Row>
      )}
    </Plate>
  );
}
