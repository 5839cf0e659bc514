import { MODULE_TYPES } from '@keypost/core';
import { Plus } from '../ui/icons';
import { useState } from 'react';
import { View } from 'react-native';
import { useIndex, useJob } from '../data/jobs';
import { Loaded } from '../data/Loaded';
import { useJobId } from '../job/useJobId';
import { Button } from '../ui/Button';
import { useTokens } from '../ui/look';
import { PageHead, Screen } from '../ui/Screen';
import { useWide } from '../ui/useWide';
import { Words } from '../ui/Words';
import { useProgress } from '../workers/useProgress';
import { ModuleForm } from './ModuleForm';
import { ModulePlate } from './ModulePlate';
import { SupplyPlate } from './SupplyPlate';

/** The panel: supply, modules, their groups with what each common sits on, and what is on each channel. */
export function PanelScreen() {
  const jobId = useJobId();
  const job = useJob(jobId);
  const index = useIndex(job.data);
  const progress = useProgress(job.data?.content);
  const wide = useWide();
  const { ink } = useTokens();
  const [adding, setAdding] = useState(false);
  const [editing, setEditing] = useState<string>();
  return (
    <Screen head={<PageHead title="Panel" over={job.data?.content.name ?? ''} />}>
      <Loaded data={job.data} error={job.error} retry={() => void job.mutate()} what="the panel">
        {(view) => (
          <View className={wide ? 'max-w-[1400px] gap-4' : 'gap-4'}>
            <SupplyPlate view={view} />
            {view.content.modules.length === 0 && !adding && (
              <Words as="soft">{`No module yet. Add the first; ${MODULE_TYPES.length} kinds are in the catalog.`}</Words>
            )}
            <View className={wide ? 'flex-row flex-wrap gap-4' : 'gap-4'}>
              {view.content.modules.map((module) => (
                <View key={module.id} className={wide ? 'min-w-[360px] flex-1' : ''}>
                  {editing === module.id ? (
                    <ModuleForm view={view} module={module} onDone={() => setEditing(undefined)} />
                  ) : (
                    <ModulePlate
                      view={view}
                      index={index!}
                      module={module}
                      progress={progress}
                      onEdit={() => setEditing(module.id)}
                    />
                  )}
                </View>
              ))}
            </View>
            {adding ? (
              <ModuleForm view={view} onDone={() => setAdding(false)} />
            ) : (
              <Button
                label="Add a module"
                icon={<Plus size={20} color={ink} />}
                onPress={() => setAdding(true)}
              />
            )}
          </View>
        )}
      </Loaded>
    </Screen>
  );
}
