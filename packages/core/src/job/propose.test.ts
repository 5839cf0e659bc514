import { bareJob, withModule } from '../../test/jobs.ts';
import { withMains } from '../../test/families.ts';
import { DEVICE_TYPES, MODULE_TYPES, settingsOf } from '../catalog/catalog.ts';
import type { DeviceType, ModuleType } from '../catalog/types.ts';
import { COLOUR_REGIONS } from '../model/job.ts';
import type { Device, JobContent } from '../model/job.ts';
import { checkIntegrity } from './integrity.ts';
import { JobIndex } from './jobIndex.ts';
import { portFits } from './portFits.ts';
import { proposeWires, RAIL_COLOURS, railColour } from './propose.ts';

/** Devices that can be put on a channel; a NAMUR sensor goes to its amplifier first. */
const POINTS = DEVICE_TYPES.filter(({ stimulated, family }) => stimulated !== 'none' && family !== 'namur');

const deviceOf = (type: DeviceType, output = type.outputs[0]!): Device => ({
  id: 'd',
  tag: 'D',
  typeId: type.id,
  output,
  logic: type.logics[0]!,
});

/** A module of a type with all its commons on minus, and the device beside it, not wired. */
function beside(type: DeviceType, module: ModuleType): { job: JobContent; device: Device } {
  const device = deviceOf(type);
  const job = withModule(
    withMains(bareJob()),
    'm',
    module.id,
    module.groups.map(() => '-'),
  );
  return {
    job: {
      ...job,
      devices: [device],
      points: [{ id: 'p', tag: 'P', name: 'P', deviceId: 'd', bit: 'direct' }],
    },
    device,
  };
}

describe.each(POINTS.map((type) => [type.id, type] as const))('%s', (_, type) => {
  const places = MODULE_TYPES.flatMap((module) =>
    module
      .ports(settingsOf(module))
      .filter((port) => portFits(type, port))
      .slice(0, 2)
      .map((port) => ({ module, port })),
  );

  test('fits somewhere', () => {
    expect(places.length).toBeGreaterThan(0);
  });

  test('on every port that suits it, its wires end on terminals that are there, one wire a lead', () => {
    for (const { module, port } of places) {
      const { job, device } = beside(type, module);
      const wires = proposeWires(job, device, { moduleId: 'm', channel: port.channel });
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
      const { job, device } = beside(type, module);
      const place = { moduleId: 'm', channel: port.channel };
      const wired = { ...job, wires: [...job.wires, ...proposeWires(job, device, place)] };
      const found = new JobIndex(wired).placeOf(device);
      expect([module.id, port.label, found]).toEqual([module.id, port.label, place]);
    }
  });

  test('leads of a printed colour keep it', () => {
    const { module, port } = places[0]!;
    const { job, device } = beside(type, module);
    for (const wire of proposeWires(job, device, { moduleId: 'm', channel: port.channel })) {
      const lead = type.terminals.find(({ name }) => wire.from === `d:${name}`)!;
      if (lead.colour) expect(wire.colour).toBe(lead.colour);
    }
  });
});

test.each(COLOUR_REGIONS)('%s: plus and minus, line and neutral are never of one colour', (region) => {
  const { '+': plus, '-': minus, L, N, PE } = RAIL_COLOURS[region];
  expect(plus).not.toBe(minus);
  expect(new Set([L, N, PE]).size).toBe(3);
  expect(railColour({ ...bareJob(), colours: region }, 'PE')).toMatch(/GN/);
});
