import type { PointProgress, Stage } from '@keypost/core/proving';
import { useRouter } from 'expo-router';
import { Pressable, View } from 'react-native';
import { Mark } from '../ui/Mark';
import { useWide } from '../ui/useWide';
import { Words } from '../ui/Words';
import { STAGE_NAMES } from './stageNames';

export type Page = Stage | 'log';

const NAMES: Record<Page, string> = { ...STAGE_NAMES, log: 'Log' };

/** The stages of a point that apply, and its log. */
export function StageStrip({ base, here, progress }: { base: string; here: Page; progress: PointProgress }) {
  const router = useRouter();
  const wide = useWide();
  const pages: { page: Page; path: string }[] = [
    ...progress.stages.map(({ stage }) => ({
      page: stage,
      path: stage === 'land' ? base : `${base}/${stage}`,
    })),
    { page: 'log', path: `${base}/log` },
  ];
  const tight = pages.length > 3 && !wide;
  return (
    <View role="tablist" className="flex-row overflow-hidden rounded-plate border-fine border-edge">
      {pages.map(({ page, path }, i) => {
        const mark = progress.stages.find(({ stage }) => stage === page)?.mark;
        const chosen = page === here;
        return (
          <Pressable
            key={page}
            role="tab"
            aria-selected={chosen}
            aria-label={NAMES[page]}
            onPress={() => router.navigate(path as never)}
            className={`min-h-[50px] flex-1 items-center justify-center ${tight ? 'gap-0.5 py-1' : 'flex-row gap-2'} ${chosen ? 'bg-plate' : ''} ${i > 0 ? 'border-l-[1.5px] border-edge' : ''}`}
          >
            {mark && <Mark kind={mark} size={20} />}
            <Words
              as={tight ? 'small' : 'strong'}
              className={
                chosen
                  ? 'font-wordbold underline decoration-accent decoration-2 underline-offset-4'
                  : 'text-soft'
              }
            >
              {NAMES[page]}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}
