import { makeRound, roundOfCode, dictionaryOf } from '@keypost/core/fault';
import { analyse } from '@keypost/core/analysis';
import { JobIndex } from '@keypost/core/job';
import { smallJob } from '../../test/openPoint';
import { pressureJob } from '../../test/pressureJob';
import { newRound, searchable } from './rounds';

test('a new round is of a point in which something can be hidden, and its code says all of it', () => {
  const job = pressureJob();
  const tags = job.points.map(({ tag }) => tag);
  expect(searchable(job).map(({ tag }) => tag)).toContain('PT-1');
  for (const pointId of [undefined, 'pt'])
    for (let i = 0; i < 20; i++) {
      const key = roundOfCode(newRound(job, { level: 'usual', sort: undefined, pointId }), tags);
      if (key === 'older') throw new Error('made older than it is');
      const point = key && job.points[key.point];
      expect(searchable(job)).toContainEqual(point);
      if (pointId) expect(point?.id).toBe(pointId);
    }
});

test('something is hidden of a value as of a switch', () => {
  for (const [job, id] of [
    [smallJob(), 'p'],
    [pressureJob(), 'pt'],
  ] as const) {
    const analysis = analyse(new JobIndex(job), id);
    const round = makeRound(analysis, dictionaryOf(analysis), {
      level: 'hard',
      sort: undefined,
      point: 0,
      seed: 4,
    });
    expect(round?.faults).toHaveLength(1);
  }
});
