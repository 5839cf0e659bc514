import { applyChange } from '@keypost/core/job';
import type { Change } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { smallJob } from './openPoint';

const ACTOR = { by: 'TT', at: '2026-01-01T00:00:00.000Z' };

/** A pressure transmitter of 0 to 6 bar on an analog input, as `pt`, after some changes. */
export const pressureJob = (...more: Change[]): JobContent =>
  (
    [
      {
        kind: 'addModule',
        module: { id: 'ai', tag: 'AI 1', typeId: 'ai4-switch', firstByte: 10 },
        commons: ['-', '-', '-', '-'],
      },
      {
        kind: 'addPoint',
        point: {
          id: 'pt',
          tag: 'PT-1',
          name: 'Main',
          deviceId: 'd-pt',
          bit: 'direct',
          range: { low: 0, high: 6, unit: 'bar' },
        },
        device: { id: 'd-pt', tag: 'PT-1', typeId: 'pressure-2w' },
        place: { moduleId: 'ai', channel: 0 },
      },
      ...more,
    ] as Change[]
  ).reduce((job, change) => applyChange(job, change, ACTOR), smallJob());
