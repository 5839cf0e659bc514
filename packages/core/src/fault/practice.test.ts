import fc from 'fast-check';
import {
  FAMILIES,
  fieldbusJob,
  guardJob,
  inputs,
  outputJob,
  pulseJob,
  relayJob,
} from '../../test/families.ts';
import { withPoint } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import { goodOrder, toldBy } from './debrief.ts';
import { dictionaryOf, hasDictionary } from './dictionary.ts';
import { codeOfRound, HIDDEN_SORTS, LEVELS, roundOfCode } from './practiceCode.ts';
import type { Level, RoundKey } from './practiceCode.ts';
import { pointFaults } from './pointFaults.ts';
import { act, secondsOfActs } from './practiceMeter.ts';
import { actOf, lookOfAct } from './acts.ts';
import type { Act } from './acts.ts';
import { isFound, makeRound } from './practiceRound.ts';
import type { Round } from './practiceRound.ts';
import { alike } from './sight.ts';

const JOB = withPoint(inputs(), { typeId: 'inductive-3w', output: 'pnp' });
const analysis = analyse(new JobIndex(JOB), 'px-1');
const dictionary = dictionaryOf(analysis);
const key = (level: Level, seed: number, more: Partial<RoundKey> = {}): RoundKey => ({
  level,
  sort: undefined,
  point: 0,
  seed,
  ...more,
});
const round = (level: Level, seed: number, more?: Partial<RoundKey>): Round =>
  sure(makeRound(analysis, dictionary, key(level, seed, more)));
const does = (own: Round, doing: Act, before = 9) => act(analysis, dictionary, own, doing, before);
const seenAt = (own: Round, doing: Act): boolean | number => {
  const out = does(own, doing);
  if (out.kind === 'over') throw new Error(said(out.why));
  return out.is;
};

describe('the code of a round', () => {
  const tags = ['PX-1', 'LX-2', 'ZS-3'];

  test('says the same to everybody, however it is typed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LEVELS),
        fc.option(fc.constantFrom(...HIDDEN_SORTS), { nil: undefined }),
        fc.nat(2),
        fc.nat(32 ** 3 - 1),
        (level, sort, point, seed) => {
          const code = codeOfRound({ level, sort, point, seed }, tags);
          expect(code).toMatch(/^[0-9A-Z]{3}-[0-9A-Z]{3}-[0-9A-Z]{3}$/);
          for (const typed of [code, code.toLowerCase(), code.replace(/-/g, ' ')])
            expect(roundOfCode(typed, tags)).toEqual({ level, sort, point, seed });
        },
      ),
    );
  });

  test('a sign that is typed wrong, and the code of another job, are no round', () => {
    const code = codeOfRound(key('usual', 777), tags);
    expect(roundOfCode(code, ['PX-1', 'LX-2'])).toBeUndefined();
    const other = `S1${code.slice(2)}`;
    expect(roundOfCode(other, tags)).toBeUndefined();
    for (const none of ['', 'R00', 'hello', '---', `${code}7`])
      expect(roundOfCode(none, tags)).toBeUndefined();
  });
});

test('a code of an older list of faults is told from one that is none: it would hide something else today', () => {
  expect(roundOfCode('E00-000-BZC', ['PX-1'])).toBe('older');
  expect(roundOfCode('E00-000-BZD', ['PX-1'])).toBeUndefined();
});

test('the list of faults is the one that codes of today are made from', () => {
  // Another list hides something else under the same code: with it goes a row of letters more, then what stands here.
  const ids = Object.entries(FAMILIES).flatMap(([name, make]) => {
    const { points } = make();
    const analysis = analyse(new JobIndex(make()), nth(points, 0).id, 'nominal');
    return pointFaults(analysis).map(({ id, sort }) => `${name} ${sort} ${id}`);
  });
  let sum = 0;
  for (const sign of ids.join('\n')) sum = (sum * 131 + sign.charCodeAt(0)) % 1_000_003;
  expect([codeOfRound(key('easy', 1), ['PX-1'])[0], ids.length, sum]).toEqual(['G', 1467, 484697]);
});

test('what everything works with is never hidden: a guard’s button works whichever way its wires are on', () => {
  const own = analyse(new JobIndex(guardJob()), 'px-1', 'nominal');
  const dictionary = dictionaryOf(own);
  const works = nth(dictionary.rows, 0).sights;
  const live = dictionary.looks.flatMap(({ power, kind }, i) =>
    power === 'on' && kind !== 'asSet' ? [i] : [],
  );
  const hidden = Array.from({ length: 60 }, (_, seed) =>
    sure(makeRound(own, dictionary, { ...key('usual', seed), sort: 'wires-exchanged' })),
  ).map(({ faults }) => nth(faults, 0).id);
  expect(dictionary.rows.some(({ fault }) => fault && /^exchanged reset-w1 reset-w0/.test(fault.id))).toBe(
    true,
  );
  for (const id of hidden) {
    const row = sure(dictionary.rows.find(({ fault }) => fault?.id === id));
    expect([id, live.some((i) => !alike(nth(row.sights, i), nth(works, i)))]).toEqual([id, true]);
  }
});

test('of what is commanded and of what talks something is hidden too, and what is looked at shows it', () => {
  const jobs = [
    { job: outputJob('do8-high', 0, 'valve-24'), kind: 'acts' },
    { job: fieldbusJob('serial-unit', 'serial-master', 0, { terminator: 'on' }), kind: 'talks' },
  ] as const;
  for (const { job, kind } of jobs) {
    const own = analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal');
    const looks = dictionaryOf(own);
    const shows = looks.looks.filter((look) => look.kind === kind);
    expect(shows.length).toBeGreaterThan(0);
    const seen = Array.from({ length: 30 }, (_, seed) => {
      const hidden = sure(makeRound(own, looks, key('usual', seed)));
      return shows.map((look) => {
        const out = act(own, looks, hidden, actOf(look), 9);
        return out.kind === 'seen' && out.is;
      });
    });
    // With some of what can be hidden it is dead, with some it still acts, or answers, at times.
    expect(seen.filter((is) => is.every((one) => !one)).length).toBeGreaterThan(3);
    expect(new Set(seen.map((is) => is.join())).size).toBeGreaterThan(1);
  }
});

test('an act is told from its look and back, whatever is looked at', () => {
  for (const make of Object.values(FAMILIES)) {
    const own = analyse(new JobIndex(make()), nth(make().points, 0).id, 'nominal');
    if (!hasDictionary(own)) continue;
    const words = dictionaryOf(own);
    expect(words.looks.map((look) => lookOfAct(words, actOf(look)))).toEqual(
      words.looks.map((_, at) => ({ at, turned: false })),
    );
  }
});

describe('of what counts something is hidden too', () => {
  const job = pulseJob('2200');
  const own = analyse(new JobIndex(job), nth(job.points, 0).id, 'nominal');
  const words = dictionaryOf(own);
  const hidden = (seed: number): Round => sure(makeRound(own, words, key('usual', seed)));
  const sees = (of: Round, doing: Act): boolean | number => {
    const out = act(own, words, of, doing, 9);
    if (out.kind === 'over') throw new Error(said(out.why));
    return out.is;
  };

  test('a good order ends at it, by lamps that flicker, a count and a meter that wanders', () => {
    const rounds = Array.from({ length: 30 }, (_, seed) => hidden(seed));
    const ends = rounds.map((of) => {
      const last = goodOrder(words, (doing) => sees(of, doing)).steps.at(-1);
      return last?.likeliest.rows.some(({ fault }) => fault?.id === nth(of.faults, 0).id) ?? false;
    });
    expect(ends.filter((found) => found).length).toBeGreaterThan(26);
    const looks = words.looks.filter(({ kind }) => kind === 'counts' || kind === 'flickers');
    expect(looks.length).toBeGreaterThan(1);
    const seen = rounds.map((of) => looks.map((look) => sees(of, actOf(look))).join());
    expect(new Set(seen).size).toBeGreaterThan(1);
  });

  test('what harms at one of its levels ends the round, though at the other it would not', () => {
    const atInput = actOf(sure(words.looks.find(({ id }) => /^volts \S+:C1 /.test(id))));
    const levelsOf = (of: Round): number[] =>
      (['away', 'present'] as const).map((state) => Math.abs(Number(sees(of, { ...atInput, state }))));
    const span = (of: Round): number => Math.max(...levelsOf(of)) - Math.min(...levelsOf(of));
    const of = sure(Array.from({ length: 40 }, (_, seed) => hidden(seed)).find((one) => span(one) > 5));
    const [low, high] = [Math.min(...levelsOf(of)), Math.max(...levelsOf(of))];
    const judged = (harmless: number) => act(own, { harmless }, of, atInput, 9).kind;
    expect([judged((low + high) / 2), judged(high * 1.1)]).toEqual(['over', 'seen']);
  });
});

describe('what a round hides', () => {
  test('is the same for everybody, is something that shows, and is of the sort that was asked for', () => {
    for (const level of LEVELS)
      for (let seed = 0; seed < 40; seed++) {
        const own = round(level, seed);
        expect(round(level, seed).faults.map(({ id }) => id)).toEqual(own.faults.map(({ id }) => id));
        expect(
          isFound(
            dictionary,
            own,
            own.faults.map(({ id }) => id),
          ),
        ).toBe(true);
        if (level !== 'mean') expect(own.faults).toHaveLength(1);
      }
    expect(nth(round('usual', 3, { sort: 'wire-open' }).faults, 0).sort).toBe('wire-open');
    expect(makeRound(analysis, dictionary, key('easy', 1, { sort: 'setting' }))).toBeUndefined();
  });

  test('is never a setting with which everything works all the same, though its sheet would show it', () => {
    const sound = nth(dictionary.rows, 0).sights;
    const plain = dictionary.looks.flatMap(({ kind }, i) => (kind === 'asSet' ? [] : [i]));
    for (let seed = 0; seed < 60; seed++)
      for (const { id } of round('usual', seed).faults) {
        const { sights } = sure(dictionary.rows.find(({ fault }) => fault?.id === id));
        expect(plain.some((i) => !alike(nth(sights, i), nth(sound, i)))).toBe(true);
      }
  });

  test('a mean one has two faults, or something beside it; readings that are wrong come too', () => {
    const rounds = Array.from({ length: 60 }, (_, seed) => round('mean', seed));
    expect(rounds.filter(({ faults }) => faults.length === 2).length).toBeGreaterThan(10);
    expect(rounds.filter(({ herring }) => herring).length).toBeGreaterThan(10);
    expect(rounds.filter(({ slip }) => slip !== undefined).length).toBeGreaterThan(15);
    const double = sure(rounds.find(({ faults }) => faults.length === 2));
    expect(isFound(dictionary, double, [nth(double.faults, 0).id])).toBe(false);
  });
});

describe('the meter of a round', () => {
  const open = sure(
    Array.from({ length: 200 }, (_, seed) => round('easy', seed)).find(({ faults }) =>
      /^open .*BK/.test(nth(faults, 0).id),
    ),
  );
  const volts = (red: string, black: string, power: 'on' | 'off' = 'on'): Act => ({
    kind: 'volts',
    red,
    black,
    state: 'present',
    power,
  });

  test('reads what the circuit has with the fault in it', () => {
    expect(seenAt(open, { kind: 'sensorLed', state: 'present' })).toBe(true);
    expect(seenAt(open, { kind: 'inputLed', state: 'present' })).toBe(false);
    expect(Number(seenAt(open, volts('px-1-b:BK', 'px-1-b:BU')))).toBeGreaterThan(20);
    expect(Math.abs(Number(seenAt(open, volts('m:I0', 'g1:-'))))).toBeLessThan(0.5);
    expect(seenAt(open, volts('px-1-b:BK', 'px-1-b:BU', 'off'))).toBe(0);
    expect(seenAt(open, { ...volts('px-1-b:BK', 'm:I0', 'off'), kind: 'ohms' } as Act)).toBeGreaterThan(1e6);
  });

  test('ohms on what is live, and the current range across a supply, end the round and say why', () => {
    const live = does(open, { ...volts('px-1-b:BN', 'px-1-b:BU'), kind: 'ohms' } as Act);
    expect(live.kind === 'over' && said(live.why)).toBe('practice.ohms-live');
    const across = does(open, { ...volts('g1:+', 'g1:-'), kind: 'amps' } as Act);
    expect(across.kind === 'over' && said(across.why)).toBe('practice.fuse');
    // In the place of a wire it reads what flows there: the sensor's own current.
    const plus = Number(seenAt(open, { ...volts('g1:+', 'px-1-b:BN'), kind: 'amps' } as Act));
    expect(plus).toBeGreaterThanOrEqual(0);
    expect(plus).toBeLessThan(0.1);
  });

  test('leads on mains end the round', () => {
    const job = relayJob();
    const own = analyse(new JobIndex(job), 'px-1');
    const words = dictionaryOf(own);
    const hidden = sure(makeRound(own, words, key('easy', 1, { sort: 'target' })));
    const out = act(own, { harmless: 10 }, hidden, volts('g1:+', 'g1:-'), 0);
    expect(out.kind === 'over' && said(out.why)).toMatch(/^practice\.mains volts=2\d$/);
  });

  test('a lead that did not hold reads nothing once, and right when it is put on again', () => {
    const slipped: Round = { ...open, slip: 2 };
    const reads = (before: number) => {
      const out = act(analysis, dictionary, slipped, volts('g1:+', 'g1:-'), before);
      return out.kind === 'seen' ? Math.round(Number(out.is)) : undefined;
    };
    expect([reads(1), reads(2), reads(3)]).toEqual([24, 0, 24]);
  });
});

test('a debrief tells what each act told, and a good order ends at what was hidden', () => {
  const own = round('easy', 5);
  const look: Act = { kind: 'inputLed', state: 'present' };
  const acts = [look, look, { ...look, kind: 'bit' } as const].map((one) => ({
    act: one,
    is: seenAt(own, one),
  }));
  const told = toldBy(dictionary, acts);
  expect(Math.abs(nth(told, 1).bits)).toBeLessThan(0.05);
  const good = goodOrder(dictionary, (one) => seenAt(own, one));
  const last = sure(good.steps.at(-1)).likeliest.rows.map(({ fault }) => fault?.id);
  expect(last).toContain(nth(own.faults, 0).id);
  expect(good.seconds).toBeGreaterThan(secondsOfActs(analysis, dictionary, [look]) - 1);
});
