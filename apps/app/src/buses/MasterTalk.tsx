import { sure } from '@keypost/core/lists';
import type { JobView } from '@keypost/api';
import { sheetOf, spokenSheet, stepsTo } from '@keypost/core/setting';
import type { JobIndex } from '@keypost/core/job';
import { useMemo } from 'react';
import { OneDevice } from '../set/DeviceCard';

/** Reading a master's port configuration, and sending it what differs. */
export function MasterTalk({ view, index, moduleId }: { view: JobView; index: JobIndex; moduleId: string }) {
  const sheet = useMemo(() => spokenSheet(index, sheetOf(index, moduleId)), [index, moduleId]);
  return (
    <OneDevice
      view={view}
      sheet={sheet}
      way={sure(sure(index.module(moduleId)).link)}
      open={stepsTo(sheet.lines).length}
    />
  );
}
