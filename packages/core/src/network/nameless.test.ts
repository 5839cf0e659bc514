import { applyChange } from '../job/index.ts';
import { nth, sure } from '../lists/index.ts';
import type { JobContent } from '../model/index.ts';
import { mixedJob } from '../../../../bench/mixedJob.ts';
import { DISTANCE_SENSOR } from '../../test/description.ts';
import { FAMILIES, fieldbusJob, inputs } from '../../test/families.ts';
import { ACTOR, withPoint } from '../../test/jobs.ts';
import { renamed } from '../../test/renamed.ts';
import { holdsStandIns, nameless } from './nameless.ts';
import { ownText, sectionsOf } from './sections.ts';

const sections = sectionsOf(mixedJob(60));
const rows = ({ devices, points, wires }: JobContent) => ({ devices, points, wires });
const textWithout = (job: JobContent): string => ownText(sure(nameless(job)).section);
const sensor = withPoint(inputs(), {});
const changed = (job: JobContent, change: Parameters<typeof applyChange>[1]): JobContent =>
  applyChange(job, change, ACTOR);

describe('a section without names', () => {
  test.each(Object.entries(FAMILIES))('is the same whatever its parts are called: %s', (_, make) => {
    const job = make();
    for (const seed of [1, 2, 3]) expect(textWithout(renamed(job, seed, 'kept'))).toBe(textWithout(job));
  });

  test('holds no name of the one that it was made of, and gives each back', () => {
    for (const section of sections.map((own) => renamed(own, 7, 'any'))) {
      const { section: made, standIn, withNames } = sure(nameless(section));
      const all = [...section.modules, ...section.devices, ...section.points, ...section.wires];
      const text = ownText(made);
      for (const { id } of all) {
        expect(text).not.toContain(id);
        expect(withNames(standIn(id))).toBe(id);
      }
      for (const { tag, name } of section.points)
        expect([tag, name].some((word) => text.includes(word))).toBe(false);
      expect(withNames(rows(made))).toEqual(rows(section));
    }
  });

  test('keeps apart what differs in more than names', () => {
    const others = [
      changed(sensor, { kind: 'editPoint', id: 'px-1', patch: { bit: 'inverted' } }),
      { ...sensor, devices: sensor.devices.map((row) => ({ ...row, typeId: 'diffuse-3w' })) },
      { ...sensor, wires: sensor.wires.slice(1) },
      { ...sensor, wires: sensor.wires.map((wire) => ({ ...wire, lengthM: wire.lengthM + 0.1 })) },
      // Two that bear one name are not two that bear two.
      { ...sensor, points: sensor.points.map((row) => ({ ...row, name: row.tag })) },
    ];
    const texts = [sensor, ...others].map(textWithout);
    expect(new Set(texts).size).toBe(texts.length);
  });

  test('keeps names in their order, so that what is sorted by them stays as it is', () => {
    const two = withPoint(sensor, { tag: 'PX-2', at: ['m', 1] });
    const tags = (a: string, b: string) => ({
      ...two,
      points: two.points.map((row, i) => ({ ...row, tag: i ? b : a })),
    });
    expect(textWithout(tags('PX-9', 'PX-10'))).toBe(textWithout(tags('PX-3', 'PX-4')));
    expect(textWithout(tags('PX-10', 'PX-9'))).not.toBe(textWithout(tags('PX-3', 'PX-4')));
  });

  test('gives the bytes of addresses back', () => {
    const two = { ...sensor, modules: [{ ...nth(sensor.modules, 0), firstByte: 300 }] };
    const { section, withNames } = sure(nameless(two));
    const stand = nth(section.modules, 0).firstByte;
    expect(
      withNames([`%IX${stand}.3`, `at %IX${stand + 7}.0 and %QW${stand + 12}`, '%IX4.1', '1000000']),
    ).toEqual(['%IX300.3', 'at %IX307.0 and %QW312', '%IX4.1', '1000000']);
  });

  test('gives what holds no name back as it is', () => {
    const value = { ohms: 1, parts: [{ text: 'on' }, null, undefined, NaN] };
    const { withNames, standIn } = sure(nameless(sensor));
    expect(withNames(value)).toEqual(value);
    expect(withNames({ [`volts-${standIn('px-1')}`]: value })).toEqual({ 'volts-px-1': value });
  });
});

describe('there is none', () => {
  const without: readonly (readonly [string, JobContent])[] = [
    [
      'where a record names a point',
      changed(sensor, {
        kind: 'stamp',
        stamp: { id: 's', pointId: 'px-1', step: 'tug', fingerprint: {} },
      }),
    ],
    [
      'where a setting is a tag',
      { ...sensor, devices: sensor.devices.map((row) => ({ ...row, settings: { own: 'PX-1' } })) },
    ],
    [
      'where a part is told its tag',
      (() => {
        const description = { id: 'd1', fileName: 'd.xml', text: DISTANCE_SENSOR };
        const job = { ...fieldbusJob('io-link-a', 'iol-aaaa'), descriptions: [description] };
        return { ...job, devices: job.devices.map((row) => ({ ...row, descriptionId: 'd1' })) };
      })(),
    ],
  ];
  test.each(without)('%s', (_, job) => {
    expect(nameless(job)).toBeUndefined();
  });

  test('where there are more rows than signs', () => {
    const [wire] = sensor.wires;
    const many = Array.from({ length: 3100 }, (_, i) => ({ ...sure(wire), id: `w${i}` }));
    expect(nameless({ ...sensor, wires: many })).toBeUndefined();
  });
});

test('a long tag is kept, since further parts are named after it cut short; a long name is not', () => {
  const long = 'A tag of 21 signs now';
  const job = { ...sensor, points: sensor.points.map((row) => ({ ...row, tag: long })) };
  expect(textWithout(job)).toContain(long);
  const named = { ...sensor, points: sensor.points.map((row) => ({ ...row, name: long })) };
  expect(textWithout(named)).toBe(textWithout(sensor));
});

test('texts that hold stand-ins already are told', () => {
  expect(['PX-1', '%IX65535.7', '1000000', 'Füllstand 液位'].map(holdsStandIns)).toEqual(
    Array(4).fill(false),
  );
  expect(['a\ue000', '\uf8ff', '%QW1000000'].map(holdsStandIns)).toEqual(Array(3).fill(true));
});
