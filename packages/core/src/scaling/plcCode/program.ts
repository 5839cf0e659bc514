/** Elementary types of IEC 61131-3 that the code uses. */
export type PlcType = 'INT' | 'UINT' | 'DINT' | 'UDINT' | 'LINT' | 'REAL' | 'LREAL' | 'BOOL' | 'TIME';

export type Operator = '+' | '-' | '*' | '/';
export type Comparison = '<' | '>' | '<=' | '>=' | '=';

/** An expression of Structured Text. Both sides of an operator have the same type; a literal takes the other's. */
export type Expression =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'name'; readonly name: string }
  | {
      readonly kind: 'binary';
      readonly operator: Operator;
      readonly left: Expression;
      readonly right: Expression;
    }
  /** `INT_TO_REAL` and the like: only the type that comes out is told apart here. */
  | { readonly kind: 'convert'; readonly from: PlcType; readonly to: PlcType; readonly of: Expression }
  | { readonly kind: 'root'; readonly of: Expression }
  | { readonly kind: 'truth'; readonly value: boolean }
  /** A length of time, whole ms. */
  | { readonly kind: 'time'; readonly ms: number }
  | {
      readonly kind: 'compare';
      readonly left: Expression;
      readonly comparison: Comparison;
      readonly right: Expression;
    }
  | { readonly kind: 'logic'; readonly operator: 'AND' | 'OR'; readonly of: readonly Expression[] }
  | { readonly kind: 'not'; readonly of: Expression }
  /** What an instance of a function block gives. */
  | { readonly kind: 'member'; readonly of: string; readonly name: string; readonly type: PlcType };

export type Statement =
  | { readonly kind: 'assign'; readonly to: string; readonly value: Expression }
  /** A call of an instance of a function block. */
  | { readonly kind: 'call'; readonly of: string; readonly given: Readonly<Record<string, Expression>> }
  | {
      readonly kind: 'if';
      readonly branches: readonly { readonly when: Expression; readonly then: readonly Statement[] }[];
      readonly otherwise?: readonly Statement[];
    };

export interface Variable {
  readonly name: string;
  readonly type: PlcType;
  readonly comment?: string;
}

/** A function of IEC 61131-3: what it is given, what it keeps meanwhile, and what it does. */
export interface PlcFunction {
  readonly name: string;
  readonly returns: PlcType;
  readonly comment: string;
  readonly inputs: readonly Variable[];
  readonly locals: readonly Variable[];
  readonly body: readonly Statement[];
}

/** Standard function blocks of IEC 61131-3 that the code uses. */
export type StandardBlock = 'TON' | 'TOF' | 'RS' | 'R_TRIG';

/** An instance of a standard function block; kept over a power cut or not. */
export interface Instance {
  readonly name: string;
  readonly type: StandardBlock;
  readonly kept?: boolean;
}

/** A function block of IEC 61131-3: like a function, but with outputs, and with what it keeps from cycle to cycle. */
export interface PlcBlock {
  readonly name: string;
  readonly comment: string;
  readonly inputs: readonly Variable[];
  readonly outputs: readonly Variable[];
  readonly locals: readonly Variable[];
  readonly instances: readonly Instance[];
  readonly body: readonly Statement[];
}

/** A constant of a program. */
export interface Constant extends Variable {
  readonly value: number;
}

/** What a program does in a cycle: a function's result into a variable, or a block's instance with what it is given. */
export type Call =
  | {
      readonly kind: 'function';
      readonly fn: PlcFunction;
      readonly result: string;
      readonly given: Readonly<Record<string, string>>;
    }
  | {
      readonly kind: 'block';
      readonly block: PlcBlock;
      readonly of: string;
      readonly given: Readonly<Record<string, string>>;
    };

/** A program of IEC 61131-3 that compiles as it stands: all it names is declared, and all it calls comes with it. */
export interface PlcProgram {
  readonly name: string;
  readonly comment: string;
  readonly constants: readonly Constant[];
  readonly variables: readonly Variable[];
  readonly calls: readonly Call[];
}

export const number = (value: number): Expression => ({ kind: 'number', value });
export const name = (text: string): Expression => ({ kind: 'name', name: text });
export const convertTo = (from: PlcType, to: PlcType, of: Expression): Expression =>
  from === to ? of : { kind: 'convert', from, to, of };
const binary =
  (operator: Operator) =>
  (left: Expression, right: Expression): Expression => ({ kind: 'binary', operator, left, right });
export const plus = binary('+');
export const minus = binary('-');
export const times = binary('*');
export const over = binary('/');
export const assign = (to: string, value: Expression): Statement => ({ kind: 'assign', to, value });
export const when = (left: Expression, comparison: Comparison, right: Expression): Expression => ({
  kind: 'compare',
  left,
  comparison,
  right,
});

export const truth = (value: boolean): Expression => ({ kind: 'truth', value });
export const not = (of: Expression): Expression => ({ kind: 'not', of });
const logic =
  (operator: 'AND' | 'OR') =>
  (...of: readonly Expression[]): Expression =>
    of.length === 1 && of[0] ? of[0] : { kind: 'logic', operator, of };
export const and = logic('AND');
export const or = logic('OR');
export const member = (of: string, text: string, type: PlcType = 'BOOL'): Expression => ({
  kind: 'member',
  of,
  name: text,
  type,
});

/** A name that every controller takes: letters, digits and single underscores, not beginning with a digit. */
export function identifier(text: string): string {
  const plain = text
    .normalize('NFD')
    .replace(/[^\w]+/g, '_')
    .replace(/_+/g, '_')
    .replace(/^_|_$/g, '');
  return /^[A-Za-z_]/.test(plain) ? plain : `P_${plain}`;
}

/** A function under another name, by which it gives its result too. */
export const renamed = (fn: PlcFunction, to: string): PlcFunction =>
  JSON.parse(JSON.stringify(fn), (key, value: unknown) =>
    (key === 'name' || key === 'to') && value === fn.name ? to : value,
  ) as PlcFunction;
