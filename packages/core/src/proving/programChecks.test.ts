import { bareJob, withModule, withPoint } from '../../test/jobs.ts';
import { analyse } from '../analysis/index.ts';
import { applyChange, JobIndex, NOBODY } from '../job/index.ts';
import type { SingleChange } from '../job/index.ts';
import { textOf } from '../messages/index.ts';
import type { JobContent, Program } from '../model/index.ts';
import { programCases, programText, proofFingerprint, statesPlan } from './index.ts';

/** Two sensors and a button on inputs, a lamp on an output. */
function job(program?: Program): JobContent {
  const panel = withModule(withModule(bareJob(), 'm', 'di8-both-8', ['-']), 'q', 'do8-high', []);
  const sensors = ['PX-1', 'PX-2', 'PX-3'].reduce(
    (next, tag, i) => withPoint(next, { tag, at: ['m', i] }),
    panel,
  );
  const lamp = withPoint(sensors, {
    tag: 'HL-1',
    typeId: 'lamp-led-24',
    output: 'none',
    logic: 'none',
    at: ['q', 0],
  });
  return program ? changed(lamp, { kind: 'editPoint', id: 'hl-1', patch: { program } }) : lamp;
}

const changed = (content: JobContent, change: SingleChange): JobContent =>
  applyChange(content, change, NOBODY);

const ALL: Program = { how: 'all', of: [{ pointId: 'px-1' }, { pointId: 'px-2', turned: true }] };
const ANY: Program = { how: 'any', of: [{ pointId: 'px-1' }, { pointId: 'px-2' }, { pointId: 'px-3' }] };

/** An independent evaluation, by the words of Boole: a product of factors, or a sum. */
const boole = ({ how, of }: Program, inputs: readonly boolean[]): boolean => {
  const factors = of.map(({ turned }, i) => Number(Boolean(inputs[i]) !== Boolean(turned)));
  return how === 'all' ? factors.reduce((p, f) => p * f, 1) === 1 : factors.reduce((s, f) => s + f, 0) > 0;
};

/** Programs that somebody could have written instead: joined otherwise, an input turned, or one left out. */
const mistakes = (program: Program): Program[] => [
  ...(program.of.length > 1
    ? [{ ...program, how: program.how === 'all' ? ('any' as const) : ('all' as const) }]
    : []),
  ...program.of.map((_, k) => ({
    ...program,
    of: program.of.map((input, i) => (i === k ? { ...input, turned: !input.turned } : input)),
  })),
];

describe('what is proven of a program', () => {
  const sizes = [1, 2, 3, 4, 5, 8];
  const programs = sizes.flatMap((size) =>
    (['all', 'any'] as const).flatMap((how) =>
      [0, 1, 0b1010].map((turns): Program => ({
        how,
        of: Array.from({ length: size }, (_, i) => ({ pointId: `p${i}`, turned: Boolean((turns >> i) & 1) })),
      })),
    ),
  );

  test.each(programs)('of $how of $of.length inputs: each case is what the program says', (program) => {
    for (const { inputs, on } of programCases(program)) expect(on).toBe(boole(program, inputs));
  });

  test.each(programs)('of $how of $of.length inputs tells it from every single mistake', (program) => {
    const cases = programCases(program);
    expect(cases).toHaveLength(program.of.length + 1);
    for (const wrong of mistakes(program))
      expect(cases.some(({ inputs, on }) => boole(wrong, inputs) !== on)).toBe(true);
    // One whose input is not wired through: it stays as it is whatever is done there.
    for (const k of program.of.keys())
      for (const stuck of [false, true])
        expect(
          cases.some(
            ({ inputs, on }) =>
              boole(
                program,
                inputs.map((value, i) => (i === k ? stuck : value)),
              ) !== on,
          ),
        ).toBe(true);
  });

  test('that holds is looked at once its call is gone, and once it is ended', () => {
    const held = programCases({ ...ALL, until: 'px-3' }).slice(-2);
    expect(held.map(({ on, after }) => [after, on])).toEqual([
      ['away', true],
      ['ended', false],
    ]);
  });
});

describe('a program of a job', () => {
  test('stands in words and in the proof of its output, after its states', () => {
    const index = new JobIndex(job({ ...ALL, onDelay: 2 }));
    const { groups } = statesPlan(analyse(index, 'hl-1'));
    const own = groups.find(({ key }) => key === 'program');
    expect(textOf(own?.how)).toBe('On while PX-1 and not PX-2, 2 s later on');
    expect(own?.caution).toBeDefined();
    expect(own?.checks.map(({ label, detail }) => `${textOf(label)}: ${textOf(detail)}`)).toEqual([
      'With PX-1 on, PX-2 off: bits of the program; look 2 s later',
      'With PX-1 off, PX-2 off: bits of the program, at once',
      'With PX-1 on, PX-2 on: bits of the program, at once',
    ]);
    expect(statesPlan(analyse(new JobIndex(job()), 'hl-1')).groups.some(({ key }) => key === 'program')).toBe(
      false,
    );
  });

  test('is told with OR, what holds it and both delays', () => {
    const points = [1, 2, 3, 4].map((n) => ({ id: `px-${n}`, tag: `PX-${n}` }));
    const text = programText({ ...ANY, until: 'px-4', onDelay: 1, offDelay: 5 }, points);
    expect(textOf(text)).toBe('On while PX-1 or PX-2 or PX-3, held until PX-4, 1 s later on, 5 s later off');
  });

  test('changes what a proof is about', () => {
    const about = (content: JobContent) => proofFingerprint(analyse(new JobIndex(content), 'hl-1'));
    expect(about(job(ALL))).not.toEqual(about(job(ANY)));
    expect(about(job())).not.toEqual(about(job(ANY)));
  });

  test.each([
    ['a sensor', 'px-1', ALL, /no load/],
    ['an input twice', 'hl-1', { ...ANY, of: [...ANY.of, { pointId: 'px-1' }] }, /twice/],
    ['itself', 'hl-1', { how: 'all', of: [{ pointId: 'hl-1' }] }, /no bit/],
    ['nobody', 'hl-1', { how: 'all', of: [{ pointId: 'nobody' }] }, /no bit/],
  ] as const)('is refused of %s', (_, id, program, words) => {
    const change = () => changed(job(), { kind: 'editPoint', id, patch: { program: program as Program } });
    expect(change).toThrow(words);
  });

  test('loses an input that leaves the job, and goes with its last', () => {
    const programIn = (content: JobContent) => content.points.find(({ id }) => id === 'hl-1')?.program;
    const first = changed(job({ ...ALL, until: 'px-3' }), { kind: 'removePoint', id: 'px-2' });
    expect(programIn(first)).toEqual({ how: 'all', of: [{ pointId: 'px-1' }], until: 'px-3' });
    const second = changed(first, { kind: 'removePoint', id: 'px-3' });
    expect(programIn(second)).toEqual({ how: 'all', of: [{ pointId: 'px-1' }] });
    expect(programIn(changed(second, { kind: 'removePoint', id: 'px-1' }))).toBeUndefined();
  });
});
