import { activePulseJob, pulseJob } from '../../test/families.ts';
import { analyse } from '../analysis/index.ts';
import { nodesOf } from '../circuit/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { groupsOf, suspects } from './diagnose.ts';
import { dictionaryOf, hasDictionary, sightsOf } from './dictionary.ts';
import { nextLooks } from './nextLook.ts';
import { netsOf } from './pointFault.ts';
import { alike, isReading, middleOf } from './sight.ts';
import type { Sight } from './sight.ts';

const analysed = (job: JobContent) => {
  const index = new JobIndex(job);
  return analyse(index, nth(index.job.points, 0).id);
};
const readingOf = (sight: Sight): boolean | number =>
  isReading(sight) ? middleOf(sight) : sight.kind === 'on';

describe.each([
  ['a passive pulse output with its pull-up', pulseJob('2200')],
  ['an active pulse output', activePulseJob()],
])('%s', (_, job) => {
  const analysis = analysed(job);
  const dictionary = dictionaryOf(analysis);
  const { looks, rows } = dictionary;
  const sightOf = (fault: string | undefined, look: RegExp): Sight => {
    const row = sure(rows.find((one) => (fault ? one.fault?.id.startsWith(fault) : !one.fault)));
    return sure(row.sights[looks.findIndex(({ id }) => look.test(id))]);
  };

  test('is searched without anybody holding a pulse still', () => {
    expect(hasDictionary(analysis)).toBe(true);
    expect(looks.filter(({ state }) => state === 'away' || state === 'present')).toEqual([]);
    expect(new Set(looks.map(({ id }) => id)).size).toBe(looks.length);
  });

  test('counts and flickers, and a meter wanders between the two levels; open it does neither and stands', () => {
    const [lead] = nextLooks(dictionary, suspects(groupsOf(dictionary), []), []);
    expect(lead).toBeDefined();
    const wire = sure(job.wires.find(({ from, to }) => [from, to].some((ref) => /:P[+]?$/.test(ref))));
    for (const look of [/^bit/, /^inputLed/]) {
      expect(sightOf(undefined, look).kind).toBe('on');
      expect(sightOf('pulses low', look).kind).toBe('off');
      expect(sightOf(`open ${wire.id}`, look).kind).toBe('off');
    }
    const width = (sight: Sight): number => (isReading(sight) ? sight.max - sight.min : NaN);
    const atInput = /^volts \S+:C1 /;
    expect(width(sightOf(undefined, atInput))).toBeGreaterThan(5);
    expect(width(sightOf('pulses low', atInput))).toBeLessThan(4);
    expect(width(sightOf('pulses high', atInput))).toBeLessThan(4);
  });

  test('every fault that stops the count is first once everything was looked at', () => {
    const groups = groupsOf(dictionary);
    const count = looks.findIndex(({ kind }) => kind === 'counts');
    const stopping = groups.filter((group) => nth(nth(group, 0).sights, count).kind === 'off');
    expect(stopping.length).toBeGreaterThan(15);
    for (const group of stopping) {
      const seen = nth(group, 0).sights.flatMap((sight, look) =>
        sight.kind === 'either' ? [] : [{ look, is: readingOf(sight) }],
      );
      const found = suspects(groups, seen);
      expect(nth(found, 0).rows.map(({ fault }) => fault?.id)).toEqual(group.map(({ fault }) => fault?.id));
    }
  });

  test('a wire that is taken out of the job shows what the fault of that wire shows', () => {
    let compared = 0;
    for (const { id } of job.wires) {
      const row = rows.find(({ fault }) => fault?.id === `open ${id}`);
      if (!row) continue;
      const without = analysed({ ...job, wires: job.wires.filter((wire) => wire.id !== id) });
      const nets = netsOf(without);
      const there = new Set(nets.present.elements.flatMap(nodesOf));
      const sights = sightsOf(without, looks, nets, undefined);
      looks.forEach((look, i) => {
        // A terminal to which nothing leads any more is in no circuit, and what is dead is another test's.
        if (look.power === 'off' || ('red' in look && !(there.has(look.red) && there.has(look.black))))
          return;
        compared++;
        expect([id, look.id, alike(nth(sights, i), nth(row.sights, i))]).toEqual([id, look.id, true]);
      });
    }
    expect(compared).toBeGreaterThan(20);
  });
});
