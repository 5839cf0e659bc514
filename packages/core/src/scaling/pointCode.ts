import { sure } from '../lists/index.ts';
import { say, textOf } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { SignalChain } from './chain.ts';
import type { PointChain } from './pointChainTypes.ts';
import { plain } from '../units/index.ts';
import { exactCounts } from './rawFormats.ts';
import { plcCode } from './plcCode/generate.ts';
import type { CodeKind, CodeRequest, PlcCode } from './plcCode/codeRequest.ts';
import { identifier } from './plcCode/program.ts';
import type { Call, Constant, PlcProgram, PlcType, Variable } from './plcCode/program.ts';
import { unfitNumbers } from './plcCode/unfit.ts';

/** What code a point's chain needs: the counts at both ends of the range, the value, and its shape. */
export function codeRequest(tag: string, { chain, scaling, tables }: PointChain): CodeRequest {
  const { format } = chain.converter;
  const wanted =
    scaling.controller.shape === 'table' && tables.points.length < 2 ? 'linear' : scaling.controller.shape;
  const ends = rawEnds(chain);
  return {
    tag,
    raw: { ...ends, min: format.min, max: format.max },
    value: { ...programEnds(chain), unit: chain.controller.unit },
    shape: wanted,
    cut: scaling.controller.cutPercent / 100,
    table:
      wanted === 'table'
        ? tables.points.map((point) => ({
            in: exactCounts(format, chain.converter.range, point.in),
            out: point.out * scaling.controller.multiplier,
          }))
        : [],
    decimals: chain.display.decimals,
  };
}

/** Counts at both ends of the controller's range. */
const rawEnds = ({ converter: { format, range } }: SignalChain): { low: number; high: number } => ({
  low: exactCounts(format, range, range.low),
  high: exactCounts(format, range, range.high),
});

/** What the program makes of the counts at both ends of the converter's range. */
export const programEnds = ({
  converter: { range },
  controller,
  input,
}: SignalChain): { low: number; high: number } =>
  input.isData
    ? { low: controller.curve.at(range.low), high: controller.curve.at(range.high) }
    : { low: controller.low, high: controller.high };

/** What scaling a point adds to a program: the variable for its counts, its constants, its value, and the call. */
export interface ScaledPart {
  readonly constants: readonly Constant[];
  readonly variables: readonly Variable[];
  readonly call: Call;
  /** The variable with the value. */
  readonly value: Variable;
}

/** Scales a point within a program. Its constants are declared, so that nothing but the counts is left to be joined. */
export function scaledPart(request: CodeRequest, code: PlcCode): ScaledPart {
  const id = identifier(request.tag);
  const { unit } = request.value;
  const type = (input: string): PlcType => sure(code.fn.inputs.find(({ name }) => name === input)).type;
  const value: Variable = {
    name: code.factor === 1 ? `${id}_Value` : `${id}_Times${code.factor}`,
    type: code.fn.returns,
    comment: code.factor === 1 ? `${request.tag}, ${unit}` : `${request.tag}, ${unit} times ${code.factor}`,
  };
  const constants = Object.entries(code.constants).map(([name, number]) => ({
    name: `${id}_${name}`,
    type: type(name),
    value: number,
    comment: textOf(say('scaling.code-constant', { name, unit })),
  }));
  return {
    constants,
    value,
    variables: [
      {
        name: `${id}_Raw`,
        type: type('Raw'),
        comment: textOf(say('scaling.code-raw', { tag: request.tag })),
      },
      value,
    ],
    call: {
      kind: 'function',
      fn: code.fn,
      result: value.name,
      given: Object.fromEntries(code.fn.inputs.map(({ name }) => [name, `${id}_${name}`] as const)),
    },
  };
}

/** The program that scales one point. @throws JobProblem as `plcCode`. */
export function pointProgram(request: CodeRequest, kind: CodeKind): PlcProgram {
  const code = plcCode(request, kind);
  const { constants, variables, call } = scaledPart(request, code);
  const unfit = unfitNumbers(code).map((message) => ` ${textOf(message)}`);
  return {
    name: `Point_${identifier(request.tag)}`,
    comment: `${textOf(say('scaling.code-program', { tags: [request.tag] }))}${unfit.join('')}`,
    constants,
    variables,
    calls: [call],
  };
}

/**
 * The parameters of a ready scaling block, where the controller has one; nothing for a table, which no block of one
 * straight line follows.
 */
export function blockParameters(
  request: CodeRequest,
): { readonly name: Message; readonly value: string }[] | undefined {
  if (request.shape === 'table') return undefined;
  return [
    { name: say('scaling.counts-bottom'), value: plain(request.raw.low) },
    { name: say('scaling.counts-top'), value: plain(request.raw.high) },
    { name: say('scaling.value-bottom'), value: `${request.value.low} ${request.value.unit}` },
    { name: say('scaling.value-top'), value: `${request.value.high} ${request.value.unit}` },
    { name: say('scaling.least-counts'), value: String(request.raw.min) },
    { name: say('scaling.most-counts'), value: String(request.raw.max) },
    ...(request.shape === 'root'
      ? [{ name: say('scaling.square-root-cut'), value: `${request.cut * 100} %` }]
      : []),
  ];
}
