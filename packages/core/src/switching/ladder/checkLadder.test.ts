import fc from 'fast-check';
import { nth, sure } from '../../lists/index.ts';
import { checkLadder } from './checkLadder.ts';
import type { LadderFinding } from './checkLadder.ts';
import type { Ladder, Level } from './ladder.ts';
import { LadderMachine } from './machine.ts';

const PAUSE: Level = {
  id: 'l1',
  name: 'Pause',
  limit: 20,
  direction: 'above',
  hysteresis: 2,
  delay: 10,
  does: ['show', 'lamp', 'pause'],
  clearedBy: 'operator',
  onFault: 'acts',
  keptOverPowerCut: true,
};
const STOP: Level = {
  ...PAUSE,
  id: 'l2',
  name: 'Stop',
  limit: 40,
  delay: 0,
  does: ['show', 'flash', 'sound', 'stop', 'lock'],
  clearedBy: 'key',
};
const WARN: Level = {
  ...PAUSE,
  id: 'l0',
  name: 'Warning',
  limit: 10,
  does: ['show', 'lamp'],
  clearedBy: 'itself',
};
const LOW: Level = {
  ...STOP,
  id: 'l3',
  name: 'Low',
  limit: 4,
  direction: 'below',
  hysteresis: 1,
  delay: 5,
  does: ['show', 'sound', 'stop'],
  clearedBy: 'anyone',
};

const ladder = (levels: readonly Level[] = [PAUSE, STOP], more: Partial<Ladder> = {}): Ladder => ({
  levels,
  range: { low: 0, high: 100 },
  startUp: 60,
  faultsWaitToo: false,
  bypass: { seconds: 600, ends: true, shown: true },
  ...more,
});
const band = (): number => 0.5;
const codes = (one: Ladder): string[] => checkLadder(one, band).map(({ sentence }) => sentence.code);

const RIGHT: readonly (readonly [string, Ladder])[] = [
  ['pause and stop', ladder()],
  ['three levels', ladder([WARN, PAUSE, STOP])],
  ['a warning alone', ladder([WARN])],
  [
    'a stop alone, without start-up and bypass',
    ladder([STOP], { startUp: 0, bypass: { seconds: 0, ends: true, shown: false } }),
  ],
  ['a low level that stops', ladder([LOW])],
  ['both sides', ladder([LOW, PAUSE, STOP])],
  ['a delay in place of hysteresis', ladder([{ ...WARN, hysteresis: 0 }])],
  ['a pause that ends by itself', ladder([{ ...PAUSE, clearedBy: 'itself' }, STOP])],
  ['faults that only the stop acts on', ladder([{ ...PAUSE, onFault: 'rests' }, STOP])],
  ['a pause that a power cut ends', ladder([{ ...PAUSE, keptOverPowerCut: false }, STOP])],
];

const WRONG: readonly (readonly [string, string, Ladder])[] = [
  ['no level', 'ladder-empty', ladder([])],
  ['an upper limit below a lower one', 'ladder-no-rest', ladder([{ ...LOW, limit: 60 }, PAUSE])],
  ['a level that does nothing', 'ladder-does-nothing', ladder([{ ...WARN, does: [] }, STOP])],
  ['a stop that nobody sees', 'ladder-unseen', ladder([PAUSE, { ...STOP, does: ['stop', 'lock'] }])],
  ['a pause that nobody sees', 'ladder-unseen', ladder([{ ...PAUSE, does: ['pause'] }, STOP])],
  ['a limit above the range', 'ladder-never', ladder([PAUSE, { ...STOP, limit: 120 }])],
  ['a lower limit below the range', 'ladder-never', ladder([{ ...LOW, limit: -1 }])],
  ['a limit whose band reaches over the range', 'ladder-at-edge', ladder([PAUSE, { ...STOP, limit: 99.8 }])],
  ['a bare comparison', 'ladder-chatters', ladder([{ ...WARN, hysteresis: 0, delay: 0 }, STOP])],
  [
    'a hysteresis that reaches over the range',
    'ladder-no-way-out',
    ladder([PAUSE, { ...STOP, hysteresis: 45 }]),
  ],
  ['a lower one that does', 'ladder-no-way-out', ladder([{ ...LOW, hysteresis: 97 }])],
  ['a lock that an operator opens', 'ladder-lock-loose', ladder([PAUSE, { ...STOP, clearedBy: 'operator' }])],
  ['a lock that anyone opens', 'ladder-lock-loose', ladder([PAUSE, { ...STOP, clearedBy: 'anyone' }])],
  ['a lock that opens by itself', 'ladder-lock-loose', ladder([PAUSE, { ...STOP, clearedBy: 'itself' }])],
  [
    'a lock that a power cut opens',
    'ladder-lock-lost',
    ladder([PAUSE, { ...STOP, keptOverPowerCut: false }]),
  ],
  ['a stop that starts again by itself', 'ladder-restarts', ladder([{ ...LOW, clearedBy: 'itself' }])],
  [
    'the weaker level behind the stronger',
    'ladder-hidden',
    ladder([{ ...PAUSE, limit: 60, does: ['show', 'pause'] }, STOP]),
  ],
  ['one level twice', 'ladder-too-near', ladder([PAUSE, { ...PAUSE, id: 'l9', name: 'Again' }, STOP])],
  ['levels within their bands', 'ladder-too-near', ladder([PAUSE, { ...STOP, limit: 22 }])],
  [
    'a break that nothing follows',
    'ladder-fault-unsafe',
    ladder([PAUSE, STOP].map((l) => ({ ...l, onFault: 'rests' as const }))),
  ],
  ['a break that holds what is', 'ladder-fault-unsafe', ladder([PAUSE, { ...STOP, onFault: 'holds' }])],
  ['a break that only pauses', 'ladder-fault-unsafe', ladder([PAUSE, { ...STOP, onFault: 'rests' }])],
  ['a warning that a break hides', 'ladder-fault-unsafe', ladder([{ ...WARN, onFault: 'rests' }])],
  ['a break that waits for the start', 'ladder-fault-waits', ladder(undefined, { faultsWaitToo: true })],
  [
    'a bypass that nobody sees',
    'ladder-bypass-unseen',
    ladder(undefined, { bypass: { seconds: 600, ends: true, shown: false } }),
  ],
  [
    'a bypass without an end',
    'ladder-bypass-endless',
    ladder(undefined, { bypass: { seconds: 600, ends: false, shown: true } }),
  ],
];

test.each(RIGHT)('nothing is found in %s', (_, one) => {
  expect(codes(one)).toEqual([]);
});

test.each(WRONG)('%s is found: %s', (_, code, one) => {
  expect(codes(one)).toContain(`switching.${code}`);
});

/** Goes the way that a finding tells, on the levels that it is about. */
function gone(one: Ladder, { way }: LadderFinding) {
  const machine = new LadderMachine(one);
  let state = machine.first(sure(machine.restZone()));
  for (const event of way.slice(0, -1)) state = machine.after(state, event);
  return [
    machine.actionsOf(state),
    machine.actionsOf(machine.after(state, nth(way, way.length - 1))),
  ] as const;
}

test.each([
  ['lock-loose', { ...STOP, clearedBy: 'operator' }, 'lock'],
  ['lock-lost', { ...STOP, keptOverPowerCut: false }, 'lock'],
  ['restarts', { ...LOW, clearedBy: 'itself' }, 'stop'],
] as const)('the way of a finding leads there: %s', (code, level, action) => {
  const one = ladder([level]);
  const finding = sure(
    checkLadder(one, band).find(({ sentence }) => sentence.code === `switching.ladder-${code}`),
  );
  const [before, after] = gone(one, finding);
  expect([before.has(action), after.has(action)]).toEqual([true, false]);
});

test('in right ladders no order of events opens a lock without its key, or leaves a break without a stop', () => {
  const machines = RIGHT.filter(([, { levels }]) => levels.some(({ does }) => does.includes('lock'))).map(
    ([, one]) => new LadderMachine(one),
  );
  fc.assert(
    fc.property(fc.constantFrom(...machines), fc.array(fc.nat(1000), { maxLength: 60 }), (machine, draws) => {
      let state = machine.first(sure(machine.restZone()));
      for (const draw of draws) {
        const events = machine.events(state);
        const event = nth(events, draw % events.length);
        const next = machine.after(state, event);
        const [had, has] = [state, next].map((one) => machine.actionsOf(one).has('lock'));
        if (had && !has) expect(event).toEqual({ is: 'clear', by: 'key' });
        if (next.fault) expect(has).toBe(true);
        state = next;
      }
    }),
    { numRuns: 500, seed: 4 },
  );
});
