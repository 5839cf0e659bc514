import { takesRange } from '../catalog/index.ts';
import type { Point } from '../model/index.ts';
import type { SingleChange, JobIndex } from '../job/index.ts';
import { CONTACTS_TOOL } from './contacts.ts';
import { DISPLAYS_TOOL } from './displaysTool.ts';
import { COIL_TOOL, CUTOFF_TOOL, PULSE_TOOL, VELOCITY_TOOL } from './flowTools.ts';
import { HYSTERESIS_TOOL } from './hysteresisTool.ts';
import { LINE_TOOL } from './lineTool.ts';
import { LOOP_TOOL } from './loop.ts';
import { REACTION_TOOL } from './reactionTool.ts';
import { COUNTS_TOOL, SIGNAL_TOOL } from './signal.ts';
import { TEACH_TOOL } from './teachTool.ts';
import { THERMOCOUPLE_TOOL, RTD_TOOL } from './temperature.ts';
import type { Tool, ToolValues } from './tool.ts';
import { UNITS_TOOL } from './unitsTool.ts';

/** The calculators of the tool drawer, in the order in which they lie in it. */
export const TOOLS: readonly Tool[] = [
  SIGNAL_TOOL,
  COUNTS_TOOL,
  RTD_TOOL,
  THERMOCOUPLE_TOOL,
  PULSE_TOOL,
  CUTOFF_TOOL,
  VELOCITY_TOOL,
  COIL_TOOL,
  HYSTERESIS_TOOL,
  REACTION_TOOL,
  TEACH_TOOL,
  LOOP_TOOL,
  CONTACTS_TOOL,
  DISPLAYS_TOOL,
  LINE_TOOL,
  UNITS_TOOL,
];

export const findTool = (id: string): Tool | undefined => TOOLS.find((tool) => tool.id === id);

/** What a result changes at a point besides its note: nothing where the point has no value that it could concern. */
export const changesAt = (
  tool: Tool,
  values: ToolValues,
  index: JobIndex,
  point: Point,
): readonly SingleChange[] =>
  takesRange(index.deviceType(index.deviceOf(point))) ? (tool.send?.(values, index, point) ?? []) : [];
