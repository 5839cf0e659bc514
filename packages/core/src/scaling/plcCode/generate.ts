import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { refuse } from '../../model/index.ts';
import type { TablePoint } from '../../model/index.ts';
import { straight, tableOf } from '../../sensing/index.ts';
import { assign, convertTo, identifier, minus, name, number, over, plus, times, when } from './program.ts';
import type { Expression, PlcFunction, PlcType, Statement } from './program.ts';

/** What code is asked for: how the counts lie, and what is to come of them. */
export interface CodeRequest {
  readonly tag: string;
  readonly raw: {
    readonly low: number;
    readonly high: number;
    readonly min: number;
    readonly max: number;
  };
  readonly value: { readonly low: number; readonly high: number; readonly unit: string };
  readonly shape: 'linear' | 'root' | 'table';
  /** Share of the range below which a root gives zero. */
  readonly cut: number;
  /** Counts and what they stand for; tables only. */
  readonly table: readonly TablePoint[];
  /** Integer results count in steps of a tenth, hundredth … */
  readonly decimals: number;
}

export type CodeKind = 'REAL' | 'LREAL' | 'naive16' | 'naive32' | 'safe';

/** Code for a point: its function, and the constants with which it is called. */
export interface PlcCode {
  readonly kind: CodeKind;
  readonly fn: PlcFunction;
  readonly constants: Readonly<Record<string, number>>;
  /** The result is the value times this. */
  readonly factor: number;
}

/** Type that holds all of a converter's counts. */
export const rawType = ({ min, max }: { min: number; max: number }): PlcType =>
  min >= -32768 && max <= 32767 ? 'INT' : min >= 0 && max <= 65535 ? 'UINT' : 'DINT';

const constantsOf = ({ raw, value }: CodeRequest, factor: number): Record<string, number> => ({
  RawLow: raw.low,
  RawHigh: raw.high,
  ValueLow: value.low * factor,
  ValueHigh: value.high * factor,
});

/** What the code is to give for some counts, exactly. */
export function exactValue(request: CodeRequest, counts: number): number {
  const { raw, value, shape, cut, table } = request;
  if (shape === 'table') return tableOf(table).at(counts);
  const share = (counts - raw.low) / (raw.high - raw.low);
  const root = share > 0 ? Math.sqrt(share) : 0;
  const shaped = shape === 'linear' ? share : root < cut ? 0 : root;
  return value.low + shaped * (value.high - value.low);
}

/** @throws JobProblem for a range of zero, or integers of what needs reals. */
export function plcCode(request: CodeRequest, kind: CodeKind): PlcCode {
  straight(request.raw.low, request.value.low, request.raw.high, request.value.high);
  if (request.value.low === request.value.high) refuse(say('scaling.range-zero-scaled-two'));
  if (kind === 'REAL' || kind === 'LREAL') return realCode(request, kind);
  if (request.shape === 'root') refuse(say('scaling.square-root-worked-out'));
  return request.shape === 'table' ? integerTable(request, kind) : integerLine(request, kind);
}

const COMMENT: Readonly<Record<CodeRequest['shape'], string>> = {
  linear: 'a straight line between two points',
  root: 'a square root with a cut at its bottom',
  table: 'straight pieces between the points of a table',
};

function realTable(request: CodeRequest, kind: 'REAL' | 'LREAL'): PlcCode {
  const type = rawType(request.raw);
  const fn = `Scale_${identifier(request.tag)}`;
  const raw = convertTo(type, kind, name('Raw'));
  return {
    kind,
    factor: 1,
    constants: {},
    fn: {
      name: fn,
      returns: kind,
      comment: `Counts to ${request.value.unit}: ${COMMENT.table}, ${request.tag}.`,
      inputs: [{ name: 'Raw', type }],
      locals: [],
      body: [pieces(request.table, name('Raw'), ({ from, to }) => assign(fn, piece(raw, from, to)))],
    },
  };
}

function realCode(request: CodeRequest, kind: 'REAL' | 'LREAL'): PlcCode {
  if (request.shape === 'table') return realTable(request, kind);
  const type = rawType(request.raw);
  const fn = request.shape === 'root' ? 'ScaleRoot' : 'ScaleLinear';
  const share = over(
    minus(convertTo(type, kind, name('Raw')), name('RawLow')),
    minus(name('RawHigh'), name('RawLow')),
  );
  const lineOf = (of: Expression): Expression =>
    plus(times(of, minus(name('ValueHigh'), name('ValueLow'))), name('ValueLow'));
  const rooted: Statement[] = [
    assign('Share', share),
    {
      kind: 'if',
      branches: [
        {
          when: when(name('Share'), '>', number(0)),
          then: [assign('Share', { kind: 'root', of: name('Share') })],
        },
      ],
      otherwise: [assign('Share', number(0))],
    },
    {
      kind: 'if',
      branches: [{ when: when(name('Share'), '<', name('Cut')), then: [assign('Share', number(0))] }],
    },
    assign(fn, lineOf(name('Share'))),
  ];
  return {
    kind,
    factor: 1,
    constants: { ...constantsOf(request, 1), ...(request.shape === 'root' && { Cut: request.cut }) },
    fn: {
      returns: kind,
      comment: `Counts to value: ${COMMENT[request.shape]}.`,
      name: fn,
      inputs: [
        { name: 'Raw', type, comment: 'counts of the converter' },
        ...['RawLow', 'RawHigh', 'ValueLow', 'ValueHigh'].map((text) => ({ name: text, type: kind })),
        ...(request.shape === 'root'
          ? [{ name: 'Cut', type: kind, comment: 'share below which it is zero' }]
          : []),
      ],
      locals: request.shape === 'root' ? [{ name: 'Share', type: kind }] : [],
      body: request.shape === 'root' ? rooted : [assign(fn, lineOf(share))],
    },
  };
}

/** An `IF` over the pieces of a table; the last one goes on beyond its end. */
function pieces(
  table: readonly TablePoint[],
  raw: Expression,
  done: (piece: { from: TablePoint; to: TablePoint }) => Statement,
): Statement {
  const sorted = [...table].sort((a, b) => a.in - b.in);
  if (sorted.length < 2) refuse(say('scaling.table-needs-two-points'));
  const list = sorted.slice(1).map((to, i) => ({ from: nth(sorted, i), to }));
  const last = sure(list.pop());
  if (!list.length) return done(last);
  return {
    kind: 'if',
    branches: list.map((piece) => ({
      when: when(raw, '<', number(Math.ceil(piece.to.in))),
      then: [done(piece)],
    })),
    otherwise: [done(last)],
  };
}

const piece = (raw: Expression, from: TablePoint, to: TablePoint): Expression =>
  plus(times(minus(raw, number(from.in)), number((to.out - from.out) / (to.in - from.in))), number(from.out));

/** How integer code is made: in which type it reckons, and whether it rounds. */
const INTEGER_KINDS = {
  naive16: { type: 'INT', words: 'in 16 bit, as it is often written' },
  naive32: { type: 'DINT', words: 'in 32 bit, as it is often written' },
} as const;

function integerLine(request: CodeRequest, kind: Exclude<CodeKind, 'REAL' | 'LREAL'>): PlcCode {
  const factor = 10 ** request.decimals;
  const constants = Object.fromEntries(
    Object.entries(constantsOf(request, factor)).map(([key, value]) => [key, Math.round(value)]),
  );
  const raw = rawType(request.raw);
  if (kind === 'safe') return { kind, factor, constants, fn: safeLine(request, constants, raw) };
  const { type, words } = INTEGER_KINDS[kind];
  const fn = kind === 'naive16' ? 'ScaleInt16' : 'ScaleInt32';
  const input = convertTo(raw, type, name('Raw'));
  return {
    kind,
    factor,
    constants,
    fn: {
      name: fn,
      returns: type,
      comment: `Counts to value times ${factor}, ${words}.`,
      inputs: [{ name: 'Raw', type: raw }, ...lineInputs(type)],
      locals: [],
      body: [
        assign(
          fn,
          plus(
            over(
              times(minus(input, name('RawLow')), minus(name('ValueHigh'), name('ValueLow'))),
              minus(name('RawHigh'), name('RawLow')),
            ),
            name('ValueLow'),
          ),
        ),
      ],
    },
  };
}

const lineInputs = (type: PlcType) =>
  ['RawLow', 'RawHigh', 'ValueLow', 'ValueHigh'].map((text) => ({ name: text, type }));

/** The narrowest type in which the product, with half the divisor, fits over all of the counts. */
function productType(request: CodeRequest, constants: Readonly<Record<string, number>>): 'DINT' | 'LINT' {
  const span = Math.abs(sure(constants.ValueHigh) - sure(constants.ValueLow));
  const reach = Math.max(
    Math.abs(request.raw.max - sure(constants.RawLow)),
    Math.abs(request.raw.min - sure(constants.RawLow)),
  );
  return reach * span + (sure(constants.RawHigh) - sure(constants.RawLow)) / 2 < 2 ** 31 - 1
    ? 'DINT'
    : 'LINT';
}

/**
 * The product in a type that holds it, and half the divisor added on the side of its sign before it is divided, so
 * that it is rounded to the nearest instead of cut.
 */
function safeLine(
  request: CodeRequest,
  constants: Readonly<Record<string, number>>,
  raw: PlcType,
): PlcFunction {
  const type = productType(request, constants);
  const fn = 'ScaleIntSafe';
  const half = over(name('Divisor'), number(2));
  return {
    name: fn,
    returns: 'DINT',
    comment: `Counts to value times ${10 ** request.decimals}: the product in ${type}, rounded to the nearest.`,
    inputs: [{ name: 'Raw', type: raw }, ...lineInputs(type)],
    locals: [
      { name: 'Product', type },
      { name: 'Divisor', type },
    ],
    body: [
      assign('Divisor', minus(name('RawHigh'), name('RawLow'))),
      assign(
        'Product',
        times(
          minus(convertTo(raw, type, name('Raw')), name('RawLow')),
          minus(name('ValueHigh'), name('ValueLow')),
        ),
      ),
      {
        kind: 'if',
        branches: [
          {
            when: when(name('Product'), '<', number(0)),
            then: [assign('Product', minus(name('Product'), half))],
          },
        ],
        otherwise: [assign('Product', plus(name('Product'), half))],
      },
      assign(fn, convertTo(type, 'DINT', plus(over(name('Product'), name('Divisor')), name('ValueLow')))),
    ],
  };
}

function integerTable(request: CodeRequest, kind: Exclude<CodeKind, 'REAL' | 'LREAL'>): PlcCode {
  const factor = 10 ** request.decimals;
  const raw = rawType(request.raw);
  const type: PlcType = kind === 'naive16' ? 'INT' : kind === 'naive32' ? 'DINT' : 'LINT';
  const returns: PlcType = kind === 'naive16' ? 'INT' : 'DINT';
  const table = request.table.map((point) => ({
    in: Math.round(point.in),
    out: Math.round(point.out * factor),
  }));
  const fn = `Scale_${identifier(request.tag)}`;
  const input = convertTo(raw, type, name('Raw'));
  return {
    kind,
    factor,
    constants: {},
    fn: {
      name: fn,
      returns,
      comment: `Counts to ${request.value.unit} times ${factor}: ${COMMENT.table}, in ${type}.`,
      inputs: [{ name: 'Raw', type: raw }],
      locals: [],
      body: [
        pieces(table, name('Raw'), ({ from, to }) =>
          assign(
            fn,
            convertTo(
              type,
              returns,
              plus(
                over(
                  times(minus(input, number(from.in)), number(to.out - from.out)),
                  number(to.in - from.in),
                ),
                number(from.out),
              ),
            ),
          ),
        ),
      ],
    },
  };
}
