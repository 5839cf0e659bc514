import { say, textOf } from '../../messages/index.ts';
import { plc } from '../../scaling/index.ts';
import type { PlcProgram, Variable } from '../../scaling/index.ts';
import type { Ladder } from './ladder.ts';
import { ladderCode } from './ladderCode.ts';
import type { RealType } from './ladderCode.ts';

type Point = { readonly tag: string; readonly unit: string };

/** What an alarm ladder adds to a program. */
export interface LadderPart {
  readonly variables: readonly Variable[];
  readonly call: PlcProgram['calls'][number];
}

/**
 * Calls the block of a ladder within a program.
 * @param value the variable that holds the value; one of its own is declared where there is none.
 */
export function ladderPart(point: Point, ladder: Ladder, type: RealType, value?: string): LadderPart {
  const id = plc.identifier(point.tag);
  const block = ladderCode(point, ladder, type);
  const given = Object.fromEntries(
    block.inputs.map(({ name }) => [
      name,
      name === 'Value' ? (value ?? `${id}_AlarmValue`) : `${id}_${name}`,
    ]),
  );
  return {
    variables: block.inputs
      .filter(({ name }) => name !== 'Value' || value === undefined)
      .map(({ name, type: own, comment }) => ({
        name: name === 'Value' ? `${id}_AlarmValue` : `${id}_${name}`,
        type: own,
        comment: name === 'Value' ? `${point.tag}, ${point.unit}` : comment,
      })),
    call: { kind: 'block', block, of: `${id}_Alarms`, given },
  };
}

/** The program that calls the ladder of one point. */
export function ladderProgram(point: Point, ladder: Ladder, type: RealType): PlcProgram {
  const { variables, call } = ladderPart(point, ladder, type);
  return {
    name: `Alarm_${plc.identifier(point.tag)}`,
    comment: textOf(say('switching.code-program', { tag: point.tag })),
    constants: [],
    variables,
    calls: [call],
  };
}
