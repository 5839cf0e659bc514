import type { JobView } from '@keypost/api';
import { sheetOf, stepsTo } from '@keypost/core';
import type { JobIndex, Sheet } from '@keypost/core';
import { useMemo } from 'react';
import { OneDevice } from '../set/DevicePlate';

/** What the master keeps of itself: its own lengths follow from the device and are not sent. */
const TOLD = ['mode', 'validation', 'vendor', 'device', 'backup', 'cycle'];

/** Reading a master's port configuration, and sending it what differs. */
export function MasterTalk({ view, index, moduleId }: { view: JobView; index: JobIndex; moduleId: string }) {
  const sheet = useMemo<Sheet>(() => {
    const whole = sheetOf(index, moduleId);
    return {
      ...whole,
      lines: whole.lines.filter(({ parameter }) => TOLD.includes(parameter.key.split('.')[1] ?? '')),
    };
  }, [index, moduleId]);
  return (
    <OneDevice
      view={view}
      sheet={sheet}
      way={index.module(moduleId)!.link!}
      open={stepsTo(sheet.lines).length}
    />
  );
}
