import { say, textOf } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import Papa from 'papaparse';
import { z } from 'zod';
import { readValue } from '../catalog/index.ts';
import { FORMULA, plainCell, readCsv } from '../planning/index.ts';
import { JobProblem, problemsOfIssues } from '../model/index.ts';
import { fileStyle, keptCell } from '../units/index.ts';
import type { NumberStyle } from '../units/index.ts';
import type { Sheet } from './sheet.ts';

const COLUMNS = [
  'Tag',
  'Key',
  'Parameter',
  'Unit',
  'As found',
  'Required',
  'Follows from',
  'As left',
  'State',
  'Left by',
  'Left at',
  'Numbers',
] as const;

/**
 * A sheet as CSV (RFC 4180): one parameter a row, in safe order; a row of column names first. Each row states the style
 * of its numbers; with decimal commas cells are parted by semicolons, as spreadsheets of those regions expect.
 */
export function writeSheetCsv(sheets: readonly Sheet[], style?: NumberStyle): string {
  const { name, delimiter, number } = fileStyle(style);
  const rows = sheets.flatMap(({ tag, lines }) =>
    lines.map(({ parameter, unit, found, required, left, state }) => {
      const cell = (value = ''): string => (parameter.kind === 'number' ? number(value) : value);
      return {
        Tag: tag,
        Key: parameter.key,
        Parameter: parameter.label,
        Unit: unit,
        'As found': cell(found?.value),
        Required: cell(required?.value),
        'Follows from': required ? textOf(required.from) : '',
        'As left': cell(left?.value),
        State: state,
        'Left by': left?.by ?? '',
        'Left at': left?.at ?? '',
        Numbers: name,
      };
    }),
  );
  return Papa.unparse(
    { fields: [...COLUMNS], data: rows.map((row) => COLUMNS.map((column) => row[column])) },
    { escapeFormulae: FORMULA, delimiter },
  );
}

const SHEET_FORMAT = 'keypost-sheet';

const SheetFile = z.strictObject({
  format: z.literal(SHEET_FORMAT),
  version: z.literal(1),
  sheets: z.array(
    z.strictObject({
      tag: z.string(),
      values: z.record(
        z.string(),
        z.strictObject({
          label: z.string().optional(),
          unit: z.string().optional(),
          found: z.string().optional(),
          required: z.string().optional(),
          from: z.string().optional(),
          left: z.string().optional(),
        }),
      ),
    }),
  ),
});

/** The same as JSON, by tag and key. */
export function writeSheetJson(sheets: readonly Sheet[]): string {
  const file: z.infer<typeof SheetFile> = {
    format: SHEET_FORMAT,
    version: 1,
    sheets: sheets.map(({ tag, lines }) => ({
      tag,
      values: Object.fromEntries(
        lines.map(({ parameter, unit, found, required, left }) => [
          parameter.key,
          {
            label: parameter.label,
            ...(unit && { unit }),
            ...(found && { found: found.value }),
            ...(required && { required: required.value, from: textOf(required.from) }),
            ...(left && { left: left.value }),
          },
        ]),
      ),
    })),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** Values that came in with a file, for one part. */
export interface ReadSheet {
  readonly itemId: string;
  readonly found: Readonly<Record<string, string>>;
  readonly left: Readonly<Record<string, string>>;
}

/**
 * Reads values as found and as left from a sheet of either form. What a file requires is not taken: that follows from
 * the job. Values that are already known so are left out.
 * @param style of the job, by which numbers are asked about where a row states none.
 * @throws JobProblem with every row that cannot be taken, with its line.
 */
export function readSheetFile(text: string, sheets: readonly Sheet[], style?: NumberStyle): ReadSheet[] {
  const rows = text.trimStart().startsWith('{') ? jsonRows(text) : csvRows(text);
  const problems: { path: string; message: Message }[] = [];
  const read = new Map<string, { found: Record<string, string>; left: Record<string, string> }>();
  for (const { where, tag, key, found, left, numbers } of rows) {
    const sheet = sheets.find((s) => s.tag === tag);
    const line = sheet?.lines.find(({ parameter }) => parameter.key === key);
    if (!sheet || !line) {
      problems.push({
        path: where,
        message: sheet ? say('setting.has-no-parameter', { tag, key }) : say('setting.sheet-here', { tag }),
      });
      continue;
    }
    const into = read.get(sheet.itemId) ?? { found: {}, left: {} };
    read.set(sheet.itemId, into);
    for (const [side, given] of [
      ['found', found],
      ['left', left],
    ] as const) {
      const value = line.parameter.kind === 'number' ? keptCell(given, numbers) : given;
      if (value === '' || value === line[side]?.value) continue;
      const taken = readValue(line.parameter, value, line.unit, style);
      if (taken.ok) into[side][key] = taken.value;
      else problems.push({ path: where, message: taken.problem });
    }
  }
  if (problems.length) throw new JobProblem(problems.slice(0, 20));
  return [...read].map(([itemId, sides]) => ({ itemId, ...sides }));
}

interface FileRow {
  readonly where: string;
  readonly tag: string;
  readonly key: string;
  readonly found: string;
  readonly left: string;
  /** How the row says that its numbers are written. */
  readonly numbers?: string;
}

function csvRows(text: string): FileRow[] {
  const { rows, columns } = readCsv(text, { skipEmptyLines: true });
  const missing = ['Tag', 'Key'].filter((column) => !columns.includes(column));
  if (missing.length)
    throw new JobProblem([
      {
        path: '',
        message: say('setting.file-lacks-column-first', { missing }),
      },
    ]);
  return rows.map((row, i) => ({
    where: `line ${i + 2}`,
    tag: (row.Tag ?? '').trim(),
    key: (row.Key ?? '').trim(),
    found: plainCell((row['As found'] ?? '').trim()),
    left: plainCell((row['As left'] ?? '').trim()),
    ...(row.Numbers && { numbers: row.Numbers }),
  }));
}

function jsonRows(text: string): FileRow[] {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    throw new JobProblem([{ path: '', message: say('setting.json-breaks-off-holds') }]);
  }
  const parsed = SheetFile.safeParse(document);
  if (!parsed.success) {
    const isOurs = SheetFile.pick({ format: true, version: true }).loose().safeParse(document).success;
    throw new JobProblem(
      isOurs
        ? problemsOfIssues(parsed.error.issues)
        : [{ path: '', message: say('setting.sheet-format-must-version', { sheetFormat: SHEET_FORMAT }) }],
    );
  }
  return parsed.data.sheets.flatMap(({ tag, values }) =>
    Object.entries(values).map(([key, { found = '', left = '' }]) => ({
      where: `${tag} ${key}`,
      tag,
      key,
      found,
      left,
    })),
  );
}
