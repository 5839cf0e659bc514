import { sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { refuse } from '../../model/index.ts';
import type { TablePoint } from '../../model/index.ts';
import { COMMENT, constantsOf, pieces, rawType } from './codeRequest.ts';
import type { CodeKind, CodeRequest, PlcCode } from './codeRequest.ts';
import { assign, convertTo, identifier, minus, name, number, over, plus, times, when } from './program.ts';
import type { Expression, PlcFunction, PlcType, Statement } from './program.ts';
import { INTEGER_RANGE } from './run.ts';

type IntegerKind = Exclude<CodeKind, 'REAL' | 'LREAL'>;

/** Integer code as it is often written: in which type it reckons. */
const NAIVE = {
  naive16: { fn: 'ScaleInt16', type: 'INT', words: 'in 16 bit, as it is often written' },
  naive32: { fn: 'ScaleInt32', type: 'DINT', words: 'in 32 bit, as it is often written' },
} as const;

/** @throws JobProblem for a table of which two points stand at one count. */
export function integerCode(request: CodeRequest, kind: IntegerKind): PlcCode {
  const factor = 10 ** request.decimals;
  if (request.shape === 'table') {
    const table = wholeTable(request, factor);
    const fn = kind === 'safe' ? safeTable(request, table) : naiveTable(request, kind, table);
    return { kind, factor, constants: {}, fn };
  }
  const constants = Object.fromEntries(
    Object.entries(constantsOf(request, factor)).map(([key, value]) => [key, Math.round(value)]),
  );
  if (constants.RawLow === constants.RawHigh) refuse(say('scaling.ends-on-one-count'));
  const fn = kind === 'safe' ? safeLine(request, constants) : naiveLine(request, kind);
  return { kind, factor, constants, fn };
}

const lineInputs = (type: PlcType) =>
  ['RawLow', 'RawHigh', 'ValueLow', 'ValueHigh'].map((text) => ({ name: text, type }));

function naiveLine(request: CodeRequest, kind: keyof typeof NAIVE): PlcFunction {
  const { type, words, fn } = NAIVE[kind];
  const raw = rawType(request.raw);
  const product = times(
    minus(convertTo(raw, type, name('Raw')), name('RawLow')),
    minus(name('ValueHigh'), name('ValueLow')),
  );
  return {
    name: fn,
    returns: type,
    comment: `Counts to value times ${10 ** request.decimals}, ${words}.`,
    inputs: [{ name: 'Raw', type: raw }, ...lineInputs(type)],
    locals: [],
    body: [assign(fn, plus(over(product, minus(name('RawHigh'), name('RawLow'))), name('ValueLow')))],
  };
}

/** The narrowest of INT, DINT and LINT that holds all of some whole numbers. */
function narrowest(numbers: readonly number[], from: 'INT' | 'DINT' = 'INT'): 'INT' | 'DINT' | 'LINT' {
  const holds = (type: 'INT' | 'DINT'): boolean => {
    const [min, max] = sure(INTEGER_RANGE[type]);
    return numbers.every((value) => value >= Number(min) && value <= Number(max));
  };
  if (from === 'INT' && holds('INT')) return 'INT';
  return holds('DINT') ? 'DINT' : 'LINT';
}

interface Span {
  readonly from: TablePoint;
  readonly to: TablePoint;
}

/** All that is worked out on the way from some counts to the value: the product with half its divisor, and what comes of it. */
function worked({ from, to }: Span, counts: readonly number[]): { product: number[]; result: number[] } {
  const divisor = Math.abs(to.in - from.in);
  const span = to.out - from.out;
  const products = counts.map((count) => (count - from.in) * span);
  const half = Math.floor(divisor / 2);
  return {
    product: [
      ...products.flatMap((p) => [p - half, p + half]),
      ...counts.map((count) => count - from.in),
      ...[from.in, to.in, from.out, to.out, span, divisor, -divisor],
    ],
    result: products.map((p) => Math.round(p / (to.in - from.in)) + from.out),
  };
}

const LOCALS = ['Product', 'Divisor'] as const;

/**
 * What `Product` over `Divisor` is, to the nearest whole number, halves away from zero: half the divisor is added on
 * the side of the product's sign, since a division cuts. The divisor is above zero.
 */
function rounded(fn: string, type: PlcType, returns: PlcType, base: Expression): Statement[] {
  const half = over(name('Divisor'), number(2));
  return [
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
    assign(fn, convertTo(type, returns, plus(over(name('Product'), name('Divisor')), base))),
  ];
}

const negative = (of: string): Statement => assign(of, minus(number(0), name(of)));

/** The product in a type that holds it, rounded instead of cut; counts may run either way. */
function safeLine(request: CodeRequest, constants: Readonly<Record<string, number>>): PlcFunction {
  const raw = rawType(request.raw);
  const from = { in: sure(constants.RawLow), out: sure(constants.ValueLow) };
  const to = { in: sure(constants.RawHigh), out: sure(constants.ValueHigh) };
  const { product, result } = worked({ from, to }, [request.raw.min, request.raw.max]);
  const type = narrowest(product);
  const returns = narrowest(result, 'DINT');
  const fn = 'ScaleIntSafe';
  return {
    name: fn,
    returns,
    comment: `Counts to value times ${10 ** request.decimals}: the product in ${type}, rounded to the nearest.`,
    inputs: [{ name: 'Raw', type: raw }, ...lineInputs(type)],
    locals: LOCALS.map((text) => ({ name: text, type })),
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
          { when: when(name('Divisor'), '<', number(0)), then: [negative('Divisor'), negative('Product')] },
        ],
      },
      ...rounded(fn, type, returns, name('ValueLow')),
    ],
  };
}

/** The table in whole counts and steps. */
function wholeTable({ table }: CodeRequest, factor: number): TablePoint[] {
  const whole = table
    .map((point) => ({ in: Math.round(point.in), out: Math.round(point.out * factor) }))
    .sort((a, b) => a.in - b.in);
  const twice = whole.find((point, i) => point.in === whole[i - 1]?.in);
  if (twice) refuse(say('scaling.table-on-one-count', { counts: twice.in }));
  return whole;
}

const tableComment = (request: CodeRequest, type: PlcType): string =>
  `Counts to ${request.value.unit} times ${10 ** request.decimals}: ${COMMENT.table}, in ${type}`;

const rise = (input: Expression, { from, to }: Span): Expression =>
  times(minus(input, number(from.in)), number(to.out - from.out));

function naiveTable(
  request: CodeRequest,
  kind: keyof typeof NAIVE,
  table: readonly TablePoint[],
): PlcFunction {
  const raw = rawType(request.raw);
  const { type } = NAIVE[kind];
  const fn = `Scale_${identifier(request.tag)}`;
  const input = convertTo(raw, type, name('Raw'));
  return {
    name: fn,
    returns: type,
    comment: `${tableComment(request, type)}.`,
    inputs: [{ name: 'Raw', type: raw }],
    locals: [],
    body: pieces(table, name('Raw'), (span) => [
      assign(fn, plus(over(rise(input, span), number(span.to.in - span.from.in)), number(span.from.out))),
    ]),
  };
}

function safeTable(request: CodeRequest, table: readonly TablePoint[]): PlcFunction {
  const raw = rawType(request.raw);
  const { min, max } = request.raw;
  const spans = table.slice(1).map((to, i) => ({ from: sure(table[i]), to }));
  const all = spans.map((span, i) =>
    worked(span, [i === 0 ? min : span.from.in, i === spans.length - 1 ? max : span.to.in]),
  );
  const type = narrowest(all.flatMap(({ product }) => product));
  const returns = narrowest(
    all.flatMap(({ result }) => result),
    'DINT',
  );
  const fn = `Scale_${identifier(request.tag)}`;
  const input = convertTo(raw, type, name('Raw'));
  return {
    name: fn,
    returns,
    comment: `${tableComment(request, type)}, rounded to the nearest.`,
    inputs: [{ name: 'Raw', type: raw }],
    locals: [...LOCALS, 'Base'].map((text) => ({ name: text, type })),
    body: [
      ...pieces(table, name('Raw'), (span) => [
        assign('Product', rise(input, span)),
        assign('Divisor', number(span.to.in - span.from.in)),
        assign('Base', number(span.from.out)),
      ]),
      ...rounded(fn, type, returns, name('Base')),
    ],
  };
}
