import { sure } from '../lists/index.ts';
import { after, jobWith, withHelper, withWires } from '../../test/jobs.ts';
import { moved } from '../../test/safetyJobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { landSteps } from '../presentation/index.ts';
import { judge, statusIn } from './index.ts';

/** A sensor that is led over a strip to its input and its supply. */
function overStrip() {
  let job = jobWith('di8-both-8', ['-'], { tag: 'PX-1' });
  job = withHelper(job, 'px-1', { id: 'x1', typeId: 'terminal-strip-5' }, []);
  for (const [lead, terminal] of [
    ['BN', '1'],
    ['BU', '2'],
    ['BK', '3'],
  ] as const)
    job = moved(job, `px-1-b:${lead}`, `x1:${terminal}`);
  return withWires(job, ['x1:1', 'g1:+'], ['x1:2', 'g1:-'], ['x1:3', 'm:I0']);
}

test('a sensor works over a strip, and its steps name the strip', () => {
  const analysis = analyse(new JobIndex(overStrip()), 'px-1');
  expect(judge(analysis).status).toBe('works');
  expect(
    landSteps(analysis)
      .map(({ title }) => said(title))
      .join(),
  ).toMatch(/X1/);
});

test('a jumper to the wrong terminal of a strip is seen, one that doubles a joint does no harm', () => {
  expect(statusIn(withWires(overStrip(), ['x1:3', 'x1:1']), 'px-1')).toBe('cannot');
  expect(statusIn(withWires(overStrip(), ['x1:3', 'x1:4']), 'px-1')).toBe('works');
});

test('several wires meet in a splice', () => {
  let job = jobWith('di8-both-8', ['-'], { tag: 'PX-1' }, { tag: 'PX-2', at: ['m', 1] });
  job = withHelper(job, 'px-1', { id: 'sp', typeId: 'splice' }, []);
  job = moved(moved(job, 'px-1-b:BN', 'sp:1'), 'px-2-b:BN', 'sp:1');
  expect(statusIn(job, 'px-1')).not.toBe('works');
  const fed = withWires(job, ['sp:1', 'g1:+']);
  expect(['px-1', 'px-2'].map((id) => statusIn(fed, id))).toEqual(['works', 'works']);
  const cut = sure(fed.wires.at(-1));
  expect(statusIn(after(fed, { kind: 'removeWire', wireId: cut.id }), 'px-2')).not.toBe('works');
});
