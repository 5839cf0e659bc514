import { MAKE_UPS, MODULE_TYPES } from '../catalog/index.ts';
import { additionOf, after, bareJob } from '../../test/jobs.ts';
import { statusIn } from '../verdict/index.ts';
import { railJoints } from '../network/index.ts';
import { portFits } from './portFits.ts';
import { JobIndex } from './jobIndex.ts';
import { makeUpChanges } from './makeUps.ts';
import { proposeModule } from './proposeModule.ts';

let last = 0;
const made = (makeUp: (typeof MAKE_UPS)[number], sensors: 'pnp' | 'npn') =>
  after(bareJob(), ...makeUpChanges(bareJob(), makeUp, sensors, () => `m${++last}`));

test.each(
  MAKE_UPS.flatMap((makeUp) => (['pnp', 'npn'] as const).map((s) => [makeUp.id, s, makeUp] as const)),
)(
  '%s for %s: sound, nothing shorted, and such a sensor works on its first free channel',
  (_, sensors, makeUp) => {
    const job = made(makeUp, sensors);
    expect(job.modules.map(({ typeId }) => typeId)).toEqual(makeUp.modules);
    expect(new Set(job.modules.map(({ tag }) => tag)).size).toBe(makeUp.modules.length);
    expect(railJoints(new JobIndex(job))).toEqual([]);
    const index = new JobIndex(job);
    const type = index.types.device({ typeId: 'inductive-3w' });
    const place = job.modules.flatMap(({ id }) =>
      index
        .portsOf(id)
        .flatMap((port) => (portFits(type, type.outputs[0], port) ? [[id, port.channel] as const] : [])),
    )[0];
    if (!place) return expect(makeUp.modules).toEqual([]);
    const point = additionOf({ tag: 'PX-1', output: sensors, at: place });
    expect(statusIn(after(job, point), 'px-1')).toBe('works');
  },
);

test('every module is proposed with a tag by what it is, behind the bytes of the others', () => {
  const job = MODULE_TYPES.reduce((next, type) => {
    const { tag, firstByte, rails } = proposeModule(next, type);
    expect(tag.startsWith(type.description.tag)).toBe(true);
    return after(next, {
      kind: 'addModule',
      module: { id: type.id, tag, typeId: type.id, firstByte },
      commons: type.groups.map(({ common }) => rails[common] ?? null),
    });
  }, bareJob());
  expect(job.modules).toHaveLength(MODULE_TYPES.length);
});

test('a common that goes one way only is put there, an analog one on 0 V, one with a choice on nothing', () => {
  const railsOf = (id: string) => {
    const type = MODULE_TYPES.find((one) => one.id === id);
    return type && Object.values(proposeModule(bareJob(), type).rails);
  };
  expect(railsOf('di4-sink-4')).toEqual(['-']);
  expect(railsOf('di4-source-4')).toEqual(['+']);
  expect(railsOf('di4-both-4')).toEqual([]);
  expect(railsOf('ai2-switch')).toEqual(['-', '-']);
});
