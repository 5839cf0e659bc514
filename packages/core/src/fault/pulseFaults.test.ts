import { expectFirst, expectWiresOut } from '../../test/dictionaries.ts';
import { activePulseJob, pulseJob } from '../../test/families.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { groupsOf, suspects } from './diagnose.ts';
import { dictionaryOf, hasDictionary } from './dictionary.ts';
import { nextLooks } from './nextLook.ts';
import { isReading } from './sight.ts';
import type { Sight } from './sight.ts';

const analysed = (job: JobContent) => {
  const index = new JobIndex(job);
  return analyse(index, nth(index.job.points, 0).id);
};

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
    for (const group of stopping) expectFirst(dictionary, group);
  });

  test('a wire that is taken out of the job shows what the fault of that wire shows', () => {
    expect(expectWiresOut(analysis, dictionary)).toBeGreaterThan(20);
  });
});
