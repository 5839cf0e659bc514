import { sure } from '../lists/index.ts';
import { said } from '../../test/said.ts';
import { guardJob, relayJob } from '../../test/families.ts';
import { after } from '../../test/jobs.ts';
import { terminalSheet } from './terminalSheet.ts';

const partOf = (job: Parameters<typeof terminalSheet>[0], tag: string) =>
  sure(terminalSheet(job).find((part) => part.tag === tag));

test('every end of every wire stands at its terminal', () => {
  const job = relayJob();
  const ends = terminalSheet(job).flatMap(({ terminals }) => terminals.flatMap(({ wires }) => wires));
  expect(ends).toHaveLength(2 * job.wires.length);
  const a1 = sure(partOf(job, 'K1').terminals.find(({ name }) => name === 'A1'));
  expect(a1).toMatchObject({ printed: '13', words: 'coil', wires: [{ to: 'PX-1 BK' }] });
});

test('a wire stands where it was found, and a missing one nowhere', () => {
  const job = relayJob();
  const coil = sure(job.wires.find(({ from }) => from === 'k1:A1'));
  const moved = after(job, { kind: 'landWire', wireId: coil.id, asFound: { from: 'k1:22' } });
  const wiresAt = (name: string) => sure(partOf(moved, 'K1').terminals.find((t) => t.name === name)).wires;
  expect([wiresAt('A1').length, wiresAt('22').length]).toEqual([0, 1]);
  const gone = after(job, { kind: 'landWire', wireId: coil.id, asFound: { missing: true } });
  expect(partOf(gone, 'K1').terminals.flatMap(({ wires }) => wires)).toHaveLength(
    partOf(job, 'K1').terminals.flatMap(({ wires }) => wires).length - 1,
  );
});

test('stacked terminals say their row and level', () => {
  const rows = partOf(guardJob(), 'S').terminals.map(({ words }) => words);
  expect(rows.map(said)).toContain('text.list parts=supply plus+(planning.row row=top level=front)');
});
