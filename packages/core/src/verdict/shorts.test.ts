import { lastOf, nth } from '../lists/index.ts';
import { analyse } from '../analysis/analysis.ts';
import { JobIndex } from '../job/jobIndex.ts';
import type { JobContent } from '../model/collections.ts';
import { acRelay, relayJob, twoWireOn, withMains } from '../../test/families.ts';
import { after, jobWith, withWires } from '../../test/jobs.ts';
import { moved, without } from '../../test/safetyJobs.ts';
import { judge } from './judge.ts';
import { panelFindings } from './panelFindings.ts';
import { verdictOf } from './verdict.ts';

const first = (job: JobContent, id = 'px-1') => nth(judge(analyse(new JobIndex(job), id)).reasons, 0);
const findings = (job: JobContent) =>
  panelFindings(new JobIndex(job)).map(({ weight, sentence }) => [weight, sentence.code]);

const plain = () => jobWith('di8-both-8', ['-'], { tag: 'PX-1' }, { tag: 'PX-2', at: ['m', 1] });
const branch = (job: JobContent): JobContent =>
  after(job, {
    kind: 'addSupply',
    supply: {
      ...nth(job.supplies, 0),
      id: 'f1',
      tag: 'F1',
      limitAmps: 2,
      feed: { from: 'g1', protection: 'fuse', lengthM: 2, mm2: 1 },
    },
  });
const second = (job: JobContent): JobContent =>
  after(job, { kind: 'addSupply', supply: { ...nth(job.supplies, 0), id: 'g2', tag: 'G2' } });

describe('what joins rails is judged for the panel as a whole', () => {
  test.each([
    ['plus to minus', () => withWires(plain(), ['g1:+', 'g1:-']), 'reason.rails.short'],
    ['plus to earth', () => withWires(plain(), ['g1:+', 'g1:PE']), 'reason.rails.short'],
    [
      'over a free terminal',
      () => withWires(plain(), ['g1:+', 'm:I7'], ['m:I7', 'g1:-']),
      'reason.rails.short',
    ],
    [
      'line to neutral',
      () => withWires(withMains(plain()), ['mains:L', 'mains:N']),
      'reason.rails.mains-short',
    ],
    [
      'line to earth',
      () => withWires(withMains(plain()), ['mains:L', 'mains:PE']),
      'reason.rails.mains-short',
    ],
    ['line to 0 V', () => withWires(withMains(plain()), ['mains:L', 'g1:-']), 'reason.rails.mains-short'],
    ['plus of a branch to 0 V', () => withWires(branch(plain()), ['f1:+', 'g1:-']), 'reason.rails.short'],
  ])('%s', (_, job, code) => {
    expect(findings(job())).toEqual([['cannot', code]]);
  });

  test('line and plus is told once, as a short', () => {
    const found = findings(withWires(withMains(plain()), ['mains:L', 'g1:+']));
    expect(found).toHaveLength(1);
    expect(nth(nth(found, 0), 0)).toBe('cannot');
  });

  test('a branch past its fuse, and two supplies on one rail, are said', () => {
    expect(findings(withWires(branch(plain()), ['f1:+', 'g1:+']))).toEqual([
      ['doubtful', 'reason.rails.bypass'],
    ]);
    expect(findings(withWires(second(plain()), ['g2:+', 'g1:+']))).toEqual([
      ['doubtful', 'reason.rails.parallel'],
    ]);
  });

  test.each([
    ['a plain job', plain],
    ['minus earthed', () => withWires(plain(), ['g1:-', 'g1:PE'])],
    ['0 V of two supplies joined', () => withWires(second(plain()), ['g2:-', 'g1:-'])],
    ['neutral earthed', () => withWires(withMains(plain()), ['mains:N', 'mains:PE'])],
    ['a relay with its loads', () => relayJob()],
  ])('%s joins nothing that must not meet', (_, job) => {
    expect(findings(job())).toEqual([]);
  });

  test('it is the first thing that each point on that supply is told, with its ampere', () => {
    const job = withWires(plain(), ['g1:+', 'm:I7'], ['m:I7', 'g1:-']);
    for (const id of ['px-1', 'px-2']) {
      const { code, sentence } = first(job, id);
      expect(code).toBe('short-circuit');
      expect(sentence.values).toMatchObject({ amps: nth(job.supplies, 0).limitAmps });
    }
  });
});

describe('the way out of a short', () => {
  const ways = (job: JobContent) =>
    verdictOf(analyse(new JobIndex(job), 'px-1')).remedies.map(({ change }) => change);

  test('is to take the wire out; nothing that leaves it is proposed', () => {
    const job = withWires(plain(), ['g1:+', 'g1:-']);
    const { id } = lastOf(job.wires);
    expect(ways(job)).toEqual([{ kind: 'removeWire', wireId: id }]);
  });

  test('is either wire of a joint over a terminal', () => {
    const job = withWires(plain(), ['g1:+', 'm:I7'], ['m:I7', 'g1:-']);
    expect(ways(job)).toEqual(job.wires.slice(-2).map(({ id }) => ({ kind: 'removeWire', wireId: id })));
  });

  test('is the plan where the wire was found elsewhere', () => {
    const job = withWires(plain(), ['g1:+', 'm:I7']);
    const { id } = lastOf(job.wires);
    const slipped = after(job, { kind: 'landWire', wireId: id, asFound: { to: 'g1:-' } });
    expect(ways(slipped)).toEqual([{ kind: 'landWire', wireId: id, asFound: null }]);
  });

  test('two shorts have no way out by one wire', () => {
    expect(ways(withWires(plain(), ['g1:+', 'g1:-'], ['g1:+', 'g1:PE']))).toEqual([]);
  });
});

describe('a short that a state brings about', () => {
  const throughRelay = () => moved(relayJob(), 'fan:1', 'mains:N');

  test('line to neutral through a contact that closes, with what flows', () => {
    const job = withWires(without(throughRelay(), 'fan:2'), ['k1:14', 'mains:N']);
    const { code, sentence } = first(job);
    expect(code).toBe('short-circuit');
    expect(sentence.code).toBe('reason.short-circuit.mains');
    // 230 V over 0.5 Ω of the mains and two short wires.
    expect(sentence.values?.amps).toBeGreaterThan(350);
    expect(sentence.values?.amps).toBeLessThan(460);
  });

  test('also where the collapse of the supply opens it again', () => {
    const job = withWires(
      acRelay('relay-1co-230ac', '10000', '10'),
      ['k1:11', 'mains:L'],
      ['k1:14', 'mains:N'],
    );
    expect(first(job).sentence.code).toBe('reason.short-circuit.mains');
  });

  test('plus to minus through the contact of a relay', () => {
    const job = withWires(without(relayJob(), 'k1:24'), ['k1:24', 'g1:-']);
    expect(first(job).sentence.code).toBe('reason.short-circuit.state');
  });

  test.each([
    [
      'a two-wire sensor straight across its supply',
      () => moved(twoWireOn('inductive-2w-dc', 'di8-both-8'), 'px-1-b:BK', 'g1:-'),
      'two-wire',
    ],
    ['a PNP output on 0 V, on no channel', () => moved(plain(), 'px-1-b:BK', 'g1:-'), 'output'],
    ['a PNP output with its input on 0 V', () => withWires(plain(), ['m:I0', 'g1:-']), 'output'],
    [
      'an NPN output on plus',
      () => moved(jobWith('di8-both-8', ['+'], { output: 'npn' }), 'px-1-b:BK', 'g1:+'),
      'output',
    ],
  ])('%s', (_, job, kind) => {
    const { code, sentence } = first(job());
    expect(code).toBe('short-circuit');
    expect(sentence.code).toBe(`reason.short-circuit.${kind}`);
  });

  test('a common on both rails is a short of the panel', () => {
    expect(findings(withWires(plain(), ['m:COM1', 'g1:+']))).toEqual([['cannot', 'reason.rails.short']]);
  });

  test.each([
    ['a relay with its loads', () => relayJob()],
    ['a sensor that pulls a coil in on the mains', () => acRelay('relay-1co-230ac', '10000', '10')],
  ])('%s shorts nothing', (_, job) => {
    expect(judge(analyse(new JobIndex(job()), 'px-1')).reasons.map(({ code }) => code)).not.toContain(
      'short-circuit',
    );
  });
});
