import { nth, sure } from '../lists/index.ts';
import { bareJob, withModule } from '../../test/jobs.ts';
import { withMains } from '../../test/families.ts';
import { DEVICE_TYPES, MODULE_TYPES } from '../catalog/catalog.ts';
import { settingsOf } from '../catalog/partType.ts';
import type { DeviceOutput, DeviceType } from '../catalog/deviceType.ts';
import type { ModuleType } from '../catalog/moduleType.ts';
import { COLOUR_REGIONS } from '../model/job.ts';
import type { Point } from '../model/job.ts';
import type { JobContent } from '../model/collections.ts';
import { checkIntegrity } from './integrity.ts';
import { JobIndex } from './jobIndex.ts';
import { portFits } from './portFits.ts';
import { proposeWires, RAIL_COLOURS, railColour } from './propose.ts';

/** Every output that can be put on a channel; a NAMUR sensor goes to its amplifier first. */
const POINTS = DEVICE_TYPES.flatMap((type) =>
  type.outputs.filter(({ landsOn }) => landsOn !== 'none').map((output) => ({ type, output })),
);

/** A module of a type with all its commons on minus, and the device beside it, not wired. */
function beside(
  type: DeviceType,
  output: DeviceOutput,
  module: ModuleType,
): { job: JobContent; point: Point } {
  const point: Point = { id: 'p', tag: 'P', name: 'P', deviceId: 'd', outputId: output.id, bit: 'direct' };
  const job = withModule(
    withMains(bareJob()),
    'm',
    module.id,
    module.groups.map(() => '-'),
  );
  return {
    job: {
      ...job,
      devices: [{ id: 'd', tag: 'D', typeId: type.id }],
      points: [point],
    },
    point,
  };
}

describe.each(POINTS.map(({ type, output }) => [type.id, output.id, type, output] as const))(
  '%s, %s',
  (_, __, type, output) => {
    const places = MODULE_TYPES.flatMap((module) =>
      module
        .ports(settingsOf(module))
        .filter((port) => portFits(type, output, port))
        .slice(0, 2)
        .map((port) => ({ module, port })),
    );

    test('fits somewhere', () => {
      expect(places.length).toBeGreaterThan(0);
    });

    test('on every port that suits it, its wires end on terminals that are there, one wire a lead', () => {
      for (const { module, port } of places) {
        const { job, point } = beside(type, output, module);
        const wires = proposeWires(job, point, { moduleId: 'm', channel: port.channel });
        const at = `${module.id} ${port.label}`;
        expect([at, wires.length > 0]).toEqual([at, true]);
        expect([at, new Set(wires.map(({ from }) => from)).size]).toEqual([at, wires.length]);
        expect(new Set(wires.map(({ number }) => number)).size).toBe(wires.length);
        const wired = { ...job, wires: [...job.wires, ...wires] };
        expect([at, checkIntegrity(wired)]).toEqual([at, []]);
      }
    });

    test('its signal is found again on the port that it was put on', () => {
      for (const { module, port } of places) {
        const { job, point } = beside(type, output, module);
        const place = { moduleId: 'm', channel: port.channel };
        const wired = { ...job, wires: [...job.wires, ...proposeWires(job, point, place)] };
        const found = new JobIndex(wired).placeOf(point);
        expect([module.id, port.label, found]).toEqual([module.id, port.label, place]);
      }
    });

    test('leads of a printed colour keep it', () => {
      const { module, port } = nth(places, 0);
      const { job, point } = beside(type, output, module);
      for (const wire of proposeWires(job, point, { moduleId: 'm', channel: port.channel })) {
        const lead = sure(type.terminals.find(({ name }) => wire.from === `d:${name}`));
        if (lead.colour) expect(wire.colour).toBe(lead.colour);
      }
    });
  },
);

test.each(COLOUR_REGIONS)('%s: plus and minus, line and neutral are never of one colour', (region) => {
  const { '+': plus, '-': minus, L, N, PE } = RAIL_COLOURS[region];
  expect(plus).not.toBe(minus);
  expect(new Set([L, N, PE]).size).toBe(3);
  expect(railColour({ ...bareJob(), colours: region }, 'PE')).toMatch(/GN/);
});
