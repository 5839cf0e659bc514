import { nth, sure } from '@keypost/core/lists';
import { DEVICE_TYPES, partTypesOf } from '@keypost/core/catalog';
import { analyse } from '@keypost/core/analysis';
import { JobIndex } from '@keypost/core/job';
import type { JobContent } from '@keypost/core/model';
import { trialJob, trialTargets } from '@keypost/core/planning';
import { loopView } from '@keypost/core/presentation';
import { judge } from '@keypost/core/verdict';
import { FAMILIES } from '../../../../packages/core/test/families';
import { ternRock } from '../../../server/src/demo/ternRock';
import { bodies } from './fixedMarks';
import { overlap } from './labels';
import { layOut } from './layout';
import { boxOf } from './lettering';
import type { Box, LoopLayout, Shows } from './sheet';
import { arrowChoices } from './wireChoices';

interface Mark extends Box {
  readonly what: string;
  /** Marks of one thing, such as a wire's letters and its number, may touch each other. */
  readonly of: string;
}

/** Everything that is written or drawn on a sheet with the room that it takes, read off what is drawn. */
function marksOf(layout: LoopLayout): Mark[] {
  return [
    ...layout.texts.map((text) => ({ what: `“${text.text}”`, of: text.key, ...boxOf(text) })),
    ...layout.values.map((value) => ({ ...value, what: `value ${value.text}`, of: 'values' })),
    ...layout.wires.flatMap((placed) => {
      const { wire, letters, ground, arrow } = placed;
      return [
        ...letters.map((text) => ({ what: `wire ${text.text}`, of: wire.id, ...boxOf(text) })),
        ...(ground ? [{ what: `ground of ${wire.number}`, of: wire.id, ...ground }] : []),
        ...(arrow
          ? arrowChoices(placed)
              .roomOf(arrow)
              .map((box) => ({ what: `arrow of ${wire.number}`, of: `${wire.id} arrow`, ...box }))
          : []),
      ];
    }),
    ...bodies(layout).map((box, i) => ({ what: 'a terminal or part', of: `body ${i}`, ...box })),
  ];
}

/** Parts stand where they stand; of everything else none covers another. */
function touching(layout: LoopLayout): string[] {
  const marks = marksOf(layout);
  return marks.flatMap((a, i) =>
    marks
      .slice(i + 1)
      .filter((b) => a.of !== b.of && !(a.of.startsWith('body') && b.of.startsWith('body')))
      .filter((b) => overlap(a, b) > 0.5)
      .map((b) => `${a.what} on ${b.what}`),
  );
}

const outside = (layout: LoopLayout): string[] =>
  marksOf(layout)
    .filter(
      ({ x, y, width, height }) => x < 0 || y < 0 || x + width > layout.width || y + height > layout.height,
    )
    .map(({ what }) => what);

/** Names of plates that have no room: one could not tell which part is meant. */
const cutNames = ({ texts }: LoopLayout): string[] =>
  texts.flatMap(({ key, text }) => (key.endsWith(' title') && text.endsWith('…') ? [text] : []));

/** What is wrong with the drawing of a point in each of its states, by what is written at its terminals. */
function faults(job: JobContent, pointId: string, shows: Shows = 'names'): string[] {
  const analysis = analyse(new JobIndex(job), pointId);
  const { reasons } = judge(analysis);
  return [...analysis.shown, ...analysis.staged].flatMap((state) => {
    const layout = layOut(loopView(analysis.context, state, reasons), shows);
    const where = `${analysis.context.point.tag}, ${state.situation.key}`;
    return [
      ...touching(layout).map((words) => `${where}: ${words}`),
      ...cutNames(layout).map((words) => `${where}: the name ${words} is cut`),
      ...outside(layout).map((words) => `${where}: ${words} leaves the sheet`),
    ];
  });
}

const endsOf = <T>(list: readonly T[]): T[] => [...new Set([...list.slice(0, 1), ...list.slice(-1)])];

const DEMO = ternRock();

test.each(DEMO.points.map(({ tag, id }) => [tag, id] as const))('%s: no label touches anything', (_, id) => {
  expect(faults(DEMO, id)).toEqual([]);
  expect(faults(DEMO, id, 'volts')).toEqual([]);
});

test.each(Object.keys(FAMILIES))('%s: no label touches anything', (family) => {
  const job = sure(FAMILIES[family])();
  expect(faults(job, nth(job.points, 0).id)).toEqual([]);
});

test('every kind of the catalog, on the first and the last that it can go to: no label touches anything', () => {
  const types = partTypesOf({ ownDevices: [], ownModules: [] });
  const found = DEVICE_TYPES.filter(({ description }) => !description.part).flatMap((type) =>
    type.outputs.flatMap((output) =>
      endsOf(trialTargets(types, type.id, output.id)).flatMap((target) => {
        const [kind = 'none'] = output.kinds;
        const job = trialJob(
          { ownDevices: [], ownModules: [] },
          {
            typeId: type.id,
            outputId: output.id,
            kind,
            logic: output.logics[0] ?? 'none',
            target: target.id,
            rail: kind === 'npn' ? '+' : '-',
            range: { low: 0, high: 100, unit: '%' },
          },
        );
        return faults(job, nth(job.points, 0).id).map((words) => `${type.id} on ${target.id}, ${words}`);
      }),
    ),
  );
  expect(found).toEqual([]);
});
