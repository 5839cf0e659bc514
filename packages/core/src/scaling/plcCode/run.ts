import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { refuse } from '../../model/index.ts';
import { typeOf, typesOf, typesOfBlock } from './print.ts';
import { STANDARD_BLOCKS } from './standardBlocks.ts';
import type { BlockState } from './standardBlocks.ts';
import type {
  Comparison,
  Expression,
  Instance,
  Operator,
  PlcBlock,
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
  /** Of function blocks: each instance, and the moment of the cycle, ms. */
  readonly instances: BlockState[];
  now: number;
}

/** What names stand for. */
interface Scope {
  readonly types: ReadonlyMap<string, PlcType>;
  readonly slot: (name: string) => number;
  readonly instance: (name: string) => { readonly at: number; readonly type: Instance['type'] };
}

type Compiled = (memory: Memory) => number | bigint;

const REALS = new Set<PlcType>(['REAL', 'LREAL']);
/** Types whose values are plain numbers here; those of all others are whole and of any length. */
const PLAIN = new Set<PlcType>(['REAL', 'LREAL', 'BOOL', 'TIME']);
const rounded = (value: number, type: PlcType): number => (type === 'REAL' ? Math.fround(value) : value);

/**
 * Makes a function that runs as a controller would: integers of 16, 32 and 64 bit that wrap round (two's complement)
 * and are cut towards zero when they are divided, REAL in single precision. The first value that does not fit is
 * told.
 * @throws JobProblem for a name that is not declared.
 */
export function compileFunction(fn: PlcFunction): (inputs: readonly number[]) => RunResult {
  const types = typesOf(fn);
  const scope = scopeOf(types, []);
  const statements = fn.body.map((statement) => compileStatement(statement, scope));
  const zero = zeros(types);
  const inputs = fn.inputs.map(({ name, type }) => ({ at: scope.slot(name), type }));
  const result = scope.slot(fn.name);
  return (given) => {
    const memory: Memory = { values: [...zero], overflow: undefined, instances: [], now: 0 };
    inputs.forEach(({ at, type }, i) => {
      memory.values[at] = taken(nth(given, i), type);
    });
    for (const run of statements) run(memory);
    return { value: Number(memory.values[result]), ...(memory.overflow && { overflow: memory.overflow }) };
  };
}

const zeros = (types: ReadonlyMap<string, PlcType>): (number | bigint)[] =>
  [...types.values()].map((type) => (PLAIN.has(type) ? 0 : 0n));

const taken = (value: number, type: PlcType): number | bigint =>
  PLAIN.has(type) ? rounded(value, type) : BigInt(Math.trunc(value));

function scopeOf(types: ReadonlyMap<string, PlcType>, instances: readonly Instance[]): Scope {
  const slots = new Map([...types.keys()].map((name, i) => [name, i]));
  const places = new Map(instances.map(({ name, type }, at) => [name, { at, type }]));
  const unknown = (name: string): never => refuse(say('scaling.not-declared', { name }));
  return {
    types,
    slot: (name) => slots.get(name) ?? unknown(name),
    instance: (name) => places.get(name) ?? unknown(name),
  };
}

/** A function block that runs cycle by cycle, as a controller would run it. */
export interface RunningBlock {
  /** One cycle. @param now its moment, ms. @param inputs in the block's own order, truths as 0 and 1. */
  readonly cycle: (now: number, inputs: readonly number[]) => void;
  /** What an output is after a cycle; truths as 0 and 1. */
  readonly output: (i: number) => number;
  /** Power goes and comes back: only what is kept stays. */
  readonly powerCut: () => void;
}

/** Makes a function block that runs. @throws JobProblem for a name that is not declared. */
export function compileBlock(block: PlcBlock): RunningBlock {
  const types = typesOfBlock(block);
  const scope = scopeOf(types, block.instances);
  const statements = block.body.map((statement) => compileStatement(statement, scope));
  const zero = zeros(types);
  const inputs = block.inputs.map(({ name, type }) => ({ at: scope.slot(name), type }));
  const outputs = block.outputs.map(({ name }) => scope.slot(name));
  const fresh = ({ type }: Instance): BlockState => STANDARD_BLOCKS[type].fresh();
  const memory: Memory = {
    values: [...zero],
    overflow: undefined,
    instances: block.instances.map(fresh),
    now: 0,
  };
  return {
    cycle: (now, given) => {
      memory.now = now;
      inputs.forEach(({ at, type }, i) => {
        memory.values[at] = taken(nth(given, i), type);
      });
      for (const run of statements) run(memory);
    },
    output: (i) => Number(memory.values[nth(outputs, i)]),
    powerCut: () => {
      memory.values.splice(0, zero.length, ...zero);
      block.instances.forEach((instance, i) => {
        if (!instance.kept) memory.instances[i] = fresh(instance);
      });
    },
  };
}

function compileStatement(statement: Statement, scope: Scope): (memory: Memory) => void {
  if (statement.kind === 'assign') {
    const at = scope.slot(statement.to);
    const type = sure(scope.types.get(statement.to));
    const value = compileExpression(statement.value, scope, type);
    return (memory) => {
      memory.values[at] = value(memory);
    };
  }
  if (statement.kind === 'call') return compileCall(statement, scope);
  const branches = statement.branches.map(({ when, then }) => ({
    holds: compileExpression(when, scope, 'BOOL'),
    then: then.map((inner) => compileStatement(inner, scope)),
  }));
  const otherwise = (statement.otherwise ?? []).map((inner) => compileStatement(inner, scope));
  return (memory) => {
    const taken = branches.find(({ holds }) => holds(memory) === 1)?.then ?? otherwise;
    for (const run of taken) run(memory);
  };
}

/** Inputs that are not given stay as they were. */
function compileCall(
  { of, given }: Extract<Statement, { kind: 'call' }>,
  scope: Scope,
): (memory: Memory) => void {
  const { at, type } = scope.instance(of);
  const { inputs, run } = STANDARD_BLOCKS[type];
  const values = Object.entries(given).map(([name, value]) => ({
    name,
    value: compileExpression(
      value,
      scope,
      inputs[name] ?? refuse(say('scaling.not-declared', { name: `${of}.${name}` })),
    ),
  }));
  return (memory) => {
    const state = nth(memory.instances, at);
    for (const { name, value } of values) state.inputs[name] = Number(value(memory));
    run(state, memory.now);
  };
}

const COMPARE: Readonly<Record<Comparison, (a: number | bigint, b: number | bigint) => boolean>> = {
  '<': (a, b) => a < b,
  '>': (a, b) => a > b,
  '<=': (a, b) => a <= b,
  '>=': (a, b) => a >= b,
  '=': (a, b) => a === b,
};

function compileComparison(
  { left, comparison, right }: Extract<Expression, { kind: 'compare' }>,
  scope: Scope,
): Compiled {
  const type = typeOf(left, scope.types) ?? typeOf(right, scope.types) ?? 'DINT';
  const [a, b] = [left, right].map((side) => compileExpression(side, scope, type)) as [Compiled, Compiled];
  const compare = COMPARE[comparison];
  return (memory) => (compare(a(memory), b(memory)) ? 1 : 0);
}

/** All of some truths, or any of them. */
function compileLogic({ operator, of }: Extract<Expression, { kind: 'logic' }>, scope: Scope): Compiled {
  const parts = of.map((part) => compileExpression(part, scope, 'BOOL'));
  return operator === 'AND'
    ? (memory) => (parts.every((part) => part(memory) === 1) ? 1 : 0)
    : (memory) => (parts.some((part) => part(memory) === 1) ? 1 : 0);
}

function compileExpression(expression: Expression, scope: Scope, wanted: PlcType): Compiled {
  switch (expression.kind) {
    case 'number': {
      const value = PLAIN.has(wanted) ? rounded(expression.value, wanted) : BigInt(expression.value);
      return () => value;
    }
    case 'name': {
      const at = scope.slot(expression.name);
      return ({ values }) => nth(values, at);
    }
    case 'root': {
      const of = compileExpression(expression.of, scope, wanted);
      return (memory) => rounded(Math.sqrt(Number(of(memory))), wanted);
    }
    case 'convert': {
      const of = compileExpression(expression.of, scope, expression.from);
      return conversion(of, expression.from, expression.to);
    }
    case 'truth': {
      const value = expression.value ? 1 : 0;
      return () => value;
    }
    case 'time': {
      const { ms } = expression;
      return () => ms;
    }
    case 'member': {
      const { at } = scope.instance(expression.of);
      const { name } = expression;
      return ({ instances }) => nth(instances, at).outputs[name] ?? 0;
    }
    case 'compare':
      return compileComparison(expression, scope);
    case 'logic':
      return compileLogic(expression, scope);
    case 'not': {
      const of = compileExpression(expression.of, scope, 'BOOL');
      return (memory) => (of(memory) === 1 ? 0 : 1);
    }
    case 'binary': {
      const own = typeOf(expression, scope.types) ?? wanted;
      const left = compileExpression(expression.left, scope, own);
      const right = compileExpression(expression.right, scope, own);
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
