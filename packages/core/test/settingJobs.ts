import type { JobContent } from '../src/model/collections.ts';
import { JobIndex } from '../src/job/jobIndex.ts';
import { sheetOf } from '../src/setting/sheet.ts';
import type { Sheet, SheetLine } from '../src/setting/sheet.ts';
import { after, bareJob, withModule, withPoint } from './jobs.ts';
import type { TestPoint } from './jobs.ts';

/** A flow meter with its name-plate on an analog input; the range in m³/h. */
export function meterJob(
  typeId = 'flow-magnetic',
  plate: Record<string, string> = { size: '80', factor: '1.0214', medium: 'sea' },
  more: Partial<TestPoint> = {},
): JobContent {
  const job = withPoint(withModule(bareJob(), 'm', 'ai4-switch', ['-', '-', '-', '-']), {
    tag: 'FT-1',
    typeId,
    output: 'none',
    logic: 'none',
    range: { low: 0, high: 40, unit: 'm³/h' },
    ...more,
  });
  return after(job, { kind: 'setPlate', pointId: 'ft-1', plate });
}

/** A flow meter whose pulses go to a counter. */
export const pulseJob = (high = 40, filter = '1000'): JobContent =>
  after(
    withPoint(withModule(bareJob(), 'm', 'counter2', ['-']), {
      tag: 'FT-1',
      typeId: 'flow-pulse-passive',
      output: 'contact',
      logic: 'no',
      range: { low: 0, high, unit: 'm³/h' },
    }),
    { kind: 'editModule', id: 'm', patch: { settings: { 'C1.filter': filter } } },
  );

export const sheetIn = (job: JobContent, itemId = 'ft-1-b'): Sheet => sheetOf(new JobIndex(job), itemId);

/** A line of a sheet by its key. */
export function lineIn(job: JobContent, key: string, itemId = 'ft-1-b'): SheetLine {
  const line = sheetIn(job, itemId).lines.find(({ parameter }) => parameter.key === key);
  if (!line) throw new Error(`no line "${key}"`);
  return line;
}

let entries = 0;

/** The job after somebody saw or set values of a part. */
export const entered = (
  job: JobContent,
  side: 'found' | 'left',
  values: Record<string, string>,
  itemId = 'ft-1-b',
): JobContent =>
  after(job, { kind: 'enter', entries: [{ id: `e${entries++}`, itemId, side, how: 'typed', values }] });

/** The job after everything that its sheet requires was set, in its order. */
export function allSet(job: JobContent, itemId = 'ft-1-b'): JobContent {
  return sheetIn(job, itemId).lines.reduce(
    (next, { parameter, required }) =>
      required ? entered(next, 'left', { [parameter.key]: required.value }, itemId) : next,
    job,
  );
}

/** A unit of a serial line as a plan has it: the device of `px-1`, at the far end. */
export const serialUnit = (more: Record<string, unknown> = {}) => ({
  id: 'b',
  tag: 'B',
  itemId: 'px-1-b',
  unit: 3,
  baud: 19200,
  parity: 'even',
  stopBits: 1,
  plusName: 'A',
  terminated: true,
  unitLoad: 1,
  fromLastM: 30,
  ...more,
});
