import { lastOf, nth, sure } from '@keypost/core/lists';
import { analyse } from '@keypost/core/analysis';
import { applyChange, JobIndex } from '@keypost/core/job';
import { emptyJob } from '@keypost/core/model';
import { loopView } from '@keypost/core/presentation';
import type { Change } from '@keypost/core/job';
import type { LoopView } from '@keypost/core/presentation';
import { ternRock } from '../../../server/src/demo/ternRock';
import { FAMILIES } from '../../../../packages/core/test/families';
import { layOut } from './layout';
import type { Spot } from './sheet';

const ACTOR = { by: 'TT', at: '2026-01-01T00:00:00.000Z' };

function viewOf(
  kind: 'pnp' | 'npn' | 'pushpull' | 'contact',
  rail: '+' | '-' | null,
  typeId: string,
  present = true,
): LoopView {
  const changes: Change[] = [
    {
      kind: 'addModule',
      module: { id: 'm', tag: 'DI 1', typeId: 'di8-both-8', firstByte: 0 },
      commons: [rail],
    },
    {
      kind: 'addPoint',
      point: { id: 'p', tag: 'PX-1', name: 'P', deviceId: 'd', bit: 'direct' },
      device: {
        id: 'd',
        tag: 'PX-1',
        typeId,
        outputs: {
          output: {
            kind,
            logic: typeId === 'through-beam-3w' ? 'dark' : typeId === 'diffuse-3w' ? 'light' : 'no',
          },
        },
      },
      place: { moduleId: 'm', channel: 0 },
    },
  ];
  const job = changes.reduce((j, change) => applyChange(j, change, ACTOR), emptyJob('T', ''));
  const { context, away, present: there } = analyse(new JobIndex(job), 'p');
  return loopView(context, present ? there : away);
}

type Layout = ReturnType<typeof layOut>;

/** Wires that carry the signal, each in the sense of its current: where it begins and where it ends. */
function flows({ wires }: Layout): { from: Spot; to: Spot }[] {
  return wires
    .filter(({ wire }) => wire.amps !== 0)
    .map(({ wire, points }) => {
      const way = wire.amps > 0 ? points : [...points].reverse();
      return { from: nth(way, 0), to: lastOf(way) };
    });
}

const railAt = ({ rails }: Layout, side: 'left' | 'right'): number =>
  sure(rails.find((rail) => rail.side === side)).x;

test('a PNP sensor’s path enters at plus above and leaves to minus below', () => {
  const layout = layOut(viewOf('pnp', '-', 'inductive-3w'));
  const way = flows(layout);
  const entry = sure(way.find(({ from }) => from.x === railAt(layout, 'left')));
  const exit = sure(way.find(({ to }) => to.x === railAt(layout, 'right')));
  expect(entry.from.y).toBeLessThan(exit.to.y);
});

test('an NPN sensor’s path enters at the common below and climbs to minus above', () => {
  const layout = layOut(viewOf('npn', '+', 'inductive-3w'));
  const way = flows(layout);
  const entry = sure(way.find(({ from }) => from.x === railAt(layout, 'left')));
  const exit = sure(way.find(({ to }) => to.x === railAt(layout, 'right')));
  expect(entry.from.y).toBeGreaterThan(exit.to.y);
});

test('a contact stands at the rail that it is wired to', () => {
  const left = layOut(viewOf('contact', '-', 'dry-contact'));
  const right = layOut(viewOf('contact', '+', 'dry-contact'));
  const side = (layout: typeof left) =>
    sure(layout.terminals.find(({ terminal }) => terminal.name === '1')).x;
  expect(side(left)).toBeLessThan(side(right));
});

test('an open common has a stub in the air and no path', () => {
  const layout = layOut(viewOf('pnp', null, 'inductive-3w'));
  expect(layout.gaps).toHaveLength(1);
  expect(flows(layout)).toEqual([]);
});

test.each([
  ['pnp', '-', 'inductive-3w'],
  ['npn', '+', 'diffuse-3w'],
  ['pushpull', '+', 'ultrasonic-3w'],
  ['pnp', '-', 'through-beam-3w'],
  ['contact', '+', 'limit-switch'],
] as const)('%s with the common on %s: %s is drawn soundly', (output, rail, type) => {
  for (const present of [true, false]) expectSound(layOut(viewOf(output, rail, type, present)));
});

test.each(Object.keys(FAMILIES))('%s is drawn soundly in every state', (family) => {
  const { context, shown, staged } = analyse(new JobIndex(sure(FAMILIES[family])()), 'px-1');
  for (const state of [...shown, ...staged]) expectSound(layOut(loopView(context, state)));
});

test('a plain sensor on an IO-Link port shows its signal and both of its supply leads', () => {
  const changes: Change[] = [
    {
      kind: 'addModule',
      module: {
        id: 'm',
        tag: 'IOL 1',
        typeId: 'iol-aaaaaaaa',
        firstByte: 64,
        settings: { 'P2.mode': 'input' },
      },
      commons: [],
    },
    {
      kind: 'addPoint',
      point: { id: 'p', tag: 'PX-1', name: 'P', deviceId: 'd', bit: 'direct' },
      device: {
        id: 'd',
        tag: 'PX-1',
        typeId: 'inductive-3w',
        outputs: { output: { kind: 'pnp', logic: 'no' } },
      },
      place: { moduleId: 'm', channel: 1 },
    },
  ];
  const job = changes.reduce((j, change) => applyChange(j, change, ACTOR), emptyJob('T', ''));
  const { context, shown } = analyse(new JobIndex(job), 'p');
  for (const state of shown) {
    const layout = layOut(loopView(context, state));
    expectSound(layout);
    const ends = layout.wires.map(({ wire }) => [wire.from, wire.to].sort().join(' ')).sort();
    expect(ends).toEqual(['d:BK m:2.4', 'd:BN m:2.1', 'd:BU m:2.3']);
  }
});

test('every wire of every point of the demo that the content names has its way on the sheet', () => {
  const index = new JobIndex(ternRock());
  for (const { id } of index.job.points) {
    const { context, shown } = analyse(index, id);
    const view = loopView(context, sure(shown[0]));
    const layout = layOut(view);
    expect([id, layout.wires.length]).toEqual([id, view.wires.length]);
    expect([id, layout.glyphs.length]).toEqual([id, glyphsIn(view)]);
  }
});

const glyphsIn = ({ plates }: LoopView): number =>
  plates.flatMap(({ rows }) => rows.flatMap(({ glyph, second }) => [glyph, second].filter(Boolean))).length;

/** Everything inside the sheet, no terminal on another, every wire upright or level, nothing on a plate's name. */
function expectSound(layout: Layout): void {
  const lines = [...layout.inner.map(({ points }) => points), ...layout.wires.map(({ points }) => points)];
  const spots = layout.terminals.map(({ x, y }) => ({ x, y }));
  for (const { x, y } of [...spots, ...lines.flat()]) {
    expect(x).toBeGreaterThanOrEqual(0);
    expect(x).toBeLessThanOrEqual(layout.width);
    expect(y).toBeGreaterThanOrEqual(0);
    expect(y).toBeLessThanOrEqual(layout.height);
  }
  for (const [i, a] of spots.entries())
    for (const b of spots.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(40);
  for (const line of lines)
    line
      .slice(1)
      .forEach((spot, i) => expect(spot.x === nth(line, i).x || spot.y === nth(line, i).y).toBe(true));
  expect(new Set(layout.plates.map(({ plate }) => plate.id)).size).toBe(layout.plates.length);
}
