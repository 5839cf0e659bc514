import { textOf } from '@keypost/core/messages';
import type { BoardRow } from '@keypost/api';
import { memo } from 'react';
import { View } from 'react-native';
import { StatusIcon, MARK_TEXT } from '../ui/StatusIcon';
import { Text } from '../ui/Text';
import { GoTo } from '../ui/GoTo';
import { STAGE_NAMES } from './stageNames';

/** One point: tag, name, what stops it or comes next, and each stage's mark over the stage's name. */
export const PointRow = memo(function PointRow({
  row,
  jobId,
  first,
  chosen,
  wide,
}: {
  row: BoardRow & { readonly pending?: boolean };
  jobId: string;
  first: boolean;
  chosen: boolean;
  wide: boolean;
}) {
  const stopped = row.overall === 'cannot' || row.overall === 'failed';
  return (
    <GoTo
      label={`${row.tag} ${row.name}, ${row.pending ? '' : `${MARK_TEXT[row.overall]}: `}${textOf(row.line)}`}
      here={chosen}
      to={`/job/${jobId}/point/${row.pointId}`}
      className={`min-h-[64px] gap-1 border-l-[5px] py-2.5 pl-3 pr-4 active:bg-wash ${chosen ? 'border-l-accent bg-wash' : 'border-l-transparent'} ${first ? '' : 'border-t border-t-line'}`}
    >
      <View className="flex-row items-center gap-3">
        {wide && !row.pending && <StatusIcon kind={row.overall} size={24} />}
        <Text as="head" className="min-w-0 flex-1">
          {row.tag}
          <Text as="body" className="text-soft">{`  ${row.name}`}</Text>
        </Text>
        {!wide &&
          row.stages.map(({ stage, mark }) => (
            <View key={stage} className="w-[34px] items-center gap-0.5">
              <StatusIcon kind={mark} size={22} label={`${STAGE_NAMES[stage]} ${MARK_TEXT[mark]}`} />
              <Text as="small" className="text-[0.75rem] leading-[0.875rem]">
                {STAGE_NAMES[stage]}
              </Text>
            </View>
          ))}
      </View>
      <Text
        as="small"
        className={
          stopped ? 'font-wordsemi text-fail' : row.overall === 'doubtful' ? 'font-wordsemi text-wait' : ''
        }
      >
        {textOf(row.line)}
      </Text>
    </GoTo>
  );
});
