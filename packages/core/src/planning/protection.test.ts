import { sure } from '../lists/index.ts';
import { after, jobWith, withWires } from '../../test/jobs.ts';
import { said } from '../../test/said.ts';
import { analyse } from '../analysis/index.ts';
import { JobIndex } from '../job/index.ts';
import type { Change } from '../job/index.ts';
import type { JobContent } from '../model/index.ts';
import { contextOf, copperAmps } from '../network/index.ts';
import { judge } from '../verdict/index.ts';
import { hangingOn, ledBehind, protectionOn } from './protection.ts';

const job = jobWith('di8-both-8', ['-'], {}, { tag: 'PX-2', at: ['m', 1] });
const on = (content: JobContent, id = 'g1') => {
  const index = new JobIndex(content);
  return protectionOn(index, sure(index.supply(id)));
};
const sentences = (content: JobContent, id?: string): string[] =>
  on(content, id).flatMap((group) => group.said.map(({ text }) => said(text)));

const helper = (typeId: string, settings: Record<string, string>): Change => ({
  kind: 'addHelper',
  pointId: 'px-1',
  device: { id: 'f', tag: 'F9', typeId, settings },
  wires: [],
});
/** The first sensor's brown wire goes through a protective part. */
const through = (typeId: string, settings: Record<string, string> = {}): JobContent => {
  const brown = sure(job.wires.find(({ from, to }) => [from, to].includes('px-1-b:BN')));
  const rail = brown.from === 'px-1-b:BN' ? 'to' : 'from';
  return withWires(
    after(job, helper(typeId, settings), { kind: 'moveWire', wireId: brown.id, [rail]: 'f:2' }),
    ['g1:+', 'f:1'],
  );
};

// IEC 60204-1:2005, table 6, method B1.
test.each([
  [0.75, 8.6],
  [1, 10.3],
  [1.5, 13.5],
  [2.5, 18.3],
  [0.5, (8.6 * 0.5) / 0.75],
])('%d mm² bears %d A', (mm2, amps) => expect(copperAmps(mm2)).toBeCloseTo(amps, 9));

test('a supply that gives more than its wires bear is told, with the wires', () => {
  const strong = after(job, { kind: 'editSupply', id: 'g1', patch: { limitAmps: 20 } });
  expect(sentences(strong)[0]).toMatch(/conductors-bear-less tag=G1 amps=20/);
  const weak = after(job, { kind: 'editSupply', id: 'g1', patch: { limitAmps: 1 } });
  expect(sentences(weak)[0]).toMatch(/conductors-are-protected tag=G1 amps=1/);
});

test('a fuse protects what is behind it, and nothing before it; one that is larger protects nothing', () => {
  const strong: Change = { kind: 'editSupply', id: 'g1', patch: { limitAmps: 20 } };
  const fused = after(through('fuse-terminal', { rating: '2' }), strong);
  const groups = on(fused);
  expect(groups.map(({ tag, amps }) => [tag, amps])).toEqual([
    ['G1', 20],
    ['F9', 2],
  ]);
  expect(sure(groups.find(({ tag }) => tag === 'F9')).weak).toEqual([]);
  const larger = on(
    after(through('fuse-terminal', { rating: '16' }), { ...strong, patch: { limitAmps: 4 } }),
  );
  expect(larger.map(({ tag }) => tag)).toEqual(['G1']);
  for (const kind of ['rcd-2p', 'isolator-2p'])
    expect(on(after(through(kind), strong)).map(({ tag }) => tag)).toEqual(['G1']);
});

test('a breaker trips at once only where a short lets enough flow (IEC 60898-1: B 5, C 10, D 20 times)', () => {
  const behind = (characteristic: string, limitAmps: number): string =>
    sentences(
      after(through('mcb-1p', { rating: '2', characteristic }), {
        kind: 'editSupply',
        id: 'g1',
        patch: { limitAmps },
      }),
    ).join(' ');
  // A supply of 12 A gives 12 A into a short: enough for B2, from 10 A; not for C2, from 20 A.
  expect(behind('B', 12)).toMatch(/trips-at-once tag=F9 needs=10 flows=12/);
  expect(behind('C', 12)).toMatch(/trips-late-or-never tag=F9 needs=20 flows=12/);
  expect(behind('D', 45)).toMatch(/trips-at-once tag=F9 needs=40/);
});

test.each(['fuse-terminal', 'mcb-1p', 'electronic-breaker', 'rcd-2p', 'isolator-2p'])(
  'behind a %s a sensor works while it stands on, and has no supply while it stands off',
  (typeId) => {
    const status = (state: string) => judge(analyse(new JobIndex(through(typeId, { state })), 'px-1'));
    expect(status('on').status).toBe('works');
    expect(status('off').status).toBe('cannot');
  },
);

test('behind a breaker and a strip a device is still on its supply, so what is said of mains is said', () => {
  const mains = after(
    jobWith('di8-both-8', ['-'], {}),
    { kind: 'addSupply', supply: { ...sure(job.supplies[0]), id: 'q1', tag: 'Q1', kind: 'ac', volts: 230 } },
    {
      kind: 'addPoint',
      point: { id: 'px-9', tag: 'PX-9', name: 'Bay', deviceId: 'px-9-b', bit: 'direct' },
      device: { id: 'px-9-b', tag: 'PX-9', typeId: 'inductive-2w-ac' },
      place: null,
    },
    { kind: 'addHelper', pointId: 'px-9', device: { id: 'f', tag: 'F9', typeId: 'mcb-1p' }, wires: [] },
    { kind: 'addHelper', pointId: 'px-9', device: { id: 's', tag: 'X9', typeId: 'splice' }, wires: [] },
  );
  const wired = withWires(mains, ['q1:L', 'f:1'], ['f:2', 's:1'], ['s:1', 'px-9-b:BN']);
  expect(contextOf(new JobIndex(wired), 'px-9').supply.tag).toBe('Q1');
});

test('a common behind a fuse sits on its rail, and a sensor on it works', () => {
  const wire = sure(job.wires.find(({ from, to }) => [from, to].includes('m:COM1')));
  const rail = wire.from === 'm:COM1' ? 'to' : 'from';
  const fused = withWires(
    after(job, helper('fuse-terminal', {}), { kind: 'moveWire', wireId: wire.id, [rail]: 'f:2' }),
    ['g1:-', 'f:1'],
  );
  const index = new JobIndex(fused);
  expect(index.railOf('m', 'COM1')?.rail).toBe('-');
  expect(judge(analyse(index, 'px-1')).status).toBe('works');
  // A second wire beside the fuse would join both rails.
  for (const to of ['+', null] as const)
    expect(() => after(fused, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: to })).toThrow(/F9/);
  expect(after(fused, { kind: 'setCommon', moduleId: 'm', common: 'COM1', rail: '-' })).toEqual(fused);
});

test('what hangs on a supply is led behind a branch, both of its wires, and works there', () => {
  const strong: Change = { kind: 'editSupply', id: 'g1', patch: { limitAmps: 20 } };
  const branched = after(job, strong, {
    kind: 'addSupply',
    supply: {
      ...sure(job.supplies[0]),
      id: 'f1',
      tag: 'F1',
      limitAmps: 2,
      internalOhms: 0,
      feed: { from: 'g1', protection: 'mcb-b', lengthM: 5, mm2: 1 },
    },
  });
  const index = new JobIndex(branched);
  expect(hangingOn(index, sure(index.supply('g1'))).map(({ tag }) => tag)).toEqual(['PX-1', 'PX-2']);
  const led = after(branched, ...ledBehind(branched, 'g1', 'f1', ['px-1-b', 'm']));
  const ends = led.wires.flatMap(({ from, to }) => [from, to]);
  expect(ends).toContain('f1:+');
  expect(judge(analyse(new JobIndex(led), 'px-1')).status).toBe('works');
  expect(sentences(led, 'f1').join(' ')).toMatch(/trips-at-once tag=F1 needs=10/);
});
