import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { refuse } from '../../model/index.ts';
import { typeOf, typesOf } from './print.ts';
import type {
  Comparison,
  Condition,
  Expression,
  Operator,
  PlcFunction,
  PlcType,
  Statement,
} from './program.ts';

/** Least and largest value of the integer types. */
export const INTEGER_RANGE: Readonly<Partial<Record<PlcType, readonly [min: bigint, max: bigint]>>> = {
  INT: [-32768n, 32767n],
  UINT: [0n, 65535n],
  DINT: [-2147483648n, 2147483647n],
  UDINT: [0n, 4294967295n],
  LINT: [-(2n ** 63n), 2n ** 63n - 1n],
};

/** Where a value did not fit into its type. */
export interface Overflow {
  readonly where: string;
  readonly type: PlcType;
  /** What it should have been. */
  readonly exact: number;
}

export interface RunResult {
  readonly value: number;
  readonly overflow?: Overflow;
}

interface Memory {
  readonly values: (number | bigint)[];
  overflow: Overflow | undefined;
}

type Compiled = (memory: Memory) => number | bigint;

const REALS = new Set<PlcType>(['REAL', 'LREAL']);
const rounded = (value: number, type: PlcType): number => (type === 'REAL' ? Math.fround(value) : value);

/**
 * Makes a function that runs as a controller would: integers of 16, 32 and 64 bit that wrap round (two's complement)
 * and are cut towards zero when they are divided, REAL in single precision. The first value that does not fit is
 * told.
 * @throws JobProblem for a name that is not declared.
 */
export function compileFunction(fn: PlcFunction): (inputs: readonly number[]) => RunResult {
  const types = typesOf(fn);
  const names = [...types.keys()];
  const slots = new Map(names.map((name, i) => [name, i]));
  const slot = (name: string): number => slots.get(name) ?? refuse(say('scaling.not-declared', { name }));
  const statements = fn.body.map((statement) => compileStatement(statement, types, slot));
  const zero = names.map((name) => (REALS.has(sure(types.get(name))) ? 0 : 0n));
  const inputs = fn.inputs.map(({ name, type }) => ({ at: slot(name), type }));
  const result = slot(fn.name);
  return (given) => {
    const memory: Memory = { values: [...zero], overflow: undefined };
    inputs.forEach(({ at, type }, i) => {
      memory.values[at] = REALS.has(type) ? rounded(nth(given, i), type) : BigInt(Math.trunc(nth(given, i)));
    });
    for (const run of statements) run(memory);
    return { value: Number(memory.values[result]), ...(memory.overflow && { overflow: memory.overflow }) };
  };
}

function compileStatement(
  statement: Statement,
  types: ReadonlyMap<string, PlcType>,
  slot: (name: string) => number,
): (memory: Memory) => void {
  if (statement.kind === 'assign') {
    const at = slot(statement.to);
    const type = sure(types.get(statement.to));
    const value = compileExpression(statement.value, types, slot, type);
    return (memory) => {
      memory.values[at] = value(memory);
    };
  }
  const branches = statement.branches.map(({ when, then }) => ({
    holds: compileCondition(when, types, slot),
    then: then.map((inner) => compileStatement(inner, types, slot)),
  }));
  const otherwise = (statement.otherwise ?? []).map((inner) => compileStatement(inner, types, slot));
  return (memory) => {
    const taken = branches.find(({ holds }) => holds(memory))?.then ?? otherwise;
    for (const run of taken) run(memory);
  };
}

const COMPARE: Readonly<Record<Comparison, (a: number | bigint, b: number | bigint) => boolean>> = {
  '<': (a, b) => a < b,
  '>': (a, b) => a > b,
  '<=': (a, b) => a <= b,
  '>=': (a, b) => a >= b,
};

function compileCondition(
  { left, comparison, right }: Condition,
  types: ReadonlyMap<string, PlcType>,
  slot: (name: string) => number,
): (memory: Memory) => boolean {
  const type = typeOf(left, types) ?? typeOf(right, types) ?? 'DINT';
  const [a, b] = [left, right].map((side) => compileExpression(side, types, slot, type)) as [
    Compiled,
    Compiled,
  ];
  const compare = COMPARE[comparison];
  return (memory) => compare(a(memory), b(memory));
}

function compileExpression(
  expression: Expression,
  types: ReadonlyMap<string, PlcType>,
  slot: (name: string) => number,
  wanted: PlcType,
): Compiled {
  switch (expression.kind) {
    case 'number': {
      const value = REALS.has(wanted) ? rounded(expression.value, wanted) : BigInt(expression.value);
      return () => value;
    }
    case 'name': {
      const at = slot(expression.name);
      return ({ values }) => nth(values, at);
    }
    case 'root': {
      const of = compileExpression(expression.of, types, slot, wanted);
      return (memory) => rounded(Math.sqrt(Number(of(memory))), wanted);
    }
    case 'convert': {
      const of = compileExpression(expression.of, types, slot, expression.from);
      return conversion(of, expression.from, expression.to);
    }
    case 'binary': {
      const own = typeOf(expression, types) ?? wanted;
      const left = compileExpression(expression.left, types, slot, own);
      const right = compileExpression(expression.right, types, slot, own);
      return REALS.has(own)
        ? realOperation(expression.operator, left, right, own)
        : integerOperation(expression.operator, left, right, own);
    }
  }
}

/** Reals become integers by rounding to the nearest, halves to the even one (IEC 61131-3, conversion of REAL). */
function conversion(of: Compiled, from: PlcType, to: PlcType): Compiled {
  if (REALS.has(to)) return (memory) => rounded(Number(of(memory)), to);
  const where = `${from}_TO_${to}`;
  return (memory) => {
    const value = of(memory);
    return fitted(typeof value === 'bigint' ? value : BigInt(toEven(value)), to, where, memory);
  };
}

function toEven(value: number): number {
  const below = Math.floor(value);
  const rest = value - below;
  if (rest !== 0.5) return Math.round(value);
  return below % 2 === 0 ? below : below + 1;
}

function realOperation(operator: Operator, left: Compiled, right: Compiled, type: PlcType): Compiled {
  return (memory) => {
    const [a, b] = [Number(left(memory)), Number(right(memory))];
    switch (operator) {
      case '+':
        return rounded(a + b, type);
      case '-':
        return rounded(a - b, type);
      case '*':
        return rounded(a * b, type);
      default:
        return rounded(a / b, type);
    }
  };
}

const OPERATION_WORDS: Readonly<Record<Operator, string>> = {
  '+': 'sum',
  '-': 'difference',
  '*': 'product',
  '/': 'quotient',
};

function integerOperation(operator: Operator, left: Compiled, right: Compiled, type: PlcType): Compiled {
  const where = OPERATION_WORDS[operator];
  return (memory) => {
    const [a, b] = [left(memory) as bigint, right(memory) as bigint];
    switch (operator) {
      case '+':
        return fitted(a + b, type, where, memory);
      case '-':
        return fitted(a - b, type, where, memory);
      case '*':
        return fitted(a * b, type, where, memory);
      default:
        return b === 0n ? 0n : fitted(a / b, type, where, memory);
    }
  };
}

/** A whole number as its type holds it: what does not fit wraps round, and the first time is remembered. */
function fitted(value: bigint, type: PlcType, where: string, memory: Memory): bigint {
  const [min, max] = sure(INTEGER_RANGE[type]);
  if (value >= min && value <= max) return value;
  memory.overflow ??= { where, type, exact: Number(value) };
  const width = type === 'INT' || type === 'UINT' ? 16 : type === 'LINT' ? 64 : 32;
  return min < 0n ? BigInt.asIntN(width, value) : BigInt.asUintN(width, value);
}
