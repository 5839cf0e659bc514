import { sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import { MODULE_TYPES } from '@keypost/core/catalog';
import type { JobIndex } from '@keypost/core/job';
import { Plus } from '../ui/icons';
import { Move } from '../ui/laterIcons';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../data/jobs';
import { useIndex } from '../data/useIndex';
import { Loaded } from '../data/Loaded';
import { PanelFindings } from '../job/PanelFindings';
import { useJobId } from '../job/useJobId';
import { MoreRow } from '../ui/MoreRow';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/theme';
import { Card } from '../ui/Card';
import { PageHead, Screen } from '../ui/Screen';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { useProgress } from '../workers/useProgress';
import { ModuleForm } from './ModuleForm';
import { ModuleCard } from './ModuleCard';
import { MoveDock } from './MoveDock';
import { SupplyCard } from './SupplyCard';
import { useMoving } from './useMoving';
import type { Moving } from './useMoving';

/** The panel: supplies, modules, their groups with what each common sits on, and what is on each channel. */
export function PanelScreen() {
  const jobId = useJobId();
  const job = useJob(jobId);
  const index = useIndex(job.data);
  const moving = useMoving(job.data, index);
  return (
    <Screen
      head={<PageHead title="Panel" over={job.data?.content.name ?? ''} />}
      dock={moving.on && job.data && <MoveDock view={job.data} index={sure(index)} moving={moving} />}
    >
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the panel">
        {(view) => <Panel view={view} index={sure(index)} moving={moving} />}
      </Loaded>
    </Screen>
  );
}

function Panel({ view, index, moving }: { view: JobView; index: JobIndex; moving: Moving }) {
  const progress = useProgress(view);
  const wide = useWide();
  const { ink } = useTokens();
  const [adding, setAdding] = useState(false);
  const [editing, setEditing] = useState<string>();
  const { modules, points } = view.content;
  return (
    <View className={wide ? 'max-w-[1400px] gap-4' : 'gap-4'}>
      <PanelFindings jobId={view.id} />
      <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
        <View className={wide ? 'flex-1' : ''}>
          <SupplyCard view={view} />
        </View>
        <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
          <PanelLinks view={view} />
          {points.length > 0 && !moving.on && (
            <Button label="Move a device" icon={<Move size={20} color={ink} />} onPress={moving.begin} />
          )}
        </View>
      </View>
      {modules.length === 0 && !adding && (
        <Text as="soft">{`No module yet. Add the first; ${MODULE_TYPES.length} kinds are in the catalog.`}</Text>
      )}
      <View className={wide ? 'flex-row flex-wrap gap-4' : 'gap-4'}>
        {modules.map((module) => (
          <View key={module.id} className={wide ? 'min-w-[380px] flex-1' : ''}>
            {editing === module.id ? (
              <ModuleForm view={view} module={module} onDone={() => setEditing(undefined)} />
            ) : (
              <ModuleCard
                view={view}
                index={index}
                module={module}
                progress={progress}
                moving={moving}
                onEdit={() => setEditing(module.id)}
              />
            )}
          </View>
        ))}
      </View>
      {adding ? (
        <ModuleForm view={view} onDone={() => setAdding(false)} />
      ) : (
        <Button label="Add a module" icon={<Plus size={20} color={ink} />} onPress={() => setAdding(true)} />
      )}
    </View>
  );
}

function PanelLinks({ view: { id, content } }: { view: JobView }) {
  const base = `/job/${id}` as const;
  const other = content.wires.filter(({ asFound }) => asFound).length;
  return (
    <Card title="Work on the whole panel">
      <MoreRow
        first
        to={`${base}/allocate`}
        label="Allocate channels"
        hint="every device on a channel, with the fewest modules"
      />
      <MoreRow
        first={false}
        to={`${base}/wires`}
        label="Wire list and terminal sheet"
        hint={
          other
            ? `${content.wires.length} wires, ${other} other than planned`
            : `${content.wires.length} wires`
        }
        loud={other > 0}
      />
      <MoreRow
        first={false}
        to={`${base}/buses`}
        label="IO-Link, lines and network"
        hint="port plans, description files, addresses, live values"
      />
    </Card>
  );
}
