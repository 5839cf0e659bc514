/** Elementary types of IEC 61131-3 that the scaling code uses. */
export type PlcType = 'INT' | 'UINT' | 'DINT' | 'UDINT' | 'LINT' | 'REAL' | 'LREAL';

export type Operator = '+' | '-' | '*' | '/';
export type Comparison = '<' | '>' | '<=' | '>=';

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
  | { readonly kind: 'root'; readonly of: Expression };

export interface Condition {
  readonly left: Expression;
  readonly comparison: Comparison;
  readonly right: Expression;
}

export type Statement =
  | { readonly kind: 'assign'; readonly to: string; readonly value: Expression }
  | {
      readonly kind: 'if';
      readonly branches: readonly { readonly when: Condition; readonly then: readonly Statement[] }[];
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
export const when = (left: Expression, comparison: Comparison, right: Expression): Condition => ({
  left,
  comparison,
  right,
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
