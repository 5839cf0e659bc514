import fc from 'fast-check';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { plcOpenXml, printProgram } from '../../scaling/index.ts';
import { executeLadder } from './executeLadder.ts';
import type { LadderExecuted, LadderExecution } from './executeLadder.ts';
import type { Ladder, Level } from './ladder.ts';
import { FLAWS } from './ladderCode.ts';
import { ladderProgram } from './ladderProgram.ts';
import { readProgram } from '../../../test/structuredProgram.ts';

const PAUSE: Level = {
  id: 'a',
  name: 'Pause',
  limit: 20,
  direction: 'above',
  hysteresis: 3,
  delay: 2,
  does: ['show', 'flash', 'pause'],
  rhythm: { lit: 0.5, dark: 1 },
  clearedBy: 'operator',
  onFault: 'acts',
  keptOverPowerCut: false,
};
const LADDER: Ladder = {
  levels: [
    PAUSE,
    {
      ...PAUSE,
      id: 'b',
      name: 'Stop',
      limit: 40,
      delay: 0,
      does: ['show', 'lamp', 'sound', 'stop', 'lock'],
      clearedBy: 'key',
      keptOverPowerCut: true,
    },
    {
      ...PAUSE,
      id: 'c',
      name: 'Too low',
      limit: 4.1,
      direction: 'below',
      hysteresis: 0.7,
      clearedBy: 'itself',
      onFault: 'holds',
    },
  ],
  range: { low: 0, high: 100 },
  startUp: 5,
  faultsWaitToo: false,
  bypass: { seconds: 30, ends: true, shown: true },
};

function executed(given: Omit<LadderExecution, 'cycle' | 'type'> & Partial<LadderExecution>): LadderExecuted {
  const run = executeLadder({ cycle: 100, type: 'REAL', ...given });
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
}

test('the code does what the ladder does at each of a million steps', () => {
  const steps = 1_000_000;
  const { equal, first, comes } = executed({ ladder: LADDER, steps });
  expect([equal, first]).toEqual([steps, undefined]);
  expect(comes.right).toBeGreaterThan(500);
});

test('over any ladder, in either type, at any cycle', () => {
  const level = fc.record({
    limit: fc.double({ min: 1, max: 99, noNaN: true }),
    direction: fc.constantFrom('above' as const, 'below' as const),
    hysteresis: fc.constantFrom(0, 1, 7.7),
    delay: fc.constantFrom(0, 0.5, 3),
    does: fc.subarray(['show', 'lamp', 'flash', 'sound', 'pause', 'stop', 'lock'] as const),
    clearedBy: fc.constantFrom('itself' as const, 'anyone' as const, 'operator' as const, 'key' as const),
    onFault: fc.constantFrom('acts' as const, 'rests' as const, 'holds' as const),
    keptOverPowerCut: fc.boolean(),
  });
  fc.assert(
    fc.property(
      fc.array(level, { minLength: 1, maxLength: 4 }),
      fc.constantFrom(0, 3),
      fc.boolean(),
      fc.record({ seconds: fc.constantFrom(0, 4), ends: fc.boolean(), shown: fc.boolean() }),
      fc.constantFrom('REAL' as const, 'LREAL' as const),
      fc.constantFrom(10, 70, 500),
      (levels, startUp, faultsWaitToo, bypass, type, cycle) => {
        const ladder: Ladder = {
          levels: levels.map((one, i) => ({ ...one, id: String(i), name: `N ${i}` })),
          range: LADDER.range,
          startUp,
          faultsWaitToo,
          bypass,
        };
        const { equal, first } = executed({ ladder, type, cycle, steps: 4000 });
        expect([equal, first]).toEqual([4000, undefined]);
      },
    ),
    { numRuns: 60, seed: 5 },
  );
});

test.each(FLAWS)('what is often written wrong is seen: %s', (flaw) => {
  const { equal, steps, first } = executed({ ladder: LADDER, steps: 60_000, flaw });
  expect(equal).toBeLessThan(steps);
  expect(first).toBeDefined();
});

test('a bare comparison comes more often than it should, and an equality on REAL hardly ever', () => {
  const of = (flaw?: (typeof FLAWS)[number]) =>
    executed({
      ladder: { ...LADDER, levels: [{ ...PAUSE, onFault: 'rests', clearedBy: 'itself' }] },
      steps: 60_000,
      ...(flaw && { flaw }),
    }).comes;
  expect(of('equals').code).toBeLessThan(of().right / 2);
  expect(of('bare').code).toBeGreaterThan(of().right);
});

test('the text has standard timers and bistables, what is kept apart, and times as they are written', () => {
  const text = printProgram(ladderProgram({ tag: 'AT-223', unit: 'ppm' }, LADDER, 'REAL'));
  for (const part of [
    'FUNCTION_BLOCK Alarms_AT_223',
    'Delay1 : TON;',
    'VAR RETAIN\n  Latch2 : RS;\nEND_VAR',
    'Delay1(IN := Called1, PT := T#2s);',
    'Beat1(IN := Latch1.Q1, PT := T#1500ms);',
    'Called3 := (Value <= 4.1) OR (Called3 AND (Value < 4.8));',
    'Latch2(S := Called2, R1 := NOT Called2 AND KeyClears);',
    'END_FUNCTION_BLOCK',
  ])
    expect(text).toContain(part);
});

test('the PLCopen document is well formed and holds the block with its instances', () => {
  const program = ladderProgram({ tag: 'AT-223', unit: 'ppm' }, LADDER, 'REAL');
  expect(readProgram(printProgram(program)).blocks.has('Alarms_AT_223')).toBe(true);
  const xml = plcOpenXml('P', program, '2026-01-01T00:00:00.000Z');
  expect(XMLValidator.validate(xml)).toBe(true);
  const { project } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@' }).parse(xml);
  const [pou] = project.types.pous.pou;
  expect([pou['@name'], pou['@pouType']]).toEqual(['Alarms_AT_223', 'functionBlock']);
  const locals: { '@retain'?: string; variable: { '@name': string } | { '@name': string }[] }[] =
    pou.interface.localVars;
  expect(locals.filter((one) => one['@retain'] === 'true').map(({ variable }) => variable)).toMatchObject([
    { '@name': 'Latch2' },
  ]);
  expect(pou.body.ST.xhtml['#text']).toContain('Latch1(S :=');
});
