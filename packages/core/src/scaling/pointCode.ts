import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { Chain } from './chain.ts';
import type { PointChain } from './pointChainTypes.ts';
import { plain } from '../units/index.ts';
import { exactCounts } from './rawFormats.ts';
import { plcCode } from './plcCode/generate.ts';
import type { CodeKind, CodeWish } from './plcCode/generate.ts';
import { printCall, printFunction } from './plcCode/print.ts';
import { identifier } from './plcCode/program.ts';

/** What code a point's chain needs: the counts at both ends of the range, the value, and its shape. */
export function codeWish(tag: string, { chain, scaling, tables }: PointChain): CodeWish {
  const { format } = chain.converter;
  const wanted =
    scaling.controller.shape === 'table' && tables.points.length < 2 ? 'linear' : scaling.controller.shape;
  const ends = rawEnds(chain);
  return {
    tag,
    raw: { ...ends, min: format.min, max: format.max },
    value: { low: chain.controller.low, high: chain.controller.high, unit: chain.controller.unit },
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
const rawEnds = ({ converter: { format, range } }: Chain): { low: number; high: number } => ({
  low: exactCounts(format, range, range.low),
  high: exactCounts(format, range, range.high),
});

/** The text that goes into the controller: the function, and its call with the point's constants. */
export function codeText(wish: CodeWish, kind: CodeKind): string {
  const code = plcCode(wish, kind);
  const id = identifier(wish.tag);
  const result = code.factor === 1 ? `${id}_Value` : `${id}_Times${code.factor}`;
  return `${printFunction(code.fn)}\n${printCall(code.fn, result, { Raw: `${id}_Raw`, ...code.constants })}`;
}

/** The parameters of a ready scaling block, where the controller has one. */
export function blockParameters(wish: CodeWish): { readonly name: Message; readonly value: string }[] {
  return [
    { name: say('scaling.counts-bottom'), value: plain(wish.raw.low) },
    { name: say('scaling.counts-top'), value: plain(wish.raw.high) },
    { name: say('scaling.value-bottom'), value: `${wish.value.low} ${wish.value.unit}` },
    { name: say('scaling.value-top'), value: `${wish.value.high} ${wish.value.unit}` },
    { name: say('scaling.least-counts'), value: String(wish.raw.min) },
    { name: say('scaling.most-counts'), value: String(wish.raw.max) },
    ...(wish.shape === 'root'
      ? [{ name: say('scaling.square-root-cut'), value: `${wish.cut * 100} %` }]
      : []),
  ];
}
