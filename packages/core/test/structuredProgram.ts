import { sure } from '../src/lists/index.ts';
import { readFunction } from './structuredText.ts';
import type { ReadFunction } from './structuredText.ts';

/** A program as it was read: what it keeps, and a cycle of it. */
export interface ReadProgram {
  readonly name: string;
  readonly functions: ReadonlyMap<string, ReadFunction>;
  readonly blocks: ReadonlyMap<string, ReadonlyMap<string, string>>;
  readonly constants: ReadonlyMap<string, number>;
  /** Everything that it declares, with its type. */
  readonly kinds: ReadonlyMap<string, string>;
  /** Variables after a cycle in which functions are called; blocks are only checked. */
  readonly cycle: (given: Readonly<Record<string, number>>) => Map<string, number>;
}

const ELEMENTARY = new Set(['INT', 'UINT', 'DINT', 'UDINT', 'LINT', 'REAL', 'LREAL', 'BOOL', 'TIME']);
const RESERVED =
  /^(?:IF|THEN|ELSE|ELSIF|END_\w+|VAR\w*|AND|OR|NOT|XOR|MOD|TRUE|FALSE|FOR|WHILE|CASE|OF|TO|BY|DO)$/i;

const withoutComments = (text: string): string => {
  const plain = text.replace(/\(\*[\s\S]*?\*\)/g, ' ');
  if (/\(\*|\*\)/.test(plain)) throw new Error('A comment does not end, or ends twice');
  return plain;
};

/** Declarations of a unit by the keyword of their part: name, type, first value. */
function declarations(text: string): Map<string, [name: string, type: string, value?: string][]> {
  const found = new Map<string, [string, string, string?][]>();
  for (const [, keyword, inner] of text.matchAll(
    /^(VAR\w*(?: (?:CONSTANT|RETAIN))?)$([\s\S]*?)^END_VAR$/gm,
  )) {
    const lines = sure(inner)
      .split(';')
      .map((line) => line.trim());
    if (lines.pop() !== '') throw new Error(`A declaration does not end in ${keyword}`);
    const list = lines.map((line): [string, string, string?] => {
      const match = /^([A-Za-z]\w*|_\w+) : (\w+)(?: := (\S+))?$/.exec(line);
      if (!match) throw new Error(`No declaration: ${line}`);
      const [, name, type, value] = match;
      if (RESERVED.test(sure(name)) || sure(name).includes('__')) throw new Error(`No name: ${name}`);
      return [sure(name), sure(type), value];
    });
    found.set(sure(keyword), [...(found.get(sure(keyword)) ?? []), ...list]);
  }
  return found;
}

/**
 * Reads a whole text of functions, function blocks and one program as a compiler would: every name is declared once,
 * every call names all that is to be given and nothing else, and all types are the same on both sides.
 */
export function readProgram(whole: string): ReadProgram {
  const text = withoutComments(whole)
    .split('\n')
    .map((line) => line.trim())
    .join('\n');
  const UNIT = /^(FUNCTION_BLOCK|FUNCTION|PROGRAM) (\w+)[^\n]*\n[\s\S]*?^END_\1$/gm;
  const units = [...text.matchAll(UNIT)].map(([all, kind, name]) => ({
    all,
    kind: sure(kind),
    name: sure(name),
  }));
  if (text.replace(UNIT, '').trim() !== '') throw new Error('Text outside of functions and programs');
  const names = units.map(({ name }) => name.toUpperCase());
  if (new Set(names).size !== names.length) throw new Error(`Two units of one name: ${names.join(' ')}`);
  const of = (wanted: string) => units.filter(({ kind }) => kind === wanted);
  const functions = new Map(of('FUNCTION').map(({ all, name }) => [name, readFunction(all)]));
  const blocks = new Map(
    of('FUNCTION_BLOCK').map(({ all, name }) => [
      name,
      new Map((declarations(all).get('VAR_INPUT') ?? []).map(([input, type]) => [input, type])),
    ]),
  );
  const [program, ...more] = of('PROGRAM');
  if (!program || more.length) throw new Error('Not one program');
  const declared = declarations(program.all);
  const all = [...declared.values()].flat();
  const kinds = new Map(all.map(([name, type]) => [name, type]));
  if (new Set(all.map(([name]) => name.toUpperCase())).size !== all.length)
    throw new Error('A name is declared twice');
  for (const [name, type] of all)
    if (!ELEMENTARY.has(type) && !blocks.has(type)) throw new Error(`${name} is of no type: ${type}`);
  const constants = new Map(
    (declared.get('VAR CONSTANT') ?? []).map(([name, type, value]) => {
      const isReal = type.endsWith('REAL');
      if (!value || !(isReal ? /^-?\d+\.\d+(?:E[+-]?\d+)?$/ : /^-?\d+$/).test(value))
        throw new Error(`${name} : ${type} := ${value}`);
      return [name, Number(value)] as const;
    }),
  );
  const calls = callsIn(program.all, { functions, blocks, kinds, constants });
  return {
    name: program.name,
    functions,
    blocks,
    constants,
    kinds,
    cycle: (given) => {
      const memory = new Map([...constants, ...Object.entries(given)]);
      for (const { result, fn, inputs } of calls) {
        if (!fn || result === undefined) continue;
        const values = Object.entries(inputs).map(([input, name]) => [input, memory.get(name) ?? 0] as const);
        memory.set(result, fn.call(Object.fromEntries(values)));
      }
      return memory;
    },
  };
}

interface Known {
  readonly functions: ReadonlyMap<string, ReadFunction>;
  readonly blocks: ReadonlyMap<string, ReadonlyMap<string, string>>;
  readonly kinds: ReadonlyMap<string, string>;
  readonly constants: ReadonlyMap<string, number>;
}

interface ReadCall {
  readonly result?: string;
  readonly fn?: ReadFunction;
  readonly inputs: Readonly<Record<string, string>>;
}

function callsIn(program: string, { functions, blocks, kinds, constants }: Known): ReadCall[] {
  const body = program.slice(
    program.lastIndexOf('END_VAR') + 'END_VAR'.length,
    program.lastIndexOf('END_PROGRAM'),
  );
  const lines = body.split(';').map((line) => line.trim());
  if (lines.pop() !== '') throw new Error('A statement does not end');
  return lines.map((line) => {
    const match = /^(?:(\w+) := )?(\w+)\(([\s\S]*)\)$/.exec(line);
    if (!match) throw new Error(`No call: ${line}`);
    const [, result, callee, list] = match;
    const inputs = Object.fromEntries(
      sure(list)
        .split(', ')
        .map((part) => {
          const [input, value, ...rest] = part.split(' := ');
          if (!value || rest.length) throw new Error(`Nothing given: ${part}`);
          return [sure(input), value] as const;
        }),
    );
    const fn = result === undefined ? undefined : functions.get(sure(callee));
    const wants = fn
      ? new Map(fn.inputs.map((input) => [input, sure(fn.kinds.get(input))]))
      : blocks.get(kinds.get(sure(callee)) ?? '');
    if (!wants) throw new Error(`Nothing is called ${callee}`);
    if (Object.keys(inputs).sort().join() !== [...wants.keys()].sort().join())
      throw new Error(`${callee} is given ${Object.keys(inputs).join()}`);
    for (const [input, value] of Object.entries(inputs))
      if (kinds.get(value) !== wants.get(input))
        throw new Error(
          `${input} is ${wants.get(input)}, and ${value} is ${kinds.get(value) ?? 'not declared'}`,
        );
    if (fn && (kinds.get(sure(result)) !== fn.returns || constants.has(sure(result))))
      throw new Error(`${callee} gives ${fn.returns}, and ${result} is ${kinds.get(sure(result))}`);
    return { ...(result !== undefined && { result }), ...(fn && { fn }), inputs };
  });
}
