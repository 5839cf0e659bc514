import { fieldbusJob, inputs } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { meterJob } from '../../test/settingJobs.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import type { JobContent } from '../model/index.ts';
import { besideRules } from './besideRules.ts';

const idsOf = (job: JobContent, pointId: string) =>
  besideRules(analyse(new JobIndex(job), pointId)).map(({ id }) => id);

test('a flow meter on a current input: its cut-off, an alarm that looks like zero', () => {
  expect(idsOf(meterJob(), 'ft-1')).toEqual(expect.arrayContaining(['cut-off', 'alarm-as-zero']));
  const [first] = besideRules(analyse(new JobIndex(meterJob()), 'ft-1'));
  expect(first && said(first.confirm)).toMatch(/^fault\.confirm-cut-off below=/);
});

test('a unit on a line: two with one address; a plain sensor: nothing beside its circuit', () => {
  const line = fieldbusJob('serial-unit', 'serial-master', 0, { terminator: 'on' });
  expect(idsOf(line, 'px-1')).toContain('double-address');
  expect(idsOf(withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' }), 'px-1')).toEqual([]);
});
