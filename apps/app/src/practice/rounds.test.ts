import { dictionaryOf, hasDictionary, makeRound, roundOfCode } from '@keypost/core/fault';
import { analyse } from '@keypost/core/analysis';
import { JobIndex } from '@keypost/core/job';
import { nth } from '@keypost/core/lists';
import { FAMILIES } from '../../../../packages/core/test/families';
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

test('something is hidden in each family that can be searched, guards among them', () => {
  for (const [name, make] of Object.entries(FAMILIES)) {
    const job = make();
    const analysis = analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal');
    const isSearched = searchable(job).some(({ id }) => id === nth(job.points, 0).id);
    if (analysis.context.output.drivenBy === 'guard') expect([name, isSearched]).toEqual([name, true]);
    if (isSearched) expect([name, hasDictionary(analysis)]).toEqual([name, true]);
  }
});
