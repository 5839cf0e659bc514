import { FAMILIES } from '../../test/families.ts';
import { analyse } from '../analysis/index.ts';
import type { Netlist } from '../circuit/index.ts';
import { JobIndex } from '../job/index.ts';
import { sure } from '../lists/index.ts';
import { netsOf } from './pointFault.ts';
import { subjectIn, subjectOf } from './subject.ts';

/** What a circuit is made of, whatever was on before. */
const made = (netlist: Netlist | undefined): unknown => netlist && [netlist.reference, netlist.elements];

describe.each(Object.entries(FAMILIES))('%s', (_, make) => {
  test('is looked at in another job as it would be solved there, in every state', () => {
    const job = make();
    for (const { id } of job.points) {
      const analysis = analyse(new JobIndex(job), id, 'nominal');
      const { as, nets } = sure(subjectIn(job, id));
      const solved = netsOf(analysis);
      for (const state of ['away', 'present', 'pressed'] as const)
        expect([state, made(nets[state])]).toEqual([state, made(solved[state])]);
      // The solved point reads its inputs and loads by a way of its own.
      const { inputs, loads } = analysis.present;
      const input = inputs[0]?.own;
      const ids = (listeners: typeof as.listeners) => listeners.map(({ id: of, on }) => [of, on]);
      for (const subject of [as, subjectOf(analysis)]) {
        expect([subject.input?.module.id, subject.input?.port.name]).toEqual([
          input?.module.id,
          input?.port.name,
        ]);
        expect(ids(subject.listeners)).toEqual(ids(loads.map(({ expected }) => expected)));
      }
      expect(as.analysis().present.netlist.elements).toEqual(analysis.present.netlist.elements);
    }
  });
});

test('what no job can have is looked at in none', () => {
  const [first] = Object.values(FAMILIES);
  const job = sure(first)();
  const devices = job.devices.map((device) => ({ ...device, typeId: 'none' }));
  expect(subjectIn({ ...job, devices }, sure(job.points[0]).id)).toBeUndefined();
});
