import { applyChange, JobIndex, NOBODY } from '../job/index.ts';
import { nth } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { sectionsOf } from '../network/index.ts';
import { mixedJob } from '../../../../bench/mixedJob.ts';
import { FAMILIES } from '../../test/families.ts';
import { renamed } from '../../test/renamed.ts';
import { checkPoint } from './checkJob.ts';
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

test.each(WHOLE)('what is checked of a point in its section is what the whole job gives: %s', (_, make) => {
  const sections = new BySection(checkPoint);
  const job = make();
  // The second and third are worked out by the first, or by each other, where they differ in names alone.
  for (const whole of [job, renamed(job, 1, 'kept'), renamed(job, 2, 'any')]) {
    const index = new JobIndex(whole);
    const bySection = sections.of(whole);
    for (const { id } of whole.points) expect(bySection(id)).toEqual(checkPoint(index, id));
  }
});

const asked: string[] = [];
const work = new BySection((_, id) => void asked.push(id));
const askAll = (of: JobContent): string[] => {
  asked.length = 0;
  const one = work.of(of);
  of.points.forEach(({ id }) => one(id));
  return [...asked];
};

test('sections that differ in names alone are worked out once', () => {
  const once = askAll(job).length;
  expect(once).toBeGreaterThan(60);
  expect(once).toBeLessThan(110);
  expect(askAll(renamed(job, 3, 'kept'))).toEqual([]);
  // A name in which somebody typed what would stand for one.
  const typed = { ...job, name: 'Job \ue001' };
  expect(askAll(typed)).toEqual(job.points.map(({ id }) => id));
});

test('after a change only the points of its section are worked out anew', () => {
  const known = (): JobContent => structuredClone(job);
  askAll(known());
  expect(askAll(known())).toEqual([]);
  const { id } = nth(job.points, 3);
  const inverted = applyChange(job, { kind: 'editPoint', id, patch: { bit: 'inverted' } }, NOBODY);
  const anew = askAll(inverted);
  expect(anew.length).toBeGreaterThan(0);
  expect(anew.length).toBeLessThanOrEqual(16);
  // What all have in common reaches all.
  const recoloured = { ...inverted, colours: inverted.colours === 'iec' ? 'japan' : 'iec' } as const;
  expect(askAll(recoloured).length).toBeGreaterThan(60);
  expect(askAll(job)).toEqual([]);
});
