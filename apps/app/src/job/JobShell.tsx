import { Slot, usePathname } from 'expo-router';
import { Layers, List, ScrollText, Settings2 } from '../ui/icons';
import type { JobView } from '@keypost/api';
import type { ComponentType, ReactNode } from 'react';
import { View } from 'react-native';
import { useFollowing, useJob } from '../data/jobs';
import { useJobId } from './useJobId';
import { showUnitsOf } from '../ui/shownUnits';
import { useTokens } from '../ui/theme';
import { typeNumbersIn } from '../ui/typedNumbers';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { GoTo } from '../ui/GoTo';
import { Main } from '../ui/Main';

const DESTINATIONS = [
  { name: 'Board', path: '', icon: List },
  { name: 'Panel', path: '/panel', icon: Layers },
  { name: 'Log', path: '/log', icon: ScrollText },
  { name: 'Job', path: '/about', icon: Settings2 },
] as const;

/** Pages to which the panel leads. */
const UNDER_PANEL = ['/supplies', '/wires', '/allocate', '/buses', '/live', '/ports', '/plan'];

/** Pages to which the job's own leads. */
const UNDER_JOB = ['/kinds', '/labels'];

/**
 * The frame of a job: its destinations below on a phone, at the side where there is room.
 * @param foot stands under every page.
 * @param damage tells what of the job cannot be read.
 */
export function JobShell({
  foot,
  damage: Damage,
}: {
  foot?: ReactNode;
  damage: ComponentType<{ view: JobView }>;
}) {
  const jobId = useJobId();
  useFollowing(jobId);
  // Before what is below reads its drafts.
  const { data: view } = useJob(jobId);
  typeNumbersIn(view?.content.numbers);
  showUnitsOf(view?.content.units);
  const wide = useWide();
  return (
    <View className={`h-full flex-1 bg-bone ${wide ? 'flex-row-reverse' : ''}`}>
      <View className="min-h-0 flex-1">
        {view && view.damaged.length > 0 && <Damage view={view} />}
        <Main>
          <Slot />
        </Main>
        {foot}
      </View>
      <Destinations wide={wide} />
    </View>
  );
}

function Destinations({ wide }: { wide: boolean }) {
  const jobId = useJobId();
  const path = usePathname();
  const { ink, soft } = useTokens();
  const base = `/job/${jobId}` as const;
  const rest = path.slice(base.length);
  const here = UNDER_PANEL.some((p) => rest === p || rest.startsWith(`${p}/`))
    ? '/panel'
    : UNDER_JOB.includes(rest)
      ? '/about'
      : (['/panel', '/log', '/about'].find((p) => rest === p) ?? '');
  return (
    <View
      role="navigation"
      aria-label="Parts of the job"
      className={`border-edge bg-plate ${wide ? 'w-[76px] border-r-[1.5px] pt-3' : 'flex-row border-t-[1.5px]'}`}
    >
      {DESTINATIONS.map(({ name, path: to, icon: Icon }) => {
        const chosen = here === to;
        return (
          <GoTo
            key={name}
            label={name}
            here={chosen}
            to={`${base}${to}` as const}
            className={`min-h-[60px] items-center justify-center gap-0.5 ${wide ? 'border-l-[4px]' : 'flex-1 border-t-[4px]'} ${chosen ? 'border-accent' : 'border-transparent'}`}
          >
            <Icon size={24} color={chosen ? ink : soft} strokeWidth={chosen ? 2.4 : 2} />
            <Text as="small" className={chosen ? 'font-wordbold text-ink' : ''}>
              {name}
            </Text>
          </GoTo>
        );
      })}
    </View>
  );
}
