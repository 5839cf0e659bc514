import { nth, sure } from '../../lists/index.ts';
import { say } from '../../messages/index.ts';
import { refuse } from '../../model/index.ts';
import type { TablePoint } from '../../model/index.ts';
import { tableOf } from '../../sensing/index.ts';
import { number, when } from './program.ts';
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

export const constantsOf = ({ raw, value }: CodeRequest, factor: number): Record<string, number> => ({
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

export const COMMENT: Readonly<Record<CodeRequest['shape'], string>> = {
  linear: 'a straight line between two points',
  root: 'a square root with a cut at its bottom',
  table: 'straight pieces between the points of a table',
};

/** An `IF` over the pieces of a table; the last one goes on beyond its end. */
export function pieces(
  table: readonly TablePoint[],
  raw: Expression,
  done: (piece: { from: TablePoint; to: TablePoint }) => Statement[],
): Statement[] {
  const sorted = [...table].sort((a, b) => a.in - b.in);
  if (sorted.length < 2) refuse(say('scaling.table-needs-two-points'));
  const list = sorted.slice(1).map((to, i) => ({ from: nth(sorted, i), to }));
  const last = sure(list.pop());
  if (!list.length) return done(last);
  return [
    {
      kind: 'if',
      branches: list.map((piece) => ({
        when: when(raw, '<', number(Math.ceil(piece.to.in))),
        then: done(piece),
      })),
      otherwise: done(last),
    },
  ];
}
