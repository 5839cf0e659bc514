import { nth, sure } from '../lists/index.ts';
import { FAMILIES, outputJob } from '../../test/families.ts';
import { withWires } from '../../test/jobs.ts';
import { analyse } from '../analysis/analysis.ts';
import { readMeter } from '../analysis/readings.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { verdictOf } from './verdict.ts';

const LED = 'lamp-led-24';

test('a lamp’s own resistor takes the rest of its volts, but what is told stands on its terminals', () => {
  const analysis = analyse(new JobIndex(outputJob('do8-high', 0, LED)), 'px-1');
  const meter = readMeter(analysis.present, 'px-1-b:+', 'px-1-b:-').volts.nom;
  expect(verdictOf(analysis).sentence).toMatchObject({
    code: 'verdict.works.load',
    values: { volts: expect.closeTo(meter, 3) },
  });
  expect(meter).toBeGreaterThan(23);
});

test('a lamp the wrong way round stays off, with all the volts that a meter finds on it', () => {
  const right = outputJob('do8-high', 0, LED);
  const ends = ['px-1-b:+', 'px-1-b:-'].map((end) =>
    sure(right.wires.find(({ from, to }) => from === end || to === end)),
  );
  const other = (i: number): string =>
    nth(ends, i).from.startsWith('px-1-b') ? nth(ends, i).to : nth(ends, i).from;
  const bare = { ...right, wires: right.wires.filter((wire) => !ends.includes(wire)) };
  const turned = withWires(bare, ['px-1-b:+', other(1)], ['px-1-b:-', other(0)]);
  const analysis = analyse(new JobIndex(turned), 'px-1');
  const meter = readMeter(analysis.present, 'px-1-b:+', 'px-1-b:-').volts.nom;
  // What an output that is off lets through is so little that the meter itself takes some tenths of a volt.
  const reason = verdictOf(analysis).reasons.find(({ code }) => code === 'duty-unmet');
  expect(reason?.sentence).toMatchObject({ values: { volts: expect.closeTo(meter, 0) } });
  expect(meter).toBeLessThan(-20);
});

test.each(Object.entries(FAMILIES))('%s: what is across its loads is what a meter reads', (_, job) => {
  for (const state of analyse(new JobIndex(job()), 'px-1').shown)
    for (const { expected, across } of state.loads) {
      const element = sure(state.netlist.elements.find(({ id }) => id === expected.id));
      if (element.kind !== 'detector') throw new Error(`${expected.id} is no detector`);
      const { a, b } = element.outside ?? element;
      expect(across.nom).toBeCloseTo(readMeter(state, a, b).volts.nom, 2);
    }
});
