import { say } from '../../messages/index.ts';
import type { Message } from '../../messages/index.ts';
import type { PlcCode } from './codeRequest.ts';
import { typeOf, typesOf } from './print.ts';
import type { Expression, PlcType, Statement } from './program.ts';
import { INTEGER_RANGE } from './run.ts';

/** Each number of some code that its type cannot hold: constants of the call, and numbers in the text. */
export function unfitNumbers({ fn, constants }: PlcCode): Message[] {
  const types = typesOf(fn);
  const found = new Map<string, Message>();
  const check = (value: number, type: PlcType | undefined): void => {
    const range = type && INTEGER_RANGE[type];
    if (range && (value < Number(range[0]) || value > Number(range[1])))
      found.set(`${value} ${type}`, say('scaling.number-unfit', { value, type }));
  };
  const walk = (expression: Expression, wanted: PlcType | undefined): void => {
    switch (expression.kind) {
      case 'number':
        return check(expression.value, wanted);
      case 'convert':
        return walk(expression.of, expression.from);
      case 'root':
        return walk(expression.of, wanted);
      case 'compare': {
        const type = typeOf(expression.left, types) ?? typeOf(expression.right, types);
        walk(expression.left, type);
        return walk(expression.right, type);
      }
      case 'logic':
        return expression.of.forEach((part) => walk(part, 'BOOL'));
      case 'not':
        return walk(expression.of, 'BOOL');
      case 'name':
      case 'truth':
      case 'time':
      case 'member':
        return;
      case 'binary': {
        const own = typeOf(expression, types) ?? wanted;
        walk(expression.left, own);
        return walk(expression.right, own);
      }
    }
  };
  const go = (statement: Statement): void => {
    if (statement.kind === 'assign') return walk(statement.value, types.get(statement.to));
    if (statement.kind === 'call') return;
    for (const { when, then } of statement.branches) {
      walk(when, 'BOOL');
      then.forEach(go);
    }
    statement.otherwise?.forEach(go);
  };
  for (const { name, type } of fn.inputs) {
    const value = constants[name];
    if (value !== undefined) check(value, type);
  }
  fn.body.forEach(go);
  return [...found.values()];
}
