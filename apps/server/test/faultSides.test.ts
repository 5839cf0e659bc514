import { analyse } from '@keypost/core/analysis';
import { dictionaryOf, groupsOf, hasDictionary, suspects } from '@keypost/core/fault';
import type { DictionaryRow } from '@keypost/core/fault';
import { JobIndex } from '@keypost/core/job';
import { nth, sure } from '@keypost/core/lists';
import { ternRock } from '../src/demo/ternRock';

const index = new JobIndex(ternRock());
const INDICATORS = new Set(['sensorLed', 'inputLed', 'bit']);

/** Points that switch, with an LED at the device, at the input and a bit. */
const POINTS = index.job.points
  .map(({ id }) => analyse(index, id, 'nominal'))
  .filter((analysis) => analysis.context.output.drivenBy === 'target' && hasDictionary(analysis))
  .filter(({ context }) => context.output.indicator !== undefined);

/** Where one goes for a fault: to the device, along the way to the input, or to the program. */
const sideOf = ({ fault }: DictionaryRow, sound: readonly string[], shows: readonly string[]): string =>
  fault?.place.in === 'program' ? 'program' : sound.join() === shows.join() ? 'way' : 'device';

test('most of the demo’s switching points have all three indicators', () => {
  expect(POINTS.length).toBeGreaterThan(14);
});

test.each(POINTS.map((analysis) => [analysis.context.point.tag, analysis] as const))(
  '%s: three indicators lead to the right side of the loop',
  (_, analysis) => {
    const dictionary = dictionaryOf(analysis);
    const looks = dictionary.looks.flatMap(({ kind }, i) => (INDICATORS.has(kind) ? [{ kind, i }] : []));
    const shown = (row: DictionaryRow, only?: string) =>
      looks.filter(({ kind }) => !only || kind === only).map(({ i }) => sure(row.sights[i]).kind);
    const sound = nth(dictionary.rows, 0);
    const side = (row: DictionaryRow) => sideOf(row, shown(sound, 'sensorLed'), shown(row, 'sensorLed'));
    const groups = groupsOf(dictionary);
    for (const row of dictionary.rows.slice(1)) {
      const kinds = shown(row);
      // What shows nowhere leads nowhere; a lamp that is broken tells nothing of the loop.
      if (kinds.join() === shown(sound).join() || kinds.includes('either') || row.fault?.sort === 'led')
        continue;
      const seen = looks.map(({ i }) => ({ look: i, is: sure(row.sights[i]).kind === 'on' }));
      // The likeliest suspect lies on the side on which the fault is, and so does everything that shows the same.
      const sides = new Set(nth(suspects(groups, seen), 0).rows.map(side));
      expect([row.fault?.id, ...sides]).toEqual([row.fault?.id, side(row)]);
    }
  },
);
