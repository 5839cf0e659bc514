import { chainJob, driveStopJob, FAMILIES, guardJob } from '../../test/families.ts';
import { after, withPoint, withWires } from '../../test/jobs.ts';
import { relayOnDrive, twoContactors, withValve } from '../../test/safetyJobs.ts';
import { expectFirst, expectWiresOut, readingOf } from '../../test/dictionaries.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { groupsOf } from './diagnose.ts';
import { dictionaryOf, hasDictionary } from './dictionary.ts';
import type { Dictionary } from './dictionary.ts';
import { evaluationOf } from './evaluation.ts';
import { goesOn } from './goesOn.ts';
import { lookText } from './lookText.ts';
import { netsOf } from './pointFault.ts';
import { act } from './practiceMeter.ts';
import { makeRound } from './practiceRound.ts';

const analysed = (job: JobContent) => analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal');

/** What looks show with a fault, or with nothing wrong. */
const shownBy = ({ looks, rows }: Dictionary, fault: RegExp | undefined) => {
  const row = sure(rows.find((one) => (fault ? one.fault && fault.test(one.fault.id) : !one.fault)));
  return (look: RegExp): boolean | number =>
    readingOf(sure(row.sights[looks.findIndex(({ id }) => look.test(id))]));
};

const RELEASED = (state: string) => new RegExp(`^lit s/released ${state}`);
const HELD = (state: string) => new RegExp(`^acts km/load ${state}`);
const RESET = /^volts s:RI s:A2 pressed/;

describe.each(['monitored', 'manual', 'automatic'])('a guard on a safety relay, reset %s', (reset) => {
  const job = guardJob({ reset });
  const dictionary = dictionaryOf(analysed(job));
  const of = (fault: RegExp | undefined) => shownBy(dictionary, fault);

  test('with nothing wrong releases once it is closed and reset, and stops once it is opened', () => {
    const sound = of(undefined);
    expect([RELEASED('present'), RELEASED('away'), HELD('present'), HELD('away')].map(sound)).toEqual([
      true,
      false,
      true,
      false,
    ]);
    expect(sound(RESET)).toBeGreaterThan(20);
  });

  test('what does not close, and what does not open, are each other’s opposite', () => {
    const [unseen, always] = [of(/^target unseen/), of(/^target always/)];
    expect([RELEASED('present'), RELEASED('away')].map(unseen)).toEqual([false, false]);
    expect([RELEASED('present'), RELEASED('away')].map(always)).toEqual([true, true]);
    // The button is held down all the same.
    expect(unseen(RESET)).toBeGreaterThan(20);
  });

  test('one channel that stays closed still stops, and is seen by its volts', () => {
    const welded = of(/^closed px-1-b:11 px-1-b:12/);
    expect([RELEASED('present'), RELEASED('away')].map(welded)).toEqual([true, false]);
    expect(welded(/^volts s:1A s:A2 away/)).toBeGreaterThan(20);
    expect(of(undefined)(/^volts s:1A s:A2 away/)).toBeLessThan(1);
  });

  test('a contactor that does not drop out is seen in, and keeps the relay off', () => {
    const welded = of(/^welded km/);
    expect([HELD('away'), HELD('present'), RELEASED('present')].map(welded)).toEqual([true, true, false]);
    // The guard itself opens all the same.
    expect(welded(/^volts s:1A s:A2 away/)).toBeLessThan(1);
  });

  test('a safe contact that is welded holds its contactor, though the relay is off', () => {
    // Its mirror contact keeps the relay from starting.
    const welded = of(/^closed s:13 s:14/);
    expect([RELEASED('away'), HELD('away')].map(welded)).toEqual([false, true]);
  });
});

test('without its reset a guard that is reset by hand stays off; held, a monitored one waits', () => {
  const wire = (job: JobContent) => sure(job.wires.find(({ from, to }) => [from, to].includes('s:RI'))).id;
  for (const [reset, heldDown] of [
    ['monitored', false],
    ['manual', true],
  ] as const) {
    const job = guardJob({ reset });
    const dictionary = dictionaryOf(analysed(job));
    const open = shownBy(dictionary, new RegExp(`^open ${wire(job)}$`));
    expect([reset, open(RELEASED('present')), open(RESET)]).toEqual([reset, false, 0]);
    const stuck = shownBy(dictionary, /^closed reset:13 reset:14/);
    expect([reset, stuck(RELEASED('present'))]).toEqual([reset, heldDown]);
  }
});

const JOBS: readonly (readonly [string, () => JobContent])[] = [
  ['guard switch', guardJob],
  ['two contactors', twoContactors],
  ['a relay that stops a drive', relayOnDrive],
  ['a valve', withValve],
  ['a chain', chainJob],
  ['a drive’s safe stop', driveStopJob],
];

describe.each(JOBS)('%s', (_, make) => {
  const job = make();
  const analysis = analysed(job);
  const dictionary = dictionaryOf(analysis);
  const { looks } = dictionary;

  test('is searched, each look once, and never with a wire opened or a current range', () => {
    expect(hasDictionary(analysis)).toBe(true);
    expect(new Set(looks.map(({ id }) => id)).size).toBe(looks.length);
    expect(looks.filter(({ kind }) => kind === 'milliamps')).toEqual([]);
    expect(looks.filter(({ kind, power }) => kind === 'ohms' && power === 'on')).toEqual([]);
  });

  test('a wire that is taken out of the job shows what the fault of that wire shows', () => {
    expect(expectWiresOut(analysis, dictionary)).toBeGreaterThan(40);
  });

  test('whatever shows is first once all was looked at', () => {
    const groups = groupsOf(dictionary);
    for (const group of groups) expectFirst(dictionary, group);
  });
});

test('what stops nothing is never among what looks sound', () => {
  for (const [name, make] of JOBS) {
    const sound = nth(groupsOf(dictionaryOf(analysed(make()))), 0).map(({ fault }) => fault?.id ?? '');
    expect([name, sound.filter((id) => /^(target|welded|stuck)/.test(id))]).toEqual([name, []]);
  }
});

test('a point that only shares the circuit of a guard is looked at as itself', () => {
  const wired = withWires(guardJob(), ['px-1-b:33', 'g1:+'], ['px-1-b:34', 'm:I6']);
  const [guard] = wired.points;
  const job = { ...wired, points: [sure(guard), { ...sure(guard), id: 'aux', tag: 'AUX', outputId: 'aux' }] };
  const { context } = analyse(new JobIndex(job), 'aux', 'nominal');
  expect([context.output.drivenBy, evaluationOf(context)]).toEqual(['target', undefined]);
});

test('of guards that share a relay each sees what both stop, and a safe contact that does not close', () => {
  const job = withPoint(guardJob(), {
    tag: 'PX-2',
    typeId: 'estop-2c',
    output: 'contact',
    logic: 'nc',
    at: ['s', 1],
  });
  const index = new JobIndex(
    after(job, { kind: 'editModule', id: 's', patch: { settings: { selector: 'both' } } }),
  );
  const other = dictionaryOf(analyse(index, 'px-2', 'nominal'));
  const [sound, open] = [shownBy(other, undefined), shownBy(other, /^opens s:13 s:14/)];
  expect([HELD('present'), HELD('away')].map(sound)).toEqual([true, false]);
  expect([RELEASED('present'), HELD('present')].map(open)).toEqual([true, false]);
});

test('with what keeps its contactor in, or its relay on, a guard stops nothing; with what only keeps it off it does', () => {
  const dictionary = dictionaryOf(analysed(guardJob()));
  const stops = (fault: RegExp) =>
    !goesOn(dictionary, sure(dictionary.rows.find((row) => row.fault && fault.test(row.fault.id))));
  for (const id of [/^target always/, /^welded km/, /^closed s:13 s:14/, /^short km-w0 g1:\+/])
    expect([id, stops(id)]).toEqual([id, false]);
  for (const id of [/^target unseen/, /^closed px-1-b:11/, /^opens s:13 s:14/, /^supply gone/])
    expect([id, stops(id)]).toEqual([id, true]);
  expect(goesOn(dictionary, nth(dictionary.rows, 0))).toBe(false);
});

test('the lamp and the bit of its auxiliary contact are those of the input that it is on, in looks and in faults', () => {
  const analysis = analysed(withWires(guardJob(), ['px-1-b:33', 'g1:+'], ['px-1-b:34', 'm:I6']));
  const { looks, rows } = dictionaryOf(analysis);
  const { address = '' } = nth(analysis.present.inputs, 0).own;
  expect(address).not.toBe('');
  const asked = looks.flatMap((look) =>
    look.kind === 'inputLed' || look.kind === 'bit' ? [said(lookText(analysis, look).what)] : [],
  );
  expect(asked).toHaveLength(4);
  for (const what of asked) expect(what).toContain(address);
  const known = (id: string) => sure(rows.find(({ fault }) => fault?.id === id)?.fault);
  expect(said(known('input dead').what)).toContain(address);
  for (const id of ['input dead', 'input led']) expect(known(id).place).toEqual({ in: 'part', id: 'm' });
});

test('how a guard is held for a look says the reset', () => {
  const analysis = analysed(guardJob());
  const { looks } = dictionaryOf(analysis);
  const stateOf = (id: RegExp) =>
    said(lookText(analysis, sure(looks.find((look) => id.test(look.id)))).state);
  expect(stateOf(RELEASED('present'))).toMatch(/^fault\.look-reset /);
  expect(stateOf(RESET)).toMatch(/^fault\.look-pressed /);
  expect(stateOf(/^ohms .* present/)).not.toMatch(/reset|pressed/);
});

describe('a round of practice at a guard', () => {
  const analysis = analysed(guardJob());
  const dictionary = dictionaryOf(analysis);
  const round = sure(makeRound(analysis, dictionary, { level: 'easy', sort: undefined, point: 0, seed: 4 }));
  const lead = { state: 'present', power: 'on' } as const;

  test('ends where a current range is put across what guards people', () => {
    const out = act(analysis, dictionary, round, { ...lead, kind: 'amps', red: 's:1A', black: 's:T1' }, 0);
    expect(out.kind === 'over' && said(out.why)).toBe('practice.bridged');
  });

  test('shows what the dictionary shows of what is hidden', () => {
    const row = sure(rows().find(({ fault }) => fault?.id === nth(round.faults, 0).id));
    for (const state of ['away', 'present'] as const) {
      const at = dictionary.looks.findIndex(({ id }) => id === `lit s/released ${state}`);
      const out = act(
        analysis,
        dictionary,
        round,
        { kind: 'lit', element: 's/released', label: '', state },
        0,
      );
      expect(out).toEqual({ kind: 'seen', is: readingOf(nth(row.sights, at)) });
    }
  });

  const rows = () => dictionary.rows;

  test('the current of a contactor’s wire flows once it is reset', () => {
    const sound = { ...round, nets: netsOf(analysis), shown: undefined };
    const wire = { red: 's:14', black: 'km:A1', kind: 'amps', power: 'on' } as const;
    const amps = (state: 'away' | 'present') => act(analysis, dictionary, sound, { ...wire, state }, 9);
    expect(amps('away')).toMatchObject({ kind: 'seen', is: expect.closeTo(0, 3) });
    const on = amps('present');
    expect(on.kind === 'seen' && Math.abs(Number(on.is))).toBeCloseTo(24 / 190, 2);
  });
});

test('every family that guards people is searched', () => {
  const guards = Object.entries(FAMILIES).filter(
    ([, make]) => analysed(make()).context.output.drivenBy === 'guard',
  );
  expect(guards.map(([name, make]) => [name, hasDictionary(analysed(make()))])).toEqual(
    guards.map(([name]) => [name, true]),
  );
  expect(guards.length).toBeGreaterThanOrEqual(3);
});
