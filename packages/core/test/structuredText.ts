import { sure } from '../src/lists/index.ts';

/**
 * A reader of Structured Text for tests, written apart from the printer and the runner: it knows the language, not
 * the trees that the code is made from. It evaluates as it reads: reals in single or double precision, integers with
 * as many bits as their type has.
 */

type Value = number | bigint;
type Kind = 'INT' | 'UINT' | 'DINT' | 'UDINT' | 'LINT' | 'REAL' | 'LREAL';

const TOKEN = /\s*(\(\*[\s\S]*?\*\)|:=|<=|>=|[A-Za-z_]\w*|\d+\.\d+(?:E[+-]?\d+)?|\d+|[-+*/();:<>,])/gy;

function tokens(text: string): string[] {
  const list: string[] = [];
  TOKEN.lastIndex = 0;
  while (TOKEN.lastIndex < text.trimEnd().length) {
    const match = TOKEN.exec(text);
    if (!match) throw new Error(`No token of Structured Text at “${text.slice(0, 40)}”`);
    if (!sure(match[1]).startsWith('(*')) list.push(sure(match[1]));
  }
  return list;
}

const BITS: Partial<Record<Kind, number>> = { INT: 16, UINT: 16, DINT: 32, UDINT: 32, LINT: 64 };

function as(kind: Kind, value: Value): Value {
  if (kind === 'REAL') return Math.fround(Number(value));
  if (kind === 'LREAL') return Number(value);
  const whole = typeof value === 'bigint' ? value : BigInt(Math.round(value));
  return kind.startsWith('U')
    ? BigInt.asUintN(sure(BITS[kind]), whole)
    : BigInt.asIntN(sure(BITS[kind]), whole);
}

interface Typed {
  readonly kind: Kind | undefined;
  readonly get: () => Value;
}

export interface ReadFunction {
  readonly name: string;
  readonly returns: Kind;
  readonly inputs: readonly string[];
  /** The type of everything that it declares. */
  readonly kinds: ReadonlyMap<string, string>;
  readonly call: (given: Readonly<Record<string, number>>) => number;
}

/** An operator on two values of one type, as that type gives it. */
const OPERATE: Record<string, (x: Value, y: Value) => Value> = {
  '+': (x, y) => (typeof x === 'bigint' ? x + (y as bigint) : x + Number(y)),
  '-': (x, y) => (typeof x === 'bigint' ? x - (y as bigint) : x - Number(y)),
  '*': (x, y) => (typeof x === 'bigint' ? x * (y as bigint) : x * Number(y)),
  '/': (x, y) => (typeof x === 'bigint' ? x / (y as bigint) : x / Number(y)),
};

const COMPARE: Record<string, (x: Value, y: Value) => boolean> = {
  '<': (x, y) => x < y,
  '>': (x, y) => x > y,
  '<=': (x, y) => x <= y,
  '>=': (x, y) => x >= y,
};

class Reader {
  readonly kinds = new Map<string, Kind>();
  readonly memory = new Map<string, Value>();
  readonly #list: readonly string[];
  #at = 0;

  constructor(text: string) {
    this.#list = tokens(text);
  }

  peek(): string | undefined {
    return this.#list[this.#at];
  }

  take(wanted?: string): string {
    const token = this.#list[this.#at++];
    if (token === undefined || (wanted !== undefined && token !== wanted))
      throw new Error(`Expected ${wanted ?? 'more'}, found ${token ?? 'the end'}`);
    return token;
  }

  #kindOf(name: string): Kind {
    const kind = this.kinds.get(name);
    if (!kind) throw new Error(`${name} is not declared`);
    return kind;
  }

  #bracket(): Typed {
    this.take('(');
    const inner = this.#sum();
    this.take(')');
    return inner;
  }

  #primary(): Typed {
    if (this.peek() === '(') return this.#bracket();
    const token = this.take();
    if (token === '-') {
      const inner = this.#primary();
      return { kind: inner.kind, get: () => -inner.get() };
    }
    if (/^\d/.test(token)) return { kind: undefined, get: () => Number(token) };
    if (this.peek() !== '(') return { kind: this.#kindOf(token), get: () => sure(this.memory.get(token)) };
    const inner = this.#bracket();
    if (token === 'SQRT')
      return { kind: inner.kind, get: () => as(sure(inner.kind), Math.sqrt(Number(inner.get()))) };
    const to = /^[A-Z]+_TO_([A-Z]+)$/.exec(token)?.[1] as Kind | undefined;
    if (!to) throw new Error(`No function ${token}`);
    return { kind: to, get: () => as(to, inner.get()) };
  }

  #row(next: () => Typed, operators: readonly string[]): Typed {
    let left = next();
    while (operators.includes(sure(this.peek()))) {
      const operate = sure(OPERATE[this.take()]);
      const [a, b] = [left, next()];
      if (a.kind && b.kind && a.kind !== b.kind) throw new Error(`${a.kind} and ${b.kind} do not mix`);
      const kind = a.kind ?? b.kind;
      if (!kind) throw new Error('Two bare numbers');
      left = { kind, get: () => as(kind, operate(as(kind, a.get()), as(kind, b.get()))) };
    }
    return left;
  }

  #sum(): Typed {
    return this.#row(() => this.#row(() => this.#primary(), ['*', '/']), ['+', '-']);
  }

  #condition(): () => boolean {
    const left = this.#sum();
    const compare = sure(COMPARE[this.take()]);
    const right = this.#sum();
    const kind = left.kind ?? sure(right.kind);
    return () => compare(as(kind, left.get()), as(kind, right.get()));
  }

  statements(...ends: string[]): () => void {
    const run: (() => void)[] = [];
    while (!ends.includes(sure(this.peek()))) run.push(this.#statement());
    return () => run.forEach((one) => one());
  }

  #statement(): () => void {
    if (this.peek() === 'IF') return this.#choice();
    const name = this.take();
    this.take(':=');
    const value = this.#sum();
    this.take(';');
    const kind = this.#kindOf(name);
    if (value.kind && value.kind !== kind) throw new Error(`${name} is ${kind}, not ${value.kind}`);
    return () => void this.memory.set(name, as(kind, value.get()));
  }

  #choice(): () => void {
    const branches: { holds: () => boolean; run: () => void }[] = [];
    let otherwise = (): void => undefined;
    this.take('IF');
    for (let next = 'ELSIF'; next === 'ELSIF'; next = this.take()) {
      const holds = this.#condition();
      this.take('THEN');
      branches.push({ holds, run: this.statements('ELSIF', 'ELSE', 'END_IF') });
      if (this.peek() !== 'ELSE') continue;
      this.take('ELSE');
      otherwise = this.statements('END_IF');
    }
    this.take(';');
    return () => (branches.find(({ holds }) => holds())?.run ?? otherwise)();
  }

  declarations(): string[] {
    const names: string[] = [];
    while (this.peek() !== 'END_VAR') {
      const name = this.take();
      this.take(':');
      this.kinds.set(name, this.take() as Kind);
      this.take(';');
      names.push(name);
    }
    this.take('END_VAR');
    return names;
  }
}

/** Reads one `FUNCTION … END_FUNCTION`. */
export function readFunction(text: string): ReadFunction {
  const reader = new Reader(text);
  const inputs: string[] = [];
  reader.take('FUNCTION');
  const name = reader.take();
  reader.take(':');
  const returns = reader.take() as Kind;
  reader.kinds.set(name, returns);
  while (reader.peek() === 'VAR_INPUT' || reader.peek() === 'VAR')
    if (reader.take() === 'VAR_INPUT') inputs.push(...reader.declarations());
    else reader.declarations();
  const body = reader.statements('END_FUNCTION');
  reader.take('END_FUNCTION');
  if (reader.peek() !== undefined) throw new Error(`More after the function: ${reader.peek()}`);
  return {
    name,
    returns,
    inputs,
    kinds: reader.kinds,
    call: (given) => {
      for (const [key, kind] of reader.kinds) reader.memory.set(key, as(kind, given[key] ?? 0));
      for (const input of inputs) if (given[input] === undefined) throw new Error(`${input} is not given`);
      body();
      return Number(reader.memory.get(name));
    },
  };
}
