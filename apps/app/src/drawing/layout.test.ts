import { analyse, applyChange, emptyJob, JobIndex, loopView } from '@keypost/core';
import type { Change, LoopView } from '@keypost/core';
import { layOut } from './layout';

const ACTOR = { by: 'TT', at: '2026-01-01T00:00:00.000Z' };

function viewOf(
  output: 'pnp' | 'npn' | 'pushpull' | 'contact',
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
        output,
        logic: typeId === 'through-beam-3w' ? 'dark' : typeId === 'diffuse-3w' ? 'light' : 'no',
      },
      place: { moduleId: 'm', channel: 0 },
    },
  ];
  const job = changes.reduce((j, change) => applyChange(j, change, ACTOR), emptyJob('T', ''));
  const { context, away, present: there } = analyse(new JobIndex(job), 'p');
  return loopView(context, present ? there : away);
}

test('a PNP sensor’s path enters at plus above and leaves to minus below', () => {
  const { path, rails } = layOut(viewOf('pnp', '-', 'inductive-3w'));
  expect(path![0]!.x).toBe(rails.plus);
  expect(path!.at(-1)!.x).toBe(rails.minus);
  expect(path![0]!.y).toBeLessThan(path!.at(-1)!.y);
});

test('an NPN sensor’s path enters at the common below and climbs to minus above', () => {
  const { path, rails } = layOut(viewOf('npn', '+', 'inductive-3w'));
  expect(path![0]!.x).toBe(rails.plus);
  expect(path!.at(-1)!.x).toBe(rails.minus);
  expect(path![0]!.y).toBeGreaterThan(path!.at(-1)!.y);
});

test('a contact stands at the rail that it is wired to', () => {
  const left = layOut(viewOf('contact', '-', 'dry-contact'));
  const right = layOut(viewOf('contact', '+', 'dry-contact'));
  const side = (layout: typeof left) => layout.terminals.find(({ terminal }) => terminal.name === '1')!.x;
  expect(side(left)).toBeLessThan(side(right));
});

test('an open common has a stub in the air and no path', () => {
  const { gaps, path } = layOut(viewOf('pnp', null, 'inductive-3w'));
  expect(gaps).toHaveLength(1);
  expect(path).toBeUndefined();
});

test.each([
  ['pnp', '-', 'inductive-3w'],
  ['npn', '+', 'diffuse-3w'],
  ['pushpull', '+', 'ultrasonic-3w'],
  ['pnp', '-', 'through-beam-3w'],
  ['contact', '+', 'limit-switch'],
] as const)(
  '%s with the common on %s: everything stands inside the sheet, no terminal on another',
  (output, rail, type) => {
    for (const present of [true, false]) {
      const layout = layOut(viewOf(output, rail, type, present));
      const spots = layout.terminals.map(({ x, y }) => ({ x, y }));
      for (const { x, y } of [...spots, ...(layout.path ?? []), ...layout.inner.flat()]) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(layout.width);
        expect(y).toBeLessThanOrEqual(layout.height);
      }
      for (const [i, a] of spots.entries())
        for (const b of spots.slice(i + 1)) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(40);
    }
  },
);

test('the path is one line from rail to rail, upright or level in every part', () => {
  for (const view of [
    viewOf('pnp', '-', 'inductive-3w'),
    viewOf('npn', '+', 'inductive-3w'),
    viewOf('contact', '+', 'limit-switch'),
  ]) {
    const path = layOut(view).path!;
    path.slice(1).forEach((spot, i) => expect(spot.x === path[i]!.x || spot.y === path[i]!.y).toBe(true));
  }
});
