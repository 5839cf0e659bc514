import type {
  Expression,
  Instance,
  PlcBlock,
  PlcFunction,
  PlcProgram,
  PlcType,
  Statement,
  Variable,
} from './program.ts';

const isReal = (type: PlcType): boolean => type === 'REAL' || type === 'LREAL';

/** Type of an expression; nothing for a bare literal, which takes that of its neighbour. */
export function typeOf(expression: Expression, types: ReadonlyMap<string, PlcType>): PlcType | undefined {
  switch (expression.kind) {
    case 'number':
      return undefined;
    case 'name':
      return types.get(expression.name);
    case 'convert':
      return expression.to;
    case 'root':
      return typeOf(expression.of, types);
    case 'member':
      return expression.type;
    case 'time':
      return 'TIME';
    case 'truth':
    case 'compare':
    case 'logic':
    case 'not':
      return 'BOOL';
    case 'binary':
      return typeOf(expression.left, types) ?? typeOf(expression.right, types);
  }
}

/** The types of a function block's variables by name. */
export const typesOfBlock = ({ inputs, outputs, locals }: PlcBlock): ReadonlyMap<string, PlcType> =>
  new Map([...inputs, ...outputs, ...locals].map((v): [string, PlcType] => [v.name, v.type]));

/** The types of a function's variables by name. */
export const typesOf = ({ name, returns, inputs, locals }: PlcFunction): ReadonlyMap<string, PlcType> =>
  new Map([[name, returns], ...[...inputs, ...locals].map((v): [string, PlcType] => [v.name, v.type])]);

/** A literal: reals with a point, as the language wants it; exponents where the number is very large or small. */
export function literal(value: number, type: PlcType): string {
  if (!isReal(type)) return String(value);
  const text = String(value);
  if (/e/.test(text)) return text.replace(/^(-?\d+)e/, '$1.0e').replace('e', 'E');
  return text.includes('.') ? text : `${text}.0`;
}

function printExpression(
  expression: Expression,
  types: ReadonlyMap<string, PlcType>,
  wanted: PlcType,
  inside = false,
): string {
  switch (expression.kind) {
    case 'number': {
      const text = literal(expression.value, wanted);
      return inside && expression.value < 0 ? `(${text})` : text;
    }
    case 'name':
      return expression.name;
    case 'convert':
      return `${expression.from}_TO_${expression.to}(${printExpression(expression.of, types, expression.from)})`;
    case 'root':
      return `SQRT(${printExpression(expression.of, types, wanted)})`;
    case 'truth':
      return expression.value ? 'TRUE' : 'FALSE';
    case 'time':
      return `T#${expression.ms % 1000 === 0 ? `${expression.ms / 1000}s` : `${expression.ms}ms`}`;
    case 'member':
      return `${expression.of}.${expression.name}`;
    case 'not':
      return `NOT ${printExpression(expression.of, types, 'BOOL', true)}`;
    case 'logic': {
      const text = expression.of
        .map((part) => printExpression(part, types, 'BOOL', true))
        .join(` ${expression.operator} `);
      return inside ? `(${text})` : text;
    }
    case 'compare': {
      const text = printComparison(expression, types);
      return inside ? `(${text})` : text;
    }
    case 'binary': {
      const own = typeOf(expression, types) ?? wanted;
      const [left, right] = [expression.left, expression.right].map((side) =>
        printExpression(side, types, own, true),
      );
      const text = `${left} ${expression.operator} ${right}`;
      return inside ? `(${text})` : text;
    }
  }
}

function printComparison(
  { left, comparison, right }: Extract<Expression, { kind: 'compare' }>,
  types: ReadonlyMap<string, PlcType>,
): string {
  const type = typeOf(left, types) ?? typeOf(right, types) ?? 'DINT';
  return `${printExpression(left, types, type)} ${comparison} ${printExpression(right, types, type)}`;
}

function printStatement(statement: Statement, types: ReadonlyMap<string, PlcType>, indent: string): string[] {
  if (statement.kind === 'assign')
    return [
      `${indent}${statement.to} := ${printExpression(statement.value, types, types.get(statement.to) ?? 'REAL')};`,
    ];
  if (statement.kind === 'call') {
    const given = Object.entries(statement.given).map(
      ([name, value]) => `${name} := ${printExpression(value, types, 'BOOL')}`,
    );
    return [`${indent}${statement.of}(${given.join(', ')});`];
  }
  const deeper = `${indent}  `;
  return [
    ...statement.branches.flatMap(({ when, then }, i) => [
      `${indent}${i === 0 ? 'IF' : 'ELSIF'} ${printExpression(when, types, 'BOOL')} THEN`,
      ...then.flatMap((inner) => printStatement(inner, types, deeper)),
    ]),
    ...(statement.otherwise
      ? [`${indent}ELSE`, ...statement.otherwise.flatMap((inner) => printStatement(inner, types, deeper))]
      : []),
    `${indent}END_IF;`,
  ];
}

/** The statements of a function, one a line. */
export const printBody = (fn: PlcFunction): string =>
  fn.body.flatMap((statement) => printStatement(statement, typesOf(fn), '  ')).join('\n');

/** The statements of a function block, one a line. */
export const printBlockBody = (block: PlcBlock): string =>
  block.body.flatMap((statement) => printStatement(statement, typesOfBlock(block), '  ')).join('\n');

const declaredInstances = (keyword: string, instances: readonly Instance[]): string[] =>
  instances.length ? [keyword, ...instances.map(({ name, type }) => `  ${name} : ${type};`), 'END_VAR'] : [];

/** A function block as Structured Text of IEC 61131-3. */
function printBlock(block: PlcBlock): string {
  const isKept = ({ kept }: Instance): boolean => kept ?? false;
  return [
    `FUNCTION_BLOCK ${block.name}`,
    `(* ${plainComment(block.comment)} *)`,
    ...declared('VAR_INPUT', block.inputs),
    ...declared('VAR_OUTPUT', block.outputs),
    ...declared('VAR', block.locals),
    ...declaredInstances('VAR RETAIN', block.instances.filter(isKept)),
    ...declaredInstances(
      'VAR',
      block.instances.filter((instance) => !isKept(instance)),
    ),
    printBlockBody(block),
    'END_FUNCTION_BLOCK',
    '',
  ].join('\n');
}

/** Variables, and instances with the name of their block for a type. */
const declared = (
  keyword: string,
  variables: readonly (Omit<Variable, 'type'> & { readonly type: string })[],
): string[] =>
  variables.length
    ? [
        keyword,
        ...variables.map(({ name, type, comment }) => `  ${name} : ${type};${commented(comment)}`),
        'END_VAR',
      ]
    : [];

/** A function as Structured Text of IEC 61131-3. */
function printFunction(fn: PlcFunction): string {
  return [
    `FUNCTION ${fn.name} : ${fn.returns}`,
    `(* ${plainComment(fn.comment)} *)`,
    ...declared('VAR_INPUT', fn.inputs),
    ...declared('VAR', fn.locals),
    printBody(fn),
    'END_FUNCTION',
    '',
  ].join('\n');
}

/** What a program does, a call a line. */
export const printCalls = ({ calls }: PlcProgram): string =>
  calls
    .map((call) => {
      const list = Object.entries(call.given).map(([input, value]) => `${input} := ${value}`);
      return call.kind === 'function'
        ? `  ${call.result} := ${call.fn.name}(${list.join(', ')});`
        : `  ${call.of}(${list.join(', ')});`;
    })
    .join('\n');

/** Functions and function blocks that a program calls, each once, in the order in which they are called. */
export const calledBy = ({ calls }: PlcProgram): (PlcFunction | PlcBlock)[] => [
  ...new Map(
    calls.map((call) => (call.kind === 'function' ? call.fn : call.block)).map((unit) => [unit.name, unit]),
  ).values(),
];

/** Instances of blocks that a program keeps. */
export const instancesOf = ({ calls }: PlcProgram): { readonly name: string; readonly type: string }[] =>
  calls.flatMap((call) => (call.kind === 'block' ? [{ name: call.of, type: call.block.name }] : []));

const commented = (comment: string | undefined): string => (comment ? ` (* ${plainComment(comment)} *)` : '');

/** What ends a comment cannot stand in it. */
const plainComment = (text: string): string => text.replace(/\*\)|\(\*/g, '');

/** A program as Structured Text of IEC 61131-3, with all that it calls before it. */
export function printProgram(program: PlcProgram): string {
  const constants = program.constants.map(
    ({ name, type, value, comment }) =>
      `  ${name} : ${type} := ${literal(value, type)};${commented(comment)}`,
  );
  const units = calledBy(program).map((unit) => ('returns' in unit ? printFunction(unit) : printBlock(unit)));
  return [
    ...units,
    [
      `PROGRAM ${program.name}`,
      `(* ${plainComment(program.comment)} *)`,
      ...(constants.length ? ['VAR CONSTANT', ...constants, 'END_VAR'] : []),
      ...declared('VAR', [...program.variables, ...instancesOf(program)]),
      printCalls(program),
      'END_PROGRAM',
      '',
    ].join('\n'),
  ].join('\n');
}
