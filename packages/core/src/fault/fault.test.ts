import { inputs, relayJob } from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import type { JobContent, Wire } from '../model/index.ts';
import { groupsOf, suspects, unexplained } from './diagnose.ts';
import type { Seen } from './diagnose.ts';
import { dictionaryOf, sightsOf } from './dictionary.ts';
import { subjectOf } from './subject.ts';
import { mendingOf } from './mending.ts';
import { confirmingLook, hereAfter, nextLooks, secondsTo } from './nextLook.ts';
import { isReading, middleOf, NOTHING_CONDUCTS } from './sight.ts';
import type { Sight } from './sight.ts';

/** A PNP sensor, normally open, on an input that takes current. */
const JOB = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
const analysed = (job: JobContent) => analyse(new JobIndex(job), 'px-1');
const analysis = analysed(JOB);
const dictionary = dictionaryOf(analysis);
const groups = groupsOf(dictionary);
const wireAt = (ref: string): Wire => sure(JOB.wires.find(({ from, to }) => from === ref || to === ref));

const rowOf = (id: string) => sure(dictionary.rows.find(({ fault }) => fault?.id === id));
const at = (sights: readonly Sight[], look: string): string | number => {
  const sight = sure(sights[dictionary.looks.findIndex(({ id }) => id === look)]);
  return isReading(sight) ? middleOf(sight) : sight.kind;
};
const indicators = (id: string): (string | number)[] =>
  ['sensorLed', 'inputLed', 'bit'].flatMap((kind) =>
    ['away', 'present'].map((state) => at(rowOf(id).sights, `${kind} ${state}`)),
  );

describe('what a point shows with each thing that can be wrong', () => {
  const signal = wireAt('px-1-b:BK').id;
  const minus = wireAt('px-1-b:BU').id;

  test.each([
    [`open ${signal}`, ['off', 'on', 'off', 'off', 'off', 'off']],
    [`open ${minus}`, ['off', 'off', 'off', 'off', 'off', 'off']],
    ['supply gone', ['off', 'off', 'off', 'off', 'off', 'off']],
    ['stuck on', ['on', 'on', 'on', 'on', 'on', 'on']],
    ['target unseen', ['off', 'off', 'off', 'off', 'off', 'off']],
    ['other pnp nc', ['on', 'off', 'on', 'off', 'on', 'off']],
    ['other npn no', ['off', 'on', 'off', 'off', 'off', 'off']],
    ['bit turned', ['off', 'on', 'off', 'on', 'on', 'off']],
    ['sensor led', ['off', 'off', 'off', 'on', 'off', 'on']],
  ])('%s', (id, shown) => {
    expect(indicators(id)).toEqual(shown);
  });

  test('volts tell an open wire on the one side of it from the other', () => {
    const { sights } = rowOf(`open ${signal}`);
    expect(at(sights, 'volts m:I0 g1:- present')).toBeCloseTo(0, 1);
    expect(Number(at(sights, 'volts px-1-b:BK px-1-b:BU present'))).toBeGreaterThan(20);
    // Without its minus, what hangs on the sensor has no firm volts against it; at the panel there is nothing.
    expect(at(rowOf(`open ${minus}`).sights, 'volts m:I0 g1:- present')).toBeLessThan(2);
  });

  test('ohms with power off: along a wire next to nothing, along an interrupted one what nobody knows', () => {
    const { from, to } = wireAt('px-1-b:BK');
    const along = `ohms ${from} ${to} any`;
    expect(at(nth(dictionary.rows, 0).sights, along)).toBeLessThan(1);
    const sight = sure(rowOf(`open ${signal}`).sights[dictionary.looks.findIndex(({ id }) => id === along)]);
    expect(sight).toEqual({ kind: 'ohms', min: 5000, max: NOTHING_CONDUCTS });
    expect(at(rowOf(`weak ${signal}`).sights, along)).toBeGreaterThan(3000);
    // Between a sensor's own leads nobody knows what a meter reads.
    expect(dictionary.looks.filter(({ id }) => id.startsWith('ohms px-1-b:BN px-1-b:BU'))).toEqual([]);
  });

  test('a wire that is taken out of the job shows the same as one that is interrupted', () => {
    for (const id of [minus, wireAt('px-1-b:BN').id]) {
      const without = analysed({ ...JOB, wires: JOB.wires.filter((wire) => wire.id !== id) });
      const nets = { away: without.away.netlist, present: without.present.netlist };
      const seen = sightsOf(subjectOf(analysis), dictionary.looks, nets, undefined);
      for (const state of ['away', 'present'])
        for (const look of [`sensorLed ${state}`, `inputLed ${state}`, `volts m:I0 g1:- ${state}`])
          expect([look, at(seen, look)]).toEqual([look, at(rowOf(`open ${id}`).sights, look)]);
    }
  });
});

/** What a sight shows on the spot, in the middle of what it may be. */
const truly = (sight: Sight, look: number): Seen => ({
  look,
  is: isReading(sight) ? middleOf(sight) : sight.kind === 'on',
});

describe('suspects', () => {
  test('every single fault is first once everything was looked at, or nothing can show it', () => {
    for (const group of groups) {
      const row = nth(group, 0);
      const seen = row.sights.flatMap((sight, i) => (sight.kind === 'either' ? [] : [truly(sight, i)]));
      const first = nth(suspects(groups, seen), 0);
      expect(first.rows).toBe(group);
      // What one look alone tells may be misread; that nothing is wrong is never sure, for somebody says that something is.
      if (row.fault) expect(first.share).toBeGreaterThan(0.7);
      expect(unexplained(suspects(groups, seen), seen)).toEqual([]);
    }
  });

  test('shares add up to one, before and after', () => {
    for (const seen of [[], [truly(nth(rowOf('stuck on').sights, 0), 0)]])
      expect(suspects(groups, seen).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  test('one reading that was wrong leaves the true one among the first, and is named', () => {
    const row = rowOf('stuck on');
    const seen = row.sights.flatMap((sight, i) => (sight.kind === 'either' ? [] : [truly(sight, i)]));
    const wrong = seen.map((one, i) =>
      i === 1 && typeof one.is === 'boolean' ? { ...one, is: !one.is } : one,
    );
    const found = suspects(groups, wrong);
    expect(nth(found, 0).rows.some(({ fault }) => fault?.id === 'stuck on')).toBe(true);
    expect(unexplained(found, wrong)).toEqual([1]);
  });

  test('what stands behind one another is said in words', () => {
    const open = sure(rowOf(`open ${wireAt('px-1-b:BK').id}`).fault);
    expect(said(open.what)).toMatch(/^fault\.wire-open number=\S+ from=.*BK.* to=/);
    expect(open.place).toEqual({ in: 'wire', ids: [wireAt('px-1-b:BK').id] });
  });
});

describe('what to look at next', () => {
  const looked = (proposals: ReturnType<typeof nextLooks>) =>
    proposals.map(({ look }) => nth(dictionary.looks, look));

  test('is what tells most for its time, never the same again, and nothing once all is told', () => {
    const before = suspects(groups, []);
    const all = nextLooks(dictionary, before, []);
    for (const { bits, seconds } of all) {
      expect(bits).toBeGreaterThan(0);
      expect(seconds).toBeGreaterThan(0);
    }
    expect(nth(looked(all), 0).kind).toMatch(/Led$/);
    const seen = [truly(nth(rowOf('stuck off').sights, nth(all, 0).look), nth(all, 0).look)];
    expect(nextLooks(dictionary, suspects(groups, seen), seen).map(({ look }) => look)).not.toContain(
      nth(all, 0).look,
    );
    expect(nextLooks(dictionary, [{ rows: [rowOf('stuck on')], share: 1 }], [])).toEqual([]);
  });

  test('where one stands counts: at the panel it stays at the panel while that tells enough', () => {
    const found = suspects(groups, []);
    for (const spot of ['field', 'panel', 'screen'] as const)
      expect(nth(looked(nextLooks(dictionary, found, [], { spot })), 0).spot).toBe(spot);
  });
});

test('a look with power off counts what it takes to isolate, once, and to put it back on', () => {
  const [dead, live] = [dictionary.looks.findIndex(({ kind }) => kind === 'ohms'), 0];
  const [first, again, on] = [
    secondsTo({}, nth(dictionary.looks, dead)),
    secondsTo(hereAfter(dictionary, [{ look: dead, is: 0 }]), nth(dictionary.looks, dead)),
    secondsTo({ power: 'off' }, nth(dictionary.looks, live)),
  ];
  expect([first - again, on]).toEqual([180, nth(dictionary.looks, live).seconds + 60]);
});

test('ohms are proposed beside volts', () => {
  const own = dictionaryOf(analysed(relayJob()));
  const looks = nextLooks(own, suspects(groupsOf(own), []), []).map(({ look }) => nth(own.looks, look));
  expect(looks.some(({ kind }) => kind === 'ohms')).toBe(true);
});

test('a relay between sensor and input has its own wires among the suspects', () => {
  const own = dictionaryOf(analysed(relayJob()));
  const places = own.rows.flatMap(({ fault }) => (fault?.place.in === 'wire' ? fault.place.ids : []));
  const coil = relayJob().wires.find(({ from, to }) => from === 'k1:A1' || to === 'k1:A1');
  expect(places).toContain(sure(coil).id);
});

test('the look that would confirm a suspect raises its share when it shows what that one shows, of nearly each', () => {
  const found = suspects(groups, []);
  let raised = 0;
  for (const suspect of found) {
    const best = confirmingLook(dictionary, found, suspect, []);
    if (!best) continue;
    const sight = sure(nth(suspect.rows, 0).sights[best.look]);
    if (sight.kind === 'either') continue;
    const after = sure(suspects(groups, [truly(sight, best.look)]).find(({ rows }) => rows === suspect.rows));
    if (after.share > suspect.share) raised++;
    // Another look of the same kind and place tells no more of it in the same time.
    expect(best.seconds).toBe(secondsTo({}, nth(dictionary.looks, best.look)));
  }
  expect(raised).toBeGreaterThan(0.9 * found.length);
});

test('what confirms a wire that is interrupted tells it from all that stands beside it', () => {
  const found = suspects(groups, []);
  const signal = wireAt('px-1-b:BK').id;
  const suspect = sure(found.find(({ rows }) => rows.some(({ fault }) => fault?.id === `open ${signal}`)));
  const best = sure(confirmingLook(dictionary, found, suspect, []));
  const own = sure(nth(suspect.rows, 0).sights[best.look]);
  // Nothing is proposed twice.
  expect(confirmingLook(dictionary, found, suspect, [{ look: best.look, is: true }])?.look).not.toBe(
    best.look,
  );
  const after = suspects(groups, [truly(own, best.look)]);
  expect(sure(after.find(({ rows }) => rows === suspect.rows)).share).toBeGreaterThan(1.5 * suspect.share);
});

test('what mends it begins with a caution wherever somebody comes near what can hurt', () => {
  const sorts = [...new Set(dictionary.rows.flatMap(({ fault }) => fault?.sort ?? []))];
  expect(sorts.length).toBeGreaterThan(8);
  for (const sort of sorts) {
    const { how, caution } = mendingOf(sort);
    expect(said(how)).toMatch(/^fault\.mend-/);
    if (/^(wire|supply|output|input|kind)/.test(sort)) expect(said(sure(caution))).toBe('fault.mend-dead');
    if (/^(target|setting|program)$/.test(sort)) expect(said(sure(caution))).toBe('fault.mend-moves');
  }
});
