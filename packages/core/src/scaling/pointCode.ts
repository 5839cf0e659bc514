import { say, textOf } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { SignalChain } from './chain.ts';
import type { PointChain } from './pointChainTypes.ts';
import { plain } from '../units/index.ts';
import { exactCounts } from './rawFormats.ts';
import { plcCode } from './plcCode/generate.ts';
import type { CodeKind, CodeRequest } from './plcCode/codeRequest.ts';
import { printCall, printFunction } from './plcCode/print.ts';
import { identifier } from './plcCode/program.ts';
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

/** The text that goes into the controller: the function, and its call with the point's constants. */
export function codeText(request: CodeRequest, kind: CodeKind): string {
  const code = plcCode(request, kind);
  const id = identifier(request.tag);
  const unfit = unfitNumbers(code).map((message) => `(* ${textOf(message)} *)\n`);
  const result = code.factor === 1 ? `${id}_Value` : `${id}_Times${code.factor}`;
  return `${unfit.join('')}${printFunction(code.fn)}\n${printCall(code.fn, result, { Raw: `${id}_Raw`, ...code.constants })}`;
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
