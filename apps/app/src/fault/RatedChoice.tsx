import { faultExperience } from '@keypost/core/job';
import type { FaultSort, Often } from '@keypost/core/model';
import { View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { OFTEN_TEXT, SORT_TEXT } from '../job/faultSortText';
import type { OpenPoint } from '../point/usePoint';
import { dateAndTime } from '../ui/dates';
import { RadioGroup } from '../ui/RadioGroup';
import { Text } from '../ui/Text';

const OPTIONS = (Object.keys(OFTEN_TEXT) as Often[]).map((value) => ({ value, label: OFTEN_TEXT[value] }));

/** How often a sort of fault is what is wrong in this job, as who knows the plant says it. */
export function RatedChoice({ point, sort }: { point: OpenPoint; sort: FaultSort }) {
  const saver = useSave(point.view);
  const pointId = point.analysis.context.point.id;
  const rated = faultExperience(point.view.content).rated.get(sort);
  const store = (often: Often) =>
    void saver.save({
      kind: 'reportFault',
      fault: { id: uuid(), pointId, body: { kind: 'rated', sort, often } },
    });
  return (
    <View className="gap-1.5">
      <RadioGroup
        label={`How often in this job: ${SORT_TEXT[sort]}`}
        value={rated?.often ?? 'usual'}
        options={OPTIONS}
        onChange={store}
      />
      <Text as="small">
        {rated
          ? `${dateAndTime(rated.at)} · ${rated.by}. It counts at every point of the job, beside what was mended.`
          : 'What you say counts at every point of the job, beside what was mended. It is kept with your name.'}
      </Text>
      {saver.problem && <SaveNotice saver={saver} />}
    </View>
  );
}
