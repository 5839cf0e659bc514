import type { BoardRow } from '@keypost/api';
import type { JobIndex } from '@keypost/core/job';
import { z } from 'zod';

/** What is asked of the board; kept by this browser for each job. */
export const BoardAsk = z.object({
  text: z.string(),
  state: z.string(),
  stage: z.string(),
  area: z.string(),
  module: z.string(),
  kind: z.string(),
  sort: z.enum(['need', 'tag', 'name', 'area', 'module']),
  group: z.enum(['none', 'area', 'module']),
});
export type BoardAsk = z.infer<typeof BoardAsk>;

export const ASK_ALL: BoardAsk = {
  text: '',
  state: '',
  stage: '',
  area: '',
  module: '',
  kind: '',
  sort: 'need',
  group: 'none',
};

/** What of a point is asked for besides how far it is. */
export interface PointFacts {
  readonly area: string;
  readonly module: string;
  readonly kind: string;
  /** Everything by which it is found, in small letters. */
  readonly words: string;
}

/** The facts of every point by its id. */
export function factsOf(index: JobIndex): Map<string, PointFacts> {
  return new Map(
    index.job.points.map((point) => {
      const device = index.deviceOf(point);
      const place = index.placeOf(point);
      const module = (place && index.module(place.moduleId)?.tag) ?? '';
      const { description } = index.deviceType(device);
      const kind = description.title;
      const area = point.area ?? '';
      const words = [point.tag, point.name, area, module, kind, description.name, device.tag];
      return [point.id, { area, module, kind, words: words.join(' ').toLowerCase() }];
    }),
  );
}

/** A row of the board, or the name of the group that follows. */
export type BoardItem<Row> =
  | { readonly is: 'row'; readonly row: Row }
  | { readonly is: 'group'; readonly name: string; readonly count: number };

/** How tags and names are put in order: numbers within them by their size. */
const inOrderOfNames = new Intl.Collator('en', { numeric: true }).compare;

/** The rows that are asked for, in the order and groups that are asked for. @param rows those that need somebody first. */
export function askedRows<Row extends BoardRow>(
  rows: readonly Row[],
  facts: ReadonlyMap<string, PointFacts>,
  ask: BoardAsk,
): BoardItem<Row>[] {
  const words = ask.text.toLowerCase().split(/\s+/).filter(Boolean);
  const of = ({ pointId }: Row): PointFacts =>
    facts.get(pointId) ?? { area: '', module: '', kind: '', words: '' };
  const found = rows.filter((row) => {
    const { area, module, kind, words: known } = of(row);
    return (
      words.every((word) => known.includes(word)) &&
      (!ask.state || row.overall === ask.state) &&
      (!ask.stage || stageOf(row) === ask.stage) &&
      (!ask.area || area === (ask.area === NOWHERE ? '' : ask.area)) &&
      (!ask.module || module === (ask.module === NOWHERE ? '' : ask.module)) &&
      (!ask.kind || kind === ask.kind)
    );
  });
  const by = (row: Row): string =>
    ask.sort === 'tag' || ask.sort === 'name' ? row[ask.sort] : ask.sort === 'need' ? '' : of(row)[ask.sort];
  const sorted =
    ask.sort === 'need'
      ? found
      : [...found].sort((a, b) => inOrderOfNames(by(a), by(b)) || inOrderOfNames(a.tag, b.tag));
  if (ask.group === 'none') return sorted.map((row) => ({ is: 'row', row }));
  const { group } = ask;
  const groups = new Map<string, Row[]>();
  for (const row of sorted) {
    const name = of(row)[group];
    groups.set(name, [...(groups.get(name) ?? []), row]);
  }
  return [...groups]
    .sort(([a], [b]) => Number(a === '') - Number(b === '') || inOrderOfNames(a, b))
    .flatMap(([name, list]): BoardItem<Row>[] => [
      { is: 'group', name: name || (group === 'area' ? 'No area' : 'On no module'), count: list.length },
      ...list.map((row) => ({ is: 'row' as const, row })),
    ]);
}

/** Stands for points of which nobody said it. */
const NOWHERE = '-';

/** The stage that a point is in: the first that is not done. */
const stageOf = ({ stages }: BoardRow): string => stages.find(({ mark }) => mark !== 'proven')?.stage ?? '';

/** The different values of a fact, in order; `NOWHERE` last where some point has none. */
export function valuesOf(
  facts: ReadonlyMap<string, PointFacts>,
  of: 'area' | 'module' | 'kind',
): { value: string; label: string }[] {
  const values = [...new Set([...facts.values()].map((fact) => fact[of]))].sort(inOrderOfNames);
  return values
    .filter(Boolean)
    .map((value) => ({ value, label: value }))
    .concat(values.includes('') ? [{ value: NOWHERE, label: 'none' }] : []);
}
