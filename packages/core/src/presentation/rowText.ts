import { oncePer } from '../lists/index.ts';
import { figureText, namedFigures, parametersOfType, valueText } from '../catalog/index.ts';
import { applyChange, JobIndex, refText, ownName } from '../job/index.ts';
import type { Change } from '../job/index.ts';
import { say } from '../messages/index.ts';
import type { Message, Text } from '../messages/index.ts';
import { COLLECTIONS, HEAD_FIELDS, Scaling } from '../model/index.ts';
import type {
  CollectionName,
  ColourRegion,
  JobContent,
  Logic,
  OutputKind,
  OwnFigure,
  Range,
} from '../model/index.ts';
import { LOGIC_TEXT, OUTPUT_TEXT } from '../network/index.ts';

/** What the conventions for the colours of panel wires are called. */
export const REGION_TEXT: Readonly<Record<ColourRegion, string>> = {
  iec: 'IEC',
  'north-america': 'North America',
  japan: 'Japan',
};

type Fields = Readonly<Record<string, unknown>>;
type Row = Fields | null | undefined;

/** Rows of a job in the words of people: tags, labels and units, never an id or a structure. */
class RowWords {
  readonly #index: JobIndex | undefined;
  constructor(job: JobContent | undefined) {
    this.#index = job && new JobIndex(job);
  }

  /** What a row is called: its tag, its number, its file; the tag of what it is about. */
  name(row: Fields): Text {
    const own = ownName(row);
    if (own !== undefined) return own;
    const about = row.pointId ?? row.itemId;
    return about === undefined ? '' : this.#tagOf(about);
  }

  /** Where a wire goes from and to. */
  ends(row: Row): Text {
    return row?.from === undefined
      ? ''
      : say('event.ends', { from: this.#refText(row.from), to: this.#refText(row.to) });
  }

  /** The fields of a row that say something, each with its label. */
  fields(collection: CollectionName | 'job', row: Fields): Text[] {
    return Object.entries(row).flatMap(([key, value]): Text[] => {
      if (key === 'id' || key === 'seq' || isEmpty(value)) return [];
      const label = labelOf(collection, key);
      return label === undefined ? [] : [say('event.value', { label, value: this.#value(key, value, row) })];
    });
  }

  /** In what two states of a row differ. */
  differences(collection: CollectionName | 'job', before: Fields, after: Fields): Text[] {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys
      .filter((key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]))
      .flatMap((key): Text[] => {
        if (key === 'figures') return this.#figures(before, after);
        if (key === 'settings') return this.#settings(before, after);
        if (key === 'scaling') return this.#scaling(before, after);
        const label = labelOf(collection, key);
        if (label === undefined) return [];
        if (isStructure(key, before[key]) || isStructure(key, after[key])) return [label];
        const [was, now] = [this.#value(key, before[key], before), this.#value(key, after[key], after)];
        return [
          JSON.stringify(was) === JSON.stringify(now)
            ? label
            : say('event.field', { label, before: was, after: now }),
        ];
      });
  }

  #tagOf(id: unknown): Text {
    const known = this.#index;
    if (!known) return String(id);
    const { supplies, modules, devices, points } = known.job;
    return (
      [...supplies, ...modules, ...devices, ...points].find((row) => row.id === id)?.tag ?? say('event.gone')
    );
  }

  #refText(ref: unknown): Text {
    const [item = '', terminal = ''] = String(ref).split(':');
    const { supplies = [], modules = [], devices = [] } = this.#index?.job ?? {};
    const isThere = [...supplies, ...modules, ...devices].some(({ id }) => id === item);
    if (!this.#index) return `${item} ${terminal}`;
    return isThere
      ? refText(this.#index, String(ref))
      : say('event.value', { label: say('event.gone'), value: terminal });
  }

  #type(row: Fields) {
    const typeId = { typeId: String(row.typeId) };
    const types = this.#index?.types;
    return types?.findDevice(typeId) ?? types?.findModule(typeId);
  }

  #value(key: string, value: unknown, row: Fields): Text {
    if (isEmpty(value)) return say('event.nothing');
    if (key === 'mainsHertz') return `${String(value)} Hz`;
    if (key === 'colours') return REGION_TEXT[value as ColourRegion];
    if (key === 'typeId') return this.#type(row)?.name ?? String(value);
    if (/^(deviceId|pointId|itemId|moduleId)$/.test(key)) return this.#tagOf(value);
    if (key === 'outputId') return this.#outputLabel(row, String(value));
    if (key === 'from' || key === 'to') return this.#refText(value);
    if (key === 'helperIds') return list((value as unknown[]).map((id) => this.#tagOf(id)));
    if (key === 'stops') return list((value as unknown[]).map((ref) => this.#refText(ref)));
    if (key === 'outputs') return this.#chosen(value as Fields, row);
    if (key === 'settings') return list(this.#settings({ ...row, settings: {} }, row));
    if (key === 'range') {
      const { low, high, unit } = value as { low: number; high: number; unit: string };
      return say('event.range', { low, high, unit });
    }
    return isStructure(key, value) ? say('event.as-entered') : String(value);
  }

  #outputLabel(row: Fields, outputId: string): Text {
    const device = this.#index?.device(String(row.deviceId));
    const outputs = device && this.#index?.types.findDevice(device)?.outputs;
    return outputs?.find(({ id }) => id === outputId)?.label ?? say('event.gone');
  }

  /** How each output of a device works. */
  #chosen(outputs: Fields, row: Fields): Text {
    const type = this.#index?.types.findDevice({ typeId: String(row.typeId) });
    const several = Object.keys(outputs).length > 1;
    return list(
      Object.entries(outputs).map(([id, chosen]) => {
        const { kind, logic } = chosen as { kind: OutputKind; logic: Logic };
        const text = [OUTPUT_TEXT[kind], LOGIC_TEXT[logic]].filter(Boolean).join(' ');
        const label = several ? type?.outputs.find((output) => output.id === id)?.label : undefined;
        return label === undefined ? text : say('event.value', { label, value: text });
      }),
    );
  }

  #settings(before: Fields, after: Fields): Text[] {
    const type = this.#type(after);
    const parameters = type ? parametersOfType(type) : [];
    const [was, now] = [before, after].map(({ settings }) => (settings ?? {}) as Record<string, string>);
    return keysOf(was, now).map((key) => {
      const parameter = parameters.find((one) => one.key === key);
      const words = (value: string | undefined): Text =>
        value === undefined ? say('event.nothing') : parameter ? valueText(parameter, value) : value;
      const label = parameter?.label ?? key;
      return was?.[key] === undefined
        ? say('event.value', { label, value: words(now?.[key]) })
        : say('event.field', { label, before: words(was[key]), after: words(now?.[key]) });
    });
  }

  /** What another scaling does: to the range where it multiplies it, else that it is another. */
  #scaling(before: Fields, after: Fields): Text[] {
    const [was, now] = [before, after].map((row) => Scaling.parse(row.scaling ?? {}));
    const label = labelOf('points', 'scaling') ?? '';
    const range = after.range as Range | undefined;
    const times = now?.controller.multiplier;
    if (!was || times === undefined || times === was.controller.multiplier) return [label];
    if (!range) return [say('event.multiplied', { times })];
    const ends = (by: number): Text =>
      say('event.range', { low: range.low * by, high: range.high * by, unit: range.unit });
    return [
      say('event.range-multiplied', {
        times,
        before: ends(was.controller.multiplier),
        after: ends(times),
      }),
    ];
  }

  /** Which figures of a part's own datasheet are others now, each with where it stands. */
  #figures(before: Fields, after: Fields): Text[] {
    const [was, now] = [before, after].map(({ figures }) => (figures ?? {}) as Record<string, OwnFigure>);
    const type = this.#type(after);
    const named = type ? namedFigures(type.description) : [];
    return keysOf(was, now).map((path) => {
      const label = named.find((figure) => figure.path === path)?.label ?? path;
      const own = now?.[path];
      return own
        ? say('event.figure', { label, figure: figureText({ ...own, source: own.from }), from: own.from })
        : say('event.figure-typical', { label });
    });
  }
}

const wordsOf = oncePer((job: JobContent) => new RowWords(job));

/** The words for rows of a job, made once for each state of it; without a job, ends keep their ids. */
export const rowWords = (job: JobContent | undefined): RowWords =>
  job ? wordsOf(job) : new RowWords(undefined);

/** Lists of which a change tells what it does besides what was typed. */
const TOLD = ['devices', 'modules', 'wires'] as const;

/**
 * What a change does to parts and wires, row by row, before it is stored.
 * @throws JobProblem where it cannot be done.
 */
export function rowChanges(job: JobContent, change: Change): Message[] {
  const next = applyChange(job, change, { by: '?', at: '' });
  const [before, after] = [rowWords(job), rowWords(next)];
  return TOLD.flatMap((collection): Message[] => {
    const what = COLLECTIONS[collection].label;
    const was = new Map<string, Fields>(job[collection].map((row) => [row.id, row]));
    const now = new Map<string, Fields>(next[collection].map((row) => [row.id, row]));
    const gone = [...was].flatMap(([id, row]): Message[] =>
      now.has(id) ? [] : [say('event.removed', { what, name: before.name(row), ends: before.ends(row) })],
    );
    return [...now].reduce<Message[]>((told, [id, row]) => {
      const old = was.get(id);
      if (!old) return [...told, say('event.added', { what, name: after.name(row), ends: after.ends(row) })];
      const fields = after.differences(collection, old, row);
      return fields.length ? [...told, say('event.changed', { what, name: after.name(row), fields })] : told;
    }, gone);
  });
}

const isEmpty = (value: unknown): boolean =>
  value === undefined ||
  value === null ||
  value === '' ||
  (typeof value === 'object' && Object.keys(value).length === 0);

/** Fields whose structure has words of its own. */
const WORDED: ReadonlySet<string> = new Set(['helperIds', 'stops', 'outputs', 'settings', 'range']);

const isStructure = (key: string, value: unknown): boolean =>
  typeof value === 'object' && value !== null && !WORDED.has(key);

const list = (parts: readonly Text[]): Text => say('text.list', { parts });

/** Keys under which two records differ. */
const keysOf = (a: Fields | undefined, b: Fields | undefined): string[] =>
  [...new Set([...Object.keys(a ?? {}), ...Object.keys(b ?? {})])].filter(
    (key) => JSON.stringify(a?.[key]) !== JSON.stringify(b?.[key]),
  );

/** What a field is called; nothing for one that people never see. */
const labelOf = (collection: CollectionName | 'job', key: string): string | undefined => {
  const fields = collection === 'job' ? HEAD_FIELDS : COLLECTIONS[collection].fields;
  return key === 'id' ? undefined : (fields as Record<string, { label: string }>)[key]?.label;
};
