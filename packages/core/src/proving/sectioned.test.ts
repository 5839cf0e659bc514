import { analyse } from '../analysis/index.ts';
import { applyChange, JobIndex, NOBODY } from '../job/index.ts';
import { nth } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { sectionsOf } from '../network/index.ts';
import { mixedJob } from '../../../../bench/mixedJob.ts';
import { FAMILIES } from '../../test/families.ts';
import { progressOf } from './progress.ts';
import { BySection } from './sectioned.ts';

const job = mixedJob(120);

describe('sections of a job', () => {
  test('hold each point once, with all that it names, in the order of the job', () => {
    const sections = sectionsOf(job);
    expect(sections.length).toBeGreaterThan(8);
    expect(
      sections
        .flatMap(({ points }) => points)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(job.points.map(({ id }) => id).sort());
    for (const section of sections) {
      const ids = new Set([...section.devices, ...section.modules, ...section.supplies].map(({ id }) => id));
      for (const { from, to } of section.wires)
        for (const ref of [from, to]) expect(ids.has(nth(ref.split(':'), 0))).toBe(true);
    }
  });

  test('a wire that joins rails anywhere is in the section of every point', () => {
    const shorted = {
      ...job,
      wires: [...job.wires, { ...nth(job.wires, 0), id: 'x', from: 'g1:+', to: 'g1:-' }],
    };
    expect(sectionsOf(shorted)).toEqual([shorted]);
  });
});

const WHOLE: readonly (readonly [string, () => JobContent])[] = [
  ['all families side by side', () => job],
  ...Object.entries(FAMILIES),
];

test.each(WHOLE)(
  'what is worked out of a point in its section is what the whole job gives: %s',
  (_, make) => {
    const whole = make();
    const index = new JobIndex(whole);
    const bySection = new BySection((own, id) => progressOf(own.job, analyse(own, id))).of(whole);
    for (const { id } of whole.points) expect(bySection(id)).toEqual(progressOf(whole, analyse(index, id)));
  },
);

test('after a change only the points of its section are worked out anew', () => {
  const asked: string[] = [];
  const work = new BySection((_, id) => void asked.push(id));
  const askAll = (of: typeof job): string[] => {
    asked.length = 0;
    const one = work.of(of);
    of.points.forEach(({ id }) => one(id));
    return [...asked];
  };
  expect(askAll(job)).toHaveLength(120);
  expect(askAll(structuredClone(job))).toEqual([]);
  const { id } = nth(job.points, 3);
  const renamed = applyChange(job, { kind: 'editPoint', id, patch: { name: 'Other' } }, NOBODY);
  const anew = askAll(renamed);
  expect(anew).toContain(id);
  expect(anew.length).toBeLessThanOrEqual(16);
  // What all have in common reaches all.
  expect(askAll({ ...renamed, colours: renamed.colours === 'iec' ? 'japan' : 'iec' })).toHaveLength(120);
  expect(askAll(job)).toEqual([]);
});
