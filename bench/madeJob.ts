import { nth } from '@keypost/core/lists';
import { applyChange, proposeWires } from '@keypost/core/job';
import { emptyJob } from '@keypost/core/model';
import { partTypesOf } from '@keypost/core/catalog';
import type { Device, JobContent, Logic, OutputKind, Point } from '@keypost/core/model';

const ACTOR = { by: 'BN', at: '2026-01-01T00:00:00.000Z' };
const MODULE = 'di16-both-8-8';
const KINDS: readonly [string, OutputKind, Logic][] = [
  ['inductive-3w', 'pnp', 'no'],
  ['diffuse-3w', 'npn', 'light'],
  ['ultrasonic-3w', 'pnp', 'nc'],
  ['limit-switch', 'contact', 'no'],
  ['retro-3w', 'pushpull', 'dark'],
];

/**
 * A made job of `count` points of all kinds on 16-channel modules, their commons in turn on 0 V, on plus and on no
 * rail, so that some points work, some cannot, and some groups must be solved whole.
 */
export function madeJob(count: number): JobContent {
  let job = emptyJob(`Made job of ${count}`, '', { internalOhms: 0.02, limitAmps: 40 });
  const size = partTypesOf(job).ports({ typeId: MODULE }).length;
  const rails = ['-', '+', '-', null, '-', '+', '-', '+'] as const;
  for (let m = 0; m * size < count; m++) {
    const module = { id: `m${m}`, tag: `DI ${m}`, typeId: MODULE, firstByte: 2 * m };
    const commons = [nth(rails, (2 * m) % rails.length), rails[(2 * m + 1) % rails.length] ?? null];
    job = applyChange(job, { kind: 'addModule', module, commons }, ACTOR);
  }
  const devices: Device[] = [];
  const points: Point[] = [];
  const wires = [...job.wires];
  for (let n = 0; n < count; n++) {
    const [typeId, kind, logic] = nth(KINDS, n % KINDS.length);
    const device: Device = { id: `d${n}`, tag: `P-${n}`, typeId, outputs: { output: { kind, logic } } };
    const point: Point = { id: `p${n}`, tag: `P-${n}`, name: 'Made', deviceId: device.id, bit: 'direct' };
    devices.push(device);
    points.push(point);
    wires.push(
      ...proposeWires({ ...job, devices: [device], points: [point] }, point, {
        moduleId: `m${Math.floor(n / size)}`,
        channel: n % size,
      }),
    );
  }
  return { ...job, devices, points, wires: wires.map((wire, i) => ({ ...wire, number: String(i + 1) })) };
}
