import { say, textOf } from '../messages/index.ts';
import type { Text } from '../messages/index.ts';
import Papa from 'papaparse';
import type { PartTerminal } from '../catalog/index.ts';
import { COLOURS, splitRef, JobProblem } from '../model/index.ts';
import type { JobContent, Wire, WireColour, Problem } from '../model/index.ts';
import { fileStyle, keptCell, numberIn, parseSection, inDoubt } from '../units/index.ts';
import type { NumberStyle } from '../units/index.ts';
import type { Change, SingleChange } from '../job/index.ts';
import { JobIndex, planDifferences } from '../job/index.ts';
import { FORMULA, plainCell, readCsv } from './readCsv.ts';

/** One end of a wire in the list. */
interface ListedEnd {
  readonly item: string;
  readonly terminal: string;
  /** Row and level of a stacked terminal. */
  readonly where: Text;
}

/** One line of the wire list. */
export interface ListedWire {
  readonly wire: Wire;
  readonly from: ListedEnd;
  readonly to: ListedEnd;
  /** What was found other than planned. */
  readonly found: Text;
}

const natural = new Intl.Collator('en', { numeric: true });

/** Every wire of a job as planned, ordered by the terminal at which it begins. */
export function wireList(job: JobContent): ListedWire[] {
  const index = new JobIndex(job);
  const found = new Map(planDifferences(index, job.wires).map(({ wire, sentence }) => [wire.id, sentence]));
  return job.wires
    .map((wire) => ({
      wire,
      from: endOf(index, wire.from),
      to: endOf(index, wire.to),
      found: found.get(wire.id) ?? '',
    }))
    .sort(
      (a, b) =>
        natural.compare(a.from.item, b.from.item) ||
        natural.compare(a.from.terminal, b.from.terminal) ||
        natural.compare(a.wire.number, b.wire.number),
    );
}

function endOf(index: JobIndex, ref: string): ListedEnd {
  const { item, terminal } = splitRef(ref);
  const device = index.device(item);
  const module = index.module(item);
  const type = device ? index.deviceType(device) : module && index.moduleType(module);
  const known: PartTerminal | undefined = type?.terminals.find(({ name }) => name === terminal);
  const where = known?.stacking
    ? say('planning.row', { row: known.stacking.row, level: known.stacking.level })
    : '';
  return { item: index.tagOf(ref), terminal, where };
}

const COLUMNS = [
  'wire',
  'from',
  'from_terminal',
  'from_place',
  'to',
  'to_terminal',
  'to_place',
  'cable',
  'core',
  'colour',
  'mm2',
  'length_m',
  'ferrule',
  'found',
  'numbers',
] as const;

type Row = Readonly<Record<(typeof COLUMNS)[number], string>>;

function rowOf({ wire, from, to, found }: ListedWire, style?: NumberStyle): Row {
  const { name, number } = fileStyle(style);
  return {
    wire: wire.number,
    from: from.item,
    from_terminal: from.terminal,
    from_place: textOf(from.where),
    to: to.item,
    to_terminal: to.terminal,
    to_place: textOf(to.where),
    cable: wire.cable ?? '',
    core: wire.core ?? '',
    colour: wire.colour,
    mm2: number(String(wire.mm2)),
    length_m: number(String(wire.lengthM)),
    ferrule: wire.ferrule ?? '',
    found: textOf(found),
    numbers: name,
  };
}

/**
 * The wire list as CSV (RFC 4180: commas, quotes doubled, CR LF). A cell that a spreadsheet would take for a formula
 * has an apostrophe before it, which `readWireList` takes away again.
 */
export function writeWireList(job: JobContent): string {
  const rows = wireList(job).map((listed) => rowOf(listed, job.numbers));
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows.map((row) => COLUMNS.map((c) => row[c])) }, { newline: '\r\n', escapeFormulae: FORMULA, delimiter: fileStyle(job.numbers).delimiter })}\r\n`;
}

/**
 * Reads a wire list that was edited elsewhere: cable, core, colour, cross-section, length and ferrule of wires that
 * the job holds. Which wire goes where is changed in the job, not in a list.
 * @returns the change, or nothing where the list says what the job says.
 * @throws JobProblem with every line that cannot be taken; then nothing is.
 */
export function readWireList(job: JobContent, text: string): Change | undefined {
  const { rows, columns } = readCsv(text, {
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: plainCell,
  });
  const missing = ['wire', 'from', 'from_terminal', 'to', 'to_terminal'].filter((f) => !columns.includes(f));
  if (missing.length)
    throw new JobProblem([
      {
        path: 'line 1',
        message: say('planning.list-lacks-column-begins', { missing, columns: COLUMNS }),
      },
    ]);
  const known = new Map(wireList(job).map((listed) => [nameOf(rowOf(listed)), listed.wire]));
  const problems: Problem[] = [];
  const changes = rows.flatMap((row, i): SingleChange[] => {
    const path = `line ${i + 2}`;
    const wire = known.get(nameOf(row));
    if (!wire) {
      problems.push({
        path,
        message: say('planning.job-wire', {
          wire: row.wire ?? '',
          from: row.from ?? '',
          from_terminal: row.from_terminal ?? '',
          to: row.to ?? '',
          to_terminal: row.to_terminal ?? '',
        }),
      });
      return [];
    }
    const patch = patchOf(wire, row, path, problems, job.numbers);
    return Object.keys(patch).length ? [{ kind: 'editWire', wireId: wire.id, patch }] : [];
  });
  if (problems.length) throw new JobProblem(problems.slice(0, 20));
  if (changes.length > 400)
    throw new JobProblem([
      { path: '', message: say('planning.list-changes-wires-most', { changes: changes.length }) },
    ]);
  return changes.length ? { kind: 'batch', changes } : undefined;
}

const nameOf = (row: Partial<Record<string, string>>): string =>
  [row.wire, row.from, row.from_terminal, row.to, row.to_terminal]
    .map((cell) => cell?.trim() ?? '')
    .join('\t');

type WirePatch = Extract<Change, { kind: 'editWire' }>['patch'];

function patchOf(
  wire: Wire,
  row: Record<string, string>,
  path: string,
  problems: Problem[],
  style: NumberStyle,
): WirePatch {
  const patch: WirePatch = {};
  const cell = (name: string): string | undefined => row[name]?.trim();
  for (const key of ['cable', 'core', 'ferrule'] as const) {
    const value = cell(key);
    const max = key === 'cable' ? 24 : 12;
    if (value === undefined || value === (wire[key] ?? '')) continue;
    if (value.length > max)
      problems.push({ path: `${path}, ${key}`, message: say('planning.most-characters-fit-here', { max }) });
    else patch[key] = value;
  }
  const colour = cell('colour')?.toUpperCase();
  if (colour && colour !== wire.colour) {
    if ((COLOURS as readonly string[]).includes(colour)) patch.colour = colour as WireColour;
    else
      problems.push({
        path: `${path}, colour`,
        message: say('planning.colour-use', { colour, colours: COLOURS }),
      });
  }
  const section = keptCell(cell('mm2') ?? '', cell('numbers'));
  if (section !== '' && section !== String(wire.mm2)) {
    const mm2 = parseSection(section, style);
    if (mm2 === undefined || mm2 < 0.05 || mm2 > 50)
      problems.push({
        path: `${path}, mm2`,
        message: inDoubt(section, style) ?? say('planning.cross-section-use-0', { section }),
      });
    else patch.mm2 = mm2;
  }
  const length = keptCell(cell('length_m') ?? '', cell('numbers'));
  if (length !== '' && length !== String(wire.lengthM)) {
    const metres = numberIn(length, 'm', style);
    if (!(metres > 0) || metres > 2000)
      problems.push({
        path: `${path}, length_m`,
        message: inDoubt(length, style) ?? say('planning.length-use-more-0', { length }),
      });
    else patch.lengthM = metres;
  }
  return patch;
}
