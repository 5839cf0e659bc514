import type { OpenPoint } from './usePoint';
import type { PointProgress, Stage } from '@keypost/core/proving';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { StatusIcon } from '../ui/StatusIcon';
import { useWide } from '../ui/useWide';
import { GoTo } from '../ui/GoTo';
import { Text } from '../ui/Text';
import { STAGE_NAMES } from '../job/stageNames';

export type Page = Stage | 'log';

/** How the pages of a point are called. */
export const PAGE_NAMES: Record<Page, string> = { ...STAGE_NAMES, log: 'Log' };

/** The stages of a point that apply, and its log. */
export function StageStrip({
  base,
  here,
  progress,
}: {
  base: OpenPoint['base'];
  here: Page;
  progress: PointProgress;
}) {
  const wide = useWide();
  const stages = progress.stages.map(({ stage }) => stage);
  // A point gets Switch with its first alarms, and has it while they are made.
  if (here === 'switch' && !stages.includes(here)) stages.splice(stages.indexOf('prove'), 0, here);
  const pages: { page: Page; path: Href }[] = [
    ...stages.map((stage) => ({
      page: stage,
      path: stage === 'land' ? base : (`${base}/${stage}` as const),
    })),
    { page: 'log', path: `${base}/log` as const },
  ];
  const tight = pages.length > (wide ? 6 : 3);
  return (
    <View role="tablist" className="flex-row overflow-hidden rounded-plate border-fine border-edge">
      {pages.map(({ page, path }, i) => {
        const mark = progress.stages.find(({ stage }) => stage === page)?.mark;
        const chosen = page === here;
        return (
          <GoTo
            key={page}
            role="tab"
            aria-selected={chosen}
            label={PAGE_NAMES[page]}
            to={path}
            replace
            className={`min-h-[50px] flex-1 items-center justify-center ${tight ? 'gap-0.5 py-1' : 'flex-row gap-2'} ${chosen ? 'bg-plate' : ''} ${i > 0 ? 'border-l-[1.5px] border-edge' : ''}`}
          >
            {mark && <StatusIcon kind={mark} size={20} />}
            <Text
              as={tight ? 'small' : 'strong'}
              className={
                chosen
                  ? 'font-wordbold underline decoration-accent decoration-2 underline-offset-4'
                  : 'text-soft'
              }
            >
              {PAGE_NAMES[page]}
            </Text>
          </GoTo>
        );
      })}
    </View>
  );
}
