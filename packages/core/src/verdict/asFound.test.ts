import { nth, sure } from '../lists/index.ts';
import { textOf } from '../messages/index.ts';
import { said } from '../../test/said.ts';
import { partTypesOf, supplyTerminals } from '../catalog/partTypes.ts';
import fc from 'fast-check';
import { FAMILIES } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';

import type { JobContent } from '../model/collections.ts';
import type { AsFound } from '../model/job.ts';
import { COLOURS } from '../model/job.ts';
import { analyse } from '../analysis/analysis.ts';
import { judge } from './judge.ts';
import { ownWires, planDifferences, refText } from '../job/asFound.ts';
import { JobIndex } from '../job/jobIndex.ts';
import { loopView } from '../presentation/view/loopView.ts';

/** Every terminal of a job. */
const terminalsOf = (job: JobContent): string[] => [
  ...job.supplies.flatMap((supply) => supplyTerminals(supply).map((name) => `${supply.id}:${name}`)),
  ...job.modules.flatMap((row) =>
    partTypesOf(job)
      .module(row)
      .terminals.map(({ name }) => `${row.id}:${name}`),
  ),
  ...job.devices.flatMap((row) =>
    partTypesOf(job)
      .device(row)
      .terminals.map(({ name }) => `${row.id}:${name}`),
  ),
];

const families = Object.keys(FAMILIES);
const made = new Map(families.map((name) => [name, sure(FAMILIES[name])()]));

/** A family’s job with one of the point’s wires found somewhere or in some colour, or not found. */
const found = fc
  .record({
    family: fc.constantFrom(...families),
    wire: fc.nat(),
    terminal: fc.nat(),
    end: fc.constantFrom('from', 'to', 'missing', 'colour'),
    colour: fc.constantFrom(...COLOURS),
  })
  .map(({ family, wire, terminal, end, colour }) => {
    const job = sure(made.get(family));
    const index = new JobIndex(job);
    const own = ownWires(index, index.point('px-1'));
    const picked = nth(own, wire % own.length);
    const refs = terminalsOf(job).filter((ref) => ref !== picked.from && ref !== picked.to);
    const ref = nth(refs, terminal % refs.length);
    const asFound: AsFound =
      end === 'missing' ? { missing: true } : end === 'colour' ? { colour } : { [end]: ref };
    return { family, job, picked, asFound };
  });

test('whatever is found of one wire, the circuit is solved, told and drawn, and the plan brings it back', () => {
  fc.assert(
    fc.property(found, ({ job, picked, asFound }) => {
      const other = after(job, { kind: 'landWire', wireId: picked.id, asFound });
      const index = new JobIndex(other);
      const analysis = analyse(index, 'px-1', 'nominal');
      const { status, sentence } = judge(analysis);
      expect(['works', 'doubtful', 'cannot', 'open']).toContain(status);
      expect(said(sentence).length).toBeGreaterThan(10);
      for (const state of [...analysis.shown, ...analysis.staged]) {
        expect(Number.isFinite(state.signalVolts)).toBe(true);
        expect(said(loopView(analysis.context, state).summary)).not.toBe('');
      }
      expect(after(other, { kind: 'landWire', wireId: picked.id, asFound: null })).toEqual(job);
    }),
    { numRuns: 250, seed: 20261125 },
  );
});

test('what differs is listed once, with what it is and how it goes back', () => {
  fc.assert(
    fc.property(found, ({ job, picked, asFound }) => {
      const other = after(job, { kind: 'landWire', wireId: picked.id, asFound });
      const index = new JobIndex(other);
      const differences = planDifferences(index, ownWires(index, index.point('px-1')));
      const same = 'colour' in asFound && asFound.colour === picked.colour;
      expect(differences.map(({ wire }) => wire.id)).toEqual(same ? [] : [picked.id]);
      for (const { sentence, remedy } of differences) {
        expect(said(sentence)).toContain(picked.number);
        expect(said(remedy)).toContain(picked.number);
        if (asFound.missing) expect(said(sentence)).toMatch('job.wire-missing');
        for (const ref of [asFound.from, asFound.to])
          if (ref) expect(textOf(sentence)).toContain(`${refText(index, ref)} instead of`);
      }
    }),
    { numRuns: 250, seed: 20261125 },
  );
});

test('a wire’s colour alone changes nothing in the circuit', () => {
  fc.assert(
    fc.property(found, fc.constantFrom(...COLOURS), ({ job, picked }, colour) => {
      const painted = after(job, { kind: 'landWire', wireId: picked.id, asFound: { colour } });
      expect(judge(analyse(new JobIndex(painted), 'px-1')).status).toBe('works');
    }),
    { numRuns: 40, seed: 7 },
  );
});

test('rails are called by their volts, and by their supply where there are several', () => {
  const job = sure(made.get('interposing relay'));
  const index = new JobIndex(job);
  expect([refText(index, 'g1:+'), refText(index, 'mains:N'), refText(index, 'm:I0')]).toEqual([
    '+24\u00a0V',
    'N',
    'M channel 0',
  ]);
  const second = after(job, { kind: 'addSupply', supply: { ...nth(job.supplies, 0), id: 'g2', tag: 'G2' } });
  expect(refText(new JobIndex(second), 'g1:-')).toBe('G1 0\u00a0V');
});
