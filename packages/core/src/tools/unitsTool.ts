import { sure } from '../lists/index.ts';
import { say } from '../messages/index.ts';
import { refuse } from '../model/index.ts';
import { convert, dimensionOf, parseIn, UNITS, awgToMm2, parseSection, withUnit } from '../units/index.ts';
import type { Dimension } from '../units/index.ts';

import type { Tool, ToolResult } from './tool.ts';

/** Several spellings of one unit are shown once. */
const SPELT: ReadonlySet<string> = new Set([
  'uA',
  'ohm',
  'kohm',
  'Mohm',
  'mm2',
  'm3/h',
  'gpm',
  'm3',
  'C',
  'F',
  'kg/m3',
]);

/** The last word of what was typed, if it is a unit: `3/4 in`. */
function unitIn(text: string): string | undefined {
  const word = /([^\d\s.,/+−-][^\d\s]*(?:[³²/][^\s]*)?)\s*$/.exec(text.trim())?.[1];
  if (!word) return undefined;
  const known = Object.values(UNITS).flatMap((units) => Object.keys(units));
  return (
    known.find((unit) => unit === word) ?? known.find((unit) => unit.toLowerCase() === word.toLowerCase())
  );
}

function conductor(text: string): ToolResult | undefined {
  if (!/awg|mm/i.test(text)) return undefined;
  const mm2 = /awg/i.test(text) ? parseSection(text) : undefined;
  if (mm2 === undefined) return undefined;
  const gauges = Array.from({ length: 41 }, (_, n) => n);
  const nearest = gauges.reduce((a, b) =>
    Math.abs(awgToMm2(b) - mm2) < Math.abs(awgToMm2(a) - mm2) ? b : a,
  );
  return {
    title: withUnit(mm2, 'mm²', 3),
    lines: [
      { label: say('tools.cross-section'), value: withUnit(mm2, 'mm²', 3) },
      { label: say('tools.gauge'), value: say('tools.awg', { nearest }) },
      { label: say('tools.diameter'), value: withUnit(2 * Math.sqrt(mm2 / Math.PI), 'mm', 3) },
    ],
    words: [],
  };
}

export const UNITS_TOOL: Tool = {
  id: 'units',
  name: say('tools.units'),
  hint: say('tools.value-every-unit-kind'),
  fields: [{ key: 'text', label: say('tools.value-unit'), kind: 'words', hint: say('tools.such-3-4-150') }],
  first: { text: '3/4 in' },
  work({ text = '' }) {
    const wire = conductor(text);
    if (wire) return wire;
    const unit = unitIn(text);
    const dimension = unit && dimensionOf(unit);
    if (!unit || !dimension) return refuse(say('tools.ends-unit-known-write', { text }), 'text');
    const read = parseIn(text, unit);
    if (!read.ok) return refuse(read.problem, 'text');
    return {
      title: withUnit(read.value, unit, 6),
      lines: Object.keys(UNITS[dimension as Dimension])
        .filter((other) => !SPELT.has(other) && other !== unit)
        .map((other) => ({
          label: other,
          value: withUnit(sure(convert(read.value, unit, other)), other, 6),
        })),
      words: [],
    };
  },
};
